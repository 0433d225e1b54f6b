export { aimOf, type Fitted, fitEdits, fitted } from './fit';
export { type Fix, fixesFor } from './fixesFor';
export * from './mend';
export { fitsRoom } from './neighbours';
export * from './standing';
export { betterWith, type Ground, groundOf } from './trial';
export type { LeftOver } from './whyLeft';
