export { applied, inverted, merged } from './apply';
export { diff } from './diff';
export { type Change, type Edit, EditClash, type Json, type Step, stepsText } from './edit';
export { editSchema } from './editSchema';
export { type Clash, type Reconciled, reconciled } from './reconcile';
