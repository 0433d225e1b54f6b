export * from './advice';
export * from './draftScript';
export * from './way';
