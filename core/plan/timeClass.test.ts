import fc from 'fast-check';
import { Catalog } from '../repertoire';
import { anyClass } from '../testing/arbitraries';
import { block, catalogOf, classOf, exercise, rung } from '../testing/studio';
import type { Block, ClassPlan } from './class';
import { PlanError, timeClass } from './timeClass';

const catalog = catalogOf();
const time = (blocks: Block[], change: Partial<ClassPlan> = {}) => timeClass(catalog, classOf(blocks, change));

describe('one block, by hand (20 s set-up, 5 reps of 4 s)', () => {
  test.each([
    ['both, flow: 8 set-up + 20 work', block('hold'), 28],
    ['both, teach: 20 + one shown rep + 20', block('hold', { mode: 'teach' }), 44],
    ['alternate: twice the reps', block('march'), 48],
    ['two sets rest between them', block('hold', { dose: { sets: 2 } }), 63],
    ['alternate in two sets rests once', block('march', { dose: { sets: 2 } }), 103],
    ['each: both sides, second set-up, change of side', block('reach'), 8 + 40 + 8 + 5],
    ['each in side-lying turns over', block('side-leg'), 8 + 40 + 8 + 12],
    ['one side only', block('reach', { side: 'left' }), 28],
    ['options and rest are added', block('hold', { options: ['high'], restAfterSeconds: 10 }), 46],
    ['a slower count', block('hold', { dose: { secondsPerCount: 2 } }), 48],
  ])('%s', (_name, each, seconds) => {
    expect(time([each]).blocks[0]?.seconds).toBe(seconds);
  });
});

describe('between blocks', () => {
  const changes = (blocks: Block[], change: Partial<ClassPlan> = {}) =>
    time(blocks, change).blocks.map(({ change: { seconds } }) => seconds);

  test('the shortest way, settling, and nothing inside one position', () => {
    expect(changes([block('hold'), block('curl'), block('arch')])).toEqual([0, 0, 13]);
  });
  test('the class starts at the first position unless it names another, with nothing in hand', () => {
    expect(changes([block('hold')], { openingPosition: 'standing' })).toEqual([19]);
    expect(changes([block('roll/high'), block('roll'), block('hold')])).toEqual([18, 6, 12]);
  });
  test('side-lying starts where people already lie', () => {
    const timed = time([block('side-leg'), block('side-lift')]);
    expect(timed.blocks.map(({ firstSide }) => firstSide)).toEqual(['left', 'right']);
    expect(timed.blocks[1]?.change.seconds).toBe(0);
  });
  test("an audience's pace stretches the edges, not the settling", () => {
    const unhurried = timeClass(catalog, classOf([block('hold'), block('arch')]), { id: 'a', name: 'A', pace: 2 });
    expect(unhurried.blocks[1]?.change.seconds).toBe(22);
  });
});

test('a run does first sides in order, one change of side, second sides in order', () => {
  const { blocks, parts } = time([block('reach', { run: 'a' }), block('reach/high', { run: 'a' })]);
  const slots = blocks.map(({ slots: each }) => each.map(({ side, startSeconds }) => [side, startSeconds]));
  expect(slots).toEqual([
    [
      ['left', 60],
      ['right', 121],
    ],
    [
      ['left', 88],
      ['right', 149],
    ],
  ]);
  expect(blocks.map(({ sideChange }) => sideChange)).toEqual([0, 5]);
  expect(parts).toMatchObject({ sideChanges: 5, setup: 32, work: 80 });
});

test('a run is never longer than its blocks one by one', () => {
  const apart = time([block('side-leg'), block('side-lift')]).seconds;
  expect(time([block('side-leg', { run: 'a' }), block('side-lift', { run: 'a' })]).seconds).toBeLessThan(apart);
});

describe('laws of any class', () => {
  const law = (name: string, holds: (plan: ClassPlan) => void) =>
    test(name, () => fc.assert(fc.property(anyClass, holds)));

  law('parts sum to the class, and blocks with their changes too', (plan) => {
    const timed = timeClass(catalog, plan);
    const sum = Object.values(timed.parts).reduce((a, b) => a + b, 0);
    expect(sum).toBeCloseTo(timed.seconds, 9);
    const walked = timed.blocks.reduce((total, { seconds, change }) => total + seconds + change.seconds, 0);
    expect(walked + plan.openingSeconds + plan.closingSeconds).toBeCloseTo(timed.seconds, 9);
  });
  law('passes do not overlap and fill the class but for changes', (plan) => {
    const timed = timeClass(catalog, plan);
    const slots = timed.blocks.flatMap((each) => each.slots).sort((a, b) => a.startSeconds - b.startSeconds);
    let clock = plan.openingSeconds;
    for (const slot of slots) {
      expect(slot.startSeconds).toBeGreaterThanOrEqual(clock - 1e-9);
      clock = slot.startSeconds + slot.seconds;
    }
    expect(clock + plan.closingSeconds).toBeCloseTo(timed.seconds, 6);
  });
  law('a class without one-sided limits works both sides alike', (plan) => {
    const { sides } = timeClass(catalog, plan);
    expect(sides.left).toBeCloseTo(sides.right, 9);
  });
  law('one more rep is never shorter, and the range holds the expected length', (plan) => {
    const timed = timeClass(catalog, plan);
    const longer = plan.blocks.map((each) => ({ ...each, dose: { ...each.dose, reps: (each.dose?.reps ?? 5) + 1 } }));
    const more = timeClass(catalog, { ...plan, blocks: longer });
    expect(more.seconds).toBeGreaterThanOrEqual(timed.seconds);
    expect(more.range.overChance).toBeGreaterThanOrEqual(timed.range.overChance - 1e-9);
    expect(timed.range.p10).toBeLessThanOrEqual(timed.seconds);
    expect(timed.range.p90).toBeGreaterThanOrEqual(timed.seconds);
  });
});

test('the range follows from independent parts', () => {
  // Work 20 (sd 1.6), talk 8 (2.4), opening 60 (12), closing 30 (6): sd √188.32.
  const { range, seconds } = time([block('hold')]);
  expect(seconds).toBe(118);
  expect(range.p90 - seconds).toBeCloseTo(1.28155 * Math.sqrt(188.32), 3);
  expect(time([block('hold')], { targetMinutes: 118 / 60 }).range.overChance).toBeCloseTo(0.5, 6);
});

describe('a class that does not fit the repertoire is refused whole, with every reason', () => {
  const refused = (blocks: Block[], change: Partial<ClassPlan> = {}) => {
    try {
      time(blocks, change);
    } catch (error) {
      if (error instanceof PlanError) return error.problems.map(({ path, message }) => `${path.join('.')}: ${message}`);
    }
    return [];
  };
  test.each<[string, Block[], RegExp]>([
    ['missing exercise', [block('nothing')], /^blocks\.0\.exercise: There is no exercise “nothing”/],
    ['missing rung', [block('hold/top')], /^blocks\.0\.rung: “hold” has no rung “top”; its rungs are low, high/],
    ['missing option', [block('hold', { options: ['top'] })], /^blocks\.0\.options\.0: .*no rung “top”/],
    ['side of a symmetrical exercise', [block('hold', { side: 'left' })], /^blocks\.0\.side: .*both sides at once/],
    [
      'run over two positions',
      [block('reach', { run: 'a' }), block('side-leg', { run: 'a' })],
      /from four-point to side-lying/,
    ],
    ['run torn apart', [block('reach', { run: 'a' }), block('hold'), block('reach', { run: 'a' })], /not neighbours/],
    ['run of a symmetrical exercise', [block('hold', { run: 'a' })], /each of its blocks must be done on each side/],
  ])('%s', (_name, blocks, sentence) => {
    expect(refused(blocks).join('\n')).toMatch(sentence);
  });
  test('an opening position nobody knows', () => {
    expect(refused([], { openingPosition: 'ceiling' }).join()).toMatch(
      /“ceiling” is not a position; expected one of standing/,
    );
  });
  test('two faults give two reasons', () => {
    expect(refused([block('nothing'), block('hold/top')])).toHaveLength(2);
  });
});

test("a studio's own position needs nothing but its edges", () => {
  const positions = [{ id: 'carriage', name: 'Carriage', like: 'supine' as const, edges: { seated: 5 } }];
  const exercises = [exercise('push', { position: 'carriage', rungs: [rung('low')] }), exercise('hold')];
  const own = new Catalog({ positions, exercises });
  const timed = timeClass(own, classOf([block('push'), block('hold')]));
  expect(timed.blocks[1]?.change).toMatchObject({ seconds: 15, places: ['carriage', 'seated', 'supine'] });
  expect(timed.positions).toEqual({ carriage: 28, supine: 28 });
});
