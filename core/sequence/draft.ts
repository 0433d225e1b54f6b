import { type BasePosition, POSITIONS } from '../body';
import { names, unmetBy } from '../mend';
import type { RungBlock } from '../plan';
import type { RungEntry } from '../repertoire';
import { idealHeat } from '../review';
import type { Search } from './aims';
import { mainDirection, stageOf } from './orders';
import { type Chance, shuffled } from './random';

/** What a taught block lasts about with its way, in seconds: how many a class begins with. */
const BLOCK_SECONDS = 95;
/** Rungs looked at for each place of a draft. */
const LOOKED_AT = 14;

/** A first class to search from: rungs in the order asked for, warm, hot at two thirds, and easing. */
export function draft(search: Search, chance: Chance): RungBlock[] {
  const { catalog, fit, frame, freedoms, locks } = search;
  const seconds = frame.targetMinutes * 60 - frame.openingSeconds - frame.closingSeconds;
  const count = Math.max(1, Math.min(freedoms.blocks ?? 400, Math.round(seconds / BLOCK_SECONDS)) - locks.length);
  const taken = new Set(locks.map(({ block }) => catalog.rung(block)).filter((entry) => entry !== undefined));
  const hottest = hotOf(fit.map((entry) => catalog.heat(entry)));
  const known = new Set<RungEntry>(taken);
  const places = placesOf(search, chance, count);
  const chosen: RungEntry[] = [];
  for (const key of search.order === 'recap' ? search.past.lastEnd : []) {
    const entry = fit.find((each) => each.key === key);
    if (!entry || taken.has(entry)) continue;
    taken.add(entry);
    known.add(entry);
    chosen.push(entry);
  }
  for (let i = chosen.length; i < count; i++) {
    const wanted = hottest * idealHeat((i + 0.5) / count, catalog.method.score.peakAt, search.order);
    const open = fit.filter((entry) => !taken.has(entry) && places(entry, (i + 0.5) / count));
    const list = open.length > 0 ? open : fit.filter((entry) => !taken.has(entry));
    if (list.length === 0) break;
    const seen = Array.from({ length: Math.min(LOOKED_AT, 2 * list.length) }, () => chance.one(list));
    const apart = (entry: RungEntry) =>
      Math.abs(catalog.heat(entry) - wanted) + UNMET * unmet(search, entry, known).length;
    const best = seen.reduce((least, entry) => (apart(entry) < apart(least) ? entry : least));
    taken.add(best);
    known.add(best);
    chosen.push(best);
  }
  for (const wish of search.mustHave) {
    if ([...taken].some((entry) => names(wish, entry))) continue;
    const entry = search.catalog.rungs.find((each) => names(wish, each));
    if (entry) chosen.splice(placeFor(chosen, entry), 0, entry);
  }
  return chosen.map((entry, i) => blockOf(search, entry, `n${i + 1}`));
}

/** What a requirement that is not met counts in a draft, in heat. */
const UNMET = 15;

/** The block a rung begins as: taught where it is met for the first time. */
export const blockOf = ({ context }: Search, { key, exercise, rung }: RungEntry, id: string): RungBlock => ({
  id,
  exercise: exercise.id,
  rung: rung.id,
  mode: context.earlier?.has(key) ? 'flow' : 'teach',
});

/** What a rung requires that is neither known nor met before. */
export const unmet = ({ catalog, context }: Search, entry: RungEntry, known: Iterable<RungEntry>): RungEntry[] =>
  unmetBy(catalog, entry, known, context.earlier);

/** Where a rung joins a class with the fewest changes: after the last of its position, else at the end. */
export function placeFor(chosen: readonly RungEntry[], entry: RungEntry): number {
  const last = chosen.findLastIndex((each) => each.position === entry.position);
  return last < 0 ? chosen.length : last + 1;
}

/** Nearly the hottest that there is to choose from. */
function hotOf(heats: readonly number[]): number {
  const sorted = [...heats].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length * 0.9)] ?? 0;
}

/** Whether a rung belongs at a share of the way, by the order asked for. */
function placesOf(search: Search, chance: Chance, count: number): (entry: RungEntry, share: number) => boolean {
  const { order, frame, fit, catalog } = search;
  if (order === 'customary') {
    const stages = [...new Set(fit.map((entry) => stageOf({ entry })))].sort((a, b) => a - b);
    return (entry, share) => stageOf({ entry }) === stages[Math.floor(share * stages.length)];
  }
  if (order === 'directions') {
    const all = shuffled([...new Set(fit.map((entry) => mainDirection({ entry })))], chance);
    return (entry, share) => mainDirection({ entry }) === all[Math.floor(share * all.length)];
  }
  if (order === 'layered') {
    const ladders = shuffled([...new Set(fit.map(({ exercise }) => exercise))], chance).filter(
      ({ id }) => catalog.ladder(id).filter((entry) => fit.includes(entry)).length > 1,
    );
    return (entry, share) => entry.exercise === ladders[Math.floor((share * count) / 2) % Math.max(1, ladders.length)];
  }
  // By position, from where people begin towards the other end.
  const levels = [...new Set(fit.map(({ like }) => like))].sort((a, b) => levelOf(a) - levelOf(b));
  const begins = frame.openingPosition === undefined ? undefined : catalog.graph.like(frame.openingPosition);
  const kept = levels.filter((like) => like === begins || levels.length < 4 || chance.share() < 0.8);
  const down = begins === undefined ? chance.share() < 0.5 : levelOf(begins) < POSITIONS.length / 2;
  const way = down ? kept : kept.reverse();
  return ({ like }, share) => like === way[Math.floor(share * way.length)];
}

const levelOf = (like: BasePosition): number => POSITIONS.indexOf(like);
