import type { BasePosition, Pose } from '../body';
import type { Condition } from '../caution';
import { fixesFor } from '../mend';
import { type Audience, applyEdit, type Block, type ClassPlan } from '../plan';
import type { Rung } from '../repertoire';
import { draftScript } from '../script';
import { block, catalogOf, classOf, exercise, must, rung, type Unnamed } from '../testing/studio';
import type { FindingCode } from './finding';
import { reviewClass } from './reviewClass';
import { conditionsOf } from './subject/room';

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
      made('low', LYING, LYING, { phases: [{ id: 'p1', breath: 'hold', counts: 4, pose: 'away', effort: true }] }),
    ),
    ladder('wants', 'supine', made('low', LYING, LYING, { preparation: ['wrists-warmed'] })),
    ladder('ball', 'supine', made('low', LYING, LYING, { props: ['ball'] })),
    ladder('quiet', 'supine', made('low', LYING, LYING)),
    exercise('each-hand', {
      position: 'four-point',
      sides: 'each',
      rungs: [
        made(
          'low',
          { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
          { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
        ),
      ],
    }),
  ],
  { limits: { homeHeat: 100 } },
);
const audience = (change: Partial<Audience> = {}): Audience => ({ id: 'them', name: 'They', homeHeat: 100, ...change });
const review = (blocks: ReadonlyArray<Unnamed<Block>>, who = audience(), change: Partial<ClassPlan> = {}) =>
  reviewClass(catalog, classOf(blocks, change), { audience: who }).findings;
const found = (code: FindingCode, ...args: Parameters<typeof review>) =>
  review(...args).find((finding) => finding.code === code);
const reps = (name: string, n: number, change: Parameters<typeof block>[1] = {}) =>
  block(name, { dose: { reps: n }, ...change });
const minding = (...cautions: Condition[]) => audience({ cautions });

test('a caution speaks of every block it fires on, says what was measured and why, and mends it', () => {
  const plan = classOf([block('curl/high'), block('quiet'), block('curl/high')]);
  const who = minding('pregnancy-second');
  const before = reviewClass(catalog, plan, { audience: who });
  const swap = must(before.findings.find(({ code }) => code === 'CAUTION_SWAP'));
  expect(swap).toMatchObject({ severity: 'fix', blocks: [0, 2], ids: ['b1', 'b3'], limit: 0, unit: 's' });
  expect(swap.message).toBe(
    'Pregnancy, second trimester, head lifted: curl, high 2 s; curl, high 2 s. A crunch presses on the belly wall. Head down, or the same work on all fours.',
  );
  expect(swap.values).toEqual([2, 2]);
  const own = fixesFor(catalog, before, swap, { audience: who }).find(({ label }) => /^curl, low/.test(label));
  const mended = must(own).edits.reduce((now, edit) => applyEdit(catalog, now, edit), plan);
  expect(mended.blocks[0]).toMatchObject({ exercise: 'curl', rung: 'low' });
  expect(found('CAUTION_SWAP', mended.blocks, who)?.blocks).toEqual([2]);
});

test('what a professional decides is a stop, and nothing is said to people without a condition', () => {
  expect(found('CAUTION_CLEAR_FIRST', [block('over/high')], minding('glaucoma'))?.severity).toBe('stop');
  expect(found('CAUTION_CLEAR_FIRST', [block('over/low')], minding('glaucoma'))).toBeUndefined();
  expect(review([block('over/high')]).filter(({ code }) => code.startsWith('CAUTION'))).toEqual([]);
});

test('a class carries cautions of its own beside its audience’s, each once', () => {
  const own: Partial<ClassPlan> = { cautions: ['glaucoma', 'knee'] };
  expect(found('CAUTION_CLEAR_FIRST', [block('over/high')], minding('knee'), own)).toBeDefined();
  expect(conditionsOf(own, minding('knee'))).toEqual(['glaucoma', 'knee']);
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

describe('stretches', () => {
  const stretch = (code: FindingCode, ...blocks: Array<Unnamed<Block>>) => {
    const all = review(blocks).filter((finding) => finding.code === code && finding.limit !== 240);
    return all.map(({ ids, value }) => [ids.join(' '), Math.round(value)]);
  };
  test('of the rules of one condition on one stretch only the gravest speaks', () => {
    const minded = (...blocks: Array<Unnamed<Block>>) =>
      review(blocks, audience({ cautions: ['knee'] })).flatMap(({ code, ids }) =>
        code.startsWith('CAUTION_') ? [`${code} ${ids.join()}`] : [],
      );
    expect(minded(reps('kneel', 10))).toEqual(['CAUTION_ADAPT b1']);
    expect(minded(reps('kneel', 40))).toEqual(['CAUTION_SWAP b1']);
  });
  test('a stretch over the limit is found, and fewer repetitions mend it', () => {
    const plan = classOf([reps('held', 30)], { targetMinutes: 3 });
    const before = reviewClass(catalog, plan, { audience: audience() });
    const finding = must(before.findings.find(({ code }) => code === 'HEAD_LIFTED_LONG'));
    expect(finding).toMatchObject({ severity: 'look', ids: ['b1'], value: 120, unit: 's' });
    const ways = fixesFor(catalog, before, finding, { audience: audience() });
    expect(ways.filter(({ advised }) => advised).map(({ edits }) => edits)).toEqual([
      [{ kind: 'dose', id: 'b1', dose: { reps: 22 } }],
    ]);
  });
  test('runs across blocks that carry on, set-ups included, and names them all', () => {
    // 12 × 4 s, 8 × 0.4 s of set-up, 12 × 4 s.
    expect(stretch('HEAD_LIFTED_LONG', reps('held', 12), reps('held', 12))).toEqual([['b1 b2', 99]]);
    // Five layers of one curl are one stretch.
    const layers = Array.from({ length: 5 }, () => reps('held', 5, { mode: 'teach' }));
    expect(stretch('HEAD_LIFTED_LONG', ...layers)).toEqual([['b1 b2 b3 b4 b5', 5 * 20 + 4 * 8]]);
  });
  test('ends where something lets go: another shape, another place, a small rest', () => {
    expect(stretch('HEAD_LIFTED_LONG', reps('held', 12), block('quiet'), reps('held', 12))).toEqual([]);
    const rest: Unnamed<Block> = { interlude: 'recover', name: 'Rest', seconds: 10 };
    expect(stretch('HEAD_LIFTED_LONG', reps('held', 12), rest, reps('held', 12))).toEqual([]);
    expect(stretch('KNEELING_LONG', reps('kneel', 40), block('quiet'), reps('kneel', 40))).toEqual([]);
  });
  test('goes on from one side to the other, and what is rested after the second is no part of it', () => {
    const over = 2 * 80 + 12;
    expect(stretch('WRISTS_LONG', reps('each-hand', 20))).toEqual([['b1', over]]);
    expect(stretch('WRISTS_LONG', reps('each-hand', 20, { restAfterSeconds: 15 }))).toEqual([['b1', over]]);
  });
  test('a rest after a block, and the way between places that load the same, let nothing go', () => {
    expect(stretch('HEAD_LIFTED_LONG', reps('held', 12, { restAfterSeconds: 20 }), reps('held', 12))).toEqual([
      ['b1 b2', 119],
    ]);
    // From kneeling to hands and knees nobody’s knees leave the floor: 160 + 8 + 8 + 160.
    expect(review([reps('kneel', 40), reps('hands', 40)]).filter(({ code }) => code === 'KNEELING_LONG')).toMatchObject(
      [{ ids: ['b1', 'b2'], value: 160 + 8 + 8 + 160 }],
    );
  });
  test('an interlude counts for back, front and knees by its position, and by what is done in it', () => {
    const talk: Unnamed<Block> = { interlude: 'talk', name: 'Why', seconds: 60 };
    const flat = (...blocks: Array<Unnamed<Block>>) => found('CAUTION_ADAPT', blocks, minding('pregnancy-second'))?.ids;
    expect(flat(block('quiet'))).toBeUndefined();
    expect(flat(block('quiet'), talk, block('quiet'))).toEqual(['b1', 'b2', 'b3']);
    const curled: Unnamed<Block> = { interlude: 'recover', name: 'Curled', seconds: 60, rung: 'held/low' };
    expect(stretch('HEAD_LIFTED_LONG', reps('held', 10), curled)).toEqual([['b1 b2', 100]]);
    expect(found('CAUTION_SWAP', [curled], minding('pregnancy-second'))?.ids).toEqual(['b1']);
  });
  test('cautions on time are held against the stretch and not the block', () => {
    const sore = minding('neck-pain');
    // 11 × 4 s each; 45 s is the most.
    expect(found('CAUTION_SWAP', [reps('held', 11)], sore)).toBeUndefined();
    expect(found('CAUTION_SWAP', [reps('held', 11), reps('held', 11)], sore)?.ids).toEqual(['b1', 'b2']);
  });
  test('the seconds are those of the room', () => {
    expect(found('HEAD_LIFTED_LONG', [reps('held', 20)], audience({ tempo: 1.2 }))?.value).toBeCloseTo(96, 6);
  });
  test('short stretches that add up to too much are found as a whole; what is only shown is left aside', () => {
    const blocks = Array.from({ length: 4 }, () => [reps('held', 20), reps('quiet', 2)]).flat();
    expect(found('HEAD_LIFTED_LONG', blocks)).toMatchObject({ blocks: [0, 2, 4, 6], value: 320, limit: 240 });
    expect(found('HEAD_LIFTED_LONG', blocks.slice(0, 4))).toBeUndefined();
    const shown = blocks.map((each) => ({ ...each, mode: 'show' as const, shown: 20 }));
    expect(found('HEAD_LIFTED_LONG', shown)).toBeUndefined();
  });
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
  const { sections } = draftScript(catalog, timed, { conditions: ['neck-pain'] });
  const safety = (at: number) =>
    must(sections[at])
      .lines.filter(({ kind }) => kind === 'safety')
      .map(({ text }) => text);
  expect(safety(0)).toEqual([expect.stringMatching(/^With a troublesome neck: Head down/)]);
  expect(safety(1)).toContain('With a troublesome neck: Head down, or wholly in the hands; a few at a time.');
  expect(safety(2)).toEqual([]);
});
