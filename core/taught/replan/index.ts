export type { CutKind } from './cuts';
export { type Moment, NoMoment } from './moment';
export * from './replan';
