export type { AbdominalCheck } from '../vocabulary/schemas';
export * from '../vocabulary/words/condition';
export * from './calendar';
export type * from './changeSchema';
export * from './checks';
export * from './judge';
export * from './rules';
export * from './survey';
