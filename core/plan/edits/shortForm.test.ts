import { block, catalogOf, classOf, must, type Unnamed } from '../../testing/studio';
import type { Block } from '../class';
import { timeClass } from '../clock/timeClass';
import { guessedSetups, startRanges } from '../clock/uncertainty';
import { applyEdit } from './edit';
import { leavingOut, shortForm } from './shortForm';

const catalog = catalogOf();
const { uncertainty } = catalog.method;
const talk: Unnamed<Block> = { interlude: 'talk', name: 'Why', seconds: 30 };

test('a short form leaves out its blocks, sets up anew what went on from them, and has its own clock', () => {
  const plan = classOf([block('hold'), talk, block('curl'), block('curl/high', { carry: true })], {
    short: { leaveOut: ['b2', 'b3'] },
  });
  const short = must(shortForm(plan) ?? undefined);
  expect(short.blocks.map(({ id }) => id)).toEqual(['b1', 'b4']);
  expect(short.blocks[1]).not.toHaveProperty('carry');
  expect(short).not.toHaveProperty('short');
  expect(timeClass(catalog, plan).seconds - timeClass(catalog, short).seconds).toBeGreaterThan(30);
  expect(shortForm(classOf([block('hold')]))).toBe(null);
  expect(leavingOut(plan, 'b1', true)).toEqual({ leaveOut: ['b2', 'b3', 'b1'] });
  expect(leavingOut({ short: { leaveOut: ['b2'] } }, 'b2', false)).toBe(undefined);
});

test('a block that is removed is left out of nothing any more', () => {
  const plan = classOf([block('hold'), block('curl')], { short: { leaveOut: ['b2'] } });
  expect(applyEdit(catalog, plan, { kind: 'remove', id: 'b2' })).not.toHaveProperty('short');
  const two = classOf([block('hold'), block('curl')], { short: { leaveOut: ['b1', 'b2'] } });
  expect(applyEdit(catalog, two, { kind: 'remove', id: 'b1' }).short).toEqual({ leaveOut: ['b2'] });
});

test('where a block begins varies by all that comes before it', () => {
  const { sequence, parts } = timeClass(catalog, classOf([block('hold'), block('arch'), talk]));
  const ranges = startRanges(sequence, parts.opening, uncertainty);
  const half = (i: number) => must(ranges[i]).p90 - must(sequence[i]).startSeconds;
  // The opening alone: 60 s, of which a fifth.
  expect(half(0)).toBeCloseTo(1.28155 * 12, 3);
  // Work 20 (3), set-up guessed 8 (4), the way 13 (4.55), the teacher 41 (3.28).
  expect(half(1)).toBeCloseTo(1.28155 * Math.sqrt(12 ** 2 + 3 ** 2 + 4 ** 2 + 4.55 ** 2 + 3.28 ** 2), 3);
  expect(half(2)).toBeGreaterThan(half(1));
  expect(must(ranges[1]).p10).toBeCloseTo(must(sequence[1]).startSeconds - half(1), 9);
});

test('inside a run only the first sides have been done', () => {
  const run = ['reach', 'reach/high'].map((name) => block(name, { run: 'a' }));
  const { sequence, parts } = timeClass(catalog, classOf([...run, block('hold')]));
  const ranges = startRanges(sequence, parts.opening, uncertainty);
  const alone = timeClass(catalog, classOf([block('reach'), block('hold')]));
  const spread = (i: number) => must(ranges[i]).p90 - must(ranges[i]).p10;
  expect(spread(1)).toBeLessThan(spread(2));
  const whole = startRanges(alone.sequence, alone.parts.opening, uncertainty);
  expect(spread(1)).toBeLessThan(must(whole[1]).p90 - must(whole[1]).p10);
});

test('how far a length rests on guesses: set-ups with too few words, and what they may differ by', () => {
  const lines = [{ id: 'l1', kind: 'setup' as const, text: 'Lie '.repeat(30) }];
  const { blocks } = timeClass(
    catalog,
    classOf([
      block('hold', { mode: 'teach' }),
      block('arch', { mode: 'teach', lines }),
      block('arch/high', { carry: true }),
    ]),
  );
  // Of 20 s guessed, half.
  expect(guessedSetups(blocks, uncertainty)).toEqual({ guesses: 1, of: 2, seconds: 1.2815515655446004 * 10 });
});
