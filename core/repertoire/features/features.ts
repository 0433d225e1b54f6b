import { loadOf, posedAs } from '../../body';
import type { BasePosition } from '../../body/position';
import type { Measuring } from '../../method/method';
import {
  FEATURES,
  type Feature,
  PEAK_FEATURES,
  type PeakFeature,
  type RateFeature,
  TIME_FEATURES,
  type TimeFeature,
} from '../../vocabulary/bodies/features';
import type { Dose, Phase } from '../exercise';
import type { Course, Moment } from '../measuring/course';
import { plainPose } from '../plain';
import { type Already, alreadyIn } from './already';
import { headElevation, headInHands, holds, peaksOf, type Reading, rolls } from './poseFeatures';
import { joined, type Run, repeated, scaled, span } from './run';

/** What a part of a rung (the way in, the repetition, the way out) does to a body. */
interface PartFeatures {
  readonly counts: number;
  readonly peaks: Readonly<Record<PeakFeature, number>>;
  /** A count, so that the room's seconds of one make it a rate. */
  readonly perCount: Readonly<Record<RateFeature, number>>;
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
  /** Whether the head is held in the hands as repetitions begin, and as the last one ends: then it counts half. */
  readonly headHeld: { readonly start: boolean; readonly end: boolean };
  /** What it does already of what may be advised. */
  readonly already: ReadonlySet<Already>;
}

/** @param course the rung, as `courseOf` gives it */
export function featuresOf(course: Course, reading: Reading): RungFeatures {
  const { method } = reading;
  const { entry, rep, exit, start } = course;
  // What a body is in when something begins belongs to it, though no count does.
  const first: Moment[] = start
    ? [
        {
          phase: STILL,
          atCounts: 0,
          counts: 0,
          posed: start,
          load: loadOf(start, method),
          arrives: start.pose,
          still: true,
        },
      ]
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
    already: alreadyIn([...first, ...rep], reading),
    headHeld: { start: first[0] ? headInHands(first[0]) : false, end: end ? headInHands(end) : false },
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
export function heldInPosition(like: BasePosition, method: Measuring): ReadonlySet<TimeFeature> {
  const known = shapes.get(like);
  if (known) return known;
  const posed = posedAs(plainPose(like), like, method.bodyHeightM);
  const load = loadOf(posed, method);
  const moment = { phase: STILL, atCounts: 0, counts: 0, posed, load, arrives: posed.pose, still: true };
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
    TIME_FEATURES.map((feature) => [
      feature,
      runOf(moments, (moment) => (holds[feature](moment, reading) ? shareOf(feature, moment) : 0)),
    ]),
  ) as Record<TimeFeature, Run>;
  const perCount = { fastTwist: fastestTwist(moments, before[0]) };
  return { counts: moments.reduce((sum, { counts }) => sum + counts, 0), peaks, perCount, runs };
}

/** Degrees a count of the phase that turns the trunk fastest. @param from where the first phase begins; it arrives where unsaid */
function fastestTwist(moments: readonly Moment[], from: Moment | undefined): number {
  let most = 0;
  let twist = from?.posed.angles.twist;
  for (const { counts, posed, phase } of moments) {
    // Only where a phase arrives, which takes no time.
    if (counts > 0) continue;
    const arrived = posed.angles.twist;
    if (twist !== undefined) most = Math.max(most, Math.abs(arrived - twist) / phase.counts);
    twist = arrived;
  }
  return most;
}

/** How much of a moment counts: a head held in the hands half of it. */
const shareOf = (feature: TimeFeature, moment: Moment): number =>
  feature === 'headLifted' && headInHands(moment) ? 0.5 : 1;

/** @param on how much of each moment counts; 0 lets go */
function runOf(moments: readonly Moment[], on: (moment: Moment) => number): Run {
  let [total, longest, running, lead] = [0, 0, 0, 0];
  let whole = true;
  for (const moment of moments) {
    // Where a phase arrives takes no time, and yet lets go what is let go there.
    const share = on(moment);
    if (share > 0) {
      const counts = moment.counts * share;
      total += counts;
      running += counts;
      if (whole) lead += counts;
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

const isRate = (feature: Feature): feature is RateFeature => FEATURES[feature].kind === 'rate';

/** The most of a rate over what is done of a rung, in its unit. @param count seconds of a count, as the room has it */
export function rateOf(
  { entry, rep, exit }: RungFeatures,
  feature: RateFeature,
  count: number,
  passing: Passing = WHOLE,
): number {
  const most = Math.max(
    rep.perCount[feature],
    passing.entry && entry ? entry.perCount[feature] : 0,
    passing.exit && exit ? exit.perCount[feature] : 0,
  );
  return most / count;
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
  const rest = span(waits, doing.restSeconds, feature === 'headLifted' && features.headHeld.end ? 0.5 : 1);
  const parts = [set];
  for (let i = 1; i < doing.sets; i++) parts.push(rest, set);
  return joined(parts).run;
}

/**
 * The value of a feature of a rung alone at its dose: a peak in its unit; for a time feature the seconds at a stretch
 * on one side.
 * @param secondsPerCount of the method, where the dose says none
 */
export function featureAt(features: RungFeatures, feature: Feature, dose: Dose, method: Measuring): number {
  if (feature in features.rep.peaks) return peakOf(features, feature as PeakFeature);
  const count = dose.secondsPerCount ?? method.secondsPerCount;
  if (isRate(feature)) return rateOf(features, feature, count);
  return workRun(features, feature as TimeFeature, {
    ...WHOLE,
    sets: dose.sets,
    reps: dose.repsTo === undefined ? dose.reps : (dose.reps + dose.repsTo) / 2,
    count,
    restSeconds: method.restBetweenSetsSeconds,
  }).longest;
}
