import {
  armBears,
  bears,
  headBears,
  holdsHead,
  legBears,
  type Pose,
  type Posed,
  pelvisBears,
  ribsBear,
  SIDES,
} from '../body';
import type { BasePosition } from '../body/position';
import type { Prop, Rung } from './exercise';

// What is hard about a shape, whoever moves in it; each scale is in docs/heat.md, by its number.

/** What an arm in the air counts against a leg. */
const ARM_ALOFT = 0.16;

/** With no foot down nothing steadies the pelvis: the second leg costs more than the first. */
const BOTH_LEGS = 5;

/** An arm hanging or lying along the trunk works no more than one that rests. */
const ARM_AT_REST = 20;

export function limbsAloft(posed: Posed, like: BasePosition): number {
  const { pose, angles } = posed;
  const upright = like === 'standing' || like === 'kneeling';
  const legs = SIDES.filter((side) => !legBears(pose, side)).length;
  const bothLegs = legs === 2 && !upright ? BOTH_LEGS : 0;
  // Seated, a leg that lies on the floor is often left unsaid; upright, both feet must bear.
  const arms = SIDES.filter(
    (side) =>
      !armBears(pose, side) &&
      !holdsHead(posed, side) &&
      (Math.abs(angles.shoulder[side]) > ARM_AT_REST || Math.abs(angles.shoulderAbduction[side]) > ARM_AT_REST),
  ).length;
  return (upright ? Math.min(legs, 1) : legs) + bothLegs + ARM_ALOFT * arms;
}

/** How much each supported part steadies the body. */
const STEADY = { pelvis: 3, ribs: 3, head: 0.5, foot: 1, knee: 1, shin: 1, forearm: 1.4, hand: 1 } as const;
/** Feet are made to stand on: upright they steady far more than the toes of a plank. */
const STANDING_FOOT = 2.4;

/** A prop that is squeezed or lies under the head is not stood on: it unsteadies nothing. */
export function steadying(props: readonly Prop[], { phases, on }: Rung): readonly Prop[] {
  const under = props.filter(({ id }) => on?.head !== id);
  if (!phases.some(({ squeeze }) => squeeze)) return under;
  const held = under.findIndex(({ unstable }) => unstable);
  return under.filter((_prop, i) => i !== held);
}

/** What an unstable prop takes away of the base, and once more for all that the base lacks. */
const UNSTEADY = 0.52;
/** What forbids a sway takes away as much base as this much of an unstable prop. */
const GUIDE = 0.65;

/**
 * 3: what the smallest base of any pose lacks; a wider stance steadies, an unstable prop unsteadies the more the less
 * of the body rests beside it, a guide forbids the sway.
 */
export function supportEffort(
  course: readonly Posed[],
  props: readonly Prop[],
  like: BasePosition,
  guided: boolean,
): number {
  const base = Math.min(...course.map((posed) => baseOf(posed, like === 'standing' ? STANDING_FOOT : STEADY.foot)));
  const unstable = props.filter((prop) => prop.unstable).length;
  const smallness = 3.5 / Math.max(base, 0.5);
  return smallness + unstable * UNSTEADY * (1 + smallness) + (guided ? GUIDE : 0);
}

function baseOf({ pose, angles: { hipAbduction } }: Posed, foot: number): number {
  let base =
    (pelvisBears(pose) ? STEADY.pelvis : 0) + (ribsBear(pose) ? STEADY.ribs : 0) + (headBears(pose) ? STEADY.head : 0);
  for (const side of SIDES) {
    if (bears(pose, 'feet', side) || bears(pose, 'heels', side) || bears(pose, 'toes', side)) base += foot;
    if (bears(pose, 'knees', side) || bears(pose, 'thighs', side)) base += STEADY.knee;
    if (bears(pose, 'shins', side)) base += STEADY.shin;
    if (bears(pose, 'forearms', side) || bears(pose, 'elbows', side)) base += STEADY.forearm;
    else if (bears(pose, 'hands', side) || bears(pose, 'fists', side)) base += STEADY.hand;
    if (legBears(pose, side)) base += Math.max(0, hipAbduction[side]) / 60;
  }
  return base;
}

/**
 * 4: head and chest held up, more as the chest follows; a hand behind the head takes most of the neck's work, but not
 * in prone, where it hangs from the arms' own weight and where the back lifts the chest, which it is made for.
 */
export function headEffort(posed: Posed): number {
  const { pose, like } = posed;
  const lying = like === 'supine' || like === 'prone' || like === 'side-lying';
  if (!lying || headBears(pose) || armsBearTheChest(pose, like)) return 0;
  const free = like === 'prone' ? 2 : 2 - SIDES.filter((side) => holdsHead(posed, side)).length;
  return ((ribsBear(pose) ? 1 : CHEST_UP) + HAND_FREE * free) * (like === 'prone' ? PRONE : 1);
}
/** What the head and a free hand count lying on the front, where the back lifts the chest. */
const PRONE = 0.155;
/** The chest held up with the head, against the head alone. */
const CHEST_UP = 1.07;
const HAND_FREE = 0.085;

/** On forearms or hands in prone the arms carry the chest: the head is not held up against its weight. */
const armsBearTheChest = (pose: Pose, like: BasePosition): boolean =>
  like !== 'supine' && SIDES.some((side) => armBears(pose, side));

/** 7: how near the floor's angle a propped body is: wall, then bench, then floor. */
export function angleEffort(pose: Pose, like: BasePosition): number {
  if (like !== 'plank' && like !== 'four-point') return 0;
  const pitch = Math.min(90, Math.abs(pose.pitch ?? 0));
  return Math.cos((pitch * Math.PI) / 180) * (like === 'plank' ? 1 : 0.5);
}

/** Degrees by which a leg leaves the middle line for one unit of effort. */
const OFF_MIDDLE = 110;

/** 12: a leg in the air that leaves the middle line while the pelvis stays. */
export function offMiddle(course: readonly Posed[], like: BasePosition): number {
  if (like === 'side-lying') return 0;
  let most = 0;
  for (const { pose, angles } of course) {
    for (const side of SIDES) {
      if (legBears(pose, side)) continue;
      most = Math.max(
        most,
        (Math.abs(angles.hipAbduction[side]) + 0.5 * Math.abs(angles.hipRotation[side])) / OFF_MIDDLE,
      );
    }
  }
  return most;
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
    const kneels = bears(pose, 'shins', side) || (bears(pose, 'knees', side) && like !== 'four-point');
    if (kneels && angles.knee[side] > 110 && !raised('feet') && !raised('shin')) {
      effort += over(angles.knee[side], 110) / 2;
    }
  }
  return effort;
}

/** Degrees beyond a limit, in thirties. */
const over = (degrees: number, limit: number): number => Math.max(0, degrees - limit) / 30;
