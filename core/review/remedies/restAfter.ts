import type { Remedy } from '../finding';
import { BREATH_SECONDS } from '../patterns/arc';
import type { Subject } from '../subject/subject';

/** A rest long enough to breathe after the part at an index. */
export const restAfter = (subject: Subject, index: number): Remedy => ({
  label: `Rest ${BREATH_SECONDS} s after ${subject.titleAt(index)}`,
  edits: [
    { kind: 'set', id: subject.timed.sequence[index]?.block.id ?? '', change: { restAfterSeconds: BREATH_SECONDS } },
  ],
});
