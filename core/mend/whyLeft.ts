import { type ClassMeasure, type Finding, type FindingCode, findingsOf, titleOf } from '../review';
import { fitsRoom } from './neighbours';

/** A finding that no change mends, with the reason in a sentence. */
export interface LeftOver {
  readonly code: FindingCode;
  readonly ids: readonly string[];
  readonly message: string;
}

/** Why each stop, fix and look that mending left is left. */
export const whyLeft = (measure: ClassMeasure): LeftOver[] =>
  findingsOf(measure).map((finding) => ({ code: finding.code, ids: finding.ids, message: reason(measure, finding) }));

function reason({ timed, subject }: ClassMeasure, { code, blocks, message }: Finding): string {
  const parts = blocks.flatMap((index) => timed.sequence[index] ?? []);
  const locked = parts.filter(({ block }) => block.locked);
  if (locked.length > 0) return `${names(locked)} ${locked.length === 1 ? 'is' : 'are'} locked. ${message}`;
  if (code === 'CAUTION_CLEAR_FIRST' && parts.length === 0) return `Only a professional can clear this. ${message}`;
  const position = parts.find(({ kind }) => kind === 'block')?.position;
  if (code.startsWith('CAUTION') && position !== undefined) {
    const fine = subject.catalog.rungs.some((entry) => entry.position === position && fitsRoom(subject, entry));
    if (!fine) return `No exercise ${subject.catalog.graph.name(position)} is fine for this room. ${message}`;
  }
  return `No single change near it makes the class better without making something else as bad. ${message}`;
}

/** The names of parts, each once: “Plank and Roll up”. */
function names(parts: ClassMeasure['timed']['sequence']): string {
  return IN_WORDS.format(new Set(parts.map(titleOf)));
}
const IN_WORDS = new Intl.ListFormat('en');
