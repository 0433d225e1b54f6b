import { anglesOf, type Hand, LIMB_JOINTS, type Pose, type Support, supportsOf, TRUNK_JOINTS } from './pose';

/** The same name on the other side: `foot.left` as `foot.right`; what has no side stays. */
function otherOf<T extends string>(part: T): T {
  if (part.endsWith('.left')) return `${part.slice(0, -5)}.right` as T;
  if (part.endsWith('.right')) return `${part.slice(0, -6)}.left` as T;
  return part;
}

const mirroredKeys = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).map(([part, value]) => [otherOf(part), value])) as T;

const known = new WeakMap<Pose, Pose>();

/**
 * A pose seen in a mirror: angles, supports, held loads, holding hands and what presses change sides, turns and side bends their
 * sign. Twice mirrored, it is the pose again.
 */
export function mirrored(pose: Pose): Pose {
  const found = known.get(pose);
  if (found) return found;
  const { supports, weights, holds, between, ...angles } = pose;
  const turned: Pose = { ...angles, supports: supports.map((part): Support => otherOf(part)) };
  for (const joint of LIMB_JOINTS) {
    const angle = pose[joint];
    if (typeof angle === 'object') turned[joint] = { left: angle.right, right: angle.left };
  }
  if (pose.twist !== undefined) turned.twist = 0 - pose.twist;
  if (pose.sideBend !== undefined) turned.sideBend = 0 - pose.sideBend;
  if (weights) turned.weights = mirroredKeys(weights);
  if (holds) {
    const hands = Object.entries(holds) as Array<[Hand, string]>;
    turned.holds = Object.fromEntries(hands.map(([hand, part]) => [otherOf(hand), otherOf(part)]));
  }
  if (between)
    turned.between = between.map(({ prop, parts: [one, other] }) => ({ prop, parts: [otherOf(one), otherOf(other)] }));
  known.set(pose, turned);
  known.set(turned, pose);
  return turned;
}

/** Degrees by which a joint may differ in what is still the same shape. Source: docs/timing.md, "Carrying on". */
const SAME_SHAPE = 30;

const compared = new WeakMap<Pose, WeakMap<Pose, boolean>>();

/** Whether two poses are one shape: the same supports, every angle within 30°; holds and weights are left aside. */
export function sameShape(a: Pose, b: Pose): boolean {
  if (a === b) return true;
  let row = compared.get(a);
  if (!row) {
    row = new WeakMap();
    compared.set(a, row);
  }
  let answer = row.get(b);
  if (answer === undefined) {
    answer = alike(a, b, SAME_SHAPE);
    row.set(b, answer);
  }
  return answer;
}

/** Whether two poses have the same supports and no angle that differs by more than some degrees. */
export function alike(a: Pose, b: Pose, degrees: number): boolean {
  const [one, two] = [supportsOf(a), supportsOf(b)];
  if (one.size !== two.size || [...one].some((part) => !two.has(part))) return false;
  const [from, to] = [anglesOf(a), anglesOf(b)];
  const near = (x: number, y: number) => Math.abs(x - y) <= degrees;
  return (
    LIMB_JOINTS.every((joint) => near(from[joint].left, to[joint].left) && near(from[joint].right, to[joint].right)) &&
    TRUNK_JOINTS.every((joint) => near(from[joint], to[joint]))
  );
}
