import { timeClass } from '../plan';
import { draftScript } from '../script';
import { block, catalogOf, classOf } from '../testing/studio';
import { BEGINNING, backward, behind, type Course, counted, kept, onward } from './course';

const catalog = catalogOf();
const plan = classOf([block('hold'), block('side-leg'), block('curl')]);
const script = draftScript(catalog, timeClass(catalog, plan));

test('taps go through every stretch once, and what was begun when is kept block by block and pass by pass', () => {
  let course: Course = BEGINNING;
  let seconds = 0;
  while (!course.done) {
    seconds += 10;
    course = onward(script, course, seconds);
  }
  expect(course.begun).toHaveLength(script.sections.length);
  const rehearsal = kept(script, plan, course, { seconds, at: '2026-11-28T18:30:00', teacher: 'ilva' });
  expect(rehearsal).toMatchObject({ date: '2026-11-28', begun: '18:30', seconds, teacher: 'ilva' });
  expect(rehearsal.marks.map(({ block: id, pass, startSeconds }) => [id, pass, startSeconds])).toEqual([
    ['b1', 1, 10],
    ['b2', 1, 20],
    ['b2', 2, 30],
    ['b3', 1, 40],
  ]);
});

test('back begins the stretch before anew, and never before the first; a count starts again with each stretch', () => {
  const second = counted(onward(script, BEGINNING, 30));
  expect(second).toMatchObject({ at: 1, counted: 1 });
  expect(backward(second, 40)).toEqual({ at: 0, begun: [0], counted: 0, done: false });
  expect(backward(BEGINNING, 5)).toEqual(BEGINNING);
  expect(onward(script, counted(BEGINNING), 12)).toMatchObject({ counted: 0, begun: [0, 12] });
});

test('whoever moves on in time is on time, ways and all; who stays longer falls behind second by second', () => {
  const stretch = { startSeconds: 60, leadSeconds: 10, seconds: 30 };
  expect(behind(stretch, 50, 50)).toBe(0);
  expect(behind(stretch, 50, 90)).toBe(0);
  expect(behind(stretch, 50, 97)).toBe(7);
  expect(behind(stretch, 65, 70)).toBe(15);
  expect(behind(stretch, 40, 60)).toBe(-10);
});
