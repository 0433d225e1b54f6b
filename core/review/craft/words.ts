import { DIRECTION_WORDS } from '../../method';
import { usesOf } from '../../repertoire';
import { countText } from '../../vocabulary/words/countText';
import { rungTitle } from '../finding';
import type { Subject } from '../subject/subject';
import { percent, spell } from '../words/clock';
import { type CraftName, termsFor } from './craft';
import { threadTitle } from './idea';
import { TOLD_FROM } from './term';

/** One thing said of how a class is made, in a few plain words. */
export interface CraftWord {
  readonly name: CraftName;
  readonly text: string;
  /** Ids of the blocks it is about. */
  readonly ids: readonly string[];
  /** As a director would teach it. */
  readonly well: boolean;
}

const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
const inWords = (count: number): string => NUMBERS[count] ?? String(count);

/** What a class is begun with, of what connects; breath before pelvis before spine. */
function beginning({ done }: Subject): string {
  const uses = done[0] ? usesOf(done[0].entry).goodFor : [];
  return (['breath', 'pelvis', 'spine'] as const).find((use) => uses.includes(use)) ?? 'something calm';
}

/** What each term says where it is kept; those that would only say that nothing is wrong say nothing. */
const KEPT: Partial<Record<CraftName, (subject: Subject) => { text: string; indexes: readonly number[] } | null>> = {
  connection: (subject) => ({ text: `begins with ${beginning(subject)}`, indexes: [subject.done[0]?.index ?? 0] }),
  thread: ({ thread, catalog }) =>
    thread && {
      text: `one idea, ${threadTitle(thread, catalog)}, in ${inWords(thread.blocks.length)} steps`,
      indexes: thread.blocks.map(({ index }) => index),
    },
  peakLow: ({ arc, timed }) =>
    timed.plan.effort === 'gentle' || !arc
      ? null
      : { text: `peak with ${rungTitle(arc.peak.entry)}`, indexes: [arc.peak.index] },
  carry: ({ done }) => {
    const carrying = done.filter(({ carries }) => carries);
    return {
      text: `${inWords(carrying.length)} of ${done.length} carry on`,
      indexes: carrying.map(({ index }) => index),
    };
  },
  focus: ({ timed }) =>
    timed.plan.focus === undefined
      ? null
      : {
          text: `${percent((timed.directions[timed.plan.focus] ?? 0) / Math.max(1, timed.parts.work))} ${DIRECTION_WORDS[timed.plan.focus]}`,
          indexes: [],
        },
};

/** What each term says where it is missed. */
const MISSED: Readonly<Record<CraftName, (value: number) => string>> = {
  connection: () => 'does not begin with breath, pelvis or spine',
  peakLow: () => 'nothing as hard as the room could take',
  thread: () => 'no one idea that grows',
  focus: (value) => `only ${percent(value)} of its focus`,
  carry: (value) => `only ${percent(value)} carry on`,
  stays: () => 'blocks alone in their position',
  changes: () => 'many changes of position',
  alike: (value) => `${inWords(value)} alike in a row`,
  turning: (value) => `turned over ${value === 1 ? 'once' : `${inWords(value)} times`} more than needed`,
  calm: (value) => `${spell(value)} of hard work without a rest`,
  novelty: (value) => `${countText(value, 'exercise')} new to them`,
  density: (value) => (value < 1 ? 'few blocks, drawn out' : 'many blocks, rushed'),
  props: (value) => `props moved ${inWords(value)} times`,
  levels: () => 'options that others do anyway',
  late: () => 'no plan for running late',
};

/** How a class is made, in plain words: what is kept and worth saying, and what is missed. */
export function craftWords(subject: Subject): readonly CraftWord[] {
  const { room, timed, craft, done } = subject;
  if (done.length === 0) return [];
  return termsFor(room, timed.plan.targetMinutes).flatMap((term): CraftWord[] => {
    const { name, finding } = term;
    const weighed = craft.get(name);
    if (!weighed) return [];
    if (weighed.distance > TOLD_FROM) {
      const blocks = finding?.find(subject, weighed).blocks ?? [];
      return [{ name, text: MISSED[name](weighed.value), ids: idsOf(subject, blocks), well: false }];
    }
    const kept = KEPT[name]?.(subject);
    return kept ? [{ name, text: kept.text, ids: idsOf(subject, kept.indexes), well: true }] : [];
  });
}

const idsOf = ({ timed }: Subject, indexes: readonly number[]): string[] =>
  indexes.flatMap((index) => timed.plan.blocks[index]?.id ?? []);
