export * from './checkLog';
export * from './kinds';
export type { Log, PlannedDay } from './logSchema';
export * from './named';
export * from './pace';
export * from './plannedDay';
export type { Question } from './questionSchema';
export * from './rehearsed';
export * from './replan';
