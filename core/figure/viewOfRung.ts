import { inTheRoom, type Placed, type Point, type Pose, placedBetween, SIDES, type Skeleton } from '../body';
import { bodiesOf, type Phase, type RungEntry } from '../repertoire';
import { isUpright } from '../vocabulary/bodies/position';
import { cameraFor, type View, viewOf } from './camera';

/** A joint that goes less far than this, in body heights, shows from anywhere: 5 cm. */
const GOES = 0.03;
/** Share of its way that is to be seen on the page: six tenths, and a little for what is settled on its way. */
const SEEN = 0.62;

/** From this share on it shows however it is settled on its way. */
const SURELY = 0.8;

/** Joints whose ways tell a movement. */
const JOINTS: ReadonlyArray<(bones: Skeleton) => Point> = [
  ({ head }) => head,
  ({ shoulder }) => shoulder,
  ({ hip }) => hip,
  ...SIDES.flatMap(
    (side): Array<(bones: Skeleton) => Point> => [
      ({ arm }) => arm[side].middle,
      ({ arm }) => arm[side].end,
      ({ leg }) => leg[side].middle,
      ({ leg }) => leg[side].end,
      ({ leg }) => leg[side].tip,
    ],
  ),
];

type Steps = ReadonlyArray<readonly [number, number, number]>;

/** A way through the room as its steps. */
function stepsOf(bodies: readonly Placed[], joint: (bones: Skeleton) => Point): Steps {
  const points = bodies.map((body) => inTheRoom(body, joint(body.bones)));
  return points.slice(1).map((to, i) => {
    const from = points[i] as Point;
    return [to.x - from.x, to.y - from.y, to.z - from.z] as const;
  });
}
const lengthOf = (steps: Steps): number => steps.reduce((sum, step) => sum + Math.hypot(...step), 0);

/**
 * The share of the longest way of a joint that is seen from a view, 0 to 1; 1 where nothing goes far.
 * @param bodies as a repetition passes through them
 */
export function seenFrom(view: View, like: RungEntry['like'], bodies: readonly Placed[]): number {
  const ways = JOINTS.map((joint) => stepsOf(bodies, joint));
  const longest = ways.reduce((most, each) => (lengthOf(each) > lengthOf(most) ? each : most));
  const length = lengthOf(longest);
  if (length < GOES) return 1;
  const { right, up } = cameraFor(view, like);
  const seen = longest.reduce((sum, [x, y, z]) => {
    const across = x * right.x + y * right.y + z * right.z;
    const rise = x * up.x + y * up.y + z * up.z;
    return sum + Math.hypot(across, rise);
  }, 0);
  return seen / length;
}

const views = new WeakMap<RungEntry['rung'], { readonly like: RungEntry['like']; readonly view: View }>();

/** The view a rung is drawn from: the one that tells its poses best, unless its movement hardly shows from there. */
export function viewOfRung(entry: RungEntry): View {
  const { rung, like } = entry;
  const known = views.get(rung);
  if (known?.like === like) return known.view;
  const view = viewThatShows(entry);
  views.set(rung, { like, view });
  return view;
}

function viewThatShows(entry: RungEntry): View {
  const { rung, like } = entry;
  // A wrong form is no part of the movement.
  const reached = [...new Set([rung.start, ...rung.phases.map(({ pose }) => pose)])];
  const told = viewOf(
    reached.flatMap((id) => rung.poses[id] ?? []),
    like,
  );
  // As joints turn, without settling, is near enough to know of most that they show.
  if (seenFrom(told, like, passing(entry, roughly)) >= SURELY) return told;
  const bodies = passing(entry, settling);
  if (seenFrom(told, like, bodies) >= SEEN) return told;
  return bestOf(like, bodies);
}

/** The first view from which enough of a movement shows, else the one from which most does. */
function bestOf(like: RungEntry['like'], bodies: readonly Placed[]): View {
  const others: readonly View[] = isUpright(like) ? ['side', 'turned', 'front'] : ['side', 'over', 'top', 'front'];
  const shares = others.map((view) => [view, seenFrom(view, like, bodies)] as const);
  const enough = shares.find(([, share]) => share >= SEEN);
  return (enough ?? shares.reduce((most, each) => (each[1] > most[1] ? each : most)))[0];
}

/** The view two forms are held against each other from: the rung's own, unless what differs hardly shows from there. */
export function viewOfForms(entry: RungEntry, right: Pose, wrong: Pose): View {
  const own = viewOfRung(entry);
  const { placed } = bodiesOf(entry);
  const bodies = [right, wrong].flatMap((pose) => placed.get(pose) ?? []);
  return seenFrom(own, entry.like, bodies) >= SEEN ? own : bestOf(entry.like, bodies);
}

/** Bodies on the way of a phase, its end among them. */
type Along = (entry: RungEntry, from: Pose, phase: Phase) => readonly Placed[];

/** The bodies of a rung as a repetition passes through them. */
function passing(entry: RungEntry, along: Along): Placed[] {
  const { rung } = entry;
  const first = rung.poses[rung.start];
  const begin = first && bodiesOf(entry).placed.get(first);
  if (!first || !begin) return [];
  let from = first;
  const bodies = [begin];
  for (const phase of rung.phases) {
    bodies.push(...along(entry, from, phase));
    from = rung.poses[phase.pose] ?? from;
  }
  return bodies;
}

const roughly: Along = (entry, from, phase) => {
  const { placed } = bodiesOf(entry);
  const to = entry.rung.poses[phase.pose];
  const [a, b] = [placed.get(from), to && placed.get(to)];
  return a && b ? [placedBetween(a, b, 0.5, 1), b] : [];
};
const settling: Along = (entry, from, phase) => {
  const passage = bodiesOf(entry).passage(from, phase);
  return passage ? [0.25, 0.5, 0.75, 1].map(passage.at) : [];
};
