import {
  anglesOf,
  type BasePosition,
  FLOOR,
  laidDown,
  moveBetween,
  type Pose,
  type Settled,
  type Surfaces,
  settled,
  tiltBetween,
} from '../body';
import { liesOnApparatus, type Phase, type RungEntry, surfacesOf } from '../repertoire';
import { cameraFor, type Spot, type View, viewOf } from './camera';
import {
  type Drawing,
  drawn,
  type Frame,
  frameOf,
  inRoom,
  type Layer,
  matUnder,
  plantedIn,
  type RoomBody,
} from './drawing';
import { line } from './shapes';
import { withThings } from './things';

/** Metres of the body that props and seats are measured against. */
const BODY_M = 1.7;

/** A picture of a body, and of the pose it comes from. */
export interface Scene {
  readonly view: View;
  readonly frame: Frame;
  /** The mat, as an outline where it is seen from above or from between; else the floor's height. */
  readonly mat: string | null;
  readonly floor: number;
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

/** What carries a rung's body, for a body one high. */
export function surfacesFor(entry: Shown['entry']): Surfaces {
  if (!entry) return FLOOR;
  const metres = surfacesOf(entry);
  return (support) => {
    const height = metres(support);
    return height === null ? null : height / BODY_M;
  };
}

/** What carries a body: as long as none of it changes, a pose settles alike. */
interface Carried {
  readonly like: BasePosition;
  readonly position: string | undefined;
  readonly on: RungEntry['rung']['on'];
  readonly props: RungEntry['props'];
  /** Whether it lies on an apparatus of the studio's own in any pose: then its legs do not rest on it. */
  readonly lain: boolean;
}

/** Bodies that are settled already, by their pose: drawn from another side, larger or moving, they lie as they lay. */
const settledBodies = new WeakMap<Pose, Carried & { readonly body: Settled }>();

/** The body of a pose for a body one high, settled on what carries it. */
function settledBody(pose: Pose, like: BasePosition, entry: Shown['entry']): Settled {
  const known = settledBodies.get(pose);
  const { position, on, props } = { position: entry?.position, on: entry?.rung.on, props: entry?.props ?? [] };
  const lain = entry !== undefined && liesOnApparatus(entry);
  const same = known?.like === like && known.position === position && known.on === on && known.lain === lain;
  if (known && same && known.props.length === props.length && known.props.every((prop, i) => prop === props[i])) {
    return known.body;
  }
  const body = settled(pose, like, anglesOf(pose), 1, surfacesFor(entry));
  settledBodies.set(pose, { like, position, on, props, lain, body });
  return body;
}

export function sceneOf({ pose, from, like, view, entry, planted = standsOn(pose, from, entry) }: Shown): Scene {
  const inPlace = (each: Pose) => inRoom(each, like, settledBody(each, like, entry), planted);
  const body = inPlace(pose);
  const before = from && from !== pose ? inPlace(from) : null;
  const camera = cameraFor(view, like);
  const plain = drawn(body, camera);
  const drawing = entry ? withThings(plain, body, pose, view, entry) : plain;
  const ghost = before && drawn(before, camera);
  const frame = frameOf(ghost ? [ghost, drawing] : [drawing], view);
  return { view, frame, ...ground(before ? [before, body] : [body], view, frame), ghost, drawing };
}

const standsOn = (pose: Pose, from: Pose | undefined, entry: Shown['entry']): string | null =>
  plantedIn(entry ? Object.values(entry.rung.poses) : from ? [from, pose] : [pose]);

function ground(bodies: readonly RoomBody[], view: View, frame: Frame): Pick<Scene, 'mat' | 'floor'> {
  const level = view === 'side' || view === 'front';
  return { mat: level ? null : matUnder(bodies, view), floor: Math.min(0, frame.bottom) };
}

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

export const viewOfRung = ({ rung, like }: Pick<RungEntry, 'rung' | 'like'>): View =>
  viewOf(Object.values(rung.poses), like);

/** A body on its way along a phase, 0 at its beginning and 1 on arrival. */
export type Along = (share: number) => Drawing;

/** One phase of a repetition as it is drawn moving. */
export interface DrawnPhase {
  readonly phase: Phase;
  readonly along: Along;
}

/** The phases of a repetition as they are drawn moving: settled at both ends, and let down on the way. */
export function phasesOf(entry: RungEntry, view: View): DrawnPhase[] {
  const { rung, like } = entry;
  const surfaces = surfacesFor(entry);
  const camera = cameraFor(view, like);
  const planted = plantedIn(Object.values(rung.poses));
  const phases: DrawnPhase[] = [];
  let from = rung.poses[rung.start];
  for (const phase of rung.phases) {
    const to = rung.poses[phase.pose];
    if (!from || !to) continue;
    const [a, b] = [settledBody(from, like, entry), settledBody(to, like, entry)];
    const move = moveBetween(from, to, a.angles, b.angles);
    const along = (share: number): Drawing => {
      const { pose, angles } = move.writtenAt(share);
      const laid = laidDown(pose, like, angles, tiltBetween(a.tilt, b.tilt, share), 1, surfaces);
      const body = inRoom(pose, like, laid, planted);
      return withThings(drawn(body, camera), body, pose, view, entry);
    };
    phases.push({ phase, along });
    from = to;
  }
  return phases;
}
