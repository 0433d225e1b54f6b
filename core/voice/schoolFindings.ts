import type { TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import { rungTitle } from '../review';
import { straysOf } from '../school';
import type { VoiceFinding } from './rule';

/** What of the blocks of a class goes against the schools of the house, block by block. Worth a look, all of it. */
export const schoolFindings = (catalog: Catalog, { blocks }: TimedClass): VoiceFinding[] =>
  blocks.flatMap(({ entry, index, block }) =>
    straysOf(catalog, entry).map(({ code, sentence, cue }) => ({
      code,
      severity: 'look' as const,
      blocks: [index],
      ids: [block.id],
      value: 1,
      limit: 0,
      unit: 'times' as const,
      message: `${rungTitle(entry)}: ${sentence}`,
      lines: cue === undefined ? [] : [`${block.id}-1-${cue}`],
      mend: () => [],
    })),
  );
