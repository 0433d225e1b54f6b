import type { Block, Interlude, Option, RungBlock } from './classSchema';

export type {
  Audience,
  Block,
  BlockField,
  ClassPlan,
  Interlude,
  Line,
  Option,
  RungBlock,
  SpareBlock,
} from './classSchema';
export {
  INTERLUDE_WORDS,
  INTERLUDES,
  type InterludeKind,
  LEVELS,
  MODES,
  PURPOSE_WORDS,
  PURPOSES,
  type Purpose,
} from './kinds';

export const isInterlude = (block: Block): block is Interlude => 'interlude' in block;
export const isRungBlock = (block: Block): block is RungBlock => !('interlude' in block);

/** An option with its rung written out, however it stands in the file. */
export const optionOf = (option: string | Option): Option => (typeof option === 'string' ? { rung: option } : option);

/** The ids of the rungs a block offers. */
export const offeredRungs = ({ options = [] }: RungBlock): string[] => options.map((each) => optionOf(each).rung);
