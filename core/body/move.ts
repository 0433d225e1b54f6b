import { type Angles, anglesOf, LIMB_JOINTS, type Pose, SIDES, type Support, supportsOf, TRUNK_JOINTS } from './pose';

/** The way from one pose to another: any pose between them. */
export interface Move {
  readonly from: Pose;
  readonly to: Pose;
  /** Whether nothing moves: a hold. */
  readonly still: boolean;
  /** @param share 0 at the start, 1 on arrival */
  readonly at: (share: number) => Pose;
}

/**
 * Joins two poses by moving every joint evenly. On the way the body rests only on what bears at both ends: a foot
 * has left the floor as soon as it moves. Where that leaves a half of the body without rest, the nearer pose's
 * supports hold.
 */
export function moveBetween(from: Pose, to: Pose): Move {
  const [a, b] = [anglesOf(from), anglesOf(to)];
  const shared = sharedSupports(from, to);
  const ankle = from.ankle === undefined && to.ankle === undefined;
  const between = (share: number): Pose => {
    const near = share < 0.5 ? from : to;
    const { ankle: _unsaid, ...angles } = mixed(a, b, share);
    return {
      ...angles,
      ...(ankle ? {} : { ankle: _unsaid }),
      supports: shared ?? near.supports,
      ...(near.weights ? { weights: near.weights } : {}),
    };
  };
  return {
    from,
    to,
    still: from === to || sameAngles(a, b),
    at: (share) => (share <= 0 ? from : share >= 1 ? to : between(share)),
  };
}

/** Whether no joint differs: going from one to the other, nothing moves. */
export const sameAngles = (a: Angles, b: Angles): boolean =>
  LIMB_JOINTS.every((joint) => SIDES.every((side) => a[joint][side] === b[joint][side])) &&
  TRUNK_JOINTS.every((joint) => a[joint] === b[joint]);

function mixed(a: Angles, b: Angles, share: number): Angles {
  const made: Record<string, unknown> = {};
  for (const joint of LIMB_JOINTS) {
    const [p, q] = [a[joint], b[joint]];
    made[joint] = { left: p.left + (q.left - p.left) * share, right: p.right + (q.right - p.right) * share };
  }
  for (const joint of TRUNK_JOINTS) made[joint] = a[joint] + (b[joint] - a[joint]) * share;
  return made as Angles;
}

/** Resting ribs rest the shoulders too. */
const bearing = (pose: Pose): Set<string> => {
  const parts = new Set(supportsOf(pose));
  if (parts.has('ribs')) parts.add('shoulders');
  return parts;
};

const LEG = /^(foot|heel|toe|shin|knee|thigh)\./;

/** What bears at both ends; `null` when it would leave the trunk or the legs with nothing they had at both. */
function sharedSupports(from: Pose, to: Pose): Support[] | null {
  const [a, b] = [bearing(from), bearing(to)];
  const shared = [...a].filter((part) => b.has(part)) as Support[];
  const upper = (parts: Iterable<string>) => [...parts].some((part) => !LEG.test(part));
  const lower = (parts: Iterable<string>) => [...parts].some((part) => LEG.test(part) || part === 'pelvis');
  const lost = (half: typeof upper) => half(a) && half(b) && !half(shared);
  if (lost(upper) || lost(lower) || shared.length === 0) return null;
  return shared.includes('ribs') ? shared.filter((part) => part !== 'shoulders') : shared;
}
