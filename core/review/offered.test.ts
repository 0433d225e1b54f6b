import type { Pose } from '../body';
import type { Condition } from '../caution';
import { fixesFor } from '../mend';
import type { Audience, Block, ClassPlan } from '../plan';
import { block, catalogOf, classOf, exercise, must, rung, type Unnamed } from '../testing/studio';
import { remediesFor, reviewClass } from './reviewClass';

const HANDS: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
const FOREARMS: Pose = { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] };
const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const LEGS: Pose = { hip: 20, supports: ['head', 'ribs', 'pelvis'] };
const FOLDED: Pose = { hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis'] };
const still = (id: string, pose: Pose, change = {}) =>
  rung(id, { poses: { home: pose, away: pose }, dose: { sets: 1, reps: 15 }, ...change });

const catalog = catalogOf([
  exercise('plank', {
    position: 'plank',
    rungs: [
      still('forearms', FOREARMS),
      still('hands', HANDS),
      still('fists', { ...HANDS, supports: ['fists', 'feet'] }, { branchOf: 'hands' }),
    ],
  }),
  exercise('step', { position: 'plank', rungs: [still('low', HANDS)] }),
  exercise('legs', { rungs: [still('folded', FOLDED), still('long', LEGS), still('longer', { ...LEGS, hip: 5 })] }),
  exercise('quiet', { rungs: [still('low', LYING)] }),
]);
const who = (...cautions: Condition[]): Audience => ({ id: 'them', name: 'They', homeHeat: 100, cautions });
const review = (blocks: ReadonlyArray<Unnamed<Block>>, audience: Audience, change: Partial<ClassPlan> = {}) =>
  reviewClass(catalog, classOf(blocks, change), { audience });
const swaps = (...args: Parameters<typeof review>) =>
  review(...args).findings.filter(({ code }) => code === 'CAUTION_SWAP');

test('an offer that is fine for a condition answers the caution of its block, at no more than a look', () => {
  const bare = swaps([block('plank/hands')], who('wrist'));
  expect(bare).toMatchObject([{ severity: 'fix', blocks: [0] }]);
  const offered = review([block('plank/hands', { options: ['forearms'] })], who('wrist'));
  const [answer] = offered.findings.filter(({ code }) => code === 'CAUTION_SWAP');
  expect(answer).toMatchObject({
    severity: 'look',
    blocks: [0],
    message: 'Wrist trouble: in plank, hands they take “forearms”.',
  });
  expect(offered.score.parts.cautions).toBeLessThan(review([block('plank/hands')], who('wrist')).score.parts.cautions);
});

test('an offer that is no better answers nothing', () => {
  const found = swaps([block('legs/longer', { options: ['long'] })], who('pelvic-floor'));
  expect(found).toMatchObject([{ severity: 'fix', blocks: [0] }]);
});

test('said once, it holds for the blocks that carry on, and not for one that begins anew', () => {
  const chain = [
    block('plank/hands', { options: ['forearms'] }),
    block('step', { carry: true }),
    block('step', { carry: false }),
  ];
  const found = swaps(chain, who('wrist'));
  expect(found.map(({ severity, blocks }) => [severity, blocks])).toEqual([
    ['fix', [2]],
    ['look', [0, 1]],
  ]);
});

test('what can be offered beside a block is offered before it is replaced', () => {
  const audience = who('wrist');
  const measured = review([block('plank/hands')], audience);
  const swap = must(measured.findings.find(({ code }) => code === 'CAUTION_SWAP'));
  const [first, ...others] = remediesFor(measured, swap);
  expect(first).toMatchObject({
    label: 'Block 1: offer “fists” beside it',
    edits: [{ kind: 'set', change: { options: ['fists'] } }],
  });
  expect(others.some(({ edits }) => edits.some(({ kind }) => kind === 'swap'))).toBe(true);
  const labels = fixesFor(catalog, measured, swap, { audience }).map(({ label }) => label);
  expect(labels).toContain('Block 1: offer “fists” beside it');
});

test('each block is told with its own value, and none is hidden', () => {
  const names = ['long', 'longer'] as const;
  const found = must(swaps([...names.map((name) => block(`legs/${name}`)), block('quiet')], who('pelvic-floor'))[0]);
  expect(found.blocks).toEqual([0, 1]);
  expect(must(found.values)[0]).toBeLessThan(must(must(found.values)[1]));
  for (const name of names) expect(found.message).toMatch(new RegExp(`legs, ${name} \\d+ N·m`));
  expect(found.message).not.toMatch(/ more\b/);
});

test('of one option and one feature there is one finding, whoever it concerns', () => {
  const audience = who('pelvic-floor', 'low-back-pain');
  const found = review([block('legs/folded', { options: ['long'] })], audience).findings.filter(
    ({ code }) => code === 'OPTION_CAUTION',
  );
  expect(found.filter(({ message }) => /double-leg lever/.test(message))).toHaveLength(1);
  expect(must(found[0]).message).toMatch(
    /^(?:Low-back pain, Pelvic-floor symptoms|Pelvic-floor symptoms, Low-back pain): /,
  );
  const wrists = review([block('plank/forearms', { options: ['hands'] })], who('wrist')).findings;
  expect(wrists.filter(({ code }) => code === 'OPTION_CAUTION')).toHaveLength(1);
});

test('a check within the limits lets a reaching leg be adapted; one beyond stops the class', () => {
  const reach = catalogOf([
    exercise('reach', {
      rungs: [
        still('one', {
          hip: { left: 90, right: 40 },
          knee: { left: 90, right: 0 },
          supports: ['head', 'ribs', 'pelvis'],
        }),
      ],
    }),
  ]);
  const checked = (fingers: number, date = '2026-11-01'): Audience => ({
    ...who('abdominal-separation'),
    abdominalChecks: [{ date, fingers, checkedBy: 'Ilva' }],
  });
  const codes = (audience: Audience) =>
    reviewClass(reach, classOf([block('reach/one')]), { audience, today: '2026-11-30' })
      .findings.map(({ code }) => code)
      .filter((code) => code.startsWith('CAUTION'));
  expect(new Set(codes(checked(2)))).toEqual(new Set(['CAUTION_ADAPT']));
  expect(codes(checked(3))).toEqual(expect.arrayContaining(['CAUTION_CLEAR_FIRST', 'CAUTION_SWAP']));
  expect(codes(checked(1, '2026-01-01'))).toContain('CAUTION_CLEAR_FIRST');
});
