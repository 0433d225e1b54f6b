export { type ReadCue, readCaptions, UnreadableCaptions } from './captions';
export type { Difference } from './differences';
export { type DraftPlan, draftPlan } from './draftPlan';
export { type Added, readTake, type Take, type TakenBlock } from './readTake';
