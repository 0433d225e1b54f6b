import {
  armBears,
  bears,
  dot,
  handOf,
  headBears,
  isPropped,
  legBears,
  loadOf,
  type Point,
  type Posed,
  pelvisBears,
  posedAs,
  raisedLegs,
  ribsBear,
  SIDES,
  type Side,
} from '../body';
import type { BasePosition } from '../body/position';
import type { Method } from '../method/method';
import { type Feature, PEAK_FEATURES, type PeakFeature, TIME_FEATURES, type TimeFeature } from '../vocabulary/features';
import type { Course, Moment } from './course';
import type { Dose, Phase } from './exercise';
import { plainPose } from './plain';

/** How a time feature runs through a part of a rung, in counts. */
export interface Run {
  /** Counts in which it holds. */
  readonly total: number;
  /** Counts from the beginning until it first lets go; all of them when it never does. */
  readonly lead: number;
  /** Counts from where it last began until the end; all of them when it never lets go. */
  readonly tail: number;
  /** The longest without a break. */
  readonly longest: number;
  /** It never lets go. */
  readonly whole: boolean;
}

/** What a part of a rung (the way in, the repetition, the way out) does to a body. */
export interface PartFeatures {
  readonly counts: number;
  readonly peaks: Readonly<Record<PeakFeature, number>>;
  readonly runs: Readonly<Record<TimeFeature, Run>>;
}

export interface RungFeatures {
  readonly entry: PartFeatures | null;
  readonly rep: PartFeatures;
  readonly exit: PartFeatures | null;
  /** Whether a time feature holds in the pose repetitions begin in, and in the one the last ends in. */
  readonly startHolds: ReadonlySet<TimeFeature>;
  readonly endHolds: ReadonlySet<TimeFeature>;
  /** Where the way out, or without one the last repetition, leaves people. */
  readonly leavesHolds: ReadonlySet<TimeFeature>;
}

/** What features are read with, beside the poses. */
export interface Reading {
  readonly method: Method;
  /** Supports that lie on a prop that raises them, as two sides. */
  readonly raised: ReadonlySet<string>;
}

/** @param course the rung, as `courseOf` gives it */
export function featuresOf(course: Course, reading: Reading): RungFeatures {
  const { method } = reading;
  const { entry, rep, exit, start } = course;
  // What a body is in when something begins belongs to it, though no count does.
  const first: Moment[] = start
    ? [{ phase: STILL, atCounts: 0, counts: 0, posed: start, load: loadOf(start, method), still: true }]
    : [];
  const end = rep.at(-1) ?? first[0];
  const left = exit.at(-1) ?? end;
  return {
    entry: entry.length > 0 ? partFeatures(entry, [], reading) : null,
    rep: partFeatures(rep, first, reading),
    exit: exit.length > 0 ? partFeatures(exit, [], reading) : null,
    startHolds: heldIn(first[0], reading),
    endHolds: heldIn(end, reading),
    leavesHolds: heldIn(left, reading),
  };
}

const STILL: Phase = { id: 'still', breath: 'free', counts: 1, pose: 'still' };

/** Time features that hold in a shape, whoever is doing what in it. */
function heldIn(moment: Moment | undefined, reading: Reading): ReadonlySet<TimeFeature> {
  if (!moment) return NOTHING;
  return new Set(TIME_FEATURES.filter((feature) => !OF_PHASES.has(feature) && holds[feature](moment, reading)));
}
const NOTHING: ReadonlySet<TimeFeature> = new Set();
/** Features of what is done in a phase, and not of a shape: waiting in it is neither a hold nor a breath held. */
const OF_PHASES: ReadonlySet<TimeFeature> = new Set<TimeFeature>(['longHold', 'breathHeld']);

const NOWHERE: ReadonlySet<string> = new Set();
const shapes = new Map<string, ReadonlySet<TimeFeature>>();

/** Time features that hold while people wait in the plain shape of a position. */
export function heldInPosition(like: BasePosition, method: Method): ReadonlySet<TimeFeature> {
  const known = shapes.get(like);
  if (known) return known;
  const posed = posedAs(plainPose(like), like, method.bodyHeightM);
  const moment = { phase: STILL, atCounts: 0, counts: 0, posed, load: loadOf(posed, method), still: true };
  const found = new Set([...heldIn(moment, { method, raised: NOWHERE })].filter((feature) => OF_POSITION.has(feature)));
  shapes.set(like, found);
  return found;
}
/** A position alone counts for the back, the front and the knees; what else it loads is the shape's. */
const OF_POSITION: ReadonlySet<TimeFeature> = new Set<TimeFeature>(['flatOnBack', 'pronePressure', 'kneeling']);

function partFeatures(moments: readonly Moment[], before: readonly Moment[], reading: Reading): PartFeatures {
  const all = [...before, ...moments];
  const peaks = Object.fromEntries(PEAK_FEATURES.map((feature) => [feature, 0])) as Record<PeakFeature, number>;
  let [lowest, highest] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { posed, load } of all) {
    const own = peaksOf(posed, reading);
    for (const feature of PEAK_FEATURES) {
      const value = own[feature];
      if (value !== undefined && value > peaks[feature]) peaks[feature] = value;
    }
    const elevation = headElevation(posed);
    lowest = Math.min(lowest, elevation);
    highest = Math.max(highest, elevation);
    if (load.curlLever !== null) peaks.curlLever = Math.max(peaks.curlLever, load.curlLever);
    if (load.lumbarMoment === null) continue;
    peaks.bellyMoment = Math.max(peaks.bellyMoment, load.bellyMoment);
    peaks.backMoment = Math.max(peaks.backMoment, load.backMoment);
  }
  peaks.headSweep = all.length === 0 ? 0 : highest - lowest;
  peaks.rolling = rolls(all.map(({ posed }) => posed)) ? 1 : 0;
  const runs = Object.fromEntries(
    TIME_FEATURES.map((feature) => [feature, runOf(moments, (moment) => holds[feature](moment, reading))]),
  ) as Record<TimeFeature, Run>;
  return { counts: moments.reduce((sum, { counts }) => sum + counts, 0), peaks, runs };
}

/** The features of one pose that stand by themselves; those of a whole repetition are left out. */
function peaksOf(posed: Posed, { method: body, raised }: Reading): Partial<Record<PeakFeature, number>> {
  const { pose, like, angles, bones, ground } = posed;
  const flexion = angles.lumbar + angles.thoracic;
  const most = (read: (side: Side) => number) => Math.max(0, read('left'), read('right'));
  const tilt = headDown(posed);
  const onShoulders = ribsBear(pose) && !pelvisBears(pose) && like === 'supine';
  const legs = raisedLegs(posed, body);
  return {
    loadedFlexion: carriesItself(posed) ? flexion : 0,
    extension: -flexion,
    rotation: Math.abs(angles.twist),
    sideBend: Math.abs(angles.sideBend),
    // Standing, and one leg lifted lying on a side, it is the hip that works and not the low back.
    legLever: like === 'standing' || (like === 'side-lying' && legsBear(pose)) ? 0 : legs,
    doubleLegLever: legsBear(pose) || isPropped(pose, like) ? 0 : legs,
    inversion: tilt,
    neckWeight: onShoulders ? (legsBear(pose) ? tilt : Math.max(tilt, pelvisOver(posed))) : 0,
    hipFlexion: most((side) => angles.hip[side]),
    hipAcross: most((side) => -angles.hipAbduction[side]),
    hipTurnedIn: most((side) => -angles.hipRotation[side]),
    straddle: most((side) => angles.hipAbduction[side]),
    kneeBend: most((side) => (weightOnKnee(posed, side) ? angles.knee[side] : 0)),
    // A bent knee lets the hamstrings off degree for degree; a round back reaches no further from the hip.
    hamstrings: most((side) => angles.hip[side] - angles.knee[side]),
    anklePointed: most((side) =>
      pointedUnderWeight(posed, side, raised) ? (pose.ankle ? angles.ankle[side] : 75) : 0,
    ),
    ankleBent:
      like === 'standing' && !pelvisBears(pose)
        ? most((side) => (legBears(pose, side) ? leanOf(bones.leg[side].middle, bones.leg[side].end, ground.up) : 0))
        : 0,
    armOverhead: most((side) => Math.max(angles.shoulder[side], angles.shoulderAbduction[side])),
    handLoad: (pose.weights?.['hand.left'] ?? 0) + (pose.weights?.['hand.right'] ?? 0),
  };
}

/** Whether the spine holds its own weight up: not lying at rest on head and ribs, nor hanging between them and the feet. */
const carriesItself = ({ pose }: Posed): boolean =>
  !(ribsBear(pose) && headBears(pose) && (pelvisBears(pose) || legsBear(pose)));

/** Degrees the trunk slopes down from hips to shoulders; 0 when it rises. */
const headDown = ({ bones, ground }: Posed): number => fall(bones.hip, bones.shoulder, ground.up);

/** Degrees the pelvis itself is tipped over: a round back hides it from the line to the shoulders. */
const pelvisOver = ({ bones, ground }: Posed): number => fall(bones.hip, bones.lumbar, ground.up);

/** Degrees the way from one point to another falls; 0 when it rises. */
function fall(from: Point, to: Point, up: Point): number {
  const drop = dot(from, up) - dot(to, up);
  const length = Math.hypot(from.x - to.x, from.y - to.y, from.z - to.z);
  return Math.max(0, (Math.asin(Math.min(1, drop / length)) * 180) / Math.PI);
}

/** Degrees a limb leans from upright. */
function leanOf(top: Point, bottom: Point, up: Point): number {
  const line = { x: top.x - bottom.x, y: top.y - bottom.y, z: top.z - bottom.z };
  return (Math.acos(Math.min(1, Math.abs(dot(line, up)) / Math.hypot(line.x, line.y, line.z))) * 180) / Math.PI;
}

/** Degrees from level at which the head points: 90 upright, −90 upside down. */
function headElevation({ bones, ground }: Posed): number {
  const { head, shoulder } = bones;
  const line = { x: head.x - shoulder.x, y: head.y - shoulder.y, z: head.z - shoulder.z };
  return (
    (Math.asin(Math.max(-1, Math.min(1, dot(line, ground.up) / Math.hypot(line.x, line.y, line.z)))) * 180) / Math.PI
  );
}

const KNEELING: ReadonlySet<BasePosition> = new Set(['kneeling', 'four-point', 'seated']);
const onKnee = (posed: Posed, side: Side): boolean =>
  bears(posed.pose, 'knees', side) || (bears(posed.pose, 'shins', side) && KNEELING.has(posed.like));
const weightOnKnee = (posed: Posed, side: Side): boolean =>
  onKnee(posed, side) || (posed.like === 'standing' && !pelvisBears(posed.pose) && legBears(posed.pose, side));
/** Something under the ankle or the shin lets the foot hang free. */
const pointedUnderWeight = (posed: Posed, side: Side, raised: ReadonlySet<string>): boolean =>
  onKnee(posed, side) &&
  !bears(posed.pose, 'toes', side) &&
  posed.angles.knee[side] > 100 &&
  !raised.has(`foot.${side}`) &&
  !raised.has(`shin.${side}`);

/** Balanced on the pelvis at one moment and on the shoulders at another: the spine is rolled along. */
function rolls(bodies: readonly Posed[]): boolean {
  const onPelvis = bodies.some(({ pose }) => pelvisBears(pose) && !ribsBear(pose) && !legsBear(pose));
  const onBack = bodies.some(({ pose }) => ribsBear(pose) && !pelvisBears(pose) && !legsBear(pose));
  return onPelvis && onBack;
}
/** Whether a leg bears at all. */
const legsBear = (pose: Posed['pose']): boolean => SIDES.some((side) => legBears(pose, side));

const LYING: ReadonlySet<BasePosition> = new Set(['supine', 'prone', 'side-lying']);
const ARMS_CARRY: ReadonlySet<BasePosition> = new Set([
  'plank',
  'four-point',
  'prone',
  'side-lying',
  'standing',
  'kneeling',
]);
const handsCarry = ({ pose, like }: Posed): boolean =>
  (ARMS_CARRY.has(like) || (like === 'supine' && !ribsBear(pose))) && !(like === 'prone' && ribsBear(pose));

/** When each time feature holds. */
const holds: Record<TimeFeature, (moment: Moment, reading: Reading) => boolean> = {
  headLifted: ({ posed: { pose, like } }) =>
    LYING.has(like) &&
    !headBears(pose) &&
    !(like !== 'supine' && SIDES.some((side) => armBears(pose, side))) &&
    pelvisBears(pose),
  pronePressure: ({ posed: { pose, like } }) => like === 'prone' && (pelvisBears(pose) || ribsBear(pose)),
  flatOnBack: ({ posed: { pose, like, angles } }) =>
    like === 'supine' && ribsBear(pose) && pelvisBears(pose) && Math.abs(angles.pitch) < 15,
  extendedWrists: ({ posed }, { raised }) =>
    handsCarry(posed) && SIDES.some((side) => onBentWrist(posed, side, raised)),
  armsBearing: ({ posed }) => handsCarry(posed) && SIDES.some((side) => armBears(posed.pose, side)),
  kneeling: ({ posed }) => SIDES.some((side) => onKnee(posed, side)),
  oneFoot: ({ posed: { pose, like } }) =>
    like === 'standing' &&
    SIDES.filter((side) => legBears(pose, side)).length === 1 &&
    !SIDES.some((side) => armBears(pose, side)),
  longHold: ({ still, phase, load }) =>
    still && phase.effort === true && (load.legLever ?? 0) + (load.curlLever ?? 0) + (load.lumbarMoment ?? 0) > 0,
  longDoubleLever: ({ posed }, { method }) =>
    pelvisBears(posed.pose) &&
    !SIDES.some((side) => legBears(posed.pose, side)) &&
    raisedLegs(posed, method) > method.limits.longDoubleLever,
  breathHeld: ({ phase }) => phase.breath === 'hold' && phase.effort === true,
};

/**
 * Weight on a flat hand. A fist, a handle, a raised mat or the forearm keeps the wrist straight, and a hand that holds
 * a leg bears nothing.
 */
const onBentWrist = ({ pose }: Posed, side: Side, raised: ReadonlySet<string>): boolean => {
  const held = pose.holds?.[handOf(side)];
  return (
    bears(pose, 'hands', side) &&
    !bears(pose, 'forearms', side) &&
    !bears(pose, 'fists', side) &&
    !raised.has(`hand.${side}`) &&
    (held === undefined || held === 'floor')
  );
};

function runOf(moments: readonly Moment[], on: (moment: Moment) => boolean): Run {
  let [total, longest, running, lead] = [0, 0, 0, 0];
  let whole = true;
  for (const moment of moments) {
    // Where a phase arrives takes no time, and yet lets go what is let go there.
    if (on(moment)) {
      total += moment.counts;
      running += moment.counts;
      if (whole) lead += moment.counts;
      longest = Math.max(longest, running);
    } else {
      running = 0;
      whole = false;
    }
  }
  return { total, lead, tail: running, longest, whole: whole && total > 0 };
}

/** Whether a rung loads a part for any time at all: most load few. */
export const everIn = ({ entry, rep, exit }: RungFeatures, feature: TimeFeature): boolean =>
  rep.runs[feature].total > 0 || (entry?.runs[feature].total ?? 0) > 0 || (exit?.runs[feature].total ?? 0) > 0;

/** Whether the way in and the way out are done; both by a rung alone. */
export interface Passing {
  readonly entry: boolean;
  readonly exit: boolean;
}
export const WHOLE: Passing = { entry: true, exit: true };

/** The most of a peak feature over what is done of a rung, in its unit. */
export function peakOf({ entry, rep, exit }: RungFeatures, feature: PeakFeature, passing: Passing = WHOLE): number {
  let most = rep.peaks[feature];
  if (passing.entry && entry) most = Math.max(most, entry.peaks[feature]);
  if (passing.exit && exit) most = Math.max(most, exit.peaks[feature]);
  return most;
}

/** What a rung is done with, as far as the clock asks. */
export interface Doing extends Passing {
  readonly sets: number;
  readonly reps: number;
  /** Seconds of one count, and of the rest between sets. */
  readonly count: number;
  readonly restSeconds: number;
}

/** How a feature runs through one side's work, in seconds. */
export function workRun(features: RungFeatures, feature: TimeFeature, doing: Doing): Run {
  const { count, reps } = doing;
  const { rep } = features;
  const entry = doing.entry ? features.entry : undefined;
  const exit = doing.exit ? features.exit : undefined;
  const work = repeated(scaled(rep.runs[feature], rep.counts, count), reps);
  const into = entry ? [scaled(entry.runs[feature], entry.counts, count)] : [];
  const out = exit ? [scaled(exit.runs[feature], exit.counts, count)] : [];
  const set = entry || exit ? joined([...into, work, ...out]) : work;
  if (doing.sets <= 1) return set.run;
  // Between sets people wait where the last one left them.
  const leaves = doing.exit ? features.leavesHolds : features.endHolds;
  const waits = leaves.has(feature) && (entry ? true : features.startHolds.has(feature));
  const rest = span(waits, doing.restSeconds);
  const parts = [set];
  for (let i = 1; i < doing.sets; i++) parts.push(rest, set);
  return joined(parts).run;
}

interface Span {
  readonly run: Run;
  readonly length: number;
}

const scaled = ({ total, lead, tail, longest, whole }: Run, counts: number, by: number): Span => ({
  run: { total: total * by, lead: lead * by, tail: tail * by, longest: longest * by, whole },
  length: counts * by,
});

/** A stretch of time that holds throughout, or not at all. */
const span = (holding: boolean, seconds: number): Span => ({
  run: holding
    ? { total: seconds, lead: seconds, tail: seconds, longest: seconds, whole: true }
    : { total: 0, lead: 0, tail: 0, longest: 0, whole: false },
  length: seconds,
});

/** One part so many times over; half a repetition counts as half of it. */
function repeated({ run, length }: Span, times: number): Span {
  if (run.whole) return span(true, length * times);
  const joint = times >= 2 ? run.tail + run.lead : 0;
  return {
    run: {
      total: run.total * times,
      lead: run.lead,
      tail: run.tail,
      longest: Math.max(run.longest, joint),
      whole: false,
    },
    length: length * times,
  };
}

/** Parts one after another. */
function joined(parts: readonly Span[]): Span {
  let [total, longest, running, lead, length] = [0, 0, 0, 0, 0];
  let whole = true;
  for (const { run, length: own } of parts) {
    if (own === 0) continue;
    total += run.total;
    length += own;
    longest = Math.max(longest, run.longest, running + run.lead);
    if (whole) lead += run.lead;
    running = run.whole ? running + own : run.tail;
    whole = whole && run.whole;
  }
  return { run: { total, longest, lead, tail: running, whole: whole && length > 0 }, length };
}

/**
 * The value of a feature of a rung alone at its dose: a peak in its unit; for a time feature the seconds at a stretch
 * on one side.
 * @param secondsPerCount of the method, where the dose says none
 */
export function featureAt(features: RungFeatures, feature: Feature, dose: Dose, method: Method): number {
  if (feature in features.rep.peaks) return peakOf(features, feature as PeakFeature);
  return workRun(features, feature as TimeFeature, {
    ...WHOLE,
    sets: dose.sets,
    reps: dose.repsTo === undefined ? dose.reps : (dose.reps + dose.repsTo) / 2,
    count: dose.secondsPerCount ?? method.secondsPerCount,
    restSeconds: method.restBetweenSetsSeconds,
  }).longest;
}
