import { alike, mirrored, type Pose } from '../../body';
import { formOf, type RungEntry } from '../../repertoire';

/** Degrees within which legs and trunk are in one shape. */
const NEAR = 45;
/** What arms do changes on the way: a shape that goes on is that of legs and trunk. */
const ARMS = /^(hands?|forearms?|elbows?)(\.|$)/;

/** A pose as legs and trunk have it. */
function bodyOf(pose: Pose): Pose {
  const {
    shoulder: _s,
    elbow: _e,
    shoulderAbduction: _a,
    shoulderRotation: _r,
    holds: _h,
    ...rest
  } = pose as Pose & Record<string, unknown>;
  return { ...rest, supports: pose.supports.filter((part) => !ARMS.test(part)) } as Pose;
}

const bodies = new WeakMap<Pose, { readonly own: Pose; readonly other: Pose }>();
function bothSides(pose: Pose) {
  let known = bodies.get(pose);
  if (!known) {
    const own = bodyOf(pose);
    known = { own, other: mirrored(own) as Pose };
    bodies.set(pose, known);
  }
  return known;
}

const compared = new WeakMap<RungEntry, WeakMap<RungEntry, boolean>>();

/**
 * Whether one rung can be taught as going on from another: the same position, the same in hand, and of one ladder or
 * with legs and trunk where the other leaves them.
 */
export function goesOn(before: RungEntry, entry: RungEntry): boolean {
  if (before.position !== entry.position || before.props.length !== entry.props.length) return false;
  let row = compared.get(before);
  if (!row) {
    row = new WeakMap();
    compared.set(before, row);
  }
  let known = row.get(entry);
  if (known === undefined) {
    known =
      entry.props.every((prop) => before.props.includes(prop)) &&
      (before.exercise === entry.exercise || follows(before, entry));
    row.set(entry, known);
  }
  return known;
}

function follows(before: RungEntry, entry: RungEntry): boolean {
  const { endPose } = formOf(before);
  const { startPose } = formOf(entry);
  if (!endPose || !startPose) return false;
  const [ends, starts] = [bothSides(endPose), bothSides(startPose)];
  return alike(ends.own, starts.own, NEAR) || alike(ends.other, starts.own, NEAR);
}
