export * from './advice';
export * from './draftScript';
export * from './roomCard';
export * from './way';
