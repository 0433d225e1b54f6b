import { bandsFor, DIRECTION_WORDS } from '../../method';
import type { TimedBlock } from '../../plan';
import type { Catalog, RungEntry, RungRef } from '../../repertoire';
import { rungTitle } from '../finding';
import type { Subject } from '../subject/subject';
import { percent } from '../words/clock';
import { between, type CraftTerm, fine } from './term';

/** What grows may be this much cooler than its hottest so far. */
const DIP = 3;
/** Fewer blocks than this are no thread. */
const STRANDS = 3;

/** What a class grows by: one ladder, or one chain. */
export interface Thread {
  /** A ladder leads by its name; a chain by its hottest block. */
  readonly kind: 'ladder' | 'chain';
  readonly blocks: readonly TimedBlock[];
  /** What its hottest block requires, done before it. */
  readonly prepares: readonly TimedBlock[];
  /** Its share of the work. */
  readonly share: number;
}

/** Whether heat never falls by more than a little, and ends above where it began. */
function grows(blocks: readonly TimedBlock[], catalog: Catalog): boolean {
  if (blocks.length < STRANDS) return false;
  const first = catalog.heat((blocks[0] as TimedBlock).entry);
  let hottest = first;
  for (const { entry } of blocks) {
    const heat = catalog.heat(entry);
    if (heat < hottest - DIP) return false;
    if (heat > hottest) hottest = heat;
  }
  return hottest > first;
}

const ladders = ({ done, catalog }: Subject): TimedBlock[][] => {
  const byExercise = new Map<string, TimedBlock[]>();
  for (const block of done) {
    const { id } = block.entry.exercise;
    const own = byExercise.get(id);
    if (own) own.push(block);
    else byExercise.set(id, [block]);
  }
  return [...byExercise.values()].filter((blocks) => grows(blocks, catalog));
};

/** Stretches of blocks in one position that carry on and grow. */
function chains({ done, catalog }: Subject): TimedBlock[][] {
  const found: TimedBlock[][] = [];
  let chain: TimedBlock[] = [];
  let hottest = 0;
  const close = () => {
    if (grows(chain, catalog)) found.push(chain);
    chain = [];
  };
  for (const block of done) {
    const heat = catalog.heat(block.entry);
    const before = chain.at(-1);
    const goesOn = before && block.carries && block.position === before.position && heat >= hottest - DIP;
    if (!goesOn) {
      close();
      hottest = 0;
    }
    chain.push(block);
    if (heat > hottest) hottest = heat;
  }
  close();
  return found;
}

/** What the hottest block of the class requires, done before it and not of the thread; each once. */
function preparing({ done, heats, hottest, catalog }: Subject, thread: readonly TimedBlock[]): TimedBlock[] {
  const at = heats.lastIndexOf(hottest);
  const required = requiredBy(catalog, (done[at] as TimedBlock).entry);
  const found = new Map<RungEntry, TimedBlock>();
  for (let i = 0; i < at; i++) {
    const block = done[i] as TimedBlock;
    if (required.has(block.entry.whole ?? block.entry) && !thread.includes(block)) found.set(block.entry, block);
  }
  return [...found.values()];
}

const required = new WeakMap<RungEntry, ReadonlySet<RungEntry>>();
/** All that a rung requires, and that requires. */
function requiredBy(catalog: Catalog, entry: RungEntry): ReadonlySet<RungEntry> {
  const known = required.get(entry);
  if (known) return known;
  const found = new Set<RungEntry>();
  const left: RungRef[] = [...(entry.rung.requires ?? [])];
  for (let ref = left.pop(); ref; ref = left.pop()) {
    const need = catalog.rung(ref);
    if (!need || found.has(need)) continue;
    found.add(need);
    left.push(...(need.rung.requires ?? []));
  }
  required.set(entry, found);
  return found;
}

const workOf = (blocks: readonly TimedBlock[]): number => blocks.reduce((sum, { work }) => sum + work, 0);

/** The idea a class grows by: the ladder or the chain that leads; `null` where nothing grows. */
export function threadOf(subject: Subject): Thread | null {
  const all = workOf(subject.done);
  if (all === 0) return null;
  const peak = subject.done[subject.heats.lastIndexOf(subject.hottest)];
  const enough = leastShare(subject);
  let best: Thread | null = null;
  let bestRank = -1;
  const take = (kind: Thread['kind'], groups: TimedBlock[][]) => {
    for (const blocks of groups) {
      const prepares = preparing(subject, blocks);
      const share = (workOf(blocks) + workOf(prepares)) / all;
      // Of several that are enough for an idea it is the one that leads to the hardest moment, and a ladder before a chain.
      const leads = peak !== undefined && blocks.includes(peak);
      const rank = share >= enough ? 1 + (leads ? 2 : 0) + (kind === 'ladder' ? 1 : 0) + share / 10 : share / 10;
      if (rank > bestRank) [best, bestRank] = [{ kind, blocks, prepares, share }, rank];
    }
  };
  take('ladder', ladders(subject));
  take('chain', chains(subject));
  return best;
}

const leastShare = ({ catalog, room }: Subject): number => {
  const { threadShare, threadShareLayered } = catalog.method.craft;
  return room.order === 'layered' ? threadShareLayered : threadShare;
};

/** What a thread is called: its ladder, or what its chain leads to. */
export function threadTitle({ kind, blocks }: Thread, catalog: Catalog): string {
  const hottest = blocks.reduce((a, b) => (catalog.heat(b.entry) > catalog.heat(a.entry) ? b : a));
  return kind === 'ladder' ? hottest.entry.exercise.name : `up to ${rungTitle(hottest.entry)}`;
}

/** One ladder or idea that grows to the hardest moment. */
export const thread: CraftTerm<'thread'> = {
  name: 'thread',
  measures: 'share of the work on the ladder or chain that leads, with what the hardest block requires',
  unit: '',
  weigh: (subject) => {
    const limit = leastShare(subject);
    if (subject.done.length === 0) return fine(limit);
    const value = subject.thread?.share ?? 0;
    return { value, limit, distance: between(value, limit, 0) };
  },
  finding: {
    code: 'THREAD_MISSING',
    wantsMore: true,
    severity: 'look',
    limit: '`craft.threadShare` of the work; `craft.threadShareLayered` in a layered class',
    says: 'no one exercise or idea grows through the class',
    find: (subject) => ({ blocks: (subject.thread?.blocks ?? []).map(({ index }) => index) }),
    sentence: ({ value, limit }, subject) =>
      subject.thread
        ? `Only ${percent(value)} of the work grows as one idea, ${threadTitle(subject.thread, subject.catalog)}; ${percent(limit)} is the least.`
        : `No exercise grows through this class in three versions or more; ${percent(limit)} of the work is the least for one idea.`,
  },
};

/** Not too much that is new at once. */
export const novelty: CraftTerm<'novelty'> = {
  name: 'novelty',
  measures: 'exercises nobody here has learnt, those that carry on aside; one that comes back no harder counts again',
  unit: 'times',
  weigh: (subject) => {
    const { done, catalog, timed, earlier, heats } = subject;
    const { newLadders, newLaddersHalfHour } = catalog.method.craft;
    const limit = Math.max(newLadders, (newLaddersHalfHour * timed.plan.targetMinutes) / 30);
    const learnt = laddersLearnt(subject);
    const hottest = new Map<string, number>();
    let value = 0;
    for (let i = 0; i < done.length; i++) {
      const { entry, carries } = done[i] as TimedBlock;
      const heat = heats[i] as number;
      const { id } = entry.exercise;
      const before = hottest.get(id);
      if (heat > (before ?? -1)) hottest.set(id, heat);
      if (carries || learnt.has(id) || earlier.has(entry.key)) continue;
      if (before === undefined || heat <= before) value += 1;
    }
    return { value, limit, distance: between(value, limit, 2 * limit) };
  },
  finding: {
    code: 'NEW_MANY',
    severity: 'look',
    limit: '`craft.newLadders` a class, or `craft.newLaddersHalfHour` in half an hour where that is more',
    says: 'too much in the class is new to those it is for',
    find: (subject) => {
      const learnt = laddersLearnt(subject);
      const fresh = subject.done.filter(({ entry, carries }) => !carries && !learnt.has(entry.exercise.id));
      return { blocks: fresh.map(({ index }) => index) };
    },
    sentence: ({ value, limit }, { audience, timed }) =>
      `${value} exercises are new to ${audience?.name ?? 'this class'}; ${Math.floor(limit)} are the most in ${timed.plan.targetMinutes} minutes.`,
  },
};

const byEarlier = new WeakMap<ReadonlySet<string>, ReadonlySet<string>>();
/** Exercises of which something was learnt before. */
function laddersLearnt({ earlier }: Subject): ReadonlySet<string> {
  let known = byEarlier.get(earlier);
  if (!known) {
    known = new Set([...earlier].map((key) => key.slice(0, key.indexOf('/'))));
    byEarlier.set(earlier, known);
  }
  return known;
}

/** A class said to be about something is about it. */
export const focus: CraftTerm<'focus'> = {
  name: 'focus',
  measures: 'share of the work in the direction of its focus; the least of its band without one',
  unit: '',
  drills: true,
  weigh: ({ timed, catalog }) => {
    const { focus: wanted } = timed.plan;
    const { work } = timed.parts;
    if (wanted === undefined || work === 0) return fine(0);
    const { min } = bandsFor(catalog.method.directionBands, wanted)[wanted];
    const value = (timed.directions[wanted] ?? 0) / work;
    return { value, limit: min, distance: between(value, min, min / 2) };
  },
  finding: {
    code: 'FOCUS_MISSED',
    wantsMore: true,
    severity: 'fix',
    limit: 'the least of the focus’s band',
    says: 'a class said to be about a direction is not',
    find: () => ({ blocks: [] }),
    sentence: ({ value, limit }, { timed }) =>
      `This class is about ${DIRECTION_WORDS[timed.plan.focus ?? 'neutral']}, and ${value === 0 ? 'none' : `only ${percent(value)}`} of its work is; ${percent(limit)} is the least.`,
  },
};
