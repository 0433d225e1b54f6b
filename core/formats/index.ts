export * from './bundle';
export * from './checkBundle';
export * from './parseBundle';
export * from './reviewBundle';
