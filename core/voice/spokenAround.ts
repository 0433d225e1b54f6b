import { isInterlude } from '../plan';
import type { Remedy } from '../review';
import type { ScriptSection } from '../script';
import { answersByLess, saidAsStop } from '../vocabulary/stopSigns';
import { HERE, type VoiceFinding } from './rule';
import type { Voice } from './spoken';

/** What an opening, a closing, a talk, a check or a small rest is called at the head of a sentence. */
const headOf = ({ kind, title }: ScriptSection): string => (kind === 'interlude' ? title : `The ${kind}`);

/**
 * What is said around the blocks, held against the one rule that everything said keeps: a stop sign is answered by
 * stopping, in openings, closings, talks, checks and small rests as in cues.
 */
export const aroundFindings = (voice: Voice): VoiceFinding[] =>
  voice.script.sections.flatMap((section) => {
    if (section.kind === 'block') return [];
    const own = voice.catalog.method.stopSigns;
    return section.lines
      .filter(({ text }) => answersByLess(text, own))
      .map(({ id, text }): VoiceFinding => {
        const block = section.block === null ? undefined : voice.timed.plan.blocks[section.block];
        return {
          code: 'STOP_OFFERED',
          severity: 'fix',
          blocks: section.block === null ? [] : [section.block],
          ids: block ? [block.id] : [],
          ...HERE,
          message: `${headOf(section)}: “${text}” answers a sign to stop by something else than stopping. Say it as a stop.`,
          lines: [id],
          mend: () => sayStop(voice, section, own),
        };
      });
  });

/** The words of a section with every stop sign said as one, as an edit of the class. */
function sayStop({ timed: { plan } }: Voice, { kind, block: index }: ScriptSection, own: readonly string[]): Remedy[] {
  const better = (words: readonly string[] = []) =>
    words.map((text) => (answersByLess(text, own) ? saidAsStop(text, own) : text));
  const label = 'Say it as a stop';
  if (kind === 'opening') {
    return [{ label, edits: [{ kind: 'class', change: { openingWords: better(plan.openingWords) } }] }];
  }
  if (kind === 'closing') {
    return [{ label, edits: [{ kind: 'class', change: { closingWords: better(plan.closingWords) } }] }];
  }
  const block = index === null ? undefined : plan.blocks[index];
  if (!block || !isInterlude(block)) return [];
  const { words, finds, otherwise, lines } = block;
  const change = {
    ...(words ? { words: better(words) } : {}),
    ...(finds ? { finds: better([finds])[0] } : {}),
    ...(otherwise ? { otherwise: better([otherwise])[0] } : {}),
    ...(lines ? { lines: lines.map((line) => ({ ...line, text: better([line.text])[0] ?? line.text })) } : {}),
  };
  return [{ label, edits: [{ kind: 'interlude', id: block.id, change }] }];
}
