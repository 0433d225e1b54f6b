import fc from 'fast-check';
import { demoBundle } from '../testing/demo';
import { runs } from '../testing/runs';
import { block, catalogOf, classOf, EXERCISES, must } from '../testing/studio';
import { effectsOn, outlineOf } from '.';
import { apart, differenceOf } from './apart';

test('what sets two lists apart, put to the one and taken from it, makes the other', () => {
  const list = fc.array(fc.constantFrom<string>('a', 'b', 'c'));
  fc.assert(
    fc.property(list, list, (before, after) => {
      const { gone, come } = apart(before, after);
      const left = [...before];
      for (const each of gone) left.splice(left.indexOf(each), 1);
      expect([...left, ...come].sort()).toEqual([...after].sort());
      expect(come.filter((each) => gone.includes(each))).toEqual([]);
    }),
  );
});

test('a version says what is longer, what is new in it, and what the review then says', () => {
  const catalog = catalogOf();
  const before = outlineOf(catalog, classOf([block('hold'), block('curl')]));
  const after = outlineOf(catalog, classOf([block('hold'), block('curl'), block('roll')], { targetMinutes: 60 }));
  const { seconds, steps, findings } = differenceOf(before, after);
  expect(seconds).toBe(after.standing.seconds - before.standing.seconds);
  expect(steps).toEqual({ gone: [], come: ['roll, low'] });
  expect(findings.come.join()).toMatch(/45|60/);
  expect(Object.values(after.directions).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  expect(differenceOf(before, before)).toEqual({
    seconds: 0,
    score: 0,
    steps: { gone: [], come: [] },
    findings: { gone: [], come: [] },
    lines: { gone: [], come: [] },
  });
});

test('the answer a house gives already changes nothing of a class; another does, and says what', () => {
  const plan = classOf([
    block('hold', { mode: 'teach' }),
    block('side-leg', { run: 'a' }),
    block('side-lift', { run: 'a' }),
  ]);
  const effects = effectsOn({ exercises: EXERCISES, props: [] }, plan);
  const of = (question: string, answer: string) =>
    must(effects.find((each) => each.answer.question === question && each.answer.answer === answer)).difference;
  expect(of('sideChange', 'run').findings).toEqual({ gone: [], come: [] });
  expect(of('sideChange', 'block').findings.come.join()).toMatch(/changes sides block by block/);
  expect(of('effortBreath', 'natural').lines.gone).toContain('Breathe out on the effort.');
  expect(of('effortBreath', 'natural').lines.come).toContain('Breathe as it comes; never hold it.');
  expect(of('begin', 'standing').findings.come.join()).toMatch(/the house begins standing/);
});

test('every class of the demo can be held against every answer', () => {
  const { exercises = [], props, positions, method, classes = [], audiences = [] } = demoBundle();
  for (const plan of classes.slice(0, runs(1, 3))) {
    const audience = audiences.find(({ id }) => id === plan.audience);
    const effects = effectsOn({ exercises, props, positions, method }, plan, { audience });
    expect(effects.some(({ difference }) => difference.lines.come.length > 0)).toBe(true);
  }
});
