import {
  add,
  apart,
  armBears,
  bears,
  dot,
  feetOverhead,
  headBears,
  helps,
  holdsHead,
  isPropped,
  legBears,
  type Pose,
  type Posed,
  pelvisBears,
  restsOnBelly,
  ribsBear,
  SIDES,
  type Side,
} from '../../body';
import type { BasePosition } from '../../body/position';
import {
  bearsOnHands,
  isLying,
  isOnAllFours,
  isStanding,
  isTall,
  liesOnBack,
  liesOnFront,
  liesOnSide,
} from '../../vocabulary/bodies/position';
import type { Prop, Rung } from '../exercise';
import { propShape } from './propShape';

// What is hard about a shape, whoever moves in it; each scale is in docs/heat.md, by its number.

/** Limbs of one moment that nothing carries. */
export interface Aloft {
  readonly legs: number;
  readonly arms: number;
}

/** An arm hanging or lying along the trunk works no more than one that rests. */
const ARM_AT_REST = 20;

/** 2: limbs in the air. Toes that touch down far overhead carry too little to count as down. */
export function limbsAloft(posed: Posed, like: BasePosition): Aloft {
  const { pose, angles } = posed;
  const upright = isTall(like);
  const over = feetOverhead(posed);
  // Seated, a leg that lies on the floor is often left unsaid; upright, both feet must bear.
  const legs = SIDES.filter((side) => over || !(legBears(pose, side) || restsOnBelly(posed, side))).length;
  const arms = SIDES.filter(
    (side) =>
      !armCarried(posed, side) &&
      (Math.abs(angles.shoulder[side]) > ARM_AT_REST || Math.abs(angles.shoulderAbduction[side]) > ARM_AT_REST),
  ).length;
  return { legs: upright ? Math.min(legs, 1) : legs, arms };
}

/** Whether an arm needs no work of its own: it bears, holds the head or holds on, or hangs straight down. */
export function armCarried(posed: Posed, side: Side): boolean {
  const { pose, bones, ground } = posed;
  if (armBears(pose, side) || holdsHead(posed, side) || helps(pose, side)) return true;
  if (pose.weights?.[`hand.${side}`]) return false;
  const { root, end } = bones.arm[side];
  return dot(add(root, end, -1), ground.up) > HANGS * apart(root, end);
}
/** The cosine from which an arm hangs straight down: within 20°. */
const HANGS = 0.94;

/** How much each supported part steadies the body. */
const STEADY = { pelvis: 3, back: 4.5, ribs: 3, head: 0.5, foot: 1, knee: 1, shin: 1, forearm: 1.4, hand: 1 } as const;
/** Feet are made to stand on: upright they steady far more than the toes of a plank. */
const STANDING_FOOT = 3.2;

/** Degrees of tilt from which a body sits up and no longer lies. */
const SITTING_UP = 20;

/**
 * The unstable props that a body rests on. One that is squeezed is not rested on; a soft one under the head steadies; a
 * roller under it lies along the spine and rolls.
 */
export function steadying(props: readonly Prop[], { phases, on, poses }: Rung): readonly Prop[] {
  const unstable = props.filter((prop) => prop.unstable && (on?.head !== prop.id || propShape(prop) === 'roller'));
  if (!phases.some(({ squeeze }) => squeeze)) return unstable;
  const carrying = new Set<string>(Object.values(on ?? {}));
  const pressed = new Set(Object.values(poses).flatMap(({ between }) => (between ?? []).map(({ prop }) => prop)));
  const squeezed =
    unstable.find(({ id }) => pressed.has(id)) ??
    unstable.find((prop) => !carrying.has(prop.id) && propShape(prop) !== 'roller');
  return unstable.filter((prop) => prop !== squeezed);
}

/** 3: what the smallest base of a repetition lacks: 3.5 parts of base over what there is; a wider stance steadies. */
export function smallness(course: readonly Posed[], like: BasePosition): number {
  const base = Math.min(...course.map((posed) => baseOf(posed, isStanding(like) ? STANDING_FOOT : STEADY.foot)));
  return 3.5 / Math.max(base, 0.5);
}

function baseOf(posed: Posed, foot: number): number {
  const { pose, angles } = posed;
  const feet = feetOverhead(posed) ? 0 : foot;
  // Lying curled up, the low back rests with the pelvis.
  const lies = liesOnBack(posed.like) && !ribsBear(pose) && Math.abs(angles.pitch) < SITTING_UP;
  let base =
    (pelvisBears(pose) ? (lies ? STEADY.back : STEADY.pelvis) : 0) +
    (ribsBear(pose) ? STEADY.ribs : 0) +
    (headBears(pose) ? STEADY.head : 0);
  for (const side of SIDES) {
    if (bears(pose, 'feet', side) || bears(pose, 'heels', side) || bears(pose, 'toes', side)) base += feet;
    if (bears(pose, 'knees', side) || bears(pose, 'thighs', side)) base += STEADY.knee;
    if (bears(pose, 'shins', side)) base += STEADY.shin;
    if (bears(pose, 'forearms', side) || bears(pose, 'elbows', side)) base += STEADY.forearm;
    else if (bears(pose, 'hands', side) || bears(pose, 'fists', side)) base += STEADY.hand;
    if (legBears(pose, side)) base += Math.max(0, angles.hipAbduction[side]) / 60;
  }
  return base;
}

/** 4: what of head and chest is held up. */
export interface HeadUp {
  readonly head: number;
  /** The chest with it. */
  readonly chest: number;
  /** Hands that do not hold the head. */
  readonly freeHands: number;
}
const LAID_DOWN: HeadUp = { head: 0, chest: 0, freeHands: 0 };

/**
 * Head and chest held up, more as the chest follows; a hand behind the head takes most of the neck's work, but not in
 * prone, where it hangs from the arms' own weight and where the back lifts the chest, which it is made for.
 */
export function headUp(posed: Posed): HeadUp {
  const { pose, like, angles } = posed;
  const lying = isLying(like);
  if (!lying || headBears(pose) || armsBearTheChest(pose, like)) return LAID_DOWN;
  const held = SIDES.filter((side) => holdsHead(posed, side)).length;
  return {
    head: 1,
    chest: ribsBear(pose) ? Math.min(1, Math.max(0, angles.thoracic / CHEST_OFF)) : 1,
    freeHands: liesOnFront(like) ? 2 : 2 - held,
  };
}

/** Degrees of the upper back at which the chest is off the floor, whatever is said to rest. */
const CHEST_OFF = 20;

/** On forearms or hands in prone the arms carry the chest: the head is not held up against its weight. */
const armsBearTheChest = (pose: Pose, like: BasePosition): boolean =>
  !liesOnBack(like) && SIDES.some((side) => armBears(pose, side));

/** 7: how near the floor's angle a propped body is: wall, then bench, then floor. */
export function angleEffort({ pose, angles }: Posed, like: BasePosition): number {
  const propped = liesOnFront(like) && isPropped(pose, like);
  if (!bearsOnHands(like) && !propped) return 0;
  const pitch = Math.min(90, Math.abs(angles.pitch));
  return Math.cos((pitch * Math.PI) / 180) * (isOnAllFours(like) ? 0.5 : 1);
}

/** Degrees by which a leg leaves the middle line for one unit of effort. */
const OFF_MIDDLE = 90;

/**
 * 12: a leg in the air that leaves the middle line while the pelvis stays: what one leg is further out than the other.
 * Both opening alike hold each other.
 */
export function offMiddle(course: readonly Posed[], like: BasePosition): number {
  if (liesOnSide(like)) return 0;
  let most = 0;
  for (const { pose, angles } of course) {
    const out = (side: Side) => Math.abs(angles.hipAbduction[side]) + 0.5 * Math.abs(angles.hipRotation[side]);
    for (const side of SIDES) {
      if (legBears(pose, side)) continue;
      const other = side === 'left' ? 'right' : 'left';
      most = Math.max(most, out(side) - out(other));
    }
  }
  return most / OFF_MIDDLE;
}

/** 11: long legs under a tall seat, feet pointed under weight, arms overhead: what stiffness makes work of. */
export function mobilityEffort({ pose, like, angles }: Posed, { on }: Rung): number {
  let effort = 0;
  const sitsTall = pelvisBears(pose) && !ribsBear(pose);
  const raised = (part: string) => Object.keys(on ?? {}).some((each) => each.startsWith(part));
  for (const side of SIDES) {
    const long = angles.hip[side] - angles.knee[side] + Math.min(0, -angles.lumbar) * 0.5;
    if (sitsTall) effort += over(long - (raised('pelvis') ? 15 : 0), 55) / 2;
    else if (!pelvisBears(pose) || ribsBear(pose)) effort += over(long, 80) / 2;
    const arm = Math.max(angles.shoulder[side], angles.shoulderAbduction[side]);
    effort += over(arm - Math.max(0, -angles.thoracic), 150) / 2;
    const kneels = bears(pose, 'shins', side) || (bears(pose, 'knees', side) && !isOnAllFours(like));
    if (kneels && angles.knee[side] > 110 && !raised('feet') && !raised('shin')) {
      effort += over(angles.knee[side], 110) / 2;
    }
  }
  return effort;
}

/** Degrees beyond a limit, in thirties. */
const over = (degrees: number, limit: number): number => Math.max(0, degrees - limit) / 30;
