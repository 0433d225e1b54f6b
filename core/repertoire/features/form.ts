import {
  anglesOf,
  armBears,
  type BasePosition,
  type LimbJoint,
  legBears,
  type Pose,
  SIDES,
  type Side,
} from '../../body';
import { liesOnSide } from '../../vocabulary/bodies/position';
import { otherSide, type Sidedness } from '../../vocabulary/bodies/side';
import type { RungEntry } from '../catalog';
import { type Phase, phaseCounts, type Rung } from '../exercise';

/** What timing reads of a rung, worked out once: its counts, the shapes it begins and ends in, the side it is drawn for. */
export interface RungForm {
  /** Counts of one repetition, of the way in and of the way out. */
  readonly rep: number;
  readonly entry: number;
  readonly exit: number;
  readonly startPose: Pose | undefined;
  /** Where the last repetition ends, before any way out. */
  readonly endPose: Pose | undefined;
  /** The side the poses are drawn for; `null` for a symmetrical exercise. */
  readonly drawn: Side | null;
}

const sumOf = (phases: readonly Phase[]): number => phases.reduce((sum, phase) => sum + phaseCounts(phase), 0);

const known = new WeakMap<Rung, { readonly sides: Sidedness; readonly like: BasePosition; form: RungForm }>();

/** The shape of a rung in time; kept with the rung. */
export function formOf({ sides, rung, like }: Pick<RungEntry, 'sides' | 'rung' | 'like'>): RungForm {
  const found = known.get(rung);
  if (found && found.sides === sides && found.like === like) return found.form;
  const { entry = [], phases, exit = [], poses, start } = rung;
  const form: RungForm = {
    rep: sumOf(phases),
    entry: sumOf(entry),
    exit: sumOf(exit),
    startPose: poses[start],
    endPose: poses[phases.at(-1)?.pose ?? start],
    drawn: sides === 'both' ? null : drawnSide(rung, like),
  };
  known.set(rung, { sides, like, form });
  return form;
}

const LEG: readonly LimbJoint[] = ['hip', 'knee', 'hipAbduction', 'hipRotation', 'ankle'];
const ARM: readonly LimbJoint[] = ['shoulder', 'elbow', 'shoulderAbduction'];

/**
 * The side the poses of a one-sided rung are drawn for: said, or that of the leg, else the arm, that travels farther,
 * else the side turned or bent to; side-lying is drawn lying on the left.
 */
function drawnSide(rung: Rung, like: BasePosition): Side {
  if (rung.drawn) return rung.drawn;
  if (liesOnSide(like)) return 'left';
  const poses = repetitionPoses(rung);
  for (const joints of [LEG, ARM]) {
    const farther = fartherSide(poses, joints);
    if (farther) return farther;
  }
  const farthest = (joint: 'twist' | 'sideBend') =>
    poses.reduce((most, pose) => (Math.abs(pose[joint] ?? 0) > Math.abs(most) ? (pose[joint] ?? 0) : most), 0);
  const lean = farthest('twist') || farthest('sideBend');
  if (lean !== 0) return lean > 0 ? 'right' : 'left';
  // Nothing travels and nothing turns: the limb held up is the one that works.
  return (
    SIDES.find((side) => heldUp(poses, side, legBears)) ?? SIDES.find((side) => heldUp(poses, side, armBears)) ?? 'left'
  );
}

const repetitionPoses = ({ start, phases, poses }: Rung): Pose[] =>
  [start, ...phases.map(({ pose }) => pose)].flatMap((id) => poses[id] ?? []);

/** Degrees each limb travels through some poses, summed over its joints: left and right. */
function travelOf(poses: readonly Pose[], joints: readonly LimbJoint[]): readonly [left: number, right: number] {
  const angles = poses.map(anglesOf);
  const travel = (side: Side): number =>
    joints.reduce((sum, joint) => {
      const values = angles.map((each) => each[joint][side]);
      return sum + Math.max(...values) - Math.min(...values);
    }, 0);
  return [travel('left'), travel('right')];
}

/** The side whose limb travels farther; `null` where both travel alike. */
function fartherSide(poses: readonly Pose[], joints: readonly LimbJoint[]): Side | null {
  const [left, right] = travelOf(poses, joints);
  return Math.abs(left - right) > 1e-9 ? (left > right ? 'left' : 'right') : null;
}

/** Whether one limb moves and its fellow follows by less than half of it. */
function worksAlone(poses: readonly Pose[], joints: readonly LimbJoint[]): boolean {
  const travels = travelOf(poses, joints);
  const [most, least] = [Math.max(...travels), Math.min(...travels)];
  return most > 1e-9 && least * 2 < most;
}

type Limb = 'leg' | 'arm';
const limbs = new WeakMap<Rung, Limb | null>();

/** The limb of which one works and its fellow does not, a leg before an arm; `null` where neither does. */
export function workingLimb(rung: Rung): Limb | null {
  const found = limbs.get(rung);
  if (found !== undefined) return found;
  const limb = limbOf(rung);
  limbs.set(rung, limb);
  return limb;
}

/** Whether one side works alone: a leg that moves or is held up, an arm that moves; a hand that steadies is none. */
export function worksOneSide(rung: Rung): boolean {
  const poses = repetitionPoses(rung);
  return worksAlone(poses, LEG) || worksAlone(poses, ARM) || SIDES.some((side) => heldUp(poses, side, legBears));
}

function limbOf(rung: Rung): Limb | null {
  const poses = repetitionPoses(rung);
  const holds = (bears: (pose: Pose, side: Side) => boolean) => SIDES.some((side) => heldUp(poses, side, bears));
  if (worksAlone(poses, LEG)) return 'leg';
  if (worksAlone(poses, ARM)) return 'arm';
  return holds(legBears) ? 'leg' : holds(armBears) ? 'arm' : null;
}

/** Whether a limb is off the floor while its fellow bears. */
const heldUp = (poses: readonly Pose[], side: Side, bears: (pose: Pose, side: Side) => boolean): boolean =>
  poses.some((pose) => !bears(pose, side) && bears(pose, otherSide(side)));
