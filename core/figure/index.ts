export * from './camera';
export * from './drawing';
export * from './scene';
export * from './svg';
export * from './things';
