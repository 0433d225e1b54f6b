export * from './files';
export * from './packageOf';
export * from './packageSchema';
export * from './readPackage';
