export type { Difference } from './aligning/difference';
export { type DraftPlan, draftPlan } from './draftPlan';
export { type ReadCue, readCaptions, UnreadableCaptions } from './hearing/captions';
export { readTake } from './readTake';
export type { Added, Take, TakenBlock } from './take';
