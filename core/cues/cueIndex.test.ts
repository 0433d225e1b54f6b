import { studioOf } from '../formats';
import { Catalog } from '../repertoire';
import type { Question } from '../taught';
import { demoBundle } from '../testing/demo';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { classesSpeaking, sharedCues, withCuesChanged } from './cueIndex';

const cue = (id: string, text: string, more = {}) => ({ id, kind: 'alignment' as const, text, ...more });
const EXERCISES = [
  exercise('one', {
    rungs: [
      rung('low', { cues: [cue('c1', 'Hips still.'), cue('c2', 'Neck long.')] }),
      rung('high', { cues: [cue('c1', 'Hips still.')] }),
    ],
  }),
  exercise('two', {
    rungs: [rung('low', { cues: [cue('c9', 'Hips still.')] })],
  }),
];
const catalog = catalogOf(EXERCISES);
const questions: Question[] = [{ id: 'q1', text: 'Which hips?', rung: 'two/low', cue: 'c9', state: 'open' }];

test('words said in several rungs are one, with every place; search goes by words, kind, and what was asked', () => {
  const [first, second] = sharedCues(catalog, { questions });
  expect(must(first)).toMatchObject({ text: 'Hips still.', questions });
  expect(must(first).places.map(({ entry }) => entry.key)).toEqual(['one/low', 'one/high', 'two/low']);
  expect(second?.text).toBe('Neck long.');
  expect(sharedCues(catalog, { text: 'long neck' }).map(({ text }) => text)).toEqual(['Neck long.']);
  expect(sharedCues(catalog, { kind: 'image' })).toEqual([]);
  expect(sharedCues(catalog, { questions, asked: true })).toHaveLength(1);
});

test('words are changed wherever they are said, and nowhere else', () => {
  const shared = must(sharedCues(catalog)[0]);
  const changed = withCuesChanged(shared, (each) => ({ ...each, text: 'Pelvis still.' }));
  expect(changed.map(({ id }) => id)).toEqual(['one', 'two']);
  const after = new Catalog({ exercises: changed, props: [] });
  expect(sharedCues(after).map(({ text, places }) => [text, places.length])).toEqual([
    ['Pelvis still.', 3],
    ['Neck long.', 1],
  ]);
  // A question keeps to its rung and its cue, whatever the words are by now.
  expect(sharedCues(after, { questions, asked: true }).map(({ text }) => text)).toEqual(['Pelvis still.']);
});

test('a class speaks them where it says nothing of its own in their place', () => {
  const shared = must(sharedCues(catalog)[0]);
  const own = [{ id: 'l1', kind: 'alignment' as const, text: 'Be still.' }];
  const plans = [
    { ...classOf([block('one')]), id: 'speaks' },
    { ...classOf([block('one', { lines: own })]), id: 'own-words' },
    { ...classOf([]), id: 'empty' },
  ];
  expect(classesSpeaking(plans, shared).map(({ id }) => id)).toEqual(['speaks']);
});

test('the house has its words once each, in their places', () => {
  const house = studioOf(demoBundle(), {}).catalog;
  const all = sharedCues(house);
  expect(all.reduce((sum, { places }) => sum + places.length, 0)).toBe(
    house.rungs.reduce((sum, { rung: { cues = [] } }) => sum + cues.length, 0),
  );
});
