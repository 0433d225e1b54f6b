export * from './answers';
export * from './apart';
export * from './outline';
