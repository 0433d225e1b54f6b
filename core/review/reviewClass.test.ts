import type { Block, ClassPlan } from '../plan';
import { applyEdit } from '../plan';
import { block, catalogOf, classOf, EXERCISES, must } from '../testing/studio';
import type { FindingCode } from './finding';
import { type ReviewContext, reviewClass } from './reviewClass';

const catalog = catalogOf(EXERCISES, { limits: { homeHeat: 100 } });
const review = (blocks: Block[], change: Partial<ClassPlan> = {}, context: ReviewContext = {}) =>
  reviewClass(catalog, classOf(blocks, change), context);
const finding = (code: FindingCode, ...args: Parameters<typeof review>) =>
  review(...args).findings.find((each) => each.code === code);
const long = (name: string, reps = 100) => block(name, { dose: { reps } });

/** Each rule: a class it must speak about, and the nearest one it must not. */
const CASES: Array<[FindingCode, Parameters<typeof review>, Parameters<typeof review>]> = [
  ['TIME_OVER', [[block('hold')], { targetMinutes: 1 }], [[block('hold')], { targetMinutes: 2 }]],
  ['TIME_UNDER', [[block('hold')], { targetMinutes: 3 }], [[block('hold')], { targetMinutes: 2 }]],
  ['TIME_AT_RISK', [[block('hold')], { targetMinutes: 2 }], [[block('hold')], { targetMinutes: 2.15 }]],
  ['BLOCK_LONG', [[long('hold', 90)]], [[long('hold', 85)]]],
  ['OPENING_LONG', [[long('hold')], { openingSeconds: 90 }], [[long('hold')], { openingSeconds: 70 }]],
  [
    'POSITION_RETURN',
    [[block('hold'), block('arch'), block('curl'), block('stand')]],
    [[block('hold'), block('arch'), block('curl')]],
  ],
  [
    'FLOOR_TRIPS',
    [[block('hold'), block('stand'), block('hold'), block('stand')]],
    [[block('stand'), block('hold'), block('stand')]],
  ],
  ['DIRECTION_LOW', [[block('hold')]], [['hold', 'curl', 'arch', 'side-leg', 'reach'].map((name) => block(name))]],
  ['DIRECTION_HIGH', [[block('curl'), block('hold')]], [[block('curl'), long('hold', 5), block('arch')]]],
  ['FLEXION_STRETCH', [[long('curl', 61), block('hold')]], [[long('curl', 40), block('hold'), long('curl', 40)]]],
  ['SIDES_UNEVEN', [[block('reach', { side: 'left' })]], [[block('reach')]]],
  ['REQUIREMENT_UNMET', [[block('earned/high')]], [[block('hold'), block('earned/high')]]],
];

describe.each(CASES)('%s', (code, faulty, sound) => {
  test('speaks where it should', () => expect(finding(code, ...faulty)).toBeDefined());
  test('is silent on the nearest sound class', () => {
    if (code === 'DIRECTION_LOW') {
      const missing = review(...sound)
        .findings.filter((each) => each.code === code)
        .map(({ message }) => message);
      expect(missing).toEqual(['There is no articulation in this class.']);
    } else expect(finding(code, ...sound)).toBeUndefined();
  });
  test('every remedy makes its finding smaller or mends it', () => {
    const before = finding(code, ...faulty);
    for (const { edits } of before?.remedies ?? []) {
      const [blocks, change, context] = faulty;
      const mended = edits.reduce((plan, edit) => applyEdit(catalog, plan, edit), classOf(blocks, change));
      const after = reviewClass(catalog, mended, context).findings.find((each) => each.code === code);
      expect(
        after === undefined ||
          Math.abs(after.value - after.limit) < Math.abs((before?.value ?? 0) - (before?.limit ?? 0)),
      ).toBe(true);
    }
  });
});

test('a finding says what was measured, the limit and where', () => {
  expect(finding('SIDES_UNEVEN', [block('hold'), block('reach', { side: 'left' })])).toMatchObject({
    severity: 'fix',
    blocks: [1],
    value: 20,
    limit: 0,
    unit: 's',
    message: 'The left side works 20 s longer than the right.',
  });
});

test('the gravest findings come first', () => {
  const order = review([block('earned/high'), block('reach', { side: 'left' })]).findings.map(
    ({ severity }) => severity,
  );
  expect(order).toEqual(
    [...order].sort((a, b) => ['stop', 'fix', 'look'].indexOf(a) - ['stop', 'fix', 'look'].indexOf(b)),
  );
  expect(new Set(order)).toEqual(new Set(['fix', 'look']));
});

test('a requirement is met by an earlier episode, or by a higher rung of its ladder', () => {
  const plan: Block[] = [block('earned/high')];
  expect(finding('REQUIREMENT_UNMET', plan, {}, { earlier: new Set(['hold/low']) })).toBeUndefined();
  expect(finding('REQUIREMENT_UNMET', [block('hold/high'), ...plan])).toBeUndefined();
});

test('a rung hotter than the audience needs a lower option, not a higher one', () => {
  const heat = Math.floor(catalog.heat(must(catalog.rungs[1])));
  const context = { audience: { id: 'a', name: 'Everyone', homeHeat: heat - 1 } };
  expect(finding('OPTION_MISSING', [block('hold/high')], {}, context)?.blocks).toEqual([0]);
  expect(finding('OPTION_MISSING', [block('hold', { options: ['high'] })], {}, context)).toBeDefined();
  expect(finding('OPTION_MISSING', [block('hold/high', { options: ['low'] })], {}, context)).toBeUndefined();
});

test('an audience that may stand up more often changes the limit', () => {
  const plan = ['hold', 'stand', 'hold', 'stand'].map((name) => block(name));
  const audience = { id: 'a', name: 'Rowers', floorTrips: 2 };
  expect(finding('FLOOR_TRIPS', plan, {}, { audience })).toBeUndefined();
});

test('an empty class is reviewed without a word about what it does not have', () => {
  expect(review([]).findings.map(({ code }) => code)).toEqual(['TIME_UNDER']);
});

test('an unprepared rung hotter than the room is unsafe: a stop', () => {
  const audience = { id: 'a', name: 'Beginners', homeHeat: 1 };
  expect(finding('REQUIREMENT_UNMET', [block('earned/high')])?.severity).toBe('fix');
  expect(finding('REQUIREMENT_UNMET', [block('earned/high')], {}, { audience })?.severity).toBe('stop');
});
