export * from './direction';
export * from './figures';
export * from './method';
export * from './text';
