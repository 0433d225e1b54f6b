export { type ReadCue, readCaptions, UnreadableCaptions } from './captions';
export type { Difference } from './difference';
export { type DraftPlan, draftPlan } from './draftPlan';
export { readTake } from './readTake';
export type { Added, Take, TakenBlock } from './take';
