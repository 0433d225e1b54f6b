export * from '../vocabulary/condition';
export type { AbdominalCheck } from '../vocabulary/schemas';
export * from './calendar';
export type * from './changeSchema';
export * from './checks';
export * from './judge';
export * from './rules';
export * from './survey';
