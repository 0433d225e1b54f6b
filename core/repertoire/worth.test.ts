import { EXERCISES, must, PROPS } from '../testing';
import { Catalog } from './catalog';

const source = { props: PROPS, exercises: EXERCISES };
const of = (catalog: Catalog, exercise: string) => catalog.measures(must(catalog.rung({ exercise, rung: 'low' })));

test('another catalogue over the same repertoire measures only what has changed', () => {
  const [before, after] = [
    new Catalog(source),
    new Catalog({
      ...source,
      exercises: EXERCISES.map((each) =>
        each.id === 'hold' ? { ...each, rungs: each.rungs.map((rung) => ({ ...rung, name: 'Other' })) } : each,
      ),
    }),
  ];
  expect(of(after, 'curl')).toBe(of(before, 'curl'));
  expect(of(after, 'hold')).not.toBe(of(before, 'hold'));
  expect(of(after, 'hold')).toEqual(of(before, 'hold'));
});

test.each([
  ['the method', { method: { bodyMassKg: 95 } }, 'curl'],
  ['a prop', { props: PROPS.map((prop) => (prop.id === 'roller' ? { ...prop, unstable: false } : prop)) }, 'roll'],
  [
    'the position',
    { exercises: EXERCISES.map((each) => (each.id === 'curl' ? { ...each, position: 'prone' } : each)) },
    'curl',
  ],
])('a rung is measured anew when %s changes', (_name, change, exercise) => {
  const before = of(new Catalog(source), exercise);
  expect(of(new Catalog({ ...source, ...change }), exercise)).not.toBe(before);
  expect(of(new Catalog(source), exercise)).toEqual(before);
});
