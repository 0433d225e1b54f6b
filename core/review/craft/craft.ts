import type { Room } from '../subject/room';
import type { Subject } from '../subject/subject';
import { density, late, levels, props } from './around';
import { calm, peakLow } from './effort';
import { focus, novelty, thread } from './idea';
import { connection } from './opening';
import { alike, carry, changes, stays, turning } from './stays';
import type { CraftTerm, Weighed } from './term';

/** Every term of craft, in the order in which they are told. */
export const CRAFT_TERMS = [
  connection,
  peakLow,
  thread,
  focus,
  carry,
  stays,
  changes,
  alike,
  turning,
  calm,
  novelty,
  density,
  props,
  levels,
  late,
] as const;
export type CraftName = (typeof CRAFT_TERMS)[number]['name'];
export const CRAFT_NAMES: readonly CraftName[] = CRAFT_TERMS.map(({ name }) => name);

/** Minutes of a class under which it is a piece of one, and not asked for craft. */
const WHOLE_MINUTES = 12;

const ALL: readonly CraftTerm<CraftName>[] = CRAFT_TERMS;
const OF_DRILLS = ALL.filter(({ drills }) => drills);
const NONE: readonly CraftTerm<CraftName>[] = [];

/** The terms asked of a class: all of a whole one, some of a drill, none of a lesson. */
export function termsFor({ purpose }: Pick<Room, 'purpose'>, targetMinutes: number): readonly CraftTerm<CraftName>[] {
  if (purpose === 'drill') return OF_DRILLS;
  return purpose === 'class' && targetMinutes >= WHOLE_MINUTES ? ALL : NONE;
}

/** What a term costs when it is missed altogether. */
export const weightOf = (term: CraftTerm<CraftName>, subject: Subject): number =>
  term.weight?.(subject) ?? subject.catalog.method.craft[term.name];

export type Craft = ReadonlyMap<CraftName, Weighed>;

/** A class held against each term asked of it. */
export function craftOf(subject: Subject): Craft {
  const { room, timed } = subject;
  const found = new Map<CraftName, Weighed>();
  for (const term of termsFor(room, timed.plan.targetMinutes)) found.set(term.name, term.weigh(subject));
  return found;
}

/** What a class costs for what it misses. */
export function craftCost(subject: Subject): number {
  let sum = 0;
  for (const term of termsFor(subject.room, subject.timed.plan.targetMinutes)) {
    const distance = subject.craft.get(term.name)?.distance ?? 0;
    if (distance > 0) sum += distance * weightOf(term, subject);
  }
  return sum;
}
