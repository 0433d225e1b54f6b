export * from './additions';
export { aimOf, type Fitted, fitEdits, fitted } from './fit';
export { type Fix, fixesFor } from './fixesFor';
export * from './levels';
export * from './mend';
export * from './pool';
export * from './standing';
export { betterWith, type CostOf, type Ground, groundOf } from './trial';
export type { LeftOver } from './whyLeft';
