export { countsForPace, doneOf, type EndedClass, isInside, ownPaceOf, type Pace, pacedTeacher, paceOf } from './pace';
