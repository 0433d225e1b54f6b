import { LeastSquares } from '../settling/leastSquares';
import { CONTACT_GIVES, FLESH, type Gap, NEAR, type Settled, type Surfaces } from '../settling/resting';
import { axisOf, type LimbName, limbOf, MOST_TURN, movedBy, type Turning, turn, turningOf } from '../settling/turning';
import { bears, type Pose, SIDES, type Side } from './pose';
import { add, apart, armOf, between, dot, type Limb, type Point, type Skeleton, unit } from './skeleton';

/** A body as far as its hands are concerned. */
type Handed = Pick<Settled, 'angles' | 'bones' | 'ground' | 'floor'>;

/** How flat each hand lies: 1 on what carries it, 0 in line with its forearm. */
export type Flat = Readonly<Record<Side, number>>;

/** A hand that bears lies flat, with no forearm beside it. */
export function flatIn(pose: Pose): Flat {
  const flat = (side: Side) => (bears(pose, 'hands', side) && !bears(pose, 'forearms', side) ? 1 : 0);
  return { left: flat('left'), right: flat('right') };
}

/** A hand that bears bends back until it lies on what carries it, fingers away from the hips. */
function handsFlat<T extends Handed>(settled: T, flatness: Flat): T {
  const { bones, ground } = settled;
  const flat = SIDES.filter((side) => flatness[side] > 0);
  if (flat.length === 0) return settled;
  const { up } = ground;
  const arm = { ...bones.arm };
  for (const side of flat) {
    const { end, tip } = arm[side];
    const level = (way: Point): Point => add(way, up, -dot(way, up));
    const own = level(add(tip, end, -1));
    const away = level(add(bones.shoulder, bones.hip, -1));
    const way = Math.hypot(own.x, own.y, own.z) > apart(tip, end) * 0.5 ? own : away;
    if (Math.hypot(way.x, way.y, way.z) < 1e-6) continue;
    const lies = between(unit(add(tip, end, -1)), unit(way), flatness[side]);
    arm[side] = { ...arm[side], tip: add(end, unit(lies), apart(tip, end)) };
  }
  return { ...settled, bones: { ...bones, arm } };
}

/** Degrees by which an arm gives way to bring its hand to what it holds. */
const ARM_GIVES = { shoulder: 25, elbow: 30, shoulderAbduction: 25, armTurn: 60 } as const;
const HOLD_STEPS = 10;

/** Lays hands that bear flat, brings hands that hold to what they hold, and keeps fingers and toes out of the floor. */
export function handsPlaced(bearing: Settled, pose: Pose, heightM: number, surfaces: Surfaces): Settled {
  const gaps = [...bearing.gaps];
  const held = handsHolding({ ...handsFlat(bearing, flatIn(pose)), gaps }, pose.holds, heightM, surfaces);
  return endsLaid(held, heightM, surfaces);
}

/** The same on the way, where nothing that holds is brought anywhere. */
export const endsPlaced = <T extends Handed>(body: T, flatness: Flat, heightM: number, surfaces: Surfaces): T =>
  endsLaid(handsFlat(body, flatness), heightM, surfaces);

const endsLaid = <T extends Handed>(body: T, heightM: number, surfaces: Surfaces): T =>
  surfaces('floor') === null ? body : endsUp(body, heightM);

/** Fingers and toes that would go through the floor bend up at the wrist and the ankle and lie along it. */
function endsUp<T extends Handed>(settled: T, heightM: number): T {
  const { bones, ground, floor } = settled;
  const raised = (limb: Limb, flesh: number): Limb => {
    const { end, tip } = limb;
    const rise = floor + flesh * heightM - dot(end, ground.up);
    if (dot(tip, ground.up) - dot(end, ground.up) >= rise) return limb;
    const length = apart(tip, end);
    const way = add(tip, end, -1);
    const own = add(way, ground.up, -dot(way, ground.up));
    const across = Math.hypot(own.x, own.y, own.z) > 1e-6 ? unit(own) : ground.along;
    const up = Math.min(Math.max(rise, -length), 0);
    const along = Math.sqrt(length * length - up * up);
    return { ...limb, tip: add(add(end, across, along), ground.up, up) };
  };
  const { arm, leg } = bones;
  const ends = {
    arm: { left: raised(arm.left, FLESH.hand), right: raised(arm.right, FLESH.hand) },
    leg: { left: raised(leg.left, FLESH.toe), right: raised(leg.right, FLESH.toe) },
  };
  return { ...settled, bones: { ...bones, ...ends } };
}

/**
 * Brings hands that hold a part of the body to it: the least change of the arm that does.
 * @param settled its gaps are added to where a hand does not come to what it holds
 */
export function handsHolding<T extends Handed & { gaps?: Gap[] }>(
  settled: T,
  holds: Pose['holds'],
  heightM: number,
  surfaces: Surfaces,
): T {
  if (!holds) return settled;
  const { up } = settled.ground;
  const least = surfaces('floor') !== null ? settled.floor : Number.NEGATIVE_INFINITY;
  const angles = turningOf(settled.angles);
  let { bones } = settled;
  for (const side of SIDES) {
    const held = holds[`hand.${side}`];
    if (held === undefined) continue;
    const target = (palm: Point): Point | null => heldAt(held, palm, side, bones, settled, heightM);
    if (target(palmOf(bones.arm[side])) === null) continue;
    if (held === 'head' && Math.max(angles.elbow[side], angles.shoulder[side]) < REACHING) {
      turn(angles, 'shoulder', side, RAISED - angles.shoulder[side]);
      turn(angles, 'elbow', side, RAISED - angles.elbow[side]);
    }
    armTo(angles, bones, side, target as (palm: Point) => Point, heightM, { up, least });
    const arm = armOf(side, angles, bones.chest, bones.shoulder, heightM);
    bones = { ...bones, arm: { ...bones.arm, [side]: arm } };
    const away = apart(palmOf(arm), (target as (palm: Point) => Point)(palmOf(arm)));
    if (away > HELD_NEAR) settled.gaps?.push({ support: `hand.${side}`, metres: away });
  }
  return { ...settled, angles, bones };
}
/** An arm as low and as straight as this, in degrees, is raised and bent first, or it would reach the head round the back. */
const REACHING = 60;
const RAISED = 120;

/** Metres within which a hand is on what it holds. */
const HELD_NEAR = 0.03;

const palmOf = ({ end, tip }: Limb): Point => between(end, tip, 0.4);

const ARM_TURNS = ['shoulder', 'elbow', 'shoulderAbduction', 'armTurn'] as const;

/** What an arm may not go through: everything lower than this along `up`, metres. */
interface Below {
  readonly up: Point;
  readonly least: number;
}

/** Turns an arm until its hand is where it should be, or as near as it goes; not through the floor. */
function armTo(
  angles: Turning,
  bones: Skeleton,
  side: Side,
  target: (palm: Point) => Point,
  heightM: number,
  { up, least }: Below,
): void {
  const arm: LimbName = `arm.${side}`;
  const already = [0, 0, 0, 0];
  let elbowMeets = false;
  for (let step = 0; step < HOLD_STEPS; step++) {
    const limb = limbOf(arm, angles, bones, heightM);
    const at = palmOf(limb);
    const gap = add(target(at), at, -1);
    const under = least + FLESH.elbow * heightM - dot(limb.middle, up);
    elbowMeets ||= under > NEAR;
    if (Math.hypot(gap.x, gap.y, gap.z) < NEAR && !(under > NEAR)) break;
    const solver = new LeastSquares(ARM_TURNS.length);
    const posed = { ...bones, arm: { ...bones.arm, [side]: limb } };
    const moved = ARM_TURNS.map((joint) => movedBy(axisOf(arm, joint, angles, posed), at));
    ARM_TURNS.forEach((joint, i) => {
      solver.keep(i, already[i] as number, ARM_GIVES[joint]);
    });
    for (const axis of ['x', 'y', 'z'] as const) {
      solver.want(
        moved.map((way) => way[axis]),
        gap[axis],
        CONTACT_GIVES * 2,
      );
    }
    if (elbowMeets) {
      const rises = ARM_TURNS.map((joint) => dot(movedBy(axisOf(arm, joint, angles, posed), limb.middle), up));
      solver.want(rises, under, CONTACT_GIVES);
    }
    const change = solver.solve();
    ARM_TURNS.forEach((joint, i) => {
      const by = Math.max(-MOST_TURN, Math.min(MOST_TURN, change[i] as number));
      already[i] = (already[i] as number) + turn(angles, joint, side, by);
    });
  }
}

/** Where a hand touches what it holds; `null` where that may be anywhere. */
function heldAt(
  held: string,
  palm: Point,
  side: Side,
  bones: Skeleton,
  { ground, floor }: Handed,
  heightM: number,
): Point | null {
  const own = held.endsWith('.right') ? 'right' : 'left';
  const { root, middle, end, tip } = bones.leg[own];
  const on = (a: Point, b: Point, flesh: number) => surfaceOf(palm, a, b, flesh * heightM);
  if (held.startsWith('thigh.')) return on(between(root, middle, 0.25), middle, FLESH.thigh + FLESH.hand);
  if (held.startsWith('shin.')) return on(middle, between(middle, end, 0.8), FLESH.shin + FLESH.hand);
  if (held.startsWith('foot.')) return on(end, tip, FLESH.foot);
  const out = side === 'right' ? 1 : -1;
  if (held === 'head') {
    const { skull, head } = bones;
    const behind = add(add(head, skull.front, -0.062 * heightM), skull.right, out * 0.025 * heightM);
    // Lying on it, a head lies between the hands.
    const sunk = floor + FLESH.hand * heightM - dot(behind, ground.up);
    return sunk > 0 ? add(behind, ground.up, sunk) : behind;
  }
  if (held === 'seat')
    return add(add(bones.hip, { x: 0, y: -1, z: 0 }, 0.05 * heightM), { x: 0, y: 0, z: out }, 0.06 * heightM);
  if (held === 'hips') return on(bones.leg[side].root, add(bones.hip, bones.pelvis.up, 0.09 * heightM), 0.055);
  if (held === 'ribs') return on(bones.waist, between(bones.ribs, bones.shoulder, 0.4), 0.075);
  if (held === 'shoulder') {
    // Folded arms: each hand on the other arm.
    const other = bones.arm[side === 'right' ? 'left' : 'right'];
    return add(between(other.root, other.middle, 0.25), bones.chest.front, 0.05 * heightM);
  }
  if (held !== 'floor') return null;
  return add(palm, ground.up, floor + FLESH.hand * heightM - dot(palm, ground.up));
}

/** The point nearest to a hand on a limb's surface. */
function surfaceOf(palm: Point, a: Point, b: Point, flesh: number): Point {
  const line = add(b, a, -1);
  const share = Math.max(0, Math.min(1, dot(add(palm, a, -1), line) / dot(line, line)));
  const nearest = between(a, b, share);
  const way = add(palm, nearest, -1);
  const length = Math.hypot(way.x, way.y, way.z);
  return length < 1e-6 ? nearest : add(nearest, way, flesh / length);
}
