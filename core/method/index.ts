export * from '../vocabulary/direction';
export * from '../vocabulary/side';
export * from '../vocabulary/text';
export * from './bands';
export * from './choices';
export * from './edges';
export * from './method';
export * from './settings';
