import { type Posed, pelvisBears, ribsBear } from '../../body';
import type { Direction } from '../../method';
import type { Catalog, RungEntry } from '../catalog';
import type { Exercise } from '../exercise';

/** Degrees from which the spine is seen to go somewhere; twice that and it must be declared. */
const SEEN: Readonly<Record<Exclude<Direction, 'neutral'>, number>> = {
  flexion: 12,
  extension: 6,
  rotation: 8,
  'lateral-flexion': 7,
  articulation: 8,
};

export interface SeenDirections {
  /** Degrees of each direction over one repetition. */
  readonly degrees: Readonly<Record<Exclude<Direction, 'neutral'>, number>>;
  /** Directions the poses show; `neutral` when they show no other, or hold load while another comes and goes. */
  readonly seen: readonly Direction[];
}

/** What the spine does in a rung, read from its poses. */
export function directionsSeen(catalog: Catalog, entry: RungEntry): SeenDirections {
  const bodies = catalog.course(entry).rep.map(({ posed }) => posed);
  const ends = entry.rung.phases.flatMap(({ pose }) => entry.rung.poses[pose] ?? []);
  const start = entry.rung.poses[entry.rung.start];
  const poses = [...(start ? [start] : []), ...ends];
  const bend = poses.map(({ lumbar = 0, thoracic = 0 }) => lumbar + thoracic);
  const most = (values: readonly number[]) => Math.max(0, ...values);
  const forward = most(bend);
  const travel = most(bend) - Math.min(0, ...bend);
  const low = poses.map(({ lumbar = 0 }) => lumbar);
  const necks = poses.map(({ neck = 0 }) => Math.abs(neck));
  const peels = peelsOff(bodies);
  const degrees = {
    flexion: forward,
    extension: most(bend.map((each) => -each)),
    rotation: most(poses.map(({ twist = 0 }) => Math.abs(twist))),
    'lateral-flexion': most(poses.map(({ sideBend = 0 }) => Math.abs(sideBend))),
    // Segment by segment: the low back travels, or the trunk leaves the floor bone by bone.
    articulation: peels ? Math.max(travel, most(necks), 10) : most(low) - Math.min(...low),
  };
  const moved = (Object.keys(SEEN) as Array<keyof typeof SEEN>).filter(
    (direction) => degrees[direction] >= SEEN[direction],
  );
  const turnedOnly = moved.filter((direction) => direction !== 'articulation');
  return { degrees, seen: moved.length === 0 || turnedOnly.length === 0 ? ['neutral', ...moved] : moved };
}

/** The trunk rests on fewer of its parts at one moment than at another. */
function peelsOff(bodies: readonly Posed[]): boolean {
  const resting = bodies.map(({ pose }) => (ribsBear(pose) ? 1 : 0) + (pelvisBears(pose) ? 1 : 0));
  return Math.max(...resting) > Math.min(...resting);
}

/** Where what is declared of an exercise and what its poses show part ways. */
export interface DirectionDoubts {
  /** Declared, and no rung shows it. */
  readonly unseen: readonly Direction[];
  /** Shown plainly by a rung, and not declared. */
  readonly undeclared: ReadonlyArray<{ readonly direction: Direction; readonly rung: string }>;
}

/**
 * Holds the declared directions against the poses. Neutral may always be declared: that the spine holds still
 * against another limb's pull is not something its own angles show.
 */
export function directionDoubts(catalog: Catalog, exercise: Exercise): DirectionDoubts {
  const rungs = exercise.rungs.flatMap(({ id }) => catalog.rung({ exercise: exercise.id, rung: id }) ?? []);
  const shown = rungs.map((entry) => ({ rung: entry.rung.id, degrees: directionsSeen(catalog, entry).degrees }));
  const moving = Object.keys(SEEN) as Array<keyof typeof SEEN>;
  const articulated = exercise.directions.includes('articulation');
  return {
    unseen: moving.filter(
      (each) => exercise.directions.includes(each) && shown.every(({ degrees }) => degrees[each] < SEEN[each]),
    ),
    undeclared: moving
      // Bone by bone is its own picture: it bends and unbends, and any bend passes through the low back.
      .filter((each) => each !== 'articulation' && !(articulated && (each === 'flexion' || each === 'extension')))
      .filter((each) => !exercise.directions.includes(each))
      .flatMap((direction) =>
        shown
          .filter(({ degrees }) => degrees[direction] >= 2 * SEEN[direction])
          .map(({ rung }) => ({ direction, rung })),
      ),
  };
}
