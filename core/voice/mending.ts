import type { TimedBlock } from '../plan';
import type { Remedy } from '../review';
import { type ScriptLine, type ScriptSection, withLineSaid } from '../script';

/** A line of a block said otherwise, as an edit of the class. @param text `null` leaves it out */
export function saidInstead(
  { block }: TimedBlock,
  section: ScriptSection,
  line: ScriptLine,
  text: string | null,
): Remedy {
  const lines = withLineSaid(block, section, line.id, text);
  return {
    label: text === null ? `Leave out “${line.text}”` : `Say “${text}”`,
    edits: [{ kind: 'set', id: block.id, change: { lines } }],
  };
}
