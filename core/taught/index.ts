export { type BlockDeed, logByHand, withBlockNote, withDeed, withFault, withOption } from './byHand';
export { checkLog } from './checkLog';
export { joinedToBefore, type PassAt, passesInTime, split, withBorder, withName } from './correct';

export { loggedTwice } from './loggedTwice';
export type { Log, PlannedDay } from './logSchema';
export { exercisesIn, namedBy } from './named';
export { countsForPace, type Pace, pacedTeacher, paceOf } from './pace';
export { plannedDay } from './plannedDay';
export type { Question } from './questionSchema';
export { logOfRehearsal, type Mark, rehearsalsOf } from './rehearsed';
export { type Moment, NoMoment, type Replan, replan } from './replan';
