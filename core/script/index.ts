export { type DescribedBlock, describeBlock, detailsText, doseText, isSided, propsText } from './described';
export { draftScript, type Script, type ScriptSection } from './draftScript';
export { cuesWithOwn, withLineAdded, withLineSaid, withoutOwn } from './edits';
export { GENERAL_ADVICE } from './lines/advice';
export { isHeld, prescribedWords } from './lines/counts';
export { exitFits, leadsTo } from './lines/exits';
export { cuesOf, cuesToldIn, inTurn, type LineSource, type ScriptLine, wantsWords } from './lines/line';
export { rangeWords } from './lines/rangeWords';

export { type Moment, momentIn, type PassTimes, repStart, repsPerSet } from './passTimes';
export { type CardRow, type CardStep, type RoomCard, roomCard } from './roomCard';
export { scriptOf } from './scriptOf';
export { spokenSeconds, timetableOf, type Utterance, wordsAt } from './timetable';
