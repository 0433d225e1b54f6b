import { block, catalogOf, classOf } from '../../testing/studio';
import { reviewClass } from '../reviewClass';
import { nowAndLater } from './nowAndLater';

const catalog = catalogOf();
const heard = (minutes: number) => {
  const { findings, timed } = reviewClass(
    catalog,
    classOf([block('side-leg', { side: 'left' })], { targetMinutes: minutes }),
  );
  const { now, later } = nowAndLater(findings, timed);
  return { all: findings.length, now: now.map(({ code }) => code), later: later.map(({ code }) => code) };
};

test('while a class is begun, what speaks of a finished one waits, and the rest is heard', () => {
  const { all, now, later } = heard(45);
  expect(later).toEqual(expect.arrayContaining(['TIME_UNDER', 'DIRECTION_LOW']));
  expect(now).toContain('SIDES_UNEVEN');
  expect(now.length + later.length).toBe(all);
});

test('from half its length on all is heard', () => {
  const { all, now, later } = heard(2);
  expect(later).toEqual([]);
  expect(now).toHaveLength(all);
});
