import { bandsFor, DIRECTIONS } from '../method';
import { flexionStretches, ruledOut } from './rules/directionRules';
import { EXPOSURES } from './rules/exposureRules';
import { returnsOf, shufflesOf, tripsUp } from './rules/flowRules';
import { sidesByExercise } from './rules/sideRules';
import type { Subject } from './subject';

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
  hottest: 'heat of the hottest block',
  peakAt: 'place of the peak as a share of the class; 0 without one',
  steepestRise: 'largest rise of heat between neighbours',
  lastHeatShare: 'heat of the last block as a share of the hottest',
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
} as const;
export type MeasureName = keyof typeof MEASURES;

export function measuresOf(subject: Subject): Measures {
  const { timed, done, catalog, arc } = subject;
  const target = timed.plan.targetMinutes * 60;
  const sides = sidesByExercise(done);
  let [sidesApartSeconds, sidesApartReps] = [0, 0];
  for (const { seconds, reps } of sides.values()) {
    sidesApartSeconds += Math.abs(seconds.left - seconds.right);
    sidesApartReps += Math.abs(reps.left - reps.right);
  }
  let [longest, changes, propChanges, rise, carrying] = [0, 0, 0, 0, 0];
  for (const { change } of timed.sequence) {
    if (change.places.length > 1) changes += 1;
    propChanges += change.taken.length + change.putAway.length;
  }
  let before: number | undefined;
  for (const block of timed.blocks) {
    longest = Math.max(longest, block.seconds);
    if (block.carries) carrying += 1;
  }
  for (const { entry } of done) {
    const heat = catalog.heat(entry);
    if (before !== undefined) rise = Math.max(rise, heat - before);
    before = heat;
  }
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
    positionReturns: returnsOf(timed.sequence).length,
    floorTrips: tripsUp(timed, (position) => catalog.graph.like(position)).length,
    propChanges,
    propReturns: shufflesOf(timed.sequence).length,
    flexionStretchSeconds: flexionStretches(done).reduce((most, { seconds }) => Math.max(most, seconds), 0),
    directionsOutside: outsideBands(subject),
    sidesApartSeconds,
    sidesApartReps,
    hottest: done.reduce((most, { entry }) => Math.max(most, catalog.heat(entry)), 0),
    peakAt: arc?.peakAt ?? 0,
    steepestRise: rise,
    lastHeatShare: arc ? (arc.heats.at(-1) ?? 0) / arc.hottest : 0,
    ...exposure,
    offers: subject.offers.length,
    carrying,
  };
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

/** Each exposure under the names of its own limits. */
function exposures({ stretches }: Subject): ExposureMeasures {
  const found: Record<string, number> = {};
  for (const { feature, stretch, total } of EXPOSURES) {
    const held = stretches.of(feature);
    found[stretch] = held.stretches.reduce((most, { seconds }) => Math.max(most, seconds), 0);
    found[total] = held.total;
  }
  return found as ExposureMeasures;
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
    else if (share < min && !ruledOut(subject, direction)) sum += min - share;
  }
  return sum;
}
