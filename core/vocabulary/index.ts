export * from './condition';
export * from './direction';
export * from './features';
export * from './measure';
export * from './parts';
export * from './preparations';
export type { AbdominalCheck } from './schemas';
export * from './side';
export * from './text';
