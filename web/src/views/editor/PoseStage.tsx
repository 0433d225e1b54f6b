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
import { type PointerEvent, useRef, useState } from 'react';
import { Body, FigureFrame, Ghost } from '../../figure/Figure';
import { draggedTo, type Handle, handlesOf, type Moved, nudged, type Stage } from './drag';

interface PoseStageProps {
  readonly pose: Pose;
  /** The pose the movement comes from, drawn faintly. */
  readonly from?: Pose | undefined;
  readonly like: BasePosition;
  /** Its rung, for what carries the body. */
  readonly entry: Shown['entry'];
  readonly view: PlainView;
  readonly moved: Moved;
  /** `done` when the hand lets go: then it is kept. */
  readonly onPose: (pose: Pose, done: boolean) => void;
}

const ROUND = { x: 0.12, y: 0.12 };

/** The body as it can be taken hold of: drag a joint, or go to it and use the arrow keys. */
export function PoseStage({ pose, from, like, entry, view, moved, onPose }: PoseStageProps) {
  const stage = useRef<HTMLDivElement>(null);
  const [dragging, setDragging] = useState<{ handle: Handle; frame: Frame; planted: string | null } | null>(null);
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
    onPose(draggedTo(pose, { like, view, planted: dragging.planted }, dragging.handle, moved, spot), done);
  };
  return (
    <div ref={stage} className="h-full min-h-0 touch-none select-none">
      <FigureFrame scene={scene} label="The body" className="size-full" interactive>
        {scene.ghost && <Ghost drawing={scene.ghost} />}
        <Body drawing={scene.drawing} />
        {handles.map((handle) => (
          <circle
            key={`${handle.name}-${handle.side}`}
            cx={handle.at.x}
            cy={-handle.at.y}
            r={0.035}
            tabIndex={0}
            role="slider"
            aria-label={handle.words}
            aria-valuenow={handle.degrees}
            aria-valuemin={handle.range[0]}
            aria-valuemax={handle.range[1]}
            aria-valuetext={`${handle.turns} ${handle.degrees} degrees`}
            className="cursor-grab fill-heat-5 stroke-ink outline-none hover:fill-sheet focus-visible:fill-sheet focus-visible:stroke-brick"
            strokeWidth={0.012}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setDragging({ handle, frame, planted });
            }}
            onPointerMove={(event) => drag(event, false)}
            onPointerUp={(event) => {
              drag(event, true);
              setDragging(null);
            }}
            onPointerCancel={() => setDragging(null)}
            onKeyDown={(event) => {
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

/** A little more air than a still picture needs: somewhere to drag to. */
const roomy = ({ x, width, top, bottom }: Frame): Frame => ({
  x: x - ROUND.x,
  width: width + 2 * ROUND.x,
  top: top + ROUND.y,
  bottom,
});
