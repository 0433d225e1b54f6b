import { anglesOf, type BasePosition, type Pose, settled } from '../body';
import { bodiesOf, type Phase, type RungEntry, surfacesFor } from '../repertoire';
import { cameraFor, type Spot, type View } from './camera';
import {
  type Drawing,
  drawn,
  type Frame,
  frameOf,
  inItsPlace,
  inRoom,
  type Layer,
  matUnder,
  plantedIn,
  type RoomBody,
} from './drawing';
import { line } from './shapes';
import { withThings } from './things';
import { viewOfRung } from './viewOfRung';

/** A picture of a body, and of the pose it comes from. */
export interface Scene {
  readonly view: View;
  readonly frame: Frame;
  /** The mat, as an outline where it is seen from above or from between; `null` where the floor is a line. */
  readonly mat: string | null;
  readonly ghost: Drawing | null;
  readonly drawing: Drawing;
}

/** What is drawn. */
export interface Shown {
  readonly pose: Pose;
  /** Where the movement comes from. */
  readonly from?: Pose | undefined;
  readonly like: BasePosition;
  readonly view: View;
  /** The rung it belongs to, for what carries the body and what is held. */
  readonly entry?: Pick<RungEntry, 'position' | 'rung' | 'props'> | undefined;
  /** The support that stays where it is; unsaid, one that bears in all poses. */
  readonly planted?: string | null;
}

/** A pose where it stands in the room: in its rung, as the rung's other poses leave it. */
function standing(pose: Pose, { like, entry, planted }: Pick<Shown, 'like' | 'entry' | 'planted'>): RoomBody {
  const placed = entry && planted === undefined ? bodiesOf({ ...entry, like }).placed.get(pose) : undefined;
  if (placed) return inItsPlace(placed, like);
  const body = settled(pose, like, anglesOf(pose), 1, surfacesFor(entry));
  return inRoom(pose, like, body, planted === undefined ? plantedIn([pose]) : planted);
}

export function sceneOf({ pose, from, like, view, entry, planted }: Shown): Scene {
  const inPlace = (each: Pose) => standing(each, { like, entry, planted });
  const body = inPlace(pose);
  const before = from && from !== pose ? inPlace(from) : null;
  const camera = cameraFor(view, like);
  const plain = drawn(body, camera);
  const drawing = entry ? withThings(plain, body, pose, view, entry) : plain;
  const ghost = before && drawn(before, camera);
  const frame = frameOf(ghost ? [ghost, drawing] : [drawing], view, isOnFloor(entry));
  const level = view === 'side' || view === 'front';
  const mat = level ? null : matUnder(before ? [before, body] : [body], view);
  return { view, frame, mat, ghost, drawing };
}

/** Whether a body of a rung is on the floor, and not on an apparatus of the studio's own. */
export const isOnFloor = (entry: Shown['entry']): boolean => surfacesFor(entry)('floor') !== null;

/** A rung in one picture: the pose its effort arrives at, with the pose it starts from behind; `null` without a pose. */
export function rungScene(entry: RungEntry): Scene | null {
  const { rung, like } = entry;
  const known = scenes.get(entry);
  if (known !== undefined) return known;
  const effort =
    rung.phases.find((phase) => phase.effort && phase.pose !== rung.start) ??
    rung.phases.find((phase) => phase.pose !== rung.start);
  const start = rung.poses[rung.start];
  const pose = (effort && rung.poses[effort.pose]) ?? start;
  const view = viewOfRung(entry);
  const scene = pose ? sceneOf({ pose, from: start, like, view, entry }) : null;
  const way = scene?.ghost ? wayOf(scene.ghost, scene.drawing) : null;
  const marked =
    scene && way ? { ...scene, drawing: { ...scene.drawing, layers: [...scene.drawing.layers, way] } } : scene;
  scenes.set(entry, marked);
  return marked;
}
/** A joint that moves less than this, in body heights, needs no arrow. */
const MOVES = 0.14;
/** How far an arrow keeps from both ends of the way, and how long its head is. */
const APART = 0.06;
const HEAD = 0.035;

/** The way of what moves farthest, as an arrow beside it: round the joint it hangs on, where it does. */
function wayOf({ joints: from }: Drawing, { joints: to }: Drawing): Layer | null {
  const ends = (['ankle', 'wrist'] as const).flatMap((name) => [
    [from[name].left, to[name].left, to[name === 'ankle' ? 'hipJoint' : 'shoulderJoint'].left] as const,
    [from[name].right, to[name].right, to[name === 'ankle' ? 'hipJoint' : 'shoulderJoint'].right] as const,
  ]);
  const trunk = [[from.head, to.head, to.hip] as const, [from.hip, to.hip, to.shoulder] as const];
  const all = [...ends, ...trunk].map(([a, b, root]) => ({ a, b, root, length: Math.hypot(b.x - a.x, b.y - a.y) }));
  const farthest = all.reduce((most, each) => (each.length > most.length + 0.01 ? each : most));
  if (farthest.length < MOVES) return null;
  const { a, b, root, length } = farthest;
  // Bowed away from the joint it turns about.
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const out = { x: middle.x - root.x, y: middle.y - root.y };
  const far = Math.hypot(out.x, out.y) || 1;
  const bow = { x: middle.x + (out.x / far) * length * 0.4, y: middle.y + (out.y / far) * length * 0.4 };
  const at = (share: number): Spot => {
    const rest = 1 - share;
    return {
      x: rest * rest * a.x + 2 * rest * share * bow.x + share * share * b.x,
      y: rest * rest * a.y + 2 * rest * share * bow.y + share * share * b.y,
    };
  };
  const clear = Math.min(0.3, APART / length);
  const points = Array.from({ length: 7 }, (_, i) => at(clear + ((1 - 2 * clear) * i) / 6));
  const [before, tip] = points.slice(-2) as [Spot, Spot];
  const run = Math.hypot(tip.x - before.x, tip.y - before.y) || 1;
  const [ux, uy] = [(tip.x - before.x) / run, (tip.y - before.y) / run];
  const barb = (side: number): Spot => ({
    x: tip.x - HEAD * (ux + side * 0.6 * uy),
    y: tip.y - HEAD * (uy - side * 0.6 * ux),
  });
  return { tone: 'way', path: line(points) + line([barb(1), tip, barb(-1)]) };
}

const scenes = new WeakMap<RungEntry, Scene | null>();

/** A body on its way along a phase, 0 at its beginning and 1 on arrival. */
type Along = (share: number) => Drawing;

/** One phase of a repetition as it is drawn moving. */
export interface DrawnPhase {
  readonly phase: Phase;
  readonly along: Along;
}

/** The phases of a repetition as they are drawn moving, each settled at every moment of its way. */
export function phasesOf(entry: RungEntry, view: View): DrawnPhase[] {
  const { rung, like } = entry;
  const camera = cameraFor(view, like);
  const { passage } = bodiesOf(entry);
  const phases: DrawnPhase[] = [];
  let from = rung.poses[rung.start];
  for (const phase of rung.phases) {
    const to = rung.poses[phase.pose];
    const way = from && passage(from, phase);
    if (!from || !to || !way) continue;
    const begin = from;
    const along = (share: number): Drawing => {
      const body = inItsPlace(way.at(share), like);
      return withThings(drawn(body, camera), body, share < 0.5 ? begin : to, view, entry);
    };
    phases.push({ phase, along });
    from = to;
  }
  return phases;
}
