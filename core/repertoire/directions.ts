import { type Posed, pelvisBears, ribsBear } from '../body';
import type { Direction } from '../method';
import type { Catalog, RungEntry } from './catalog';

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
  const bodies = catalog.course(entry).map(({ posed }) => posed);
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

/** What was declared and the poses do not show, and what they show plainly and was not declared. */
export interface DirectionDoubts {
  readonly unseen: readonly Direction[];
  readonly undeclared: readonly Direction[];
}

/** Neutral may always be declared: holding still is what another limb's pull does not show. */
export function directionDoubts(catalog: Catalog, entry: RungEntry): DirectionDoubts {
  const { degrees } = directionsSeen(catalog, entry);
  const declared = entry.exercise.directions;
  const moving = Object.keys(SEEN) as Array<keyof typeof SEEN>;
  return {
    unseen: moving.filter((each) => declared.includes(each) && degrees[each] < SEEN[each]),
    // A flexed spine that travels is articulation's own picture, and the other way round.
    undeclared: moving.filter(
      (each) =>
        !declared.includes(each) &&
        degrees[each] >= 2 * SEEN[each] &&
        !(each === 'flexion' && declared.includes('articulation')) &&
        !(each === 'extension' && declared.includes('articulation')) &&
        each !== 'articulation',
    ),
  };
}
