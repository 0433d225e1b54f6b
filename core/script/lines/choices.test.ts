import type { Choices } from '../../method';
import { type ClassPlan, timeClass } from '../../plan';
import type { Exercise, Rung } from '../../repertoire';
import { asksFor, loadsLowBack } from '../../school';
import { block, catalogOf, classOf, exercise, rung } from '../../testing/studio';
import { draftScript } from '../draftScript';

const UP = { supports: ['head', 'shoulders', 'ribs', 'pelvis'], hip: 90, knee: 90 } as const;
const poses = (change: object = {}): Pick<Rung, 'poses'> => ({
  poses: {
    home: { ...UP, supports: [...UP.supports], ...change },
    away: { ...UP, supports: [...UP.supports], hip: 50, knee: 0, ...change },
  },
});
const says = (text: string, kind: 'alignment' | 'action' = 'alignment'): Pick<Rung, 'cues'> => ({
  cues: [{ id: 'c1', kind, text, ...(kind === 'action' ? { phase: 'p1' } : {}) }],
});
/** Eight ladders whose legs load the back, each drawn and worded its own way. */
const LADDERS: Exercise[] = [
  exercise('silent-1', { rungs: [rung('low', poses())] }),
  exercise('silent-2', { rungs: [rung('low', poses())] }),
  exercise('silent-3', { rungs: [rung('low', poses()), rung('high', poses())] }),
  exercise('keeps', { rungs: [rung('low', { ...poses(), ...says('Keep the small gap under your waist.') })] }),
  exercise('presses', { rungs: [rung('low', { ...poses(), ...says('Press your low back down.') })] }),
  exercise('drawn-pressed', { rungs: [rung('low', poses({ lumbar: 10 }))] }),
  exercise('drawn-hollow', { rungs: [rung('low', poses({ lumbar: -8 }))] }),
  exercise('own-way', { rungs: [rung('low', { ...poses(), choices: { lowBack: 'imprint' } })] }),
  exercise('hold'),
];
const NAMES = [
  'silent-1',
  'silent-2',
  'silent-3',
  'silent-3/high',
  'keeps',
  'presses',
  'drawn-pressed',
  'drawn-hollow',
  'own-way',
  'hold',
];

function linesOf(choices: Partial<Choices>, change: Partial<ClassPlan> = {}, series?: Partial<Choices>) {
  const catalog = catalogOf(LADDERS, { choices });
  const plan = classOf(
    NAMES.map((name) => block(name, { mode: 'teach', carry: false })),
    change,
  );
  const script = draftScript(catalog, timeClass(catalog, plan), { choices: series });
  return script.sections.flatMap(({ kind, title, lines }) =>
    kind === 'block'
      ? lines.filter(({ said }) => said).map(({ text }) => [title.split(',')[0] as string, text] as const)
      : [],
  );
}
const asking = (lines: ReturnType<typeof linesOf>, what: 'keep-gap' | 'press-back') =>
  lines.filter(([, text]) => asksFor(text, what)).map(([ladder]) => ladder);

test('changing what is asked of the low back changes every line it concerns, and none beside', () => {
  const [neutral, imprint] = [linesOf({ lowBack: 'neutral' }), linesOf({ lowBack: 'imprint' })];
  expect(asking(neutral, 'keep-gap')).toEqual(['silent-1', 'silent-2', 'silent-3', 'keeps', 'presses', 'drawn-hollow']);
  expect(asking(imprint, 'press-back')).toEqual([
    'silent-1',
    'silent-2',
    'silent-3',
    'keeps',
    'presses',
    'drawn-pressed',
    'own-way',
  ]);
  // A rung drawn and worded one way is said that way.
  expect(asking(neutral, 'press-back')).toEqual(['own-way']);
  expect(asking(imprint, 'keep-gap')).toEqual([]);
  const beside = (lines: ReturnType<typeof linesOf>) =>
    lines.filter(([, text]) => !asksFor(text, 'keep-gap') && !asksFor(text, 'press-back'));
  expect(beside(imprint)).toEqual(beside(neutral));
});

test('by load: the gap while a foot is down, pressed down when both legs are up, a held leg up too', () => {
  const lines = linesOf({ lowBack: 'by-load' });
  expect(asking(lines, 'press-back')).toEqual(asking(linesOf({ lowBack: 'imprint' }), 'press-back'));
  expect(asking(lines, 'keep-gap')).toEqual([]);
});

test('what a class has chosen comes before its series, and that before the house', () => {
  expect(linesOf({ lowBack: 'neutral' }, {}, { lowBack: 'imprint' })).toEqual(linesOf({ lowBack: 'imprint' }));
  expect(linesOf({ lowBack: 'imprint' }, { choices: { lowBack: 'neutral' } }, { lowBack: 'imprint' })).toEqual(
    linesOf({ lowBack: 'neutral' }),
  );
});

const spring: Exercise[] = [
  exercise('out', { position: 'seated' }),
  exercise('meant', {
    position: 'seated',
    rungs: [
      rung('low', {
        phases: [
          { id: 'p1', breath: 'in', counts: 2, pose: 'away', effort: true, onPurpose: true },
          { id: 'p2', breath: 'out', counts: 2, pose: 'home' },
        ],
      }),
    ],
  }),
  exercise('on-and-on', {
    position: 'seated',
    rungs: [rung('low', { phases: [{ id: 'p1', breath: 'free', counts: 10, pose: 'home', effort: true }] })],
  }),
];
test.each([
  ['out', true],
  ['meant', false],
  ['on-and-on', false],
])('the breath of the house is said of %s only where it is breathed so: %s', (name, said) => {
  const catalog = catalogOf(spring);
  const script = draftScript(catalog, timeClass(catalog, classOf([block(name, { mode: 'teach' })])));
  const texts = script.sections.flatMap(({ lines }) => lines.map(({ text }) => text));
  expect(texts.includes('Breathe out on the effort.')).toBe(said);
});

test('the ladders here load the low back, or the counts above say nothing', () => {
  const catalog = catalogOf(LADDERS);
  const loaded = catalog.rungs.filter((entry) => loadsLowBack(catalog, entry)).map(({ key }) => key);
  expect(loaded).toHaveLength(9);
});
