import fc from 'fast-check';
import type { Block, ClassPlan } from '../plan';
import { anyClass } from '../testing/arbitraries';
import { block, catalogOf, classOf, EXERCISES, exercise, must, rung, type Unnamed } from '../testing/studio';
import type { FindingCode } from './finding';
import { measureClass, type ReviewContext, reviewClass } from './index';

const catalog = catalogOf(EXERCISES, { limits: { homeHeat: 100 } });
const review = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}, context: ReviewContext = {}) =>
  reviewClass(catalog, classOf(blocks, change), context);
const finding = (code: FindingCode, ...args: Parameters<typeof review>) =>
  review(...args).findings.find((each) => each.code === code);
const anew = (name: string, change: Parameters<typeof block>[1] = {}) => block(name, { carry: false, ...change });

test('a finding says what was measured, the limit, where, and by which ids', () => {
  expect(finding('SIDES_UNEVEN', [block('hold'), block('reach', { side: 'left' })])).toMatchObject({
    severity: 'fix',
    blocks: [1],
    ids: ['b2'],
    value: 20,
    limit: 0,
    unit: 's',
    message: 'reach works the left side 20 s longer than the right, 5 repetitions against 0.',
  });
});

test('sides are held against each other exercise by exercise, in repetitions as in seconds', () => {
  const uneven = (...blocks: Array<Unnamed<Block>>) =>
    review(blocks).findings.filter(({ code }) => code === 'SIDES_UNEVEN');
  const four = block('reach', { secondDose: { reps: 4 } });
  const other = block('side-leg', { firstSide: 'right', secondDose: { reps: 4 } });
  // Five and four here, four and five there: two unevennesses, not none.
  expect(uneven(four, other).map(({ ids }) => ids)).toEqual([['b1'], ['b2']]);
  expect(uneven(four)[0]?.message).toContain('5 repetitions against 4');
  expect(uneven(four, block('reach/high', { firstSide: 'right', secondDose: { reps: 4 } }))).toEqual([]);
  expect(uneven(block('reach', { side: 'left' }), block('reach', { side: 'right' }))).toEqual([]);
  expect(uneven(block('reach', { mode: 'show' }))).toEqual([]);
  const slow = block('reach', { side: 'left', dose: { reps: 4, secondsPerCount: 1.25 } });
  expect(uneven(slow, block('reach', { side: 'right' }))[0]).toMatchObject({ unit: 'reps', value: 1 });
});

test('time over names the block in which the target falls', () => {
  const blocks = [anew('hold'), anew('curl'), anew('arch')];
  expect(finding('TIME_OVER', blocks, { targetMinutes: 100 / 60 })).toMatchObject({
    ids: ['b2'],
    message: expect.stringMatching(/they end in curl, low\.$/),
  });
  const closing = review(blocks).timed.seconds - 10;
  expect(finding('TIME_OVER', blocks, { targetMinutes: closing / 60 })).toMatchObject({ blocks: [] });
});

test('the gravest findings come first', () => {
  const order = review([block('earned/high'), block('reach', { side: 'left' })]).findings.map(
    ({ severity }) => severity,
  );
  const rank = (severity: string) => ['stop', 'fix', 'look'].indexOf(severity);
  expect(order).toEqual([...order].sort((a, b) => rank(a) - rank(b)));
  expect(new Set(order)).toEqual(new Set(['fix', 'look']));
});

test('a requirement is met by an earlier episode, or by a higher rung of its ladder, and by no lower one', () => {
  const plan = [block('earned/high')];
  expect(finding('REQUIREMENT_UNMET', plan, {}, { earlier: new Set(['hold/low']) })).toBeUndefined();
  expect(finding('REQUIREMENT_UNMET', [block('hold/high'), ...plan])).toBeUndefined();
  const needsHigh = catalogOf([
    exercise('hold'),
    exercise('top', { rungs: [rung('low', { requires: [{ exercise: 'hold', rung: 'high' }] })] }),
  ]);
  const codes = reviewClass(needsHigh, classOf([block('hold'), block('top')])).findings.map(({ code }) => code);
  expect(codes).toContain('REQUIREMENT_UNMET');
});

test('a rung hotter than the audience needs a lower option: no higher one, and none beside it', () => {
  const ladder = catalogOf([
    exercise('climb', {
      rungs: [
        rung('low'),
        rung('main', { dose: { sets: 3, reps: 9 } }),
        rung('side', { branchOf: 'main' }),
        rung('high'),
      ],
    }),
  ]);
  const heat = Math.floor(ladder.heat(must(ladder.rungByKey('climb/main'))));
  const audience = { id: 'a', name: 'Everyone', homeHeat: heat - 1 };
  const missing = (...options: string[]) =>
    reviewClass(ladder, classOf([block('climb/main', { options })]), { audience }).findings.some(
      ({ code }) => code === 'OPTION_MISSING',
    );
  expect([missing(), missing('high'), missing('side'), missing('low')]).toEqual([true, true, true, false]);
});

test('limits are the audience’s where it has its own', () => {
  const plan = ['hold', 'stand', 'hold', 'stand'].map((name) => block(name));
  expect(finding('FLOOR_TRIPS', plan, {}, { audience: { id: 'a', name: 'Rowers', floorTrips: 2 } })).toBeUndefined();
  expect(
    finding('FLOOR_TRIPS', plan, {}, { audience: { id: 'a', name: 'Rowers', limits: { floorTrips: 2 } } }),
  ).toBeUndefined();
  expect(finding('FLOOR_TRIPS', plan, {}, { audience: { id: 'a', name: 'Rowers' } })).toBeDefined();
});

test('a direction that the room’s cautions rule out is not asked for', () => {
  const low = (cautions: ClassPlan['cautions']) =>
    review([block('hold')], { cautions })
      .findings.filter(({ code }) => code === 'DIRECTION_LOW')
      .map(({ message }) => message);
  expect(low([])).toContain('There is no flexion in this class.');
  expect(low(['low-bone-density'])).not.toContain('There is no flexion in this class.');
  expect(low(['low-bone-density'])).toContain('There is no extension in this class.');
});

test('an unprepared rung hotter than the room is unsafe: a stop', () => {
  const audience = { id: 'a', name: 'Beginners', homeHeat: 1 };
  expect(finding('REQUIREMENT_UNMET', [block('earned/high')])?.severity).toBe('fix');
  expect(finding('REQUIREMENT_UNMET', [block('earned/high')], {}, { audience })?.severity).toBe('stop');
});

describe('purposes', () => {
  test('a lesson that shows one exercise has nothing to mend; the same as a class has', () => {
    const blocks = [anew('reach', { mode: 'show' }), anew('curl', { mode: 'show' })];
    const change = { purpose: 'lesson' as const, targetMinutes: 5 };
    expect(review(blocks, change).findings).toEqual([]);
    expect(review(blocks, { ...change, purpose: 'class' }).findings.length).toBeGreaterThan(3);
  });
  test('an empty class is reviewed without a word about what it does not have', () => {
    expect(review([]).findings.map(({ code }) => code)).toEqual(['TIME_UNDER']);
  });
});

describe('the score', () => {
  test('is the sum of its parts, each finding its weight and once more for each step beyond the limit', () => {
    // A workshop's counts are a fifth longer; steps of 24 s over a target of 240 s.
    const { score, findings } = review([anew('hold', { dose: { reps: 37 } })], {
      purpose: 'workshop',
      targetMinutes: 5,
    });
    expect(findings).toEqual([]);
    expect(score.total).toBeLessThan(1);
    const over = review([anew('hold', { dose: { reps: 50 } })], { purpose: 'workshop', targetMinutes: 4 });
    const [only] = over.findings;
    const excess = (must(only).value - 240) / 24;
    expect(over.score.parts.time).toBeCloseTo(30 * (1 + excess), 9);
    const sum = Object.values(over.score.parts).reduce((a, b) => a + b, 0);
    expect(over.score.total).toBeCloseTo(sum, 9);
  });
  test('counts no more than five steps, none for what is there or not, and by the house’s weights', () => {
    const far = review([anew('hold', { dose: { reps: 190 } })], { purpose: 'workshop', targetMinutes: 1 });
    expect(far.score.parts.time).toBe(30 * 6);
    const early = [block('earned/high', { mode: 'teach' })];
    expect(review(early, { purpose: 'lesson' }).score.parts.ladders).toBe(30);
    const house = catalogOf(EXERCISES, { score: { fix: 7 } });
    expect(reviewClass(house, classOf(early, { purpose: 'lesson' })).score.parts.ladders).toBe(7);
  });
  test('the soft measures together cost less than the mildest finding, whatever the class', () => {
    fc.assert(
      fc.property(anyClass, (plan) => {
        const { score, findings } = reviewClass(catalog, plan);
        expect(score.parts.ease).toBeGreaterThanOrEqual(0);
        expect(score.parts.ease).toBeLessThan(1);
        expect(score.total >= 1).toBe(findings.length > 0);
        expect(measureClass(catalog, plan).score).toEqual(score);
      }),
    );
  });
});
