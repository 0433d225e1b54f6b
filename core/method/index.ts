export * from '../vocabulary/bodies/direction';
export * from '../vocabulary/bodies/side';
export * from '../vocabulary/words/text';
export * from './bands';
export * from './choices';
export * from './edges';
export * from './method';
export * from './settings';
