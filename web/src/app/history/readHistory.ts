import { editSchema } from '@warm-ladder/core/edits';
import { DOCUMENT_KINDS } from '@warm-ladder/core/formats';
import { z } from 'zod';
import { type KeptHistory, NO_HISTORY } from '../store/studioState';

const stepSchema = z.strictObject({
  n: z.int().min(1),
  label: z.string(),
  field: z.string(),
  at: z.string().optional(),
  documents: z.array(z.strictObject({ kind: z.enum(DOCUMENT_KINDS), id: z.string(), edit: editSchema })).min(1),
});

/**
 * A history as it was kept; none where any step of it can't be read, for a step is gone back only from the next one.
 * @param last the number of the last step done
 */
export function readHistory(texts: ReadonlyArray<string | undefined>, last: number): KeptHistory {
  try {
    const steps = texts.map((text) => stepSchema.parse(JSON.parse(text ?? '')));
    const inOrder = steps.sort((a, b) => a.n - b.n);
    return { past: inOrder.filter(({ n }) => n <= last), future: inOrder.filter(({ n }) => n > last).toReversed() };
  } catch {
    return NO_HISTORY;
  }
}
