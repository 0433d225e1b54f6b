export { type Learnt, type LearntSeconds, learntOf } from './learnt';
