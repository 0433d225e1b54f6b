import type { TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { type Finding, rungTitle } from '../review';
import { type SchoolCode, straysOf } from '../school';

/** A finding about what is said; none of them counts in the score of a class. */
export interface VoiceFinding extends Omit<Finding, 'code'> {
  readonly code: SchoolCode;
}

/** What of the blocks of a class goes against the schools of the house, block by block. Worth a look, all of it. */
export const schoolFindings = (catalog: Catalog, { blocks }: TimedClass): VoiceFinding[] =>
  blocks.flatMap(({ entry, index, block }) =>
    straysOf(catalog, entry).map(({ code, sentence }) => ({
      code,
      severity: 'look' as const,
      blocks: [index],
      ids: [block.id],
      value: 1,
      limit: 0,
      unit: 'times' as const,
      message: `${rungTitle(entry)}: ${sentence}`,
    })),
  );
