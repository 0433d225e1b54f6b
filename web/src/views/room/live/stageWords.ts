import type { Standing } from '@warm-ladder/core/rehearsal';
import { clock } from '@warm-ladder/core/review';
import { isHeld, type Moment, type ScriptSection } from '@warm-ladder/core/script';

const DOING: Readonly<Record<Moment['doing'], string>> = {
  setup: 'Set-up',
  entry: 'Way in',
  rep: 'Repetition',
  exit: 'Way out',
  rest: 'Rest',
  explained: 'Explain',
};

/** Which repetition of how many, of which set, on which side. @example '3 of 6 · right' */
export function countWords({ rep }: Standing, { side }: Pick<ScriptSection, 'side'>): string {
  if (!rep) return '';
  const { number, of, set, sets } = rep;
  const which = sets > 1 ? [`set ${set} of ${sets}`] : [];
  return [`${number} of ${of}`, ...which, ...(side ? [side] : [])].join(' · ');
}

/** What is done just now: on the way, set-up, a repetition, and what is left of a long hold. */
export function doingWords({ into, moment }: Standing, { times }: Pick<ScriptSection, 'times'>): string {
  if (into < 0) return 'On the way';
  if (!moment || !times) return '';
  const held = 'phase' in moment && isHeld(moment.phase) ? ` · ${Math.ceil(moment.left / times.count)}` : '';
  return `${DOING[moment.doing]}${held}`;
}

/** Seconds within which one is on time. */
const ON_TIME = 5;

/** How a class stands against the clock. @example '1:20 behind' */
export function behindWords(seconds: number): string {
  if (Math.abs(seconds) < ON_TIME) return 'on time';
  return seconds > 0 ? `${clock(seconds)} behind` : `${clock(-seconds)} ahead`;
}

/** What comes next, with its side, and when. */
export function thenWords(following: ScriptSection | undefined, behind: number): string {
  if (!following) return 'Then the end';
  const { title, side, startSeconds } = following;
  return `Then ${clock(Math.max(0, startSeconds + behind))}: ${title}${side ? `, ${side}` : ''}`;
}
