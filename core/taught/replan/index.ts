export type { CutKind } from './cuts';
export { type Moment, NoMoment } from './moment';
export { type Replan, type ReplanEdit, replan } from './replan';
