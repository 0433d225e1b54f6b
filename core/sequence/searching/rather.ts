import type { TimedBlock } from '../../plan';
import { type RungEntry, usesOf } from '../../repertoire';
import type { ClassMeasure, CraftName } from '../../review';
import { isStanding } from '../../vocabulary/bodies/position';
import type { CourseStep, Search } from '../briefs/aims';
import { shareOf } from './shared';

/** What a director would rather have, where the review says nothing: a rest that is not needed, a peak that is not of the
 * idea, craft kept wholly and not only nearly, a ladder that falls on its way up, a position that begins with its
 * hard work, repetitions far from a rung's own, a first block that is no breath or already work, one position in a class
 * that has time for two, more than a little standing; each in points of the score. */
const RATHER = {
  rest: 0.6,
  peak: 40,
  fall: 4,
  cold: 4,
  dose: 6,
  breath: 2.5,
  opening: 8,
  onePosition: 4,
  unlike: 0.3,
  layer: 25,
  craft: 4,
  near: 40,
  upright: 30,
  own: 1.5,
} as const;
/** Minutes that a rest among hard work is enough for, and from which a class has time for a second position. */
const [REST_MINUTES, TWO_POSITIONS] = [5, 20];

/** What a director would rather have otherwise, though the review has nothing against it. */
export function ratherCost(search: Search, { subject, score }: ClassMeasure, scale: number): number {
  const { order, frame, freedoms } = search;
  const { done, heats, hottest, arc, thread } = subject;
  let cost = RATHER.dose * Math.max(0, Math.abs(Math.log(scale)) - NEAR_SCALE) + RATHER.craft * score.parts.craft;
  let [rests, peakPassed] = [0, false];
  const reached = new Map<string, number>();
  for (let i = 0; i < done.length; i++) {
    const { entry, rest } = done[i] as TimedBlock;
    const heat = heats[i] as number;
    if (rest > 0) {
      rests += 1;
      if (heat < WORK_SHARE * hottest || i === done.length - 1) cost += RATHER.rest;
    }
    const { id } = entry.exercise;
    const before = reached.get(id) ?? 0;
    if (!peakPassed && heat < before - DIP) cost += RATHER.fall;
    if (heat > before) reached.set(id, heat);
    if (heat === hottest) peakPassed = true;
    if (beginsCold(subject, i)) cost += RATHER.cold;
  }
  cost += RATHER.rest * Math.max(0, rests - frame.targetMinutes / REST_MINUTES);
  if (arc && thread && !thread.blocks.includes(arc.peak)) cost += RATHER.peak;
  if (order === 'layered') cost += RATHER.layer * (subject.craft.get('thread')?.distance ?? 0);
  if (thread && order === 'layered') {
    const first = thread.blocks.at(-1)?.entry.exercise.directions[0];
    cost +=
      RATHER.unlike *
      thread.blocks.filter(({ entry }) => !entry.exercise.directions.includes(first ?? 'neutral')).length;
  }
  cost += RATHER.near * nearLimits(subject, freedoms.offers === true);
  if (freedoms.offers) cost += RATHER.own * Math.max(0, OFFERING * done.length - withOwnLevels(search, done));
  cost += RATHER.upright * Math.max(0, uprightShare(done) - MOST_UPRIGHT);
  if (search.course) cost += courseCost(search, search.course, subject);
  const [first] = done;
  if (first && !usesOf(first.entry).goodFor.includes('breath')) cost += RATHER.breath;
  if ((heats[0] ?? 0) > Math.min(OPENING_MOST, OPENING_SHARE * hottest)) cost += RATHER.opening;
  if (frame.targetMinutes >= TWO_POSITIONS && done.every(({ position }) => position === first?.position))
    cost += RATHER.onePosition;
  return cost;
}
/** The most heat of a first block, and as a share of the hardest. */
const [OPENING_MOST, OPENING_SHARE] = [24, 0.6];

/** Whether a position is begun with hard work though easier is to come in it: the body has to arrive there first. */
function beginsCold({ done, heats, hottest }: ClassMeasure['subject'], i: number): boolean {
  const heat = heats[i] as number;
  if (i === 0 || heat < WORK_SHARE * hottest) return false;
  const here = done[i]?.position;
  if (here === done[i - 1]?.position) return false;
  const next = [1, 2].filter((step) => done[i + step]?.position === here).map((step) => heats[i + step] as number);
  return Math.min(...next) < heat - ARRIVING;
}
/** Heat by which what comes next is easier. */
const ARRIVING = 8;

/** Doses a tenth more or less than a rung's own are as good. */
const NEAR_SCALE = 0.1;
/** What an episode costs that is too much like the one before, brings nothing new, or has its goal at the wrong place. */
function courseCost(
  search: Search,
  { before, goals, way, unseen }: CourseStep,
  { done }: ClassMeasure['subject'],
): number {
  let cost = 0;
  if (before.size === 0) {
    const ladders = new Set(done.map(({ entry }) => entry.exercise)).size;
    cost += COURSE.ladder * Math.max(0, ladders - Math.max(FIRST_LADDERS, search.frame.targetMinutes / LADDER_MINUTES));
  } else {
    const share = shareOf(new Set(done.map(({ entry }) => entry.key)), before);
    cost += COURSE.alike * (Math.max(0, share - LIKEST) + Math.max(0, UNLIKEST - share));
  }
  const news = done.filter(({ entry, block }) => block.mode === 'teach' && !search.known.has(entry.key)).length;
  cost += COURSE.news * Math.max(0, NEWS - news);
  if (unseen.size > 0 && !done.some(({ entry }) => unseen.has(entry.like))) cost += COURSE.unseen;
  const [begin, end] = [done[0]?.startSeconds ?? 0, done.at(-1)?.endSeconds ?? 0];
  let led = false;
  for (const block of done) {
    if (goals.has(block.entry)) {
      const at = (block.startSeconds + (block.passes[0] ?? 0) / 2 - begin) / Math.max(1, end - begin);
      cost += COURSE.place * (Math.max(0, GOAL_FROM - at) + Math.max(0, at - GOAL_TO));
      if (!led) cost += COURSE.unprepared;
    } else if (way.has(block.entry)) led = true;
  }
  return cost;
}
/** What each costs: in points of the score, or a share of them. */
const COURSE = { ladder: 2, alike: 60, news: 6, unseen: 8, place: 60, unprepared: 12 } as const;
/** Rungs that every episode brings. */
const NEWS = 2;
/** Exercises a first episode may begin, and in a long class one for so many minutes: it can't be filled with fewer. */
const [FIRST_LADDERS, LADDER_MINUTES] = [8, 2.6];
/** Shares of rungs that neighbours share, and places of a goal in its class, a little inside what the series is held to. */
const [LIKEST, UNLIKEST, GOAL_FROM, GOAL_TO] = [0.62, 0.33, 0.63, 0.77];

/** A class on mats is mostly on the mat: the most of its work that is done standing. */
const MOST_UPRIGHT = 0.25;

function uprightShare(done: readonly TimedBlock[]): number {
  let [upright, all] = [0, 0];
  for (const { work, entry } of done) {
    all += work;
    if (isStanding(entry.like)) upright += work;
  }
  return all > 0 ? upright / all : 0;
}

/** The share of blocks beside which a level of their own has to be possible, where levels are wanted. */
const OFFERING = 0.68;

/** How many blocks have a rung of their ladder to offer that no block does anyway. */
function withOwnLevels({ fit }: Search, done: readonly TimedBlock[]): number {
  const homes = new Set(done.map(({ entry }) => entry));
  const own = laddersOf(fit);
  let count = 0;
  for (const { entry } of done) {
    const free = own
      .get(entry.exercise)
      ?.some(
        (each) =>
          !homes.has(each) &&
          each.position === entry.position &&
          each.props.every((prop) => entry.props.includes(prop)),
      );
    if (free) count += 1;
  }
  return count;
}

const byLadder = new WeakMap<readonly RungEntry[], ReadonlyMap<object, readonly RungEntry[]>>();
function laddersOf(fit: readonly RungEntry[]): ReadonlyMap<object, readonly RungEntry[]> {
  let known = byLadder.get(fit);
  if (!known) {
    const own = new Map<object, RungEntry[]>();
    for (const entry of fit) own.set(entry.exercise, [...(own.get(entry.exercise) ?? []), entry]);
    known = own;
    byLadder.set(fit, known);
  }
  return known;
}

/** How near a class lies to where craft begins to be missed, in shares: bringing it to its length must not pass that. */
function nearLimits({ craft }: ClassMeasure['subject'], offers: boolean): number {
  let sum = 0;
  const least = (name: CraftName, margin: number) => {
    const weighed = craft.get(name);
    if (weighed && weighed.value < margin * weighed.limit) sum += margin - weighed.value / weighed.limit;
  };
  const most = (name: CraftName, margin: number) => {
    const weighed = craft.get(name);
    if (weighed && weighed.value > margin * weighed.limit) sum += weighed.value / weighed.limit - margin;
  };
  least('thread', 1.12);
  least('carry', 1.05);
  least('focus', 1.05);
  most('calm', 0.88);
  most('changes', 0.96);
  const density = craft.get('density');
  const slowest = SLOWEST * (offers ? 1.18 : 1.06);
  if (density && density.value < slowest) sum += 1 - density.value / slowest;
  return sum;
}
/** Blocks a minute under which a class is drawn out (docs/review.md, “Craft”). */
const SLOWEST = 0.6;
/** What counts as work, as a share of the hardest; what grows may be as much cooler than before. */
const [WORK_SHARE, DIP] = [0.6, 1];
