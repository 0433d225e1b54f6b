import { type Habits, type Spoken, speak } from '../../taught/speak';
import { type DraftPlan, draftPlan, readCaptions, readTake, type Take } from '../../taught/take';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

export { type Habits, habitsSchema } from '../../taught/speak';
export { UnreadableCaptions } from '../../taught/take';

interface Asked {
  readonly today: string;
  readonly teacher?: string | undefined;
}

/**
 * A take of a class, read back.
 * @param captions WebVTT, SRT, or lines that begin with a time
 * @returns `null` when the bundle has no such class
 * @throws UnreadableCaptions with the line
 */
export function takeBundle(bundle: Bundle, id: string, captions: string, { today, teacher }: Asked): Take | null {
  const { catalog, classOf, contextOf } = studioOf(bundle, { today, teacher });
  const plan = classOf(id);
  return plan ? tidy(readTake(catalog, plan, contextOf(plan), readCaptions(captions), today)) : null;
}

/** A plan read out of captions, with the repertoire of a bundle. @throws UnreadableCaptions with the line */
export function draftFromCaptions(bundle: Bundle, captions: string): DraftPlan {
  const { catalog, classOf } = studioOf(bundle, {});
  let id = 'from-captions';
  for (let number = 2; classOf(id); number++) id = `from-captions-${number}`;
  return tidy(draftPlan(catalog, readCaptions(captions), id));
}

/** A class spoken by the stand-in teacher. @returns `null` when the bundle has no such class */
export function speakBundle(bundle: Bundle, id: string, habits: Habits, seed: number, today: string): Spoken | null {
  const { catalog, classOf, contextOf } = studioOf(bundle, { today });
  const plan = classOf(id);
  return plan ? speak(catalog, plan, contextOf(plan), habits, { seed, date: today }) : null;
}
