import {
  type Angles,
  armReach,
  feltLegs,
  holdsHead,
  isPropped,
  isUpright,
  type Load,
  legBears,
  loadOf,
  moveBetween,
  NO_LOAD,
  type Posed,
  peakLoad,
  posedWith,
  type ReferenceBody,
  ribsBear,
  SIDES,
  type Side,
} from '../body';
import type { BasePosition } from '../body/position';
import type { Rung } from './exercise';

/** A pose of a rung worked out, with its load. */
export interface Weighed {
  readonly posed: Posed;
  readonly load: Load;
}

/**
 * The worst lever of one repetition as it is felt, N·m: of any pose, and of a leg just off what it rested on or about
 * to come down to it. The ideas of load on one scale: a leg held long and a body held between its supports count
 * whole; a trunk that tips while it sits, stands or curls is half carried by its own posture.
 * @param poses those the repetition reaches, by id
 */
export function feltLever(
  rung: Rung,
  poses: ReadonlyMap<string, Weighed>,
  like: BasePosition,
  body: ReferenceBody,
): number {
  const others = new Map<Weighed, number>();
  let worst = 0;
  for (const weighed of poses.values()) {
    const rest = trunkAndArms(weighed, like, body);
    others.set(weighed, rest);
    worst = Math.max(worst, rest + legs(weighed.posed, weighed.posed, like, body));
  }
  let from = poses.get(rung.start);
  for (const { pose } of rung.phases) {
    const to = poses.get(pose);
    if (!from || !to) continue;
    if (leavesOrLands(from.posed, to.posed)) {
      for (const end of [from, to]) {
        const off = asItLeaves(from.posed, to.posed, end.posed, like, body);
        worst = Math.max(worst, (others.get(end) ?? 0) + legs(off, end.posed, like, body));
      }
    }
    from = to;
  }
  return worst;
}

/** Whether a leg that bears at one end of a move does not at the other. */
const leavesOrLands = (from: Posed, to: Posed): boolean =>
  SIDES.some((side) => legBears(from.pose, side) !== legBears(to.pose, side));

function trunkAndArms(weighed: Weighed, like: BasePosition, body: ReferenceBody): number {
  const upright = isUpright(like);
  const { posed, load } = upright ? weighed : headHeld(weighed, like, body);
  const before = onTheWay(posed, like);
  const passed = before ? loadOf(posedWith(posed.pose, before, like, body.bodyHeightM, posed.tilt), body) : NO_LOAD;
  const { curlLever, lumbarMoment, bellyMoment, backMoment } = peakLoad(load, passed);
  // Back and seat are strong: what they hold is felt less than what the belly wall holds.
  // So is a trunk on hands and knees, short between its supports.
  const back = backMoment > bellyMoment || like === 'four-point' ? BACK : 1;
  const trunk = ((curlLever ?? 0) * 0.3 + (lumbarMoment ?? 0) * (upright ? 0.4 : 1)) * back;
  return trunk + 0.21 * armReach(weighed.posed, body);
}

/**
 * A pose whose hands hold the head, weighed with the arms as if they lay along the trunk: hands behind the head
 * spare the neck more than their longer lever costs, so they are never the harder.
 */
function headHeld(weighed: Weighed, like: BasePosition, body: ReferenceBody): Weighed {
  const { posed } = weighed;
  const { pose, angles } = posed;
  const holding = SIDES.filter((side) => holdsHead(posed, side));
  if (holding.length === 0) return weighed;
  const along = (joint: 'shoulder' | 'elbow' | 'shoulderAbduction', degrees: number) => ({
    left: holding.includes('left') ? degrees : angles[joint].left,
    right: holding.includes('right') ? degrees : angles[joint].right,
  });
  const eased: Angles = {
    ...angles,
    shoulder: along('shoulder', ALONG),
    elbow: along('elbow', 0),
    shoulderAbduction: along('shoulderAbduction', 0),
  };
  return weigh(posedWith(pose, eased, like, body.bodyHeightM, posed.tilt), body);
}
/** Degrees of the shoulder at which an arm lies along the trunk. */
const ALONG = 20;

/**
 * Where the trunk or the arms weighed most on their way to a pose, so that going further is never the easier: a chest
 * lifted from the floor as it left, arms raised overhead as they passed level. `null` where nothing weighed more before.
 */
function onTheWay({ pose, angles }: Posed, like: BasePosition): Angles | null {
  if (!isUpright(like)) {
    return ribsBear(pose) || isPropped(pose, like) ? null : { ...angles, lumbar: 0, thoracic: 0 };
  }
  const level = (side: Side) => Math.min(angles.shoulder[side], 90);
  const passed = { left: level('left'), right: level('right') };
  return passed.left < angles.shoulder.left || passed.right < angles.shoulder.right
    ? { ...angles, shoulder: passed }
    : null;
}

/** Upright, or held off the floor, other parts share the work of a raised leg. */
function legs(raised: Posed, standing: Posed, like: BasePosition, body: ReferenceBody): number {
  const share =
    like === 'side-lying'
      ? ON_SIDE
      : isUpright(like) || isPropped(standing.pose, like)
        ? SHARED
        : legBears(raised.pose, 'left') || legBears(raised.pose, 'right')
          ? OTHER_DOWN
          : 1;
  return feltLegs(raised, body) * share;
}
/** One foot down steadies the pelvis against the other leg. */
const OTHER_DOWN = 0.45;
/** The share of a raised leg that is felt where other parts hold with it, and where on a side the hip alone lifts it. */
const SHARED = 0.42;
const ON_SIDE = 0.18;
const BACK = 0.6;

/** The share of a move at which a limb has only just left what it rested on. */
const JUST_OFF = 1e-6;

/** The body at one end of a move, what moves just off the floor; a leg folds before it leaves and unfolds once up. */
function asItLeaves(from: Posed, to: Posed, end: Posed, like: BasePosition, { bodyHeightM }: ReferenceBody): Posed {
  const move = moveBetween(from.pose, to.pose, from.angles, to.angles);
  const { pose, angles } = move.writtenAt(end === from ? JUST_OFF : 1 - JUST_OFF);
  const moreBent = (side: Side) => Math.max(from.angles.knee[side], to.angles.knee[side]);
  return posedWith(
    pose,
    { ...angles, knee: { left: moreBent('left'), right: moreBent('right') } },
    like,
    bodyHeightM,
    end.tilt,
  );
}

/** A pose worked out and weighed. */
export const weigh = (posed: Posed, body: ReferenceBody): Weighed => ({ posed, load: loadOf(posed, body) });
