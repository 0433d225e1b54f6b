export { LANDMARK_IDS, LANDMARKS, type Landmark } from './bodies/landmarks';
export { isSeated, liesOnBack, liesOnFront, liesOnSide } from './bodies/position';

export { SIDEDNESS_WORDS } from './bodies/side';
export { FELT_AT, type FeltAt, GOOD_FOR, type GoodFor, wordsOfUse } from './bodies/uses';

export { type Parts, withParts, withPartsOrNone } from './parts';
export type { AbdominalCheck } from './schemas';
export type { Searching } from './searching';

export { countText } from './words/countText';
export { idOf, plainWords } from './words/plainWords';
