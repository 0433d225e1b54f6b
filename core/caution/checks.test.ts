import fc from 'fast-check';
import { must } from '../testing';
import type { AbdominalCheck } from '../vocabulary/schemas';
import { daysBetween } from './calendar';
import { readChecks } from './checks';

const HOUSE = { fingerWidth: 2, checkWeeks: 26 };
const TODAY = '2026-03-01';
const check = (date: string, fingers: number, change: Partial<AbdominalCheck> = {}): AbdominalCheck => ({
  date,
  fingers,
  checkedBy: 'Ilva',
  ...change,
});

test('none on record, doming, or a gap beyond the house limit is cleared first', () => {
  expect(readChecks([], HOUSE)).toMatchObject({ clear: false, reason: 'No finger-width check is on record.' });
  expect(readChecks([check('2026-03-01', 1, { doming: true })], HOUSE)).toMatchObject({ clear: false });
  expect(readChecks([check('2026-03-01', 3)], HOUSE).reason).toContain('the house limit is 2');
  expect(readChecks([check('2026-03-01', 3)], { ...HOUSE, fingerWidth: 3 })).toMatchObject({ clear: true, reason: '' });
});

test('one person within the limit never clears another', () => {
  const [hers, another] = [check('2026-02-01', 4, { mark: 'A', doming: true }), check('2026-02-20', 1, { mark: 'B' })];
  for (const checks of [
    [hers, another],
    [another, hers],
  ]) {
    const read = readChecks(checks, HOUSE, TODAY);
    expect(read).toMatchObject({ clear: false, reason: 'The belly domed in the check of A by Ilva on 2026-02-01.' });
    expect(read.persons.map(({ mark, clear }) => [mark, clear])).toEqual([
      ['A', false],
      ['B', true],
    ]);
  }
  expect(readChecks([hers, another, check('2026-02-25', 2, { mark: 'A' })], HOUSE, TODAY).clear).toBe(true);
});

test('of two checks of one person on one day the worse counts', () => {
  const wide = check('2026-02-20', 3);
  const domed = check('2026-02-20', 1, { doming: true });
  for (const checks of [
    [check('2026-02-20', 1), wide],
    [wide, check('2026-02-20', 1)],
  ]) {
    expect(must(readChecks(checks, HOUSE, TODAY).persons[0]).latest).toBe(wide);
  }
  for (const checks of [
    [wide, domed],
    [domed, wide],
  ])
    expect(readChecks(checks, HOUSE, TODAY).reason).toMatch(/domed/);
});

test.each([
  ['on its last day', '2026-01-05', '2026-07-06', true],
  ['a day later', '2026-01-05', '2026-07-07', false],
  ['dated tomorrow', '2026-03-02', '2026-03-01', false],
  ['of today', '2026-03-01', '2026-03-01', true],
])('a check %s', (_name, date, today, clear) => {
  expect(readChecks([check(date, 1)], HOUSE, today).clear).toBe(clear);
});

test('one dated ahead outranks no real one, and a person who has only such a one has none', () => {
  const real = check('2026-02-20', 1);
  const ahead = check('2027-02-20', 1, { doming: true });
  expect(readChecks([ahead, real], HOUSE, TODAY)).toMatchObject({ clear: true, persons: [{ latest: real }] });
  expect(readChecks([{ ...ahead, mark: 'B' }, real], HOUSE, TODAY)).toMatchObject({
    clear: false,
    reason: 'No check of B is on record yet.',
  });
});

const checks = fc.array(
  fc.record({
    date: fc.constantFrom('2025-01-01', '2026-02-01', '2026-02-20', '2026-02-20', '2026-04-01'),
    fingers: fc.constantFrom(0, 1, 2, 2.5, 4),
    doming: fc.boolean(),
    mark: fc.option(fc.constantFrom('A', 'B', 'C'), { nil: undefined }),
    checkedBy: fc.constant('Ilva'),
  }),
  { maxLength: 8 },
);

test('whatever the order of entry: clear only where each person’s latest day has nothing against her', () => {
  fc.assert(
    fc.property(
      checks.chain((all) => fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length }))),
      ([all, shuffled]) => {
        const marks = [...new Set(all.map(({ mark }) => mark))];
        const fine = (mark: string | undefined) => {
          const own = all.filter((each) => each.mark === mark && each.date <= TODAY);
          const last = own
            .map(({ date }) => date)
            .sort()
            .at(-1);
          const onThatDay = own.filter(({ date }) => date === last);
          return (
            onThatDay.length > 0 &&
            onThatDay.every(
              ({ doming, fingers, date }) => !doming && fingers <= 2 && daysBetween(date, TODAY) <= 26 * 7,
            )
          );
        };
        const expected = marks.length > 0 && marks.every(fine);
        const read = readChecks(shuffled, HOUSE, TODAY);
        expect(read.clear).toBe(expected);
        expect(read.reason === '').toBe(expected);
        expect(read.persons.map(({ mark, clear }) => [mark, clear])).toEqual(
          readChecks(all, HOUSE, TODAY).persons.map(({ mark, clear }) => [mark, clear]),
        );
        // The worst stands first.
        expect(read.persons.map(({ clear }) => clear)).toEqual(
          read.persons.map(({ clear }) => clear).sort((a, b) => Number(a) - Number(b)),
        );
      },
    ),
  );
});
