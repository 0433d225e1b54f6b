import { bandsFor, DIRECTIONS } from '../method';
import { CRAFT_TERMS, type CraftName } from './craft/craft';
import { ruledOut } from './rules/directionRules';
import type { Subject } from './subject/subject';

/**
 * A number for every line the review asks about, kept whether or not a limit is passed. Seconds, shares from 0 to 1,
 * heats and counts (docs/review.md, "Measures").
 */
export type Measures = Readonly<Record<MeasureName, number>>;

export const MEASURES = {
  overSeconds: 'seconds over the target; below 0 under it',
  overChance: 'chance of running late',
  openingShare: 'share of the target spent opening',
  longestBlockSeconds: 'seconds of the longest block',
  positionChanges: 'changes of position',
  changingSeconds: 'seconds changing position, side and props',
  changingShare: 'share of the class spent so',
  positionReturns: 'returns to a position already left',
  floorTrips: 'trips up from the floor to standing',
  propChanges: 'props taken or put away',
  propReturns: 'props put away and fetched again',
  flexionStretchSeconds: 'longest stretch of bending forward',
  directionsOutside: 'sum of what direction shares lie outside their bands',
  sidesApartSeconds: 'seconds by which sides differ, exercise by exercise',
  sidesApartReps: 'repetitions by which they differ',
  hottest: 'heat of the hardest block',
  peakAt: 'place of the peak as a share of the class; 0 without one',
  steepestRise: 'largest rise of heat between neighbours',
  lastHeatShare: 'heat of the last block as a share of the hardest',
  headStretchSeconds: 'longest stretch with the head lifted',
  headSeconds: 'seconds with the head lifted',
  wristStretchSeconds: 'longest stretch on bent-back wrists',
  wristSeconds: 'seconds on bent-back wrists',
  doubleLeverStretchSeconds: 'longest stretch with both legs hanging long',
  doubleLeverSeconds: 'seconds with both legs hanging long',
  kneelingStretchSeconds: 'longest stretch on the knees',
  kneelingSeconds: 'seconds on the knees',
  offers: 'rungs offered beside main versions',
  carrying: 'blocks that carry on',
  ...(Object.fromEntries(CRAFT_TERMS.map(({ name, measures }) => [name, measures])) as Record<CraftName, string>),
} as const;
export type MeasureName = keyof typeof MEASURES;

export function measuresOf(subject: Subject): Measures {
  const { timed, heats, known, arc } = subject;
  const target = timed.plan.targetMinutes * 60;
  let [sidesApartSeconds, sidesApartReps] = [0, 0];
  for (const { seconds, reps } of subject.sides.values()) {
    sidesApartSeconds += Math.abs(seconds.left - seconds.right);
    sidesApartReps += Math.abs(reps.left - reps.right);
  }
  let [longest, changes, propChanges, rise, carrying] = [0, 0, 0, 0, 0];
  for (const { change } of timed.sequence) {
    if (change.places.length > 1) changes += 1;
    propChanges += change.taken.length + change.putAway.length;
  }
  let offers = 0;
  for (const each of known) {
    longest = Math.max(longest, each.laid.seconds);
    if (each.laid.carries) carrying += 1;
    offers += each.offers.length;
  }
  for (let i = 1; i < heats.length; i++) rise = Math.max(rise, (heats[i] as number) - (heats[i - 1] as number));
  const changing = timed.parts.transitions + timed.parts.sideChanges;
  const exposure = exposures(subject);
  return {
    overSeconds: timed.seconds - target,
    overChance: timed.range.overChance,
    openingShare: timed.parts.opening / target,
    longestBlockSeconds: longest,
    positionChanges: changes,
    changingSeconds: changing,
    changingShare: timed.seconds === 0 ? 0 : changing / timed.seconds,
    positionReturns: subject.returns.length,
    floorTrips: subject.trips.length,
    propChanges,
    propReturns: subject.shuffles.length,
    flexionStretchSeconds: longestOf(subject.bent),
    directionsOutside: outsideBands(subject),
    sidesApartSeconds,
    sidesApartReps,
    hottest: subject.hottest,
    peakAt: arc?.peakAt ?? 0,
    steepestRise: rise,
    lastHeatShare: arc ? (arc.heats.at(-1) ?? 0) / arc.hottest : 0,
    ...exposure,
    offers,
    carrying,
    ...craftMeasures(subject),
  };
}

const NO_CRAFT = Object.fromEntries(CRAFT_TERMS.map(({ name }) => [name, 0])) as Record<CraftName, number>;

/** The value of each term of craft; 0 where it is not asked. */
function craftMeasures({ craft }: Subject): Readonly<Record<CraftName, number>> {
  const found = { ...NO_CRAFT };
  for (const [name, { value }] of craft) found[name] = value;
  return found;
}

function longestOf(stretches: ReadonlyArray<{ readonly seconds: number }>): number {
  let most = 0;
  for (const { seconds } of stretches) if (seconds > most) most = seconds;
  return most;
}

type ExposureMeasures = Pick<
  Measures,
  | 'headStretchSeconds'
  | 'headSeconds'
  | 'wristStretchSeconds'
  | 'wristSeconds'
  | 'doubleLeverStretchSeconds'
  | 'doubleLeverSeconds'
  | 'kneelingStretchSeconds'
  | 'kneelingSeconds'
>;

/** Each exposure under the names of its own limits; written out, for it is asked at every step of a search. */
function exposures({ stretches }: Subject): ExposureMeasures {
  const head = stretches.of('headLifted');
  const wrists = stretches.of('extendedWrists');
  const doubleLever = stretches.of('longDoubleLever');
  const kneeling = stretches.of('kneeling');
  return {
    headStretchSeconds: longestOf(head.stretches),
    headSeconds: head.total,
    wristStretchSeconds: longestOf(wrists.stretches),
    wristSeconds: wrists.total,
    doubleLeverStretchSeconds: longestOf(doubleLever.stretches),
    doubleLeverSeconds: doubleLever.total,
    kneelingStretchSeconds: longestOf(kneeling.stretches),
    kneelingSeconds: kneeling.total,
  };
}

/** How far direction shares lie outside their bands, summed; what the room rules out is not asked for. */
function outsideBands(subject: Subject): number {
  const { timed, catalog } = subject;
  const { work } = timed.parts;
  if (work === 0) return 0;
  const bands = bandsFor(catalog.method.directionBands, timed.plan.focus);
  let sum = 0;
  for (const direction of DIRECTIONS) {
    const share = (timed.directions[direction] ?? 0) / work;
    const { min, max } = bands[direction];
    if (share > max) sum += share - max;
    else if (share < min && !ruledOut(subject.room, direction)) sum += min - share;
  }
  return sum;
}
