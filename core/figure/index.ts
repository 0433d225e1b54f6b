export * from './camera';
export * from './drawing';
export * from './scene';
export { OUTLINE } from './shapes';
export * from './svg';
export * from './things';
export * from './viewOfRung';
export * from './wrongForms';
