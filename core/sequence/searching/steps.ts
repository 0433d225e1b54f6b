import { DIRECTIONS, type Direction } from '../../method';
import type { RungEntry } from '../../repertoire';
import type { Chance } from '../../vocabulary/chance';
import type { Search, Tried } from '../briefs/aims';
import { goesOn } from '../courses/goingOn';
import { type Composition, type Group, positionOf, staysOf } from './composition';
import { inOrder } from './draft';
import { closureOf } from './threads';

type Groups = readonly Group[];
type Step = (search: Search, groups: Groups, chance: Chance, now: Tried) => Groups | null;

/** A class one step from another; `null` where the step leads nowhere. */
export function stepFrom(search: Search, now: Tried, chance: Chance): Composition | null {
  const { composition } = now;
  const made = chance.one(STEPS)(search, composition.groups, chance, now);
  if (!made || made.length === 0) return null;
  const blocks = made.reduce((sum, { entries }) => sum + entries.length, 0);
  const most = (search.freedoms.blocks ?? 400) - search.locks.length;
  return blocks > 0 && blocks <= most ? { ...composition, groups: made } : null;
}

const takenIn = ({ catalog, locks }: Search, groups: Groups): Set<RungEntry> =>
  new Set([...groups.flatMap(({ entries }) => entries), ...locks.flatMap(({ block }) => catalog.rung(block) ?? [])]);

/** Rungs that are not in the class yet. */
function open(search: Search, groups: Groups, wanted: (entry: RungEntry) => boolean): RungEntry[] {
  const taken = takenIn(search, groups);
  return search.fit.filter((entry) => !taken.has(entry) && wanted(entry));
}

/** A rung with up to two lower ones of its ladder before it, of those that are open. */
function grownTo(search: Search, entry: RungEntry, openOnes: readonly RungEntry[], chance: Chance): Group {
  const below = search.catalog
    .ladder(entry.exercise.id)
    .filter(
      (each) =>
        each.step < entry.step && each.rung.branchOf === undefined && openOnes.includes(each) && goesOn(each, entry),
    );
  return { entries: [...below, entry].slice(-1 - chance.below(3)) };
}

/** Another group in the place of one: most often in the same position. */
const swap: Step = (search, groups, chance) => {
  const at = chance.below(groups.length);
  const now = groups[at] as Group;
  const near = chance.share() < 0.85;
  const list = open(search, groups, ({ position }) => !near || position === positionOf(now));
  if (list.length === 0) return null;
  const made = grownTo(search, chance.one(list), list, chance);
  return groups.with(at, now.rest ? { ...made, rest: now.rest } : made);
};

/** The next rung of a group's ladder after it, or the one before it first. */
const lengthen: Step = (search, groups, chance) => {
  const at = chance.below(groups.length);
  const group = groups[at] as Group;
  const [first, last] = [group.entries[0] as RungEntry, group.entries.at(-1) as RungEntry];
  const taken = takenIn(search, groups);
  const free = (entry: RungEntry) =>
    search.allowed.has(entry) && !taken.has(entry) && entry.rung.branchOf === undefined;
  const ladder = search.catalog.ladder(last.exercise.id);
  const next = ladder.find((each) => each.step > last.step && free(each) && goesOn(last, each));
  const before = search.catalog
    .ladder(first.exercise.id)
    .findLast((each) => each.step < first.step && free(each) && goesOn(each, first));
  const ways = [...(next ? [[...group.entries, next]] : []), ...(before ? [[before, ...group.entries]] : [])];
  return ways.length === 0 ? null : groups.with(at, { ...group, entries: chance.one(ways) });
};

/** A group without its first or its last. */
const shorten: Step = (_search, groups, chance) => {
  const long = groups.flatMap(({ entries }, i) => (entries.length > 1 ? [i] : []));
  if (long.length === 0) return null;
  const at = chance.one(long);
  const group = groups[at] as Group;
  return groups.with(at, {
    ...group,
    entries: chance.below(2) === 0 ? group.entries.slice(1) : group.entries.slice(0, -1),
  });
};

/** The next rung, or the one before, of a ladder in the place of one. */
const climb: Step = (search, groups, chance) => {
  const at = chance.below(groups.length);
  const group = groups[at] as Group;
  const which = chance.below(group.entries.length);
  const now = group.entries[which] as RungEntry;
  const list = open(search, groups, (entry) => entry.exercise === now.exercise);
  if (list.length === 0) return null;
  const entries = group.entries
    .with(which, chance.one(list))
    .toSorted((a, b) => (a.exercise === b.exercise ? a.step - b.step : 0));
  return groups.with(at, { ...group, entries });
};

/** One more, most often where people are already. */
const insert: Step = (search, groups, chance) => {
  const at = chance.below(groups.length + 1);
  const beside = new Set([groups[at - 1], groups[at]].flatMap((group) => (group ? positionOf(group) : [])));
  const near = chance.share() < 0.85;
  const list = open(search, groups, ({ position }) => !near || beside.size === 0 || beside.has(position));
  return list.length === 0 ? null : groups.toSpliced(at, 0, grownTo(search, chance.one(list), list, chance));
};

const remove: Step = (_search, groups, chance) =>
  groups.length < 2 ? null : groups.toSpliced(chance.below(groups.length), 1);

/** What a rung requires and has not, before it: in its group where it is of one shape with it, else in its position. */
const supply: Step = (search, groups, chance) => {
  const done = new Set<RungEntry>();
  for (const [at, group] of groups.entries()) {
    for (const entry of group.entries) {
      const needs = closureOf(search, entry, done);
      if (needs && needs.length === 0) {
        done.add(entry);
        continue;
      }
      const left = { ...group, entries: group.entries.filter((each) => each !== entry) };
      const without = left.entries.length > 0 ? groups.with(at, left) : groups.toSpliced(at, 1);
      if (!needs || chance.below(4) === 0) return without;
      // All of it at once: half of what is required helps nothing. What stands later comes to here.
      const brought = new Set(needs);
      let made: Groups = groups.map((each) => ({ ...each, entries: each.entries.filter((one) => !brought.has(one)) }));
      let own = made[at] as Group;
      for (const need of needs.toReversed()) {
        if (goesOn(need, own.entries[0] as RungEntry)) own = { ...own, entries: [need, ...own.entries] };
        else {
          const place = made.findLastIndex((each, i) => i < at && each.entries[0]?.position === need.position);
          made = made.toSpliced(place < 0 ? at : place + 1, 0, { entries: [need] });
        }
      }
      const here = made.findIndex((each) => each.entries.includes(entry));
      if (here >= 0) made = made.with(here, own);
      return made.filter(({ entries }) => entries.length > 0);
    }
  }
  return null;
};

/** A group elsewhere: most often where its position is. */
const move: Step = (_search, groups, chance) => {
  if (groups.length < 2) return null;
  const from = chance.below(groups.length);
  const group = groups[from] as Group;
  const left = groups.toSpliced(from, 1);
  const places = Array.from({ length: left.length + 1 }, (_, at) => at);
  const near = places.filter((at) =>
    [left[at - 1], left[at]].some((each) => each && positionOf(each) === positionOf(group)),
  );
  return left.toSpliced(chance.one(near.length > 0 && chance.share() < 0.8 ? near : places), 0, group);
};

const exchange: Step = (_search, groups, chance) => {
  if (groups.length < 2) return null;
  const [a, b] = [chance.below(groups.length), chance.below(groups.length)];
  return a === b ? null : groups.with(a, groups[b] as Group).with(b, groups[a] as Group);
};

/** A whole stay in a position, elsewhere. */
const moveStay: Step = (_search, groups, chance) => {
  const stays = staysOf(groups);
  if (stays.length < 2) return null;
  const from = chance.below(stays.length);
  const left = stays.toSpliced(from, 1);
  return left.toSpliced(chance.below(left.length + 1), 0, stays[from] as Group[]).flat();
};

/** A stay given up: fewer ways, and more of the others. */
const leaveStay: Step = (_search, groups, chance) => {
  const stays = staysOf(groups);
  return stays.length < 2 ? null : stays.toSpliced(chance.below(stays.length), 1).flat();
};

/** A rest after a group, or none. */
const rest: Step = (_search, groups, chance) => {
  const at = chance.below(groups.length);
  const { rest: now, ...group } = groups[at] as Group;
  return groups.with(at, now ? group : { ...group, rest: chance.one(RESTS) });
};
const RESTS = [10, 15, 20];

/** Two neighbours of one shape as one chain. */
const join: Step = (_search, groups, chance) => {
  const pairs = groups.flatMap((group, i) => {
    const next = groups[i + 1];
    return next && goesOn(group.entries.at(-1) as RungEntry, next.entries[0] as RungEntry) ? [i] : [];
  });
  if (pairs.length === 0) return null;
  const at = chance.one(pairs);
  const [a, b] = [groups[at] as Group, groups[at + 1] as Group];
  return groups.toSpliced(at, 2, { ...b, entries: [...a.entries, ...b.entries] });
};

/** A chain in two. */
const part: Step = (_search, groups, chance) => {
  const long = groups.flatMap(({ entries }, i) => (entries.length > 1 ? [i] : []));
  if (long.length === 0) return null;
  const at = chance.one(long);
  const { entries, ...group } = groups[at] as Group;
  const cut = 1 + chance.below(entries.length - 1);
  return groups.toSpliced(at, 1, { entries: entries.slice(0, cut) }, { ...group, entries: entries.slice(cut) });
};

/** A direction that the class has least of, brought into a stay of it. */
const redirect: Step = (search, groups, chance) => {
  const counts = new Map<Direction, number>(DIRECTIONS.map((direction) => [direction, 0]));
  for (const { entries } of groups)
    for (const { exercise } of entries)
      for (const each of exercise.directions)
        counts.set(each, (counts.get(each) ?? 0) + 1 / exercise.directions.length);
  const least = [...counts]
    .sort((a, b) => a[1] - b[1])
    .slice(0, 2)
    .map(([direction]) => direction);
  const wanted = search.frame.focus !== undefined && chance.share() < 0.5 ? search.frame.focus : chance.one(least);
  const here = new Set(groups.map(positionOf));
  const all = open(search, groups, ({ exercise }) => exercise.directions.includes(wanted));
  const near = all.filter(({ position }) => here.has(position));
  const list = near.length > 0 && chance.share() < 0.8 ? near : all;
  if (list.length === 0) return null;
  const made = grownTo(search, chance.one(list), list, chance);
  const places = groups.flatMap((group, i) => (positionOf(group) === positionOf(made) ? [i, i + 1] : []));
  const at = places.length > 0 ? chance.one(places) : chance.below(groups.length + 1);
  // In the place of something it keeps the class's length.
  const swaps = places.length > 0 && chance.share() < 0.5 && at < groups.length;
  return swaps ? groups.with(at, made) : groups.toSpliced(at, 0, made);
};

/** One more of the idea the class grows by: of its ladder, or of what goes on in its chain. */
const grow: Step = (search, groups, chance, { measure }) => {
  const { thread } = measure.subject;
  if (!thread) return null;
  const own = new Set(thread.blocks.map(({ entry }) => entry));
  const holding = groups.flatMap((group, i) => (group.entries.some((entry) => own.has(entry)) ? [i] : []));
  if (holding.length === 0) return null;
  const at = chance.one(holding);
  const { entries, ...group } = groups[at] as Group;
  const after = chance.below(entries.length + 1);
  const [before, next] = [entries[after - 1], entries[after]];
  const heat = (entry: RungEntry | undefined, otherwise: number) => (entry ? search.catalog.heat(entry) : otherwise);
  const [from, to] = [heat(before, 0) - 2, heat(next, search.peakHeat) + 2];
  const list = open(search, groups, (entry) => {
    const own = search.catalog.heat(entry);
    if (own < from || own > to) return false;
    return (!before || goesOn(before, entry)) && (!next || goesOn(entry, next));
  });
  const [{ exercise: leading }] = [...own] as [RungEntry];
  const ladder = thread.kind === 'ladder' ? list.filter(({ exercise }) => exercise === leading) : list;
  const chosen = ladder.length > 0 ? ladder : list;
  return chosen.length === 0
    ? null
    : groups.with(at, { ...group, entries: entries.toSpliced(after, 0, chance.one(chosen)) });
};

/** One more on the way to the hottest: in its group, before it, no harder than it and going on to what follows. */
const lead: Step = (search, groups, chance, { measure }) => {
  const { catalog } = search;
  const { done, heats, hottest } = measure.subject;
  const peak = done[heats.lastIndexOf(hottest)]?.entry;
  const at = groups.findIndex(({ entries }) => peak !== undefined && entries.includes(peak));
  if (at < 0) return null;
  const { entries, ...group } = groups[at] as Group;
  const [first] = entries as [RungEntry];
  const most = catalog.heat(first) + 2;
  const near = most - LEAD;
  const list = open(search, groups, (entry) => {
    const heat = catalog.heat(entry);
    return heat <= most && heat >= near && goesOn(entry, first);
  });
  return list.length === 0 ? null : groups.with(at, { ...group, entries: [chance.one(list), ...entries] });
};
/** What leads to a rung is at most so much easier. */
const LEAD = 14;

/** All in the order asked for. */
const arrange: Step = (search, groups, chance) =>
  search.order === 'customary' || search.order === 'directions' ? inOrder(search, groups, chance) : null;

/** A group first that is done where the class is to begin. */
const begin: Step = (search, groups, chance) => {
  const { frame, catalog } = search;
  if (frame.openingPosition === undefined) return null;
  const like = catalog.graph.like(frame.openingPosition);
  if (groups[0]?.entries[0]?.like === like) return null;
  const list = open(search, groups, (entry) => entry.like === like);
  return list.length === 0 ? null : [grownTo(search, chance.one(list), list, chance), ...groups];
};

const STEPS: readonly Step[] = [
  ...[
    swap,
    swap,
    swap,
    climb,
    climb,
    lengthen,
    lengthen,
    shorten,
    insert,
    insert,
    remove,
    remove,
    begin,
    grow,
    grow,
    lead,
    lead,
    lead,
  ],
  ...[
    move,
    move,
    move,
    exchange,
    moveStay,
    leaveStay,
    rest,
    rest,
    join,
    part,
    arrange,
    supply,
    supply,
    redirect,
    redirect,
  ],
];
