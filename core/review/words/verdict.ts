import type { TimedClass } from '../../plan';
import { countText } from '../../vocabulary/words/countText';
import { type CraftWord, craftWords } from '../craft/words';
import type { ClassMeasure } from '../reviewClass';
import { lateText } from './lateText';

/** Under this there is nothing wrong, and under this nothing that a director would do otherwise. */
const [SOUND, WELL_MADE] = [1, 10];
/** A class that runs late more often than this does not fit the clock. */
const FITS = 0.15;

/** What is said of a class as a whole. */
export interface Verdict {
  readonly text: string;
  /** Nothing would be done otherwise. */
  readonly good: boolean;
  readonly craft: readonly CraftWord[];
}

/** The smaller chance of running late: with what may go left out, where something may. */
const lateChance = ({ range: { overChance, overIfGiven = overChance } }: Pick<TimedClass, 'range'>): number =>
  Math.min(overChance, overIfGiven);

const fitsClock = (timed: Pick<TimedClass, 'range'>): boolean => lateChance(timed) <= FITS;

/**
 * How often a class runs late, and how often with what may go left out.
 * @example '1 class in 2 runs late; without blocks 9 and 14, 1 class in 20'
 */
export function rangeWords({ range, plan }: Pick<TimedClass, 'range' | 'plan'>): string {
  const { overChance, overIfGiven } = range;
  const said = lateText(overChance);
  if (overIfGiven === undefined) return said;
  const given = plan.blocks.flatMap(({ give }, i) => (give === undefined ? [] : [String(i + 1)]));
  const then = lateText(overIfGiven).replace(/ runs? late$/, '');
  return `${said}; without ${given.length === 1 ? 'block' : 'blocks'} ${IN_WORDS.format(given)}, ${then}`;
}
const IN_WORDS = new Intl.ListFormat('en-GB');

/**
 * What a class comes to, in a sentence. Nothing is to mend where it is sound, well made, and no finding is more than a
 * look; where it is sound only, what could be better is named.
 */
export function verdictOf({ subject, score, raised, timed }: ClassMeasure): Verdict {
  const craft = craftWords(subject);
  const grave = raised.some(({ severity }) => severity !== 'look');
  if (timed.blocks.length === 0 || grave || score.sound >= SOUND) {
    return { text: raised.length === 0 ? 'Nothing to mend' : countText(raised.length, 'finding'), good: false, craft };
  }
  if (score.parts.craft < WELL_MADE) {
    const clock = fitsClock(timed) ? '; it fits the clock' : `, but ${rangeWords(timed)}`;
    return { text: `Nothing to mend${clock}`, good: true, craft };
  }
  const missed = craft.filter(({ well }) => !well).map(({ text }) => text);
  const what = missed.length > 0 ? missed.join(', ') : 'a little in several respects';
  return { text: `Safe and in time; could be better: ${what}`, good: false, craft };
}
