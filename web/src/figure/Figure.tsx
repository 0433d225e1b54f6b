import type { BasePosition, Pose } from '@warm-ladder/core/body';
import {
  type Drawing,
  FLOOR_LINE,
  type Layer,
  OUTLINE,
  type Scene,
  STROKES,
  sceneOf,
  type Tone,
  type View,
} from '@warm-ladder/core/figure';
import { memo, type ReactNode } from 'react';

interface FigureProps {
  /** The pose drawn in ink. */
  readonly pose: Pose;
  /** Where the movement comes from, drawn faintly behind. */
  readonly from?: Pose | undefined;
  readonly like: BasePosition;
  readonly view?: View;
  /** What it shows, for those who can't see it; none where the words stand beside it. */
  readonly label?: string;
  readonly className?: string;
}

/** The drawn body of a pose on its floor, without anything of a rung. */
export const Figure = memo(function Figure({ pose, from, like, view = 'side', label, className }: FigureProps) {
  return <SceneFigure scene={sceneOf({ pose, from, like, view })} label={label} className={className} />;
});

interface SceneFigureProps {
  /** Pixels, where it stands in another picture. */
  readonly box?: { readonly width: number; readonly height: number };
  readonly scene: Scene;
  readonly label?: string | undefined;
  readonly className?: string | undefined;
}

export function SceneFigure({ scene, ...frame }: SceneFigureProps) {
  return (
    <FigureFrame scene={scene} {...frame}>
      {scene.ghost && <Ghost drawing={scene.ghost} />}
      <Body drawing={scene.drawing} />
    </FigureFrame>
  );
}

interface FigureFrameProps extends SceneFigureProps {
  /** Parts of it can be taken hold of, so it is a group of things and not one picture. */
  readonly interactive?: boolean;
  readonly children: ReactNode;
}

/** The window a body is drawn in, with the floor it is on; seen from above, the mat under it. */
export function FigureFrame({ scene, label, className, box, interactive = false, children }: FigureFrameProps) {
  const { frame, mat } = scene;
  const { x, width, top, bottom, floor } = frame;
  return (
    <svg
      viewBox={`${x} ${-top} ${width} ${top - bottom + FLOOR_LINE.under}`}
      {...box}
      className={className}
      preserveAspectRatio="xMidYMax meet"
      role={interactive ? 'group' : 'img'}
      aria-label={label}
      aria-hidden={label === undefined}
    >
      {mat === null ? (
        <line
          x1={x + FLOOR_LINE.margin}
          x2={x + width - FLOOR_LINE.margin}
          y1={FLOOR_LINE.width / 2 - floor}
          y2={FLOOR_LINE.width / 2 - floor}
          className="stroke-line"
          strokeWidth={FLOOR_LINE.width}
        />
      ) : (
        <path d={mat} transform={TO_PAGE} className="fill-shade stroke-line" strokeWidth={STROKES.mat} />
      )}
      {children}
    </svg>
  );
}

/** Outlines are written in whole numbers. */
const TO_PAGE = `scale(${OUTLINE})`;

const FILLS: Readonly<Record<Exclude<Tone, 'line' | 'way'>, string>> = {
  far: 'fill-limb-far',
  trunk: 'fill-trunk',
  face: 'fill-limb-far',
  near: 'fill-ink',
  arm: 'fill-ink stroke-sheet',
  prop: 'fill-thing',
};

export function Body({ drawing }: { readonly drawing: Drawing }) {
  return (
    <g transform={TO_PAGE}>
      {drawing.layers.map((layer, i) => (
        <LayerPath key={i} layer={layer} />
      ))}
    </g>
  );
}

function LayerPath({ layer: { tone, path } }: { readonly layer: Layer }) {
  if (tone === 'line' || tone === 'way') {
    return (
      <path
        d={path}
        fill="none"
        className={tone === 'line' ? 'stroke-thing' : 'stroke-cobalt'}
        strokeWidth={STROKES[tone]}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    );
  }
  return (
    <path
      d={path}
      className={FILLS[tone]}
      {...(tone === 'arm' ? { strokeWidth: STROKES.halo, paintOrder: 'stroke' } : undefined)}
    />
  );
}

/** Where a movement comes from: one pale shape. */
export function Ghost({ drawing }: { readonly drawing: Drawing }) {
  return <path d={drawing.layers.map(({ path }) => path).join('')} transform={TO_PAGE} className="fill-ghost" />;
}
