import {
  type Angles,
  anglesOf,
  armBears,
  bears,
  legBears,
  type Pose,
  pelvisBears,
  ribsBear,
  SIDES,
  type Side,
} from './pose';
import type { BasePosition } from './position';
import { add, between, CENTRE, type Limb, MASS, type Point, type Skeleton, skeletonOf } from './skeleton';

/** Newtons per kilogram. */
const GRAVITY = 9.81;

export interface ReferenceBody {
  readonly bodyMassKg: number;
  readonly bodyHeightM: number;
}

/**
 * A static planar estimate in N·m, for comparing options: no clinical measure. `null` where the idea does not
 * apply: a lying body has levers about its supported trunk, a propped one has a moment between its supports.
 */
export interface Load {
  readonly legLever: number | null;
  readonly curlLever: number | null;
  readonly lumbarMoment: number | null;
}

const UPRIGHT: ReadonlySet<BasePosition> = new Set(['standing', 'kneeling', 'seated']);
export const isUpright = (like: BasePosition): boolean => UPRIGHT.has(like);

/** Straight up, seen from the pelvis. Side-lying poses are written lying on the left. */
export function upOf(like: BasePosition, pitch: number): Point {
  const c = Math.cos((pitch * Math.PI) / 180);
  const s = Math.sin((pitch * Math.PI) / 180);
  if (isUpright(like)) return { x: c, y: s, z: 0 };
  if (like === 'side-lying') return { x: s, y: 0, z: c };
  return { x: s, y: like === 'supine' ? c : -c, z: 0 };
}

interface Part {
  readonly kg: number;
  readonly at: Point;
}

/** The load of one pose on the reference body (docs/body.md has the derivation and the check values). */
export function loadOf(pose: Pose, like: BasePosition, body: ReferenceBody, angles: Angles = anglesOf(pose)): Load {
  const bones = skeletonOf(angles, body.bodyHeightM);
  const up = upOf(like, angles.pitch);
  const rests = pelvisBears(pose);
  const leverOf = (parts: readonly Part[], pivot: Point) => horizontalMoment(parts, pivot, up);

  const legs = SIDES.filter((side) => !legBears(pose, side));
  const legLever = legs.reduce(
    (sum, side) => sum + leverOf(legParts(bones, pose, side, body), bones.leg[side].root),
    0,
  );
  if (rests) {
    return { legLever, curlLever: curlLeverOf(pose, bones, body, leverOf), lumbarMoment: null };
  }
  const upper = upperParts(bones, pose, body);
  if (isUpright(like)) return { legLever, curlLever: null, lumbarMoment: leverOf(upper, bones.lumbar) };
  const lower = [
    { kg: MASS.pelvis * body.bodyMassKg + (pose.weights?.pelvis ?? 0), at: between(bones.hip, bones.lumbar, 0.5) },
    ...SIDES.flatMap((side) => legParts(bones, pose, side, body)),
  ];
  const moment = proppedMoment(upper, lower, upperContacts(pose, bones), lowerContacts(pose, bones), bones.lumbar.x);
  return {
    legLever: null,
    curlLever: null,
    // Only the part of gravity across the trunk line bends it; the part along it is carried end to end.
    lumbarMoment: moment * Math.cos((angles.pitch * Math.PI) / 180),
  };
}

/** Head, chest and arms held up about the lowest part of the trunk that rests; 0 when the head rests too. */
function curlLeverOf(
  pose: Pose,
  bones: Skeleton,
  body: ReferenceBody,
  leverOf: (parts: readonly Part[], pivot: Point) => number,
): number {
  if (!ribsBear(pose)) return leverOf(upperParts(bones, pose, body), bones.lumbar);
  if (pose.supports.includes('head')) return 0;
  return leverOf([headPart(bones, pose, body)], bones.shoulder);
}

const headPart = (bones: Skeleton, pose: Pose, body: ReferenceBody): Part => ({
  kg: MASS.head * body.bodyMassKg + (pose.weights?.head ?? 0),
  at: bones.head,
});

function upperParts(bones: Skeleton, pose: Pose, body: ReferenceBody): Part[] {
  const kg = body.bodyMassKg;
  return [
    { kg: MASS.abdomen * kg, at: between(bones.lumbar, bones.waist, 0.5) },
    { kg: MASS.thorax * kg * 0.5, at: between(bones.waist, bones.ribs, 0.5) },
    { kg: MASS.thorax * kg * 0.5, at: between(bones.ribs, bones.shoulder, 0.5) },
    headPart(bones, pose, body),
    ...SIDES.flatMap((side): Part[] => {
      const { root, middle, end } = bones.arm[side];
      return [
        { kg: MASS.upperArm * kg, at: between(root, middle, CENTRE.upperArm) },
        { kg: MASS.forearm * kg, at: between(middle, end, CENTRE.forearm) },
        { kg: MASS.hand * kg + (pose.weights?.[`hand.${side}`] ?? 0), at: end },
      ];
    }),
  ];
}

function legParts(bones: Skeleton, pose: Pose, side: Side, body: ReferenceBody): Part[] {
  const { root, middle, end } = bones.leg[side];
  const kg = body.bodyMassKg;
  return [
    { kg: MASS.thigh * kg, at: between(root, middle, CENTRE.thigh) },
    { kg: MASS.shank * kg, at: between(middle, end, CENTRE.shank) },
    { kg: MASS.foot * kg + (pose.weights?.[`foot.${side}`] ?? 0), at: end },
    { kg: pose.weights?.[`knee.${side}`] ?? 0, at: middle },
  ];
}

/** Size of the moment of weights about a pivot: each weight times its horizontal distance, as vectors. */
function horizontalMoment(parts: readonly Part[], pivot: Point, up: Point): number {
  let sum: Point = { x: 0, y: 0, z: 0 };
  for (const { kg, at } of parts) sum = add(sum, add(at, pivot, -1), kg * GRAVITY);
  const upward = sum.x * up.x + sum.y * up.y + sum.z * up.z;
  const level = add(sum, up, -upward);
  return Math.hypot(level.x, level.y, level.z);
}

const meanX = (points: readonly Point[]): number | null =>
  points.length === 0 ? null : points.reduce((sum, { x }) => sum + x, 0) / points.length;

function upperContacts(pose: Pose, { arm, ribs, head }: Skeleton): number | null {
  const arms = SIDES.filter((side) => armBears(pose, side)).map((side) => armContact(pose, arm[side], side));
  const trunk = ribsBear(pose) ? [ribs] : [];
  const bearing = [...arms, ...trunk];
  return meanX(bearing.length === 0 && pose.supports.includes('head') ? [head] : bearing);
}

function armContact(pose: Pose, { middle, end }: Limb, side: Side): Point {
  if (bears(pose, 'hands', side) && !bears(pose, 'forearms', side)) return end;
  return bears(pose, 'elbows', side) ? middle : between(middle, end, 0.5);
}

function lowerContacts(pose: Pose, { leg }: Skeleton): number | null {
  const legs = SIDES.filter((side) => legBears(pose, side));
  return meanX(legs.map((side) => legContact(pose, leg[side], side)));
}

/** The contact nearest the trunk carries it: a foot lying behind a bearing knee only rests. */
function legContact(pose: Pose, { root, middle, end }: Limb, side: Side): Point {
  if (bears(pose, 'thighs', side)) return between(root, middle, 0.6);
  if (bears(pose, 'knees', side)) return middle;
  return bears(pose, 'shins', side) ? between(middle, end, 0.4) : end;
}

/** Supports nearer than this, in metres, share the weight evenly: statics no longer tells them apart. */
const SAME_PLACE = 0.05;

/** Moment at the lumbar point of a level body held at its upper and lower contacts. */
function proppedMoment(
  upper: readonly Part[],
  lower: readonly Part[],
  upperX: number | null,
  lowerX: number | null,
  lumbarX: number,
): number {
  const about = (parts: readonly Part[], x: number) =>
    parts.reduce((sum, { kg, at }) => sum + kg * GRAVITY * (at.x - x), 0);
  if (upperX === null) return Math.abs(about(upper, lumbarX));
  if (lowerX === null) return Math.abs(about(lower, lumbarX));
  const all = [...upper, ...lower];
  const span = upperX - lowerX;
  const weight = all.reduce((sum, { kg }) => sum + kg * GRAVITY, 0);
  const reaction = Math.abs(span) < SAME_PLACE ? weight / 2 : about(all, lowerX) / span;
  return Math.abs(about(upper, lumbarX) - reaction * (upperX - lumbarX));
}

const peak = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.max(a, b));

/** The larger of two loads, idea by idea. */
export const peakLoad = (a: Load, b: Load): Load => ({
  legLever: peak(a.legLever, b.legLever),
  curlLever: peak(a.curlLever, b.curlLever),
  lumbarMoment: peak(a.lumbarMoment, b.lumbarMoment),
});

export const NO_LOAD: Load = { legLever: null, curlLever: null, lumbarMoment: null };
