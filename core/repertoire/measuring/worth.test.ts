import { EXERCISES, must, PROPS } from '../../testing';
import { Catalog, type CatalogSource } from '../catalog';

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

describe('heats that were measured elsewhere', () => {
  // Of another copy: nothing of it is remembered here.
  const copy = (): CatalogSource => JSON.parse(JSON.stringify(source));
  const elsewhere = new Catalog(copy());
  const heats = elsewhere.heatsOf(elsewhere.rungs);

  test('are taken over as they are, and the rest is measured when it is asked for', () => {
    const here = new Catalog(copy());
    const before = new Set(here.rungs.filter((entry) => here.isMeasured(entry)));
    expect(before.size).toBe(0);
    here.knowHeats({ ...heats, 'gone/low': 3 });
    for (const entry of here.rungs) {
      expect(here.isMeasured(entry)).toBe(true);
      expect(here.heat(entry)).toBe(heats[entry.key]);
    }
    expect({ ...of(here, 'curl') }).toEqual({ ...of(elsewhere, 'curl') });
  });

  test('hold for another catalogue of the same rungs, and no longer where what they are measured with is another', () => {
    const own = copy();
    new Catalog(own).knowHeats(Object.fromEntries(Object.keys(heats).map((key) => [key, 99])));
    const props = own.props?.map((prop) => ({ ...prop }));
    expect(of(new Catalog({ ...own, props }), 'roll').heat).toBe(99);
    expect(of(new Catalog({ ...own, method: { bodyMassKg: 95 } }), 'curl').heat).not.toBe(99);
  });
});
