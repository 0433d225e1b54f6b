export * from './checkLog';
export * from './kinds';
export type { Log, PlannedDay } from './logSchema';
export * from './named';
export type { Question } from './questionSchema';
export * from './rehearsed';
export * from './replan';
