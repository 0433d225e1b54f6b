import { names } from '../../mend';
import { type RungEntry, usesOf } from '../../repertoire';
import { idealHeat } from '../../review';
import { type Chance, shuffled } from '../../vocabulary/chance';
import type { Search } from '../briefs/aims';
import { goesOn } from '../courses/goingOn';
import { type Composition, type Group, positionOf } from './composition';
import { levelOf, mainDirection, stageOf } from './orders';
import { staysFor } from './stays';
import { chooseThread, closureOf, type ThreadPlan } from './threads';

/** Blocks a minute that a draft has, as its room counts. */
const DENSITY = 0.8;
/** Groups looked at for each place of a draft. */
const LOOKED_AT = 18;
/** Seconds of rest a draft has after what is hard. */
const REST = 15;

/** A first class to search from: it begins with what connects, one ladder grows through it to its peak, and it eases. */
export function draft(search: Search, chance: Chance): Composition {
  const { frame, freedoms, locks, context, order } = search;
  const seconds = frame.targetMinutes * 60 - frame.openingSeconds - frame.closingSeconds;
  const tempo = context.audience?.tempo ?? 1;
  const fitting = Math.round(((seconds / 60) * DENSITY) / tempo);
  const count = Math.max(3, Math.min(freedoms.blocks ?? 400, fitting) - locks.length);
  const thread = chooseThread(search, chance);
  const drafted = new Draft(search, chance, count, thread);
  const groups = order === 'layered' && thread ? drafted.layered(thread) : drafted.byStays();
  return { groups: inOrder(search, groups, chance), scale: 1 };
}

class Draft {
  readonly #search: Search;
  readonly #chance: Chance;
  readonly #count: number;
  readonly #thread: ThreadPlan | null;
  readonly #done = new Set<RungEntry>();
  readonly #groups: Group[] = [];
  #blocks = 0;

  constructor(search: Search, chance: Chance, count: number, thread: ThreadPlan | null) {
    this.#search = search;
    this.#chance = chance;
    this.#count = count;
    this.#thread = thread;
    for (const { block } of search.locks) {
      const entry = search.catalog.rung(block);
      if (entry) this.#done.add(entry);
    }
  }

  get #share(): number {
    return this.#blocks / this.#count;
  }

  /** The heat of its hardest moment: nothing else is as hot as what the thread leads to. */
  get #hottest(): number {
    return this.#thread?.heat ?? this.#search.peakHeat;
  }

  #add(group: Group): void {
    const entries = group.entries.filter((entry) => !this.#done.has(entry));
    if (entries.length === 0) return;
    for (const entry of entries) this.#done.add(entry);
    this.#groups.push({ ...group, entries });
    this.#blocks += entries.length;
  }

  /** Stay after stay, the thread growing in its own. */
  byStays(): Group[] {
    const { order, past, fit } = this.#search;
    if (order === 'recap') {
      for (const key of past.lastEnd) {
        const entry = fit.find((each) => each.key === key);
        if (entry) this.#add({ entries: [entry] });
      }
    }
    const stays = staysFor(this.#search, this.#chance, this.#thread?.position);
    stays.forEach(({ position, until }, i) => {
      if (i === 0 && this.#groups.length === 0) this.#connect(position);
      if (position === this.#thread?.position) this.#grow(this.#thread, until);
      this.#fill(position, until);
    });
    this.#must();
    return this.#groups;
  }

  /** One pattern that grows: a chain of one position, from what connects to the hottest, then an ease. */
  layered({ position, rungs, required }: ThreadPlan): Group[] {
    this.#connect(position);
    const steps = [...required.filter((entry) => entry.position === position), ...rungs];
    this.#addChain(steps, Math.round(this.#count * LAYERED));
    this.#fill(position, 0.8);
    for (const stay of staysFor(this.#search, this.#chance, position).filter((each) => each.position !== position)) {
      this.#fill(stay.position, Math.min(1, this.#share + 0.12));
    }
    this.#must();
    return this.#groups;
  }

  /**
   * A chain of so many that grows to the last of some rungs, found backwards from there: each goes on to the one after
   * it and is hardly easier. Of those rungs what can't be reached so comes before, in groups of its own.
   */
  #chainTo(steps: readonly RungEntry[], most: number): Group[] {
    const { catalog, fit } = this.#search;
    const heat = (entry: RungEntry) => catalog.heat(entry);
    const left = steps.filter((entry) => !this.#done.has(entry)).sort((a, b) => heat(a) - heat(b));
    const top = left.pop();
    if (!top) return [];
    const chain = [top];
    const [direction] = top.exercise.directions;
    while (chain.length < most) {
      const first = chain[0] as RungEntry;
      const step = heat(first) / (most - chain.length + 1);
      const own = left.filter((entry) => goesOn(entry, first));
      const done = new Set([...this.#done, ...left]);
      const between = fit.filter(
        (entry) =>
          entry.position === top.position &&
          !done.has(entry) &&
          !chain.includes(entry) &&
          heat(entry) <= heat(first) + 2 &&
          heat(first) - heat(entry) <= Math.max(16, 2 * step) &&
          entry.rung.branchOf === undefined &&
          goesOn(entry, first) &&
          closureOf(this.#search, entry, done)?.length === 0,
      );
      const like = between.filter(({ exercise }) => exercise.directions[0] === direction);
      const spare = most - chain.length - left.length;
      const nearest = own.at(-1);
      const isNear = nearest !== undefined && heat(first) - heat(nearest) <= Math.max(6, 2 * step);
      const list = like.length > 0 ? like : between;
      const taken =
        nearest && (isNear || spare <= 0 || list.length === 0) ? nearest : list[this.#chance.below(list.length)];
      if (!taken) break;
      chain.unshift(taken);
      if (taken === nearest) left.splice(left.indexOf(nearest), 1);
    }
    return [...inPositions(left), { entries: chain }];
  }

  /** Breath first, pelvis and spine after it, as one chain. */
  #connect(position: string): void {
    const { fit, catalog, peakHeat } = this.#search;
    const calm = fit.filter(
      (entry) =>
        entry.position === position && catalog.heat(entry) <= Math.max(CALM, CALM_SHARE * peakHeat) && rank(entry) >= 0,
    );
    const chosen: RungEntry[] = [];
    for (const entry of shuffled(calm, this.#chance).sort((a, b) => rank(a) - rank(b))) {
      const before = chosen.at(-1);
      if (chosen.length >= CONNECTING) break;
      if (chosen.some(({ exercise }) => exercise === entry.exercise)) continue;
      if (before && (!goesOn(before, entry) || rank(entry) === rank(before))) continue;
      if (closureOf(this.#search, entry, new Set(chosen))?.length === 0) chosen.push(entry);
    }
    this.#add({ entries: chosen });
  }

  /** The thread as one chain to its top, which comes where the peak belongs or, in a stay that ends sooner, near its end. */
  #grow({ rungs, required, position }: ThreadPlan, until: number): void {
    const peakAt = Math.min(this.#search.catalog.method.score.peakAt, until - 0.05);
    // What is done elsewhere comes before: it is taught on the way there.
    for (const group of inPositions(required.filter((entry) => entry.position !== position))) {
      this.#add({ ...group, thread: true });
    }
    const own = [...required.filter((entry) => entry.position === position), ...rungs];
    const length = Math.max(own.length, Math.round(this.#count * CHAIN));
    this.#fill(position, peakAt - (length + 0.5) / this.#count);
    this.#addChain(own, length);
  }

  /** A chain with its rest after it. */
  #addChain(steps: readonly RungEntry[], most: number): void {
    const groups = this.#chainTo(steps, most);
    for (const [i, group] of groups.entries()) {
      this.#add({ ...group, thread: true, ...(i === groups.length - 1 ? { rest: REST } : {}) });
    }
  }

  /** Pairs of one ladder in a position, as hot as that part of a class is. */
  #fill(position: string, until: number): void {
    const { catalog, order } = this.#search;
    const peakHeat = this.#hottest;
    let sinceRest = 0;
    while (this.#share < until - 0.5 / this.#count) {
      const at = this.#share + 1 / this.#count;
      const wanted = peakHeat * 0.95 * idealHeat(Math.min(1, at), catalog.method.score.peakAt, order);
      const group = this.#groupNear(position, wanted, at);
      if (!group) return;
      const hot = group.some((entry) => catalog.heat(entry) >= 0.6 * peakHeat);
      sinceRest += group.length;
      const rest = hot && sinceRest >= BLOCKS_A_REST;
      if (rest) sinceRest = 0;
      this.#add(rest ? { entries: group, rest: REST } : { entries: group });
    }
  }

  /** A few rungs of one ladder whose hottest is near a heat; `null` where nothing is left in the position. */
  #groupNear(position: string, wanted: number, at: number): RungEntry[] | null {
    const { catalog, fit } = this.#search;
    const peakAt = catalog.method.score.peakAt;
    const open = fit.filter(
      (entry) =>
        entry.position === position &&
        !this.#done.has(entry) &&
        (!this.#thread || catalog.heat(entry) <= this.#thread.heat),
    );
    if (open.length === 0) return null;
    const last = this.#groups.at(-1)?.entries.at(-1);
    const ladders = new Set([...this.#done].map(({ exercise }) => exercise));
    let [best, least]: [RungEntry[] | null, number] = [null, Number.POSITIVE_INFINITY];
    for (let i = 0; i < LOOKED_AT; i++) {
      const top = this.#chance.one(open);
      const below = catalog
        .ladder(top.exercise.id)
        .filter(
          (each) =>
            each.step < top.step && each.rung.branchOf === undefined && open.includes(each) && goesOn(each, top),
        );
      const size = 1 + this.#chance.below(3);
      const group = [...below.slice(Math.max(0, below.length - size + 1)), top].slice(-size);
      const needs = closureOf(this.#search, group[0] as RungEntry, this.#done);
      if (needs === null) continue;
      // On the way down the easier one is as good last as first: what is done once more is not new.
      const unmet = needs.filter((need) => !group.includes(need)).length;
      const against =
        Math.abs(catalog.heat(top) - wanted) +
        (at > peakAt && catalog.heat(top) > wanted ? 10 : 0) +
        12 * unmet +
        (ladders.has(top.exercise) ? 8 : 0) +
        (last && !goesOn(last, top) && last.position === top.position ? 6 : 0) +
        4 * top.props.length +
        (last && mainDirection({ entry: last }) === mainDirection({ entry: top }) ? 3 : 0) +
        (group.length === 1 ? 3 : 0);
      if (against < least) [best, least] = [group, against];
    }
    return best;
  }

  /** What has to be in it, with all it requires, where its position is taken. */
  #must(): void {
    const { mustHave, catalog } = this.#search;
    for (const wish of mustHave) {
      if ([...this.#done].some((entry) => names(wish, entry))) continue;
      const entry = catalog.rungs.find((each) => names(wish, each));
      if (!entry) continue;
      const needs = closureOf(this.#search, entry, this.#done) ?? [];
      const here = (each: RungEntry) => Number(each.position === entry.position);
      for (const group of inPositions([...needs.toSorted((a, b) => here(a) - here(b)), entry])) {
        const at = this.#groups.findLastIndex((each) => positionOf(each) === positionOf(group));
        for (const each of group.entries) this.#done.add(each);
        this.#groups.splice(at < 0 ? this.#groups.length : at + 1, 0, group);
      }
    }
  }
}

/** The share of a class that its chain is, and of a layered one. */
const [CHAIN, LAYERED] = [0.26, 0.62];
/** Blocks between two rests among hard work. */
const BLOCKS_A_REST = 5;
/** Heat up to which something connects, and as a share of the hardest; and how many such a class begins with. */
const [CALM, CALM_SHARE, CONNECTING] = [20, 0.55, 3];

/** Breath before pelvis before spine; −1 for what connects with none. */
function rank(entry: RungEntry): number {
  const { goodFor } = usesOf(entry);
  return (['breath', 'pelvis', 'spine'] as const).findIndex((use) => goodFor.includes(use));
}

/** Rungs in groups that each hold one shape. */
function inPositions(entries: readonly RungEntry[]): Group[] {
  const groups: RungEntry[][] = [];
  for (const entry of entries) {
    const last = groups.at(-1);
    const before = last?.at(-1);
    if (last && before && goesOn(before, entry)) last.push(entry);
    else groups.push([entry]);
  }
  return groups.map((each) => ({ entries: each }));
}

/** Groups in the order asked for, as far as they can be put so; what has no say in it stays where it was. */
export function inOrder({ order }: Search, groups: readonly Group[], chance: Chance): Group[] {
  const single = (key: (entry: RungEntry) => number): Group[] =>
    groups.flatMap(({ entries, ...rest }) => {
      const parts: RungEntry[][] = [];
      for (const entry of entries) {
        const before = parts.at(-1)?.at(-1);
        if (before && key(before) === key(entry)) parts.at(-1)?.push(entry);
        else parts.push([entry]);
      }
      return parts.map((part) => ({ ...rest, entries: part }));
    });
  if (order === 'customary') {
    const stage = (entry: RungEntry) => stageOf({ entry });
    return single(stage).sort((a, b) => stage(a.entries[0] as RungEntry) - stage(b.entries[0] as RungEntry));
  }
  if (order === 'directions') {
    const kinds = shuffled(
      [...new Set(groups.map((group) => mainDirection({ entry: group.entries[0] as RungEntry })))],
      chance,
    );
    const kind = (entry: RungEntry) => kinds.indexOf(mainDirection({ entry }));
    const parts = single(kind);
    const level = (group: Group) => levelOf((group.entries[0] as RungEntry).like);
    // Down in one direction, up again in the next: as few ways as there can be.
    return parts.sort((a, b) => {
      const [ka, kb] = [kind(a.entries[0] as RungEntry), kind(b.entries[0] as RungEntry)];
      return ka !== kb ? ka - kb : (level(a) - level(b)) * (ka % 2 === 0 ? 1 : -1);
    });
  }
  return [...groups];
}
