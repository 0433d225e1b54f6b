import { CONDITIONS } from '../caution';
import { DIRECTION_WORDS, ORDER_WORDS } from '../method';
import type { TimedBlock } from '../plan';
import { usesOf } from '../repertoire';
import { type ClassMeasure, clock, findingsOf, percent, rangeWords, rungTitle } from '../review';
import { countText } from '../vocabulary';
import type { Search } from './briefs/aims';
import { strayFrom } from './searching/orders';

/** Why a director might take a class: its idea, how it goes, its time; and what is worth a look. */
export function reasonsFor(search: Search, measure: ClassMeasure): string[] {
  const [worst] = findingsOf(measure);
  return [
    ideaOf(measure),
    wayOf(search, measure),
    timeOf(search, measure),
    ...(worst ? [`Worth a look: ${worst.message}`] : []),
  ];
}

/** The idea it grows by, in a sentence. */
function ideaOf({ subject, timed }: ClassMeasure): string {
  const { thread, catalog } = subject;
  const { focus } = timed.plan;
  const about =
    focus === undefined
      ? ''
      : `, and ${percent((timed.directions[focus] ?? 0) / Math.max(1, timed.parts.work))} of the work is ${DIRECTION_WORDS[focus]}`;
  if (!thread) return `It has no one idea that grows${about}.`;
  const { blocks } = thread;
  const top = blocks.reduce((a, b) => (catalog.heat(b.entry) > catalog.heat(a.entry) ? b : a));
  const steps = blocks.filter(({ entry }) => entry.exercise === top.entry.exercise).map(({ entry }) => entry.rung.name);
  const { name } = top.entry.exercise;
  const grows =
    steps.length > 1 ? `${name} grows through it: ${steps.join(', then ')}` : `It grows to ${rungTitle(top.entry)}`;
  const [first] = blocks as [TimedBlock];
  const chain =
    thread.kind === 'chain' && blocks.length > steps.length
      ? `, in a chain of ${countText(blocks.length, 'block')} from ${rungTitle(first.entry)}`
      : '';
  return `${grows}${chain}${about}.`;
}

/** Its order, how it begins, where it is hardest and how it eases. */
function wayOf({ catalog, order, past }: Search, { subject, timed }: ClassMeasure): string {
  const { done, arc } = subject;
  const [first, last] = [done[0], done.at(-1)];
  if (!first || !last) return 'Nothing is done in it.';
  const with_ = (['breath', 'pelvis', 'spine'] as const).find((use) => usesOf(first.entry).goodFor.includes(use));
  const strays = strayFrom[order](timed, past, (entry) => catalog.heat(entry));
  const kept = strays === 0 ? '' : `, but for ${countText(strays, 'place')}`;
  const begins = `${ORDER_WORDS[order]}${kept}: it begins ${catalog.graph.name(first.position)} with ${rungTitle(first.entry)}${with_ ? ` (${with_})` : ''}`;
  const peak = arc ? `, is hardest at ${clock(arc.peak.startSeconds)} with ${rungTitle(arc.peak.entry)}` : '';
  const eases = `, and ends with ${rungTitle(last.entry)}`;
  const stays = timed.sequence.filter((part, i) => i > 0 && part.position !== timed.sequence[i - 1]?.position).length;
  return `${begins}${peak}${eases}; ${stays === 0 ? 'nobody changes position' : `people change position ${stays === 1 ? 'once' : `${stays} times`}`}.`;
}

/** Its length and what may go, what has to be in it, and what its cautions ask. */
function timeOf({ conditions, mustHave, frame }: Search, { timed, raised }: ClassMeasure): string {
  const target = frame.targetMinutes * 60;
  const parts = [
    `${clock(timed.seconds)} of ${clock(target)} in ${countText(timed.blocks.length, 'block')}: ${rangeWords(timed)}`,
  ];
  if (mustHave.length > 0) parts.push('all that has to be in it is in it');
  if (conditions.length > 0) {
    const names = conditions.map((condition) => CONDITIONS[condition].name.toLowerCase()).join(', ');
    const adapted = raised.filter(({ rule }) => rule.code === 'CAUTION_ADAPT').length;
    parts.push(`${adapted === 0 ? 'nothing' : 'something'} in it has to be adapted for ${names}`);
  }
  return `${parts.join('; ')}.`;
}
