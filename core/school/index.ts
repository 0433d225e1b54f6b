export { type Guidance, guidanceFor } from './guidance';
export { type BackAsk, backAskIn, bearsLowBack, loadsLowBack } from './lowBack';
export { backSentence, SCHOOL_CODES, type SchoolCode, seatAgainst, straysOf } from './strays';
export { asksFor } from './words';
