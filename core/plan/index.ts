export * from './blockTime';
export * from './change';
export * from './checkClass';
export * from './class';
export * from './edit';
export * from './timeClass';
export * from './uncertainty';
