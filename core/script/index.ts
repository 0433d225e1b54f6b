export * from './advice';
export * from './draftScript';
export * from './line';
export * from './rangeWords';
export * from './roomCard';
export * from './way';
