export type { Problem } from '../plan';
export * from './bundle';
export * from './checkBundle';
export * from './mergeBundles';
export * from './parseBundle';
export * from './reviewBundle';
