import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Condition } from '../caution';
import type { Block } from '../plan';
import { anew, byHouse, CASES, each, NAMED, reps, review } from '../testing/cases/ruleCases';
import { must, type Unnamed } from '../testing/studio';
import { FINDING_CODES } from './finding';
import type { ClassReview } from './reviewClass';
import { RULES } from './rules';
import { measuresTable, rulesTable } from './rulesTable';

test.each(['RUN_OF_SIDES', 'BEGINNING_OTHER', 'FIRST_SIDE_SAME'] as const)(
  '%s is silent in a house that has chosen nothing',
  (code) => {
    expect(codesOf(review(CASES[code].beyond))).not.toContain(code);
  },
);
test('what must be swapped is said of an option though its main version has it too; what can be adapted is not', () => {
  const offered = [anew('turn/t26', { options: ['t27'] })];
  const codes = (condition: Condition) => codesOf(review([offered, {}, { cautions: [condition] }]));
  expect(codes('low-bone-density')).toContain('OPTION_CAUTION');
  expect(codes('pregnancy-second')).toContain('CAUTION_ADAPT');
  expect(codes('pregnancy-second')).not.toContain('OPTION_CAUTION');
});

test('a small rest between two peaks is breathing space', () => {
  const peaks = (...between: Array<Unnamed<Block>>) =>
    codesOf(review([[...each('heat-10', 'heat-20', 'heat-70'), ...between, ...each('heat-71', 'heat-10')]]));
  expect(peaks()).toContain('PEAKS_CLOSE');
  expect(peaks(NAMED)).not.toContain('PEAKS_CLOSE');
  expect(peaks({ interlude: 'talk', name: 'Why', seconds: 20 })).toContain('PEAKS_CLOSE');
});

test('an option that is held longer is held against the limit with its hold', () => {
  const codes = (holdSeconds: number) =>
    codesOf(review([[reps('curled/high', 22, { options: [{ rung: 'low', dose: { reps: 20 }, holdSeconds }] })]]));
  expect(codes(9)).not.toContain('OPTION_EXPOSED');
  expect(codes(11)).toContain('OPTION_EXPOSED');
});

test('a caution on several blocks says the worst of them', () => {
  const { findings } = review([each('turn/t26', 'turn/t27'), {}, { cautions: ['low-bone-density'] }]);
  expect(findings.find(({ code }) => code === 'CAUTION_SWAP')).toMatchObject({ blocks: [0, 1], value: 27 });
});

test('of two that are equally hot the later one is the peak', () => {
  const { measures } = review([each('heat-70', 'heat-20', 'heat-70', 'heat-20')]);
  expect(measures.peakAt).toBeGreaterThan(0.5);
});

const codesOf = ({ findings }: ClassReview) => findings.map(({ code }) => code);

test('every rule is listed once, has its two classes here and its row in the docs, and no code is without a rule', () => {
  const codes = RULES.map(({ code }) => code);
  expect(new Set(codes).size).toBe(codes.length);
  expect([...codes].sort()).toEqual([...FINDING_CODES].sort());
  expect(Object.keys(CASES).sort()).toEqual([...codes].sort());
  const docs = readFileSync(join(__dirname, '../../docs/review.md'), 'utf8');
  expect(docs).toContain(rulesTable());
  expect(docs).toContain(measuresTable());
});

describe.each(RULES.map((rule) => [rule.code, rule] as const))('%s', (code, rule) => {
  const { within, beyond } = CASES[code];
  test('is silent at its limit and speaks just beyond it, with what was measured', () => {
    expect(codesOf(byHouse(code, within))).not.toContain(code);
    const found = must(byHouse(code, beyond).findings.find((each) => each.code === code));
    expect(found.message.length).toBeGreaterThan(10);
    expect(found.message).not.toMatch(/undefined|NaN|\b1 (reps|times|blocks|minutes)\b/);
    expect(found.ids).toHaveLength(found.blocks.length);
    if (rule.presence) return;
    expect(found.value).not.toBe(found.limit);
  });
  test('costs its part of the score, and is silent where its purpose or its order gives it no sense', () => {
    const [blocks, change, who] = beyond;
    const { score, raised, subject } = byHouse(code, beyond);
    expect(score.parts[rule.part]).toBeGreaterThan(0);
    const one = must(raised.find((each) => each.rule === rule));
    const weight = subject.catalog.method.score[one.severity];
    // What is there or not costs its weight; what is beyond a limit the more, the further; craft by its distance.
    if (rule.costs) expect(one.cost).toBe(rule.costs(subject));
    else if (rule.presence) expect(one.cost).toBe(weight);
    else expect(one.cost).toBeGreaterThan(weight);
    for (const purpose of ['class', 'drill', 'lesson', 'workshop'] as const) {
      if (rule.purposes?.includes(purpose) !== false) continue;
      expect(codesOf(byHouse(code, [blocks, { ...change, purpose }, who]))).not.toContain(code);
    }
    for (const order of ['customary', 'directions', 'recap'] as const) {
      if (rule.orders?.includes(order) !== false) continue;
      expect(codesOf(byHouse(code, [blocks, { ...change, order }, who]))).not.toContain(code);
    }
  });
});
