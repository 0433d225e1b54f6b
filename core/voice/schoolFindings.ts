import { type Choices, chosen } from '../method';
import type { TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { rungTitle } from '../review';
import {
  asksFor,
  type BackAsk,
  backAskIn,
  backSentence,
  bearsLowBack,
  type SchoolCode,
  seatAgainst,
  straysOf,
} from '../school';
import { HERE, type VoiceFinding } from './rule';

/** Words of a class, and of what is said around its blocks, that go against what is chosen. @returns a sentence each */
export function wordsAgainst(
  text: string,
  choices: Choices,
  ask: BackAsk | null,
): Array<{ readonly code: SchoolCode; readonly sentence: string }> {
  const found: Array<{ code: SchoolCode; sentence: string }> = [];
  const other = ask === null ? null : ask === 'keep-gap' ? 'press-back' : 'keep-gap';
  if (other !== null && asksFor(text, other)) found.push({ code: 'SCHOOL_BACK', sentence: backSentence(text, ask) });
  const seat = seatAgainst(text, choices.seat);
  if (seat !== null) found.push({ code: 'SCHOOL_SEAT', sentence: seat });
  return found;
}

/**
 * What of the blocks of a class goes against the schools of the house, block by block. Worth a look, all of it.
 * @param choices what is chosen in this class
 */
export const schoolFindings = (catalog: Catalog, { blocks }: TimedClass, choices: Choices): VoiceFinding[] =>
  blocks.flatMap(({ entry, index, block }) => {
    const here = chosen(choices, entry.rung.choices);
    const strays = straysOf(catalog, entry, choices).map(({ code, sentence, cue }) => ({
      code,
      sentence,
      lines: cue === undefined ? [] : [`${block.id}-1-${cue}`],
    }));
    const own = (block.lines ?? []).flatMap(({ id, text, phase }) => {
      const ask = bearsLowBack(entry) ? backAskIn(here.lowBack, entry, phase) : null;
      return wordsAgainst(text, here, ask).map((found) => ({ ...found, lines: [id] }));
    });
    return [...strays, ...own].map(
      ({ code, sentence, lines }): VoiceFinding => ({
        code,
        severity: 'look',
        blocks: [index],
        ids: [block.id],
        ...HERE,
        message: `${rungTitle(entry)}: ${sentence}`,
        lines,
        remedies: [],
      }),
    );
  });
