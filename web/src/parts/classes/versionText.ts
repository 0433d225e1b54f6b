import { clock } from '@warm-ladder/core/review';
import type { Difference } from '@warm-ladder/core/versions';
import { countText } from '@warm-ladder/core/vocabulary';

/** What a version differs in, in a few words: “2 more found, 5 lines of the script change”. */
export function differenceText({ seconds, findings, lines, steps }: Difference): string {
  const told: string[] = [];
  const longer = Math.round(seconds);
  if (longer !== 0) told.push(`${longer > 0 ? '+' : '−'}${clock(Math.abs(longer))}`);
  const blocks = Math.max(steps.gone.length, steps.come.length);
  if (blocks > 0) told.push(countText(blocks, 'block changes', 'blocks change'));
  if (findings.come.length > 0) told.push(`${findings.come.length} more found`);
  if (findings.gone.length > 0) told.push(`${findings.gone.length} no longer found`);
  const spoken = Math.max(lines.gone.length, lines.come.length);
  if (spoken > 0) told.push(countText(spoken, 'line of the script changes', 'lines of the script change'));
  return told.length === 0 ? 'nothing changes' : told.join(', ');
}
