import fc from 'fast-check';
import { block, bundleOf, classOf, EXERCISES, exercise, must, PROPS, rung } from '../../testing/studio';
import {
  type Bundle,
  COLLECTIONS,
  checkBundle,
  checkChanges,
  type DocumentChange,
  type DocumentKind,
  Documents,
  documentKey,
} from '..';

/** A studio in which every kind of document names others. */
const WHOLE: Bundle = bundleOf({
  positions: [
    { id: 'perch', name: 'Perch', like: 'seated', edges: { standing: 6 } },
    { id: 'nook', name: 'Nook', like: 'seated', edges: { perch: 4 } },
    // Joined to standing by the others alone.
    { id: 'attic', name: 'Attic', like: 'supine', edges: { nook: 4 } },
  ],
  props: [...PROPS, { id: 'chair', name: 'Chair' }],
  exercises: [
    ...EXERCISES,
    exercise('perched', { position: 'perch', rungs: [rung('low', { props: ['chair'] })] }),
    exercise('later', { rungs: [rung('low', { requires: [{ exercise: 'earned', rung: 'high' }] })] }),
  ],
  audiences: [
    { id: 'potters', name: 'Potters', equipment: ['chair'] },
    { id: 'choir', name: 'Choir' },
  ],
  teachers: [{ id: 'ilva', name: 'Ilva', cleared: { audiences: ['choir'] } }],
  rooms: [{ id: 'kiln', name: 'Kiln room', props: { ball: 4 } }],
  classes: [
    classOf([block('hold'), block('earned/high'), block('later')], { id: 'one', audience: 'potters' }),
    classOf([block('perched'), block('hold')], { id: 'two', openingPosition: 'nook' }),
    classOf([block('reach')], { id: 'three' }),
  ],
  series: [
    { id: 'spring', name: 'Spring', audience: 'choir', episodes: [{ class: 'one' }], schedule: { room: 'kiln' } },
    { id: 'summer', name: 'Summer', follows: 'spring', episodes: [{ class: 'two', teacher: 'ilva' }] },
  ],
});
const studio = Documents.of(WHOLE);

const edited = <K extends DocumentKind>(kind: K, id: string, change: object): DocumentChange =>
  ({ kind, id, value: { ...must(studio.get(kind, id)), ...change } }) as DocumentChange;
const high = (requires: ReadonlyArray<{ exercise: string; rung: string }>) => [
  rung('low'),
  rung('high', { requires: [...requires] }),
];

/** What somebody might do; half of it breaks something, here or in what names it, and some only with another. */
const CHANGES: readonly DocumentChange[] = [
  ...COLLECTIONS.flatMap((kind) => studio.list(kind).map(({ id }) => ({ kind, id }) as DocumentChange)),
  edited('exercises', 'hold', { rungs: [rung('high')] }),
  edited('exercises', 'hold', { position: 'prone' }),
  edited('exercises', 'hold', { position: 'nook' }),
  edited('exercises', 'reach', { position: 'loft' }),
  edited('exercises', 'march', { rungs: high([{ exercise: 'nothing', rung: 'low' }]) }),
  edited('exercises', 'curl', { rungs: high([{ exercise: 'arch', rung: 'high' }]) }),
  edited('exercises', 'arch', { rungs: high([{ exercise: 'curl', rung: 'high' }]) }),
  edited('exercises', 'hold', {
    rungs: [rung('low', { requires: [{ exercise: 'later', rung: 'low' }] }), rung('high')],
  }),
  edited('positions', 'perch', { edges: { nook: 3 } }),
  edited('positions', 'nook', { edges: { loft: 3, perch: 4 } }),
  edited('positions', 'nook', { edges: { perch: 9 } }),
  edited('audiences', 'choir', { equipment: ['sled'] }),
  edited('teachers', 'ilva', { cleared: { audiences: ['nobody'] } }),
  edited('rooms', 'kiln', { props: {} }),
  edited('classes', 'three', { audience: 'choir' }),
  edited('classes', 'two', { openingPosition: 'loft' }),
  edited('series', 'spring', { follows: 'summer' }),
  edited('series', 'summer', { follows: 'winter' }),
  edited('series', 'summer', { goals: [{ exercise: 'later', rung: 'low' }] }),
  { kind: 'method', id: 'house', value: { edgeSeconds: { 'perch>standing': 9 } } },
  { kind: 'method', id: 'house', value: { edgeSeconds: { 'loft>standing': 9 } } },
  { kind: 'series', id: 'winter', value: { id: 'winter', name: 'Winter', episodes: [{ class: 'three' }] } },
];

/** Each problem by its document, and what is wrong. */
const told = (problems: ReadonlyArray<{ kind: string; id: string; message: string }>) =>
  new Set(problems.map(({ kind, id, message }) => `${kind}/${id}: ${message}`));
function foundInAll(after: Bundle): Set<string> {
  return told(
    checkBundle(after).map(({ path: [kind, at], message }) => {
      const list = kind === 'method' ? [] : (after[kind as 'classes'] ?? []);
      return { kind: String(kind), id: kind === 'method' ? 'house' : (list[Number(at)]?.id ?? ''), message };
    }),
  );
}

test('the studio is sound, and each change by itself is one or the other', () => {
  expect(checkBundle(WHOLE)).toEqual([]);
  const broken = CHANGES.filter((change) => checkBundle(studio.with([change]).bundle).length > 0);
  expect(broken.length).toBeGreaterThan(15);
  expect(broken.length).toBeLessThan(CHANGES.length - 10);
});

test('what is found where something changed, and in what names it, is all that is wrong with the studio', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.constantFrom(...CHANGES), { minLength: 1, maxLength: 4 }), (changes) => {
      const after = studio.with(changes);
      const keys = [...new Set(changes.map(({ kind, id }) => documentKey(kind, id)))];
      expect(told(checkChanges(after, keys))).toEqual(foundInAll(after.bundle));
    }),
    { numRuns: 300 },
  );
});

test('a class that only stands on what was changed keeps a block that can’t carry on by now; one that is written does not', () => {
  const carrying = classOf([block('hold'), block('curl', { carry: true })], { id: 'carrying' });
  const before = Documents.of(bundleOf({ classes: [carrying], series: [] }));
  const prone = {
    kind: 'exercises',
    id: 'curl',
    value: { ...must(before.get('exercises', 'curl')), position: 'prone' },
  } as const;
  const after = before.with([prone]);
  expect(checkChanges(after, ['exercises/curl'])).toEqual([]);
  expect(checkChanges(after, ['classes/carrying'])).toEqual([
    expect.objectContaining({
      kind: 'classes',
      id: 'carrying',
      message: expect.stringContaining('can’t carry on here'),
    }),
  ]);
});
