export * from './calendar';
export * from './condition';
export * from './judge';
export * from './rules';
export * from './survey';
