export { ANSWERS, type Answer, type Effect, effectsOn, withAnswer } from './answers';
export { type Apart, type Difference, differenceOf } from './apart';
export { type Outline, outlineOf } from './outline';
