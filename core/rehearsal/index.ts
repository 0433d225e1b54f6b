export { away, between, type Reading } from './clock';
export { type Course, type CourseMode, notBegun, planNow, type Step, secondsOf, tapped } from './course';
export { keyOf, passOf } from './keys';
export { type LoggedDay, logOfCourse } from './logOfCourse';
export { type RepNow, type Standing, standing } from './standing';
export { readTaps, type Tap } from './taps';
