import { applyEdits, type Block, type ClassPlan } from '../plan';
import { type FindingCode, measureClass, reviewClass } from '../review';
import { block, catalogOf, classOf, EXERCISES, exercise, must, rung, type Unnamed } from '../testing/studio';
import { fixesFor } from './fixesFor';
import { betterWith, groundOf } from './trial';

const anew = (name: string, change: Parameters<typeof block>[1] = {}) => block(name, { carry: false, ...change });

describe('what would mend a finding', () => {
  const HOT = (heat: number) => ({ heatOverride: { heat, reason: 'For the test.' } });
  const full = catalogOf([...EXERCISES, exercise('hot', { rungs: [rung('low', HOT(20)), rung('high', HOT(60))] })], {
    limits: { homeHeat: 50 },
  });
  const faulty: ReadonlyArray<readonly [FindingCode, ReadonlyArray<Unnamed<Block>>, Partial<ClassPlan>]> = [
    [
      'TIME_OVER',
      [...['hold', 'curl', 'arch', 'stand'].map((name) => anew(name, { dose: { reps: 12 } })), anew('hold')],
      { targetMinutes: 5.5 },
    ],
    ['OPENING_LONG', [anew('hold', { dose: { reps: 100 } })], { openingSeconds: 120, targetMinutes: 10 }],
    ['BLOCK_LONG', [anew('hold', { dose: { sets: 2, reps: 60 } })], {}],
    ['POSITION_RETURN', [anew('hold'), anew('arch'), anew('curl'), anew('stand')], {}],
    ['SIDES_UNEVEN', [anew('reach', { side: 'left' })], {}],
    ['SIDES_UNEVEN', [anew('reach', { secondDose: { reps: 2 } })], {}],
    [
      'FLEXION_STRETCH',
      [anew('curl', { dose: { reps: 40 } }), anew('curl/high', { dose: { reps: 40 } }), anew('hold')],
      {},
    ],
    ['REQUIREMENT_UNMET', [anew('earned/high')], {}],
    ['OPTION_MISSING', [anew('hot/high')], {}],
    ['OPTION_UNMET', [anew('earned', { options: ['high'] })], {}],
    ['CARRY_LOST', [anew('hold'), block('arch', { carry: true })], {}],
  ];
  test.each(faulty)('%s: each way makes the class better and the finding smaller or gone', (code, blocks, change) => {
    const plan = classOf(blocks, change);
    const before = reviewClass(full, plan);
    const found = must(before.findings.find((each) => each.code === code));
    const remedies = fixesFor(full, before, found);
    expect(remedies.length).toBeGreaterThan(0);
    for (const {
      edits,
      after: { score },
    } of remedies) {
      const after = reviewClass(full, applyEdits(full, plan, edits));
      expect(after.score.total).toBeCloseTo(score, 9);
      expect(after.score.total).toBeLessThan(before.score.total - 0.009);
      const left = after.findings.find((each) => each.code === code);
      const apart = (each: typeof found) => Math.abs(each.value - each.limit);
      expect(left === undefined || apart(left) < apart(found)).toBe(true);
    }
  });
  test('an overrun takes a little from several late blocks, and none to one repetition', () => {
    const plan = classOf(faulty[0]?.[1] ?? [], faulty[0]?.[2]);
    const before = reviewClass(full, plan);
    const ways = fixesFor(full, before, must(before.findings.find(({ code }) => code === 'TIME_OVER')));
    const little = must(ways.find(({ label }) => label.startsWith('A little less')));
    expect(little.edits.length).toBeGreaterThan(1);
    for (const edit of little.edits) expect(edit).toMatchObject({ kind: 'dose', dose: { reps: expect.any(Number) } });
    expect(little.edits.every((edit) => edit.kind === 'dose' && (edit.dose.reps ?? 0) >= 3)).toBe(true);
  });
  test('nothing is offered that adds a stop, however much it lowers the score', () => {
    const lenient = catalogOf(EXERCISES, { limits: { homeHeat: 1 }, score: { stop: 1 } });
    const before = measureClass(
      lenient,
      classOf([anew('reach', { side: 'left' }), anew('side-leg', { side: 'left' })]),
    );
    const even = ['b1', 'b2'].map((id) => ({ kind: 'set' as const, id, change: { side: null } }));
    const unmet = { kind: 'insert' as const, before: null, block: { id: 'b3', ...block('earned/high') } as Block };
    const worse = measureClass(lenient, applyEdits(lenient, before.timed.plan, [...even, unmet]));
    expect(worse.score.total).toBeLessThan(before.score.total - 1);
    expect(betterWith(groundOf(lenient, before, {}), even)).not.toBeNull();
    expect(betterWith(groundOf(lenient, before, {}), [...even, unmet])).toBeNull();
  });
  test('nothing that is locked changes', () => {
    const plan = classOf([anew('reach', { side: 'left', locked: true })]);
    const before = reviewClass(full, plan);
    const ways = fixesFor(full, before, must(before.findings.find(({ code }) => code === 'SIDES_UNEVEN')));
    expect(ways.map(({ label }) => label)).toEqual(['Add the right side of reach, low after it']);
  });
});
