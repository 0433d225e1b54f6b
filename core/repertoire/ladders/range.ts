import { anglesOf, LIMB_JOINTS, type Pose, TRUNK_JOINTS } from '../../body';
import type { Rung } from '../exercise';

const ranged = new WeakMap<Rung, Map<number, Rung>>();

/**
 * A rung done through a share of its range: every shape a repetition arrives at lies so far from the one it begins in.
 * The way in and the way out stay, and so do counts, supports, holds and loads. The same object for the same share, so
 * that what is measured of it is kept.
 * @param share 0 to 1; 1 is the rung itself
 */
export function withRange(rung: Rung, share: number): Rung {
  const from = rung.poses[rung.start];
  if (share >= 1 || !from) return rung;
  let own = ranged.get(rung);
  if (!own) {
    own = new Map();
    ranged.set(rung, own);
  }
  const known = own.get(share);
  if (known) return known;
  const reached = new Set(rung.phases.map(({ pose }) => pose));
  const poses = Object.entries(rung.poses).map(([id, pose]) => [
    id,
    reached.has(id) && id !== rung.start ? between(from, pose, share) : pose,
  ]);
  const made: Rung = { ...rung, poses: Object.fromEntries(poses) };
  own.set(share, made);
  return made;
}

/** The shape on the way from one to another; it rests on what the other rests on. */
function between(from: Pose, to: Pose, share: number): Pose {
  const [a, b] = [anglesOf(from), anglesOf(to)];
  const part = (one: number, other: number) => Math.round(10 * (one + share * (other - one))) / 10;
  const limbs = LIMB_JOINTS.map((joint) => [
    joint,
    { left: part(a[joint].left, b[joint].left), right: part(a[joint].right, b[joint].right) },
  ]);
  const trunk = TRUNK_JOINTS.map((joint) => [joint, part(a[joint], b[joint])]);
  return { ...to, ...Object.fromEntries([...limbs, ...trunk]) };
}
