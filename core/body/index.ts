export * from './contacts';
export * from './ground';
export * from './load';
export * from './pose';
export * from './posed';
export * from './position';
export * from './skeleton';
