import type { BasePosition, Pose } from '@warm-ladder/core/body';
import {
  type Frame,
  type PlainView,
  plantedIn,
  type Scene,
  type Shown,
  type Spot,
  sceneOf,
} from '@warm-ladder/core/figure';
import { type MarkRead, markJoint } from '@warm-ladder/core/repertoire';
import { type PointerEvent, useRef, useState } from 'react';
import { Body, FigureFrame, Ghost } from '../../../figure/Figure';
import { draggedTo, type Handle, handlesOf, type Moved, nudged, type Stage } from './drag';
import { restsAt } from './rests';

interface PoseStageProps {
  readonly pose: Pose;
  /** The pose the movement comes from, drawn faintly. */
  readonly from?: Pose | undefined;
  readonly like: BasePosition;
  /** Its rung, for what carries the body. */
  readonly entry: Shown['entry'];
  readonly view: PlainView;
  readonly moved: Moved;
  /** Places the pose is held to. */
  readonly marks: readonly MarkRead[];
  /** `done` when the hand lets go: then it is kept. */
  readonly onPose: (pose: Pose, done: boolean) => void;
  /** A place of the body was clicked and not dragged. */
  readonly onAsk: (handle: Handle, at: SVGElement) => void;
}

const ROUND = { x: 0.12, y: 0.12 };
/** Pixels a hand moves before it drags: less is a click. */
const SLACK = 4;
/** Half of a handle, in body heights. */
const GRIP = 0.035;

/** The body as it can be taken hold of: drag a joint, go to it and use the arrow keys, or click it to say what rests. */
export function PoseStage({ pose, from, like, entry, view, moved, marks, onPose, onAsk }: PoseStageProps) {
  const stage = useRef<HTMLDivElement>(null);
  const [dragging, setDragging] = useState<Dragging | null>(null);
  const planted = dragging?.planted ?? plantedIn(entry ? Object.values(entry.rung.poses) : [pose]);
  const still = sceneOf({ pose, from, like, view, entry, planted });
  // The frame stays where it was while a hand drags: a picture that moves under the hand can't be aimed at.
  const frame = dragging?.frame ?? roomy(still.frame);
  const scene: Scene = { ...still, frame };
  const stand: Stage = { like, view, planted };
  const handles = handlesOf(pose, stand, moved);

  const spotOf = (event: PointerEvent): Spot | null => {
    const svg = stage.current?.querySelector('svg');
    const matrix = svg?.getScreenCTM();
    if (!matrix) return null;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x, y: -y };
  };
  const drag = (event: PointerEvent, done: boolean) => {
    const spot = spotOf(event);
    if (!dragging || !spot) return;
    if (!dragging.moved && Math.hypot(event.clientX - dragging.x, event.clientY - dragging.y) < SLACK) return;
    if (!dragging.moved) setDragging({ ...dragging, moved: true });
    onPose(draggedTo(pose, { like, view, planted: dragging.planted }, dragging.handle, moved, spot), done);
  };
  return (
    <div ref={stage} className="h-full min-h-0 touch-none select-none">
      <FigureFrame scene={scene} label="The body" className="size-full" interactive>
        {scene.ghost && <Ghost drawing={scene.ghost} />}
        <Body drawing={scene.drawing} />
        {handles.flatMap(({ name, side, at }) =>
          marks
            .filter(({ mark }) => markJoint(mark) === name)
            .map(({ mark, within, miss }) => (
              <circle
                key={`${mark}-${side}`}
                data-mark={mark}
                cx={at.x}
                cy={-at.y}
                r={2 * GRIP}
                fill="none"
                strokeWidth={0.012}
                // Met is a whole ring, missed a broken one: told apart without a colour.
                strokeDasharray={miss > within ? '0.03 0.02' : undefined}
                className={miss > within ? 'stroke-alarm' : 'stroke-moss'}
              />
            )),
        )}
        {handles.map((handle) => (
          // Square where the body rests, round where it is free.
          <rect
            key={`${handle.name}-${handle.side}`}
            x={handle.at.x - GRIP}
            y={-handle.at.y - GRIP}
            width={2 * GRIP}
            height={2 * GRIP}
            rx={restsAt(pose, handle, moved) ? GRIP * 0.35 : GRIP}
            tabIndex={0}
            role="slider"
            aria-label={handle.words}
            aria-valuenow={handle.degrees}
            aria-valuemin={handle.range[0]}
            aria-valuemax={handle.range[1]}
            aria-valuetext={`${handle.turns} ${handle.degrees} degrees`}
            className="cursor-grab fill-cobalt stroke-ink outline-none hover:fill-sheet focus-visible:fill-sheet focus-visible:stroke-alarm"
            strokeWidth={0.012}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setDragging({ handle, frame, planted, x: event.clientX, y: event.clientY, moved: false });
            }}
            onPointerMove={(event) => drag(event, false)}
            onPointerUp={(event) => {
              if (dragging?.moved) drag(event, true);
              else onAsk(handle, event.currentTarget);
              setDragging(null);
            }}
            onPointerCancel={() => setDragging(null)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                return onAsk(handle, event.currentTarget);
              }
              const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
              if (by === undefined) return;
              event.preventDefault();
              onPose(nudged(pose, stand, handle, moved, by * (event.shiftKey ? 10 : 1)), true);
            }}
          />
        ))}
      </FigureFrame>
    </div>
  );
}

/** A hand on a joint: what it took hold of, and where it did. */
interface Dragging {
  readonly handle: Handle;
  readonly frame: Frame;
  readonly planted: string | null;
  readonly x: number;
  readonly y: number;
  /** It has gone far enough to drag. */
  readonly moved: boolean;
}

/** A little more air than a still picture needs: somewhere to drag to. */
const roomy = ({ x, width, top, bottom, floor }: Frame): Frame => ({
  floor,
  x: x - ROUND.x,
  width: width + 2 * ROUND.x,
  top: top + ROUND.y,
  bottom,
});
