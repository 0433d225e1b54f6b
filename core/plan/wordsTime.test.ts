import type { Rung } from '../repertoire';
import { wordsOf } from '../testing/cases/ruleCases';
import { block, catalogOf, classOf, EXERCISES, exercise, rung, type Unnamed } from '../testing/studio';
import type { Block, ClassPlan, Line } from './class';
import { timeClass } from './clock/timeClass';

/** A set-up of 42 words and a check of 14 at 140 a minute: 18 s and 6 s; the guess is 20 s. */
const worded: Partial<Rung> = {
  cues: [
    { id: 'c1', kind: 'setup', text: wordsOf(42) },
    { id: 'c2', kind: 'check', text: wordsOf(14) },
    { id: 'c3', kind: 'alignment', text: wordsOf(7), phase: 'p1' },
    { id: 'c4', kind: 'image', text: wordsOf(14) },
    { id: 'c5', kind: 'image', text: wordsOf(70) },
    { id: 'c6', kind: 'fault', sign: wordsOf(28), text: wordsOf(7) },
    { id: 'c7', kind: 'action', text: wordsOf(70), phase: 'p1' },
    { id: 'c8', kind: 'note', text: wordsOf(70) },
  ],
};
const catalog = catalogOf([...EXERCISES, exercise('told', { rungs: [rung('low', worded)] })]);
const time = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}, house = catalog) =>
  timeClass(house, classOf(blocks, change));
const line = (kind: Line['kind'], words: number, more: Partial<Line> = {}): Line => ({
  id: `${kind}-${words}-${more.phase ?? ''}-${more.pass ?? ''}`,
  kind,
  text: words === 0 ? '' : wordsOf(words),
  ...more,
});
const told = (change: Parameters<typeof block>[1]) => block('told', { mode: 'teach', carry: false, ...change });
const setupOf = (change: Parameters<typeof block>[1]): number =>
  time([block('hold'), told(change)]).blocks[1]?.setup as number;

test.each<[string, Parameters<typeof block>[1], number]>([
  ['the rung’s words of set-up and check, longer than the guess', {}, 24],
  ['the guess, longer than the words', { lines: [line('setup', 14)] }, 20],
  ['what the class says in their place', { lines: [line('setup', 70)] }, 36],
  ['what is left unsaid does not count', { lines: [line('setup', 70), line('check', 0)] }, 30],
  ['nor what only the second pass says', { lines: [line('setup', 70, { pass: 2 })] }, 24],
  ['seconds that are typed hold', { setupSeconds: 12 }, 12],
  ['in flow what the rung says is known', { mode: 'flow' }, 8],
  ['in flow the class’s own words count', { mode: 'flow', lines: [line('setup', 28)] }, 12],
  ['carrying on, the check alone is said', { carry: true }, 8],
  ['carrying on with words of the class', { carry: true, lines: [line('setup', 7)] }, 4 + 3 + 6],
  ['carrying on with nothing said', { carry: true, lines: [line('setup', 0), line('check', 0)] }, 8],
  ['carrying on in flow', { carry: true, mode: 'flow' }, 8 * 0.4],
  ['carrying on in flow, one word', { carry: true, mode: 'flow', lines: [line('setup', 7)] }, 4 + 3],
  // 7 words to keep, one image of 14, a fault of 7: 12 s explained after two shown repetitions.
  ['shown, what is explained afterwards', { mode: 'show' }, 24 + 12],
  ['shown, with the class’s own image', { mode: 'show', lines: [line('image', 28)] }, 24 + 18],
  [
    'shown, what to keep on one phase said otherwise',
    { mode: 'show', lines: [line('alignment', 14, { phase: 'p1' })] },
    24 + 15,
  ],
])('a set-up lasts as long as what is said: %s', (_, change, seconds) => {
  expect(setupOf(change)).toBeCloseTo(seconds, 9);
});

test('words are spoken at the teacher’s rate, drafted words never count', () => {
  const slow = { teacher: { id: 't', name: 'T', wordsPerMinute: 70 } };
  expect(timeClass(catalog, classOf([told({})]), slow).blocks[0]?.setup).toBe(48);
  // What is drafted for a rung that says nothing has words too.
  expect(time([block('hold', { mode: 'teach', lines: [line('setup', 0)] })]).blocks[0]?.setup).toBe(20);
});

test('openings, closings, talks and checks last at least their words, in length, start times and range alike', () => {
  const words = { openingWords: [wordsOf(140), wordsOf(140)], closingWords: [wordsOf(70)] };
  const timed = time([block('hold')], words);
  expect(timed.parts).toMatchObject({ opening: 120, closing: 30 });
  expect(timed.blocks[0]?.startSeconds).toBe(120);
  expect(timed.seconds).toBe(120 + 28 + 30);
  // Work 20 (3), talk 8 (4), opening 120 (24), closing 30 (6), the teacher 28 (2.24).
  const sd = Math.sqrt(3 ** 2 + 4 ** 2 + 24 ** 2 + 6 ** 2 + 2.24 ** 2);
  expect(timed.range.p90 - timed.seconds).toBeCloseTo(1.28155 * sd, 3);

  const check = (more: object): Unnamed<Block> => ({ interlude: 'check', name: 'Pelvis', seconds: 9, ...more });
  const lasts = (more: object) => time([check(more), block('hold')]).parts.interludes;
  expect(lasts({ words: [wordsOf(28), wordsOf(14)], finds: wordsOf(90) })).toBe(18);
  expect(lasts({ words: [wordsOf(28)], lines: [line('check', 70)] })).toBe(30);
  expect(lasts({ words: [wordsOf(28)], lines: [line('note', 70)] })).toBe(12);
  expect(lasts({ words: [wordsOf(70)], lines: [line('check', 0)] })).toBe(9);
});

test('how far a set-up varies hangs on whether its words or a typed number say how long it is', () => {
  // 23 of 47 words are half of the 20 s guessed for the shape: 10 s.
  const known = (change: Parameters<typeof block>[1]) => time([block('hold'), told(change)]).blocks[1]?.setupKnown;
  const said = (words: number) => known({ lines: [line('setup', words), line('check', 0)] });
  expect([said(23), said(24)]).toEqual([false, true]);
  expect(known({ setupSeconds: 1 })).toBe(true);
  expect(known({ mode: 'flow' })).toBe(false);
  expect(known({ carry: true })).toBe(true);
});

test('the practice length explains nothing, for all of it is done', () => {
  const { seconds, practiceSeconds } = time([told({ mode: 'show' })]);
  expect(seconds).toBe(60 + 24 + 12 + 2 * 4 + 30);
  expect(practiceSeconds).toBe(60 + 24 + 5 * 4 + 30);
});

test('a short pause in place lets nobody go; a longer one, one with a rung and two in a row do', () => {
  const pause = (seconds: number, more: object = {}): Unnamed<Block> => ({
    interlude: 'recover',
    name: 'A breath',
    seconds,
    ...more,
  });
  const carries = (...between: Array<Unnamed<Block>>) =>
    time([block('hold'), ...between, block('curl')]).blocks[1]?.carries;
  expect(carries(pause(20))).toBe(true);
  expect(carries(pause(20.5))).toBe(false);
  expect(carries(pause(9, { words: [wordsOf(49)] }))).toBe(false);
  expect(carries(pause(9, { rung: 'hold/low' }))).toBe(false);
  expect(carries(pause(9), pause(9))).toBe(false);
  expect(carries(pause(9, { position: 'supine' }))).toBe(true);
  expect(carries(pause(9, { position: 'seated' }))).toBe(false);
});

test('a check fetches its own props, and the next block puts away what it does not need', () => {
  const check: Unnamed<Block> = { interlude: 'check', name: 'Along the back', seconds: 30, props: ['ball'] };
  const of = (blocks: Array<Unnamed<Block>>) =>
    time(blocks).sequence.map(({ change }) => [change.taken, change.putAway].map((each) => each.map(({ id }) => id)));
  expect(of([block('hold'), check, block('hold')])).toEqual([
    [[], []],
    [['ball'], []],
    [[], ['ball']],
  ]);
  expect(of([block('roll'), check, block('roll/high')])).toEqual([
    [['roller'], []],
    [['ball'], []],
    [[], []],
  ]);
  expect(time([block('hold'), check, block('hold')]).parts.transitions).toBe(12);
});
