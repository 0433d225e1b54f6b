import { catalogOf, exercise, rung } from '../../testing/studio';
import { Catalog } from '../catalog';
import { findRungs, rankRungs } from './search';

const catalog = catalogOf([
  exercise('plié', {
    name: 'Plié hold',
    position: 'standing',
    rungs: [rung('low'), rung('high', { props: ['ball'] })],
  }),
  exercise('arch', { name: 'Low arch', position: 'prone', directions: ['extension'] }),
]);
const keys = (query: Parameters<typeof findRungs>[1]) => findRungs(catalog, query).map(({ key }) => key);

test('nothing asked finds everything, in the order of the repertoire', () => {
  expect(keys({})).toEqual(['plié/low', 'plié/high', 'arch/low', 'arch/high']);
});

test('every word must be found, whichever way it is written and wherever it stands', () => {
  expect(keys({ text: 'HOLD plie' })).toEqual(['plié/low', 'plié/high']);
  expect(keys({ text: 'plie ball' })).toEqual(['plié/high']);
  expect(keys({ text: 'extension high' })).toEqual(['arch/high']);
  expect(keys({ text: 'plie extension' })).toEqual([]);
});

test('a cell of the map and words narrow together', () => {
  expect(keys({ position: 'prone', direction: 'extension' })).toEqual(['arch/low', 'arch/high']);
  expect(keys({ position: 'prone', direction: 'neutral' })).toEqual([]);
  expect(keys({ position: 'standing', text: 'high' })).toEqual(['plié/high']);
});

test('a direction is found by its word as well as by its key, a studio’s own position by its name', () => {
  const own = new Catalog({
    positions: [{ id: 'reed', name: 'On the reed mat', like: 'supine', edges: { supine: 2 } }],
    exercises: [exercise('bow', { position: 'reed', directions: ['lateral-flexion'], rungs: [rung('one')] })],
  });
  for (const text of ['side bend', 'lateral-flexion', 'reed mat']) expect(findRungs(own, { text })).toHaveLength(1);
  expect(findRungs(own, { text: 'carriage' })).toEqual([]);
});

test('a rung is found by where it is felt and what it is good for, by its own words over its exercise’s', () => {
  const used = catalogOf([
    exercise('fold', {
      name: 'Fold',
      feltAt: ['back-of-thigh'],
      goodFor: ['mobility'],
      rungs: [rung('low'), rung('high', { feltAt: ['inner-thigh'] })],
    }),
  ]);
  const found = (text: string) => findRungs(used, { text }).map(({ key }) => key);
  expect(found('hamstrings')).toEqual(['fold/low']);
  expect(found('inner thigh')).toEqual(['fold/high']);
  expect(found('mobility')).toEqual(['fold/low', 'fold/high']);
  expect(found('calves')).toEqual([]);
});

test('everyday words find by tags, by direction, by level and by what is said', () => {
  const named = catalogOf([
    exercise('bend', {
      name: 'Bend and stand',
      position: 'standing',
      tags: ['squat', 'knee bend'],
      rungs: [rung('low', { cues: [{ id: 'c1', kind: 'image', text: 'Like a lift between two floors.' }] })],
    }),
    exercise('turn', { name: 'Sitting turn', position: 'seated', directions: ['rotation'], rungs: [rung('low')] }),
  ]);
  const found = (text: string) => findRungs(named, { text }).map(({ key }) => key);
  expect(found('squat')).toEqual(['bend/low']);
  expect(found('obliques')).toEqual(['turn/low']);
  expect(found('between floors')).toEqual(['bend/low']);
  const easy = named.rungs.filter((entry) => named.heat(entry) <= 22).map(({ key }) => key);
  expect(found('easy')).toEqual(easy);
  expect(found('squat turn')).toEqual([]);
});

test('what is called so comes before what begins so, then what has the words in its names, then elsewhere', () => {
  const named = catalogOf([
    exercise('other', { name: 'Long slide', tags: ['opposite heel slide'] }),
    exercise('deep', { name: 'Side lift', rungs: [rung('low', { name: 'Heel down, slide back' })] }),
    exercise('more', { name: 'Heel slide with reach', rungs: [rung('one')] }),
    exercise('own', {
      name: 'Heel slide',
      rungs: [rung('single', { name: 'One leg' }), rung('both', { name: 'Two' })],
    }),
  ]);
  const found = (text: string) => findRungs(named, { text }).map(({ key }) => key);
  expect(found('heel slide')).toEqual(['own/single', 'own/both', 'more/one', 'other/low', 'other/high', 'deep/low']);
  expect(found('Heel slide, one leg')[0]).toBe('own/single');
  expect(found('hee')[0]).toBe('deep/low');
  expect([...rankRungs(named, { text: 'slide' }).values()]).toEqual([2, 2, 2, 2, 2, 2]);
});
