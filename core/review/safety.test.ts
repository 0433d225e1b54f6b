import type { BasePosition, Pose } from '../body';
import type { Condition } from '../caution';
import { type Audience, applyEdit, type Block, type ClassPlan } from '../plan';
import type { Rung } from '../repertoire';
import { draftScript } from '../script';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { conditionsOf } from './cautionRules';
import type { FindingCode } from './finding';
import { reviewClass } from './reviewClass';

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const CURLED: Pose = { hip: 45, knee: 90, lumbar: 10, thoracic: 30, neck: 20, supports: ['pelvis', 'feet'] };
const OVER: Pose = { hip: 120, lumbar: 34, thoracic: 22, supports: ['head', 'shoulders'] };
const made = (id: string, home: Pose, away: Pose, change: Partial<Rung> = {}) =>
  rung(id, { poses: { home, away }, ...change });
const ladder = (id: string, position: BasePosition, ...rungs: Rung[]) => exercise(id, { position, rungs });

const catalog = catalogOf(
  [
    ladder('curl', 'supine', made('low', LYING, LYING), made('high', LYING, CURLED)),
    ladder('held', 'supine', made('low', CURLED, CURLED)),
    ladder('over', 'supine', made('low', LYING, LYING), made('high', LYING, OVER)),
    ladder(
      'hands',
      'four-point',
      made(
        'low',
        { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
        { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
      ),
    ),
    ladder(
      'legs',
      'supine',
      made('low', { hip: 20, supports: ['head', 'ribs', 'pelvis'] }, { hip: 20, supports: ['head', 'ribs', 'pelvis'] }),
    ),
    ladder(
      'kneel',
      'kneeling',
      made('low', { knee: 90, supports: ['knees', 'feet'] }, { knee: 90, supports: ['knees', 'feet'] }),
    ),
    ladder(
      'breathless',
      'supine',
      made('low', LYING, LYING, { phases: [{ breath: 'hold', counts: 4, pose: 'away', effort: true }] }),
    ),
    ladder('wants', 'supine', made('low', LYING, LYING, { preparation: ['wrists-warmed'] })),
    ladder('ball', 'supine', made('low', LYING, LYING, { props: ['ball'] })),
    ladder('quiet', 'supine', made('low', LYING, LYING)),
  ],
  { limits: { homeHeat: 100 } },
);
const audience = (change: Partial<Audience> = {}): Audience => ({ id: 'them', name: 'They', homeHeat: 100, ...change });
const review = (blocks: Block[], who = audience(), change: Partial<ClassPlan> = {}) =>
  reviewClass(catalog, classOf(blocks, change), { audience: who }).findings;
const found = (code: FindingCode, ...args: Parameters<typeof review>) =>
  review(...args).find((finding) => finding.code === code);
const reps = (name: string, n: number) => block(name, { dose: { reps: n } });
const minding = (...cautions: Condition[]) => audience({ cautions });

test('a caution speaks of every block it fires on, says what was measured and why, and mends it', () => {
  const plan = classOf([block('curl/high'), block('quiet'), block('curl/high')]);
  const swap = must(found('CAUTION_SWAP', plan.blocks, minding('pregnancy-second')));
  expect(swap).toMatchObject({ severity: 'fix', blocks: [0, 2], limit: 0, unit: 's' });
  expect(swap.message).toMatch(/^Pregnancy, second trimester: curl, high and 1 more, head lifted .* A crunch presses/);
  const [remedy] = swap.remedies;
  const mended = must(remedy).edits.reduce((now, edit) => applyEdit(catalog, now, edit), plan);
  expect(mended.blocks[0]).toMatchObject({ exercise: 'curl', rung: 'low' });
  expect(found('CAUTION_SWAP', mended.blocks, minding('pregnancy-second'))?.blocks).toEqual([2]);
});

test('what a professional decides is a stop, and nothing is said to people without a condition', () => {
  expect(found('CAUTION_CLEAR_FIRST', [block('over/high')], minding('glaucoma'))?.severity).toBe('stop');
  expect(found('CAUTION_CLEAR_FIRST', [block('over/low')], minding('glaucoma'))).toBeUndefined();
  expect(review([block('over/high')]).filter(({ code }) => code.startsWith('CAUTION'))).toEqual([]);
});

test('a class carries cautions of its own beside its audience’s, each once', () => {
  const own: Partial<ClassPlan> = { cautions: ['glaucoma', 'knee'] };
  expect(found('CAUTION_CLEAR_FIRST', [block('over/high')], minding('knee'), own)).toBeDefined();
  const { timed } = reviewClass(catalog, classOf([], own), { audience: minding('knee') });
  expect(conditionsOf({ timed, audience: minding('knee') })).toEqual(['glaucoma', 'knee']);
});

describe('abdominal separation', () => {
  const check = (fingers: number) => ({ date: '2026-05-04', fingers, checkedBy: 'Ilva' });
  const separated = (change: Partial<Audience>) => audience({ cautions: ['abdominal-separation'], ...change });
  test('without a clear check the class stops, whatever is in it', () => {
    expect(found('CAUTION_CLEAR_FIRST', [block('quiet')], separated({}))).toMatchObject({
      severity: 'stop',
      blocks: [],
    });
    const wide = found('CAUTION_CLEAR_FIRST', [block('quiet')], separated({ abdominalChecks: [check(3)] }));
    expect(wide).toMatchObject({ value: 3, limit: 2, unit: 'fingers' });
  });
  test('with one, only what presses on the gap is swapped', () => {
    const cleared = separated({ abdominalChecks: [check(2)] });
    expect(found('CAUTION_CLEAR_FIRST', [block('curl/high')], cleared)).toBeUndefined();
    expect(found('CAUTION_SWAP', [block('curl/high')], cleared)).toBeDefined();
    expect(found('CAUTION_SWAP', [block('quiet')], cleared)).toBeUndefined();
  });
});

test.each([
  ['HEAD_LIFTED_LONG', 'held', 23, 22],
  ['WRISTS_LONG', 'hands', 31, 30],
  ['DOUBLE_LEVER_LONG', 'legs', 16, 15],
  ['KNEELING_LONG', 'kneel', 61, 60],
] as const)('%s: a stretch over the limit is found, and fewer repetitions mend it', (code, name, over, under) => {
  const finding = must(found(code, [reps(name, over)]));
  expect(finding).toMatchObject({ severity: 'look', blocks: [0], value: over * 4, unit: 's' });
  expect(found(code, [reps(name, under)])).toBeUndefined();
  expect(must(finding.remedies[0]).edits).toEqual([{ kind: 'dose', block: 0, dose: { reps: under } }]);
});

test('short stretches that add up to too much are found as a whole', () => {
  const blocks = Array.from({ length: 4 }, () => [reps('held', 20), reps('quiet', 2)]).flat();
  expect(found('HEAD_LIFTED_LONG', blocks)).toMatchObject({ blocks: [0, 2, 4, 6], value: 320, limit: 240 });
  expect(found('HEAD_LIFTED_LONG', blocks.slice(0, 4))).toBeUndefined();
});

test('a held breath with effort is never fine; preparation and props at hand are asked for', () => {
  expect(found('BREATH_HELD', [block('breathless')])?.severity).toBe('fix');
  expect(found('BREATH_HELD', [block('quiet')])).toBeUndefined();

  expect(found('PREPARATION_MISSING', [block('wants')])?.message).toContain('the wrists taken into their stretch');
  expect(found('PREPARATION_MISSING', [block('hands'), block('wants')])).toBeUndefined();
  expect(found('PREPARATION_MISSING', [block('wants'), block('hands')])?.blocks).toEqual([0]);

  expect(found('PROP_LACKING', [block('ball')], audience({ equipment: [] }))?.message).toContain('“Ball”');
  expect(found('PROP_LACKING', [block('ball')], audience({ equipment: ['ball'] }))).toBeUndefined();
  expect(found('PROP_LACKING', [block('ball')], audience())).toBeUndefined();
});

test('the script says what is always said at the opening, and with each block what it asks', () => {
  const { timed } = reviewClass(catalog, classOf([block('curl/high'), block('quiet')]));
  const { sections } = draftScript(catalog, timed, ['neck-pain']);
  const safety = (at: number) =>
    must(sections[at])
      .lines.filter(({ kind }) => kind === 'safety')
      .map(({ text }) => text);
  expect(safety(0)).toEqual([expect.stringMatching(/^Neck pain: Head down/)]);
  expect(safety(1)).toContain('Neck pain: Head down, or wholly in the hands; a few at a time.');
  expect(safety(2)).toEqual([]);
});
