import type { BasePosition, Pose } from '../../body';
import type { Direction } from '../../method';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import type { Rung } from '../exercise';
import { factorDifferences, loadCurve, loadRatios, ratioText } from './compare';
import { regionsLoaded, substitutesFor } from './substitutes';

const made = (id: string, position: BasePosition, pose: Pose, directions: Direction[], change: Partial<Rung> = {}) =>
  exercise(id, { position, directions, rungs: [rung('low', { poses: { home: pose, away: pose }, ...change })] });
const HANDS: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };
const catalog = catalogOf([
  made('plank', 'plank', { shoulder: 90, supports: ['hands', 'feet'] }, ['neutral']),
  made('forearms', 'plank', { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] }, ['neutral']),
  made('four', 'four-point', HANDS, ['neutral']),
  made('ball', 'plank', { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] }, ['neutral'], { props: ['ball'] }),
  made('lying', 'supine', { hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis'] }, ['neutral']),
  made('turned', 'seated', { hip: 90, knee: 90, twist: 30, supports: ['pelvis', 'feet'] }, ['rotation']),
]);
const entry = (id: string) => must(catalog.rung({ exercise: id, rung: 'low' }));
const names = (...given: Parameters<typeof substitutesFor> extends [unknown, unknown, ...infer R] ? R : never) =>
  substitutesFor(catalog, entry('plank'), ...given).map(({ entry: { exercise: each } }) => each.id);

test('the same position comes before the same heat elsewhere, and another direction not at all', () => {
  expect(names()[0]).toBe('forearms');
  expect(names()).toEqual(expect.arrayContaining(['four', 'lying', 'ball']));
  expect(names()).not.toContain('turned');
  expect(names()).not.toContain('plank');
});

test('a part to spare, props that are not there and a caution each leave rungs out', () => {
  expect(regionsLoaded(catalog, entry('four'))).toContain('wrists');
  expect(names({ spare: ['wrists'] })).not.toContain('four');
  expect(names({ spare: ['wrists', 'shoulders'] })).toEqual(['lying']);
  expect(names({ equipment: [] })).not.toContain('ball');
  expect(names({ allowed: ({ like }) => like !== 'plank' })).not.toContain('forearms');
});

test('each says what it changes, what it spares and what it fetches, nearest first', () => {
  const found = substitutesFor(catalog, entry('plank'));
  const distances = found.map(({ distance }) => distance);
  expect(distances).toEqual([...distances].sort((a, b) => a - b));
  expect(must(found.find((each) => each.entry.exercise.id === 'ball'))).toMatchObject({
    samePosition: true,
    fetches: ['ball'],
    spares: expect.arrayContaining(['wrists']),
  });
  const lying = must(found.find((each) => each.entry.exercise.id === 'lying'));
  expect(lying.heatChange).toBeCloseTo(catalog.heat(entry('lying')) - catalog.heat(entry('plank')), 9);
});

describe('comparing', () => {
  const legs = catalogOf([
    made(
      'bent',
      'supine',
      { hip: { left: 45, right: 90 }, knee: 90, supports: ['head', 'ribs', 'pelvis', 'foot.left'] },
      ['neutral'],
    ),
    made(
      'long',
      'supine',
      { hip: { left: 45, right: 45 }, knee: { left: 90, right: 0 }, supports: ['head', 'ribs', 'pelvis', 'foot.left'] },
      ['neutral'],
    ),
  ]);
  const [bent, long] = ['bent', 'long'].map((id) => must(legs.rung({ exercise: id, rung: 'low' })));
  test('a straight leg at 45° is 2.8 times the tabletop lever, said so', () => {
    const [ratio] = loadRatios(legs, [must(bent), must(long)]);
    expect(must(ratio)).toMatchObject({ idea: 'legLever', heavier: 'long/low', lighter: 'bent/low' });
    expect(must(ratio).ratio).toBeCloseTo(28.1 / 9.95, 1);
    expect(ratioText(must(ratio), 'long', 'bent')).toBe('The leg lever of long is 2.8 times that of bent.');
    expect(loadRatios(legs, [must(bent)])).toEqual([]);
  });
  test('the curve runs from the start to the end of a repetition and reaches the peak load', () => {
    const curve = loadCurve(catalog, entry('lying'));
    expect(curve[0]?.atCounts).toBe(0);
    expect(curve.at(-1)?.atCounts).toBe(catalog.features(entry('lying')).rep.counts);
    expect(Math.max(...curve.map(({ load }) => load.legLever ?? 0))).toBe(
      catalog.measures(entry('lying')).load.legLever,
    );
  });
  test('factors that differ come largest first; those alike are left out', () => {
    const [first] = factorDifferences(legs, [must(bent), must(long)]);
    expect(first).toBe('lever');
    expect(factorDifferences(legs, [must(bent), must(bent)])).toEqual([]);
  });
});
