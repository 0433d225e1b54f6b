import { applyEdits } from '../plan';
import { measureClass, type ReviewContext } from '../review';
import { block, catalogOf, classOf, EXERCISES, exercise, must, rung } from '../testing/studio';
import { type Addition, additionOf, additionsAt, groundOf, standingWith } from '.';

const HEAT = (heat: number) => ({ heatOverride: { heat, reason: 'For the test.' } });
const catalog = catalogOf(
  [
    ...EXERCISES,
    exercise('steep', { rungs: [rung('low', HEAT(20)), rung('middle', HEAT(45)), rung('high', HEAT(60))] }),
    exercise('bow', { directions: ['extension'] }),
    exercise('twin', { rungs: [rung('low', HEAT(21)), rung('high', { ...HEAT(22), props: ['roller'] })] }),
  ],
  { limits: { homeHeat: 50, heatJump: 20 } },
);
type Blocks = ReadonlyArray<ReturnType<typeof block>>;
const ground = (blocks: Blocks, context: ReviewContext = {}, change = {}) =>
  groundOf(catalog, measureClass(catalog, classOf(blocks, change), context), context);
const keyOf = ({ entry }: Pick<Addition, 'entry'>) => entry.key;
const placeOf = (all: readonly Addition[], key: string) => all.findIndex((each) => keyOf(each) === key);

test('what is done where people are comes before what they have to move for, there and on', () => {
  const { fit } = additionsAt(ground([block('hold'), block('curl')]), 1);
  const [standing, lying] = [must(fit[placeOf(fit, 'stand/low')]), must(fit[placeOf(fit, 'march/low')])];
  expect(lying.moving).toBe(0);
  expect(standing.moving).toBe(2 * catalog.graph.path('supine', 'standing').seconds);
  expect(placeOf(fit, 'march/low')).toBeLessThan(placeOf(fit, 'stand/low'));
  // Who is sent there anyway pays nothing for it.
  const between = additionsAt(ground([block('stand'), block('hold')]), 1).fit;
  for (const key of ['stand/high', 'march/low']) expect(must(between[placeOf(between, key)]).moving).toBe(0);
  // At the end nobody has to come back.
  const last = additionsAt(ground([block('hold'), block('curl')]), 2).fit;
  expect(must(last[placeOf(last, 'stand/low')]).moving).toBe(standing.moving / 2);
});

test('an empty class is begun where it says it begins, and anywhere where it says nothing', () => {
  const from = (change: object) => additionsAt(ground([], {}, change), 0).fit;
  const standing = from({ openingPosition: 'standing' });
  expect(keyOf(must(standing[0]))).toMatch(/^stand\//);
  expect(new Set(from({}).map(({ moving }) => moving))).toEqual(new Set([0]));
});

test('what is not learnt, done already, above the room or a leap of heat stands further down, and none is left out', () => {
  const { fit, unfit } = additionsAt(ground([block('hold')]), 1);
  expect(fit.length + unfit.length).toBe(catalog.rungs.length);
  const later = (behind: string, before: string) => expect(placeOf(fit, behind)).toBeGreaterThan(placeOf(fit, before));
  // A leap from what is done before; above the room, though no leap from there.
  later('steep/middle', 'twin/low');
  const { fit: warm } = additionsAt(ground([block('steep/middle')]), 1);
  expect(placeOf(warm, 'steep/high')).toBeGreaterThan(placeOf(warm, 'twin/low'));
  later('hold/low', 'march/low');
  expect(must(fit[placeOf(fit, 'hold/low')]).again).toBe(true);
  const { fit: early } = additionsAt(ground([]), 0);
  expect(placeOf(early, 'earned/high')).toBeGreaterThan(placeOf(early, 'twin/low'));
  expect(must(early[placeOf(early, 'earned/high')]).unmet.map(({ key }) => key)).toEqual(['hold/low']);
});

test('what was learnt before the place, or in an earlier episode, is no longer missing; after the place it is', () => {
  const unmet = (blocks: Blocks, at: number, context?: ReviewContext) => {
    const { fit } = additionsAt(ground(blocks, context), at);
    return must(fit[placeOf(fit, 'earned/high')]).unmet.length;
  };
  expect(unmet([block('hold'), block('curl')], 1)).toBe(0);
  expect(unmet([block('curl'), block('hold')], 1)).toBe(1);
  expect(unmet([block('curl')], 1, { earlier: new Set(['hold/low']) })).toBe(0);
});

test('a direction the class has too little of is brought up, and said', () => {
  const flexion = [
    block('hold', { dose: { reps: 60 } }),
    ...Array.from({ length: 6 }, () => block('curl', { dose: { reps: 20 } })),
  ];
  const { fit } = additionsAt(ground(flexion), flexion.length);
  expect(must(fit[placeOf(fit, 'bow/low')]).brings).toEqual(['extension']);
  expect(must(fit[placeOf(fit, 'curl/low')]).brings).toEqual([]);
  expect(placeOf(fit, 'bow/low')).toBeLessThan(placeOf(fit, 'march/low'));
});

test('what nobody can do here is folded away with the reason', () => {
  const audience = { id: 'a', name: 'A', equipment: [] };
  const { fit, unfit } = additionsAt(ground([block('hold')], { audience }), 1);
  const why = new Map(unfit.map(({ entry, why: reason }) => [entry.key, reason]));
  expect(why.get('twin/high')).toBe('It needs “Roller”, which is not at hand.');
  expect(placeOf(fit, 'twin/high')).toBe(-1);
  expect(placeOf(fit, 'twin/low')).toBeGreaterThanOrEqual(0);
});

test('put in, it is taught, or run where it was done before, and stands where it was to; how the class stands then is told', () => {
  const here = ground([block('hold'), block('curl')]);
  for (const [key, mode] of [
    ['march/low', 'teach'],
    ['hold/low', 'flow'],
  ] as const) {
    for (const at of [0, 1, 2]) {
      const { fit } = additionsAt(here, at);
      const addition = must(fit[placeOf(fit, key)]);
      const edit = additionOf(here, addition, at);
      const after = applyEdits(catalog, here.measure.timed.plan, [edit]);
      expect(after.blocks[at]).toMatchObject({ exercise: key.split('/')[0], mode });
      expect(new Set(after.blocks.map(({ id }) => id)).size).toBe(3);
      const measured = measureClass(catalog, after, {});
      expect(standingWith(here, addition, at)).toMatchObject({
        score: measured.score.total,
        seconds: measured.timed.seconds,
      });
    }
  }
});

test('lying on a side is one way among two, and what nothing leads to is left out with the reason', () => {
  const own = catalogOf([...EXERCISES, exercise('beam', { position: 'side-lying', sides: 'each' })]);
  const apart = groundOf(own, measureClass(own, classOf([block('hold')]), {}), {});
  const { fit } = additionsAt(apart, 1);
  const lying = must(fit.find(({ entry }) => entry.key === 'beam/low'));
  expect(lying.moving).toBe(own.graph.path('supine', 'side-left').seconds);
  expect(fit.every(({ moving }) => Number.isFinite(moving))).toBe(true);
});
