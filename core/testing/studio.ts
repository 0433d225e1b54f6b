import { type Bundle, emptyBundle } from '../formats';
import type { Block, ClassPlan, RungBlock } from '../plan';
import { Catalog, type Exercise, type Rung } from '../repertoire';
import { frozen } from './frozen';

/** A small repertoire with round figures, so that a test's expected seconds can be worked out by hand. */
const LYING = { supports: ['head', 'ribs', 'pelvis', 'feet'], hip: 45, knee: 90 } satisfies Rung['poses'][string];

export const rung = (id: string, change: Partial<Rung> = {}): Rung => ({
  id,
  name: id,
  setupSeconds: 20,
  dose: { sets: 1, reps: 5 },
  poses: { home: LYING, away: { ...LYING, hip: 60 } },
  start: 'home',
  phases: [
    { id: 'p1', breath: 'out', counts: 2, pose: 'away', effort: true },
    { id: 'p2', breath: 'in', counts: 2, pose: 'home' },
  ],
  ...change,
});

export const exercise = (id: string, change: Partial<Exercise> = {}): Exercise => ({
  id,
  name: id,
  position: 'supine',
  directions: ['neutral'],
  sides: 'both',
  rungs: [rung('low'), rung('high')],
  ...change,
});

export const EXERCISES: Exercise[] = frozen([
  exercise('hold'),
  exercise('curl', { directions: ['flexion'] }),
  exercise('arch', { position: 'prone', directions: ['extension'] }),
  exercise('side-leg', { position: 'side-lying', directions: ['lateral-flexion'], sides: 'each' }),
  exercise('side-lift', { position: 'side-lying', directions: ['neutral', 'lateral-flexion'], sides: 'each' }),
  exercise('reach', { position: 'four-point', directions: ['neutral', 'rotation'], sides: 'each' }),
  exercise('march', { sides: 'alternate' }),
  exercise('stand', { position: 'standing' }),
  exercise('roll', { rungs: [rung('low', { props: ['roller'] }), rung('high', { props: ['roller', 'ball'] })] }),
  exercise('earned', { rungs: [rung('low'), rung('high', { requires: [{ exercise: 'hold', rung: 'low' }] })] }),
]);

export const PROPS = [
  { id: 'roller', name: 'Roller', large: true, unstable: true },
  { id: 'ball', name: 'Ball' },
];

export const catalogOf = (exercises: readonly Exercise[] = EXERCISES, method = {}): Catalog =>
  new Catalog(frozen({ method, props: PROPS, exercises }));

/** A block without an id yet: `classOf` gives it one by its place. */
export type Unnamed<T> = T extends { id: string } ? Omit<T, 'id'> & { readonly id?: string } : never;

export const block = (name: string, change: Partial<RungBlock> = {}): Unnamed<RungBlock> => {
  const [id = '', step = 'low'] = name.split('/');
  return { exercise: id, rung: step, mode: 'flow', ...change };
};

/** Blocks with an id by their place where they have none: the first is `b1`. */
const named = (blocks: ReadonlyArray<Unnamed<Block>>): Block[] =>
  blocks.map((each, i) => ({ id: `b${i + 1}`, ...each }) as Block);

export const classOf = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}): ClassPlan =>
  frozen({
    id: 'test-class',
    name: 'Test class',
    delivery: 'group',
    targetMinutes: 45,
    openingSeconds: 60,
    closingSeconds: 30,
    blocks: named(blocks),
    ...change,
  });

/** A studio as it is read from a file: of its own through and through, and to be spoilt by whoever likes. */
export const bundleOf = (change: Partial<Bundle> = {}): Bundle =>
  JSON.parse(
    JSON.stringify({
      ...emptyBundle(),
      props: PROPS,
      exercises: EXERCISES,
      classes: [classOf([block('hold'), block('curl')])],
      series: [{ id: 'a-series', name: 'A series', episodes: [{ class: 'test-class' }] }],
      ...change,
    }),
  );

/** The value, or a failed test: what a fixture is known to hold. */
export function must<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('expected the fixture to hold a value');
  return value;
}
