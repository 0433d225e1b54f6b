import { CONDITIONS } from '../caution';
import { DIRECTION_WORDS, DIRECTIONS, ORDER_WORDS } from '../method';
import { type ClassMeasure, clock, findingsOf, percent, rungTitle } from '../review';
import { countText } from '../vocabulary';
import type { Search } from './aims';
import { strayFrom } from './orders';

/** Most shares of direction told of: the rest is small. */
const TOLD = 3;

/** Why a director might take a class, in sentences read off its measures. */
export function reasonsFor(search: Search, measure: ClassMeasure): string[] {
  const { timed, subject, raised } = measure;
  const { order, past, conditions, mustHave, frame } = search;
  const target = frame.targetMinutes * 60;
  const why: string[] = [];
  why.push(`${clock(timed.seconds)} of ${clock(target)}, in ${countText(timed.blocks.length, 'block')}.`);
  const positions = [...new Set(timed.blocks.map(({ position }) => search.catalog.graph.name(position)))];
  const stray = strayFrom[order](timed, past);
  why.push(
    `${ORDER_WORDS[order]}${stray === 0 ? '' : `, with ${countText(stray, 'block')} out of that order`}: ${positions.join(', ')}.`,
  );
  const { arc } = subject;
  if (arc) {
    const { entry, startSeconds } = arc.peak;
    why.push(`The hardest comes at ${clock(startSeconds)}: ${rungTitle(entry)} (heat ${Math.round(arc.hottest)}).`);
  }
  const shares = DIRECTIONS.map((direction) => [direction, timed.directions[direction] ?? 0] as const)
    .filter(([, seconds]) => seconds > 0)
    .sort((a, b) => b[1] - a[1]);
  const all = shares.reduce((sum, [, seconds]) => sum + seconds, 0);
  const told = shares.slice(0, TOLD).map(([each, seconds]) => `${DIRECTION_WORDS[each]} ${percent(seconds / all)}`);
  if (told.length > 0) why.push(`Most of the work: ${told.join(', ')}.`);
  if (conditions.length > 0) {
    const names = conditions.map((condition) => CONDITIONS[condition].name.toLowerCase()).join(', ');
    const adapted = raised.filter(({ rule }) => rule.code === 'CAUTION_ADAPT').length;
    why.push(
      adapted === 0 ? `Nothing in it has to be adapted for ${names}.` : `Something in it is adapted for ${names}.`,
    );
  }
  if (mustHave.length > 0) why.push('All that has to be in it is in it.');
  const [worst] = findingsOf(measure);
  why.push(worst ? `Worth a look: ${worst.message}` : 'The review finds nothing to mend.');
  return why;
}
