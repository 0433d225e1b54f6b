import { isTall, liesOnFront, liesOnSide } from '../../vocabulary/bodies/position';
import { handsHelp, helps, holdsHead, legCarried, leverEased } from '../poses/holds';
import {
  armBears,
  bears,
  JOINT_RANGES,
  legBears,
  type Pose,
  pelvisBears,
  ribsBear,
  SIDES,
  type Side,
} from '../poses/pose';
import { add, apart, CENTRE, dot, MASS, type Point, type Skeleton } from '../poses/skeleton';
import { isPropped } from '../settling/ground';
import type { Posed } from '../settling/posed';
import { asideOf, type Lever, opened } from './levers';
import { feetOverhead } from './load';
import {
  GRAVITY,
  join,
  type Lump,
  legOf,
  lump,
  momentOf,
  pelvisOf,
  pullsForward,
  put,
  putThigh,
  type ReferenceBody,
  trunkOf,
  withHeadAndArms,
} from './lumps';

// What heat reads beside the load: moments as they are felt, and those that no load tells.

const NOWHERE: Point = { x: 0, y: 0, z: 0 };

/** Degrees between the bends of a knee that are tried. */
const BEND = 15;

/** What a straight leg adds, as a share of what its level shank makes about the knee: it pulls on its hamstrings. */
const STRAIGHT = 0.6;

/** Raised legs as they are felt, N·m. */
export interface FeltLegs {
  /** What both do as one: twice the lighter one. */
  readonly both: number;
  /** What one does beyond the other. */
  readonly one: number;
}

/**
 * Raised legs as they are felt: a straighter knee is never the lighter one. Statics alone would have it so where
 * a bent shank points outward from a high thigh (legs folded over the hips weigh more about them than legs to the
 * ceiling), and nobody is taught in that order. So each leg counts the most it has weighed on its way from folded to
 * where it is, and a little for being long.
 */
export function feltLegs(posed: Posed, body: ReferenceBody): FeltLegs {
  const { pose, angles, bones, ground } = posed;
  const over = feetOverhead(posed);
  // On a side a leg weighs most as it leaves the other; lifted higher it is never the easier.
  const up = liesOnSide(posed.like) ? NOWHERE : ground.up;
  const levers: Lever[] = [];
  for (const side of SIDES) {
    if (legBears(pose, side) && !over) continue;
    const { root, middle, end, fold } = bones.leg[side];
    const thigh = putThigh(lump(), bones, pose, side, body);
    const [thighLength, shankLength] = [apart(root, middle), apart(middle, end)];
    const [shankKg, footKg] = [
      MASS.shank * body.bodyMassKg,
      MASS.foot * body.bodyMassKg + (pose.weights?.[`foot.${side}`] ?? 0),
    ];
    const bent = angles.knee[side];
    let most = 0;
    for (let bend = bent; bend <= JOINT_RANGES.knee[1]; bend += BEND) {
      const along = Math.cos((bend * Math.PI) / 180) / thighLength;
      const way = add(add(NOWHERE, add(middle, root, -1), along), fold, Math.sin((bend * Math.PI) / 180));
      const foot = add(middle, way, shankLength);
      const leg = put(put({ ...thigh }, shankKg, middle, foot, CENTRE.shank), footKg, foot);
      most = Math.max(most, momentOf(leg, root, up));
    }
    const level = (shankKg * CENTRE.shank + footKg) * shankLength * GRAVITY;
    const felt = most + STRAIGHT * level * Math.max(0, 1 - bent / 90);
    // Hands that hold a leg still hold it with the trunk: a part of their help is felt.
    const left = felt * (1 - legCarried(posed, side) * HELP_FELT);
    levers.push({ whole: left, aside: asideOf(legOf(bones, pose, side, body), root, ground.up) });
  }
  const [one = 0, other = 0] = opened(levers, OPEN_CANCELS);
  const eased = leverEased(posed);
  return { both: 2 * Math.min(one, other) * eased, one: Math.abs(one - other) * eased };
}

/** The share of what legs opened alike take off the pelvis that is felt as ease: the thighs hold the rest. */
const OPEN_CANCELS = 0.2;

/** The share of what hands take off a leg that is felt as help. */
const HELP_FELT = 0.15;

/**
 * What the thighs hold up in somebody who stands or kneels: for each leg that bears, its share of all that is above the
 * knees times how far that is before or behind its knee, beyond what a body that stands tall already balances, N·m. More
 * the deeper a knee bends under the body and the further a kneeling body leans back.
 */
export function bentLegs(posed: Posed, body: ReferenceBody): number {
  const { pose, like, bones, ground } = posed;
  if (!isTall(like) || pelvisBears(pose)) return 0;
  const bearing = SIDES.filter((side) => legBears(pose, side));
  const above = withHeadAndArms(join(pelvisOf(bones, pose, body), trunkOf(bones, body)), posed, body);
  for (const side of SIDES) putThigh(above, bones, pose, side, body);
  const tall = STANDS_TALL * above.kg * GRAVITY;
  let sum = 0;
  for (const side of bearing) {
    // Sitting back on the heels rests.
    if (posed.angles.knee[side] > ON_HEELS) continue;
    sum += shareOf(posed, side, above) * Math.max(0, momentOf(above, bones.leg[side].middle, ground.up) - tall);
  }
  // A wall behind the back takes part of it, a hand on a chair a little.
  const held = SIDES.filter((hand) => armBears(pose, hand) || helps(pose, hand)).length;
  return sum * (1 - held * HAND_TAKES) * (ribsBear(pose) ? WALL_LEAVES : 1);
}

const WALL_LEAVES = 0.5;

const HAND_TAKES = 0.2;

/** The share of a weight that one leg carries: in a split stance, by how near it is to that leg. */
function shareOf({ pose, bones, ground: { up } }: Posed, side: Side, above: Lump): number {
  const other = side === 'left' ? 'right' : 'left';
  if (!legBears(pose, other)) return 1;
  const [own, far] = [footing(pose, bones, side), footing(pose, bones, other)];
  const apartBy = level(add(own, far, -1), up);
  const span = dot(apartBy, apartBy);
  if (span < SIDE_BY_SIDE ** 2) return 0.5;
  const weight = { x: above.x / above.kg, y: above.y / above.kg, z: above.z / above.kg };
  return Math.min(1, Math.max(0, dot(level(add(weight, far, -1), up), apartBy) / span));
}

/** Metres from which two feet stand one before the other. */
const SIDE_BY_SIDE = 0.2;

/** Where a leg that somebody stands or kneels on meets the floor. */
const footing = (pose: Pose, { leg }: Skeleton, side: Side): Point =>
  bears(pose, 'knees', side) || bears(pose, 'shins', side) ? leg[side].middle : leg[side].end;

/** What of a line runs level. */
const level = (line: Point, up: Point): Point => add(line, up, -dot(line, up));

/** Degrees of the knee from which the seat rests on the heels. */
const ON_HEELS = 125;

/** Metres by which what is above the knees may be off them in somebody who stands tall. */
const STANDS_TALL = 0.08;

/** What a sitting body tips by, forward above 0: all above the hips times how far it is before or behind them, N·m. */
export function tipping(posed: Posed, body: ReferenceBody): number {
  const { bones, pose, ground } = posed;
  const above = withHeadAndArms(join(pelvisOf(bones, pose, body), trunkOf(bones, body)), posed, body);
  const moment = momentOf(above, bones.hip, ground.up) * handsHelp(posed);
  return pullsForward(above, bones.hip, ground.up) ? moment : -moment;
}

/**
 * What bent arms hold up in a body on its hands: for each hand that bears, its share of what the arms carry (the trunk
 * with head and arms, half of it where the knees or feet share) times how far the shoulder is beyond the elbow, N·m.
 */
export function bentArms(posed: Posed, body: ReferenceBody): number {
  const { pose, like, bones, ground } = posed;
  if (!isPropped(pose, like) || ribsBear(pose)) return 0;
  const bearing = SIDES.filter((side) => bears(pose, 'hands', side) && !bears(pose, 'forearms', side));
  const kg = (ABOVE_HIPS * body.bodyMassKg * Math.cos((posed.angles.pitch * Math.PI) / 180)) / 2;
  let sum = 0;
  for (const side of bearing) {
    const { root, middle } = bones.arm[side];
    const bent = Math.min(1, posed.angles.elbow[side] / BENT_ELBOW);
    sum += bent * momentOf(put(lump(), kg / bearing.length, root), middle, ground.up);
  }
  return sum;
}

/** Degrees of the elbow from which an arm no longer stands on its bones. */
const BENT_ELBOW = 60;

const ABOVE_HIPS =
  MASS.head + MASS.thorax + MASS.abdomen + MASS.pelvis + 2 * (MASS.upperArm + MASS.forearm + MASS.hand);

/**
 * How far the free arms reach from the waist, weighed: N·m about the lumbar point in whatever direction.
 * An arm overhead or out to the side lengthens the body even where it does not tip it.
 */
export function armReach(posed: Posed, body: ReferenceBody): number {
  const { pose, bones } = posed;
  let sum = 0;
  let share = 1;
  const reach = (kg: number, from: Point, to: Point, along: number) => {
    const { lumbar } = bones;
    sum +=
      kg *
      share *
      Math.hypot(
        from.x + (to.x - from.x) * along - lumbar.x,
        from.y + (to.y - from.y) * along - lumbar.y,
        from.z + (to.z - from.z) * along - lumbar.z,
      );
  };
  for (const side of SIDES) {
    if (armBears(pose, side)) continue;
    // Lying on the front, hands behind the head hang from the back with it.
    share = (holdsHead(posed, side) && !liesOnFront(posed.like)) || helps(pose, side) ? HELD_ARM : 1;
    const { root, middle, end } = bones.arm[side];
    reach(MASS.upperArm * body.bodyMassKg, root, middle, CENTRE.upperArm);
    reach(MASS.forearm * body.bodyMassKg, middle, end, CENTRE.forearm);
    reach(MASS.hand * body.bodyMassKg + (pose.weights?.[`hand.${side}`] ?? 0), end, end, 0);
  }
  return sum * GRAVITY;
}

/**
 * Hands behind the head spare the neck more than their own weight adds there, and a hand that holds on rests on what it
 * holds: so much of its reach is felt.
 */
const HELD_ARM = 0.4;
