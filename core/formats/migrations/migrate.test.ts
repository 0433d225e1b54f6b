import { inVersion1, type Json } from '../../testing/cases/version1';
import { bundleOf, must } from '../../testing/studio';
import { checkBundle } from '../checks/checkBundle';
import { pathText } from '../checks/problems';
import type { Bundle } from '../file/bundle';
import { bundleJsonSchema } from '../file/bundleSchema';
import { readBundle } from '../file/parseBundle';
import { carriedHeat } from './heatScale';
import { migrateDocument } from './migrate';

const firstRung = (file: { exercises: Json[] }) => (must(file.exercises[0]).rungs as [Json])[0];
const blocksOf = (file: { classes: Json[] }) => must(file.classes[0]).blocks as Json[];
const read = (file: Json) => {
  const parsed = readBundle(file);
  if (!parsed.ok)
    throw new Error(parsed.problems.map(({ path, message }) => `${pathText(path)}: ${message}`).join('\n'));
  return parsed;
};
const refusal = (file: Json): string => {
  const parsed = readBundle(file);
  const [problem] = parsed.ok ? checkBundle(parsed.bundle) : parsed.problems;
  return problem ? `${pathText(problem.path)}: ${problem.message}` : 'accepted';
};

test('a file of version 1 is read as it would stand in version 2, with ids by kind and place, the same each time', () => {
  const file = inVersion1(bundleOf());
  const { bundle, notes } = read(file);
  expect(bundle).toEqual(bundleOf());
  expect(notes).toEqual([]);
  expect(read(file).bundle).toEqual(bundle);
  expect(checkBundle(bundle)).toEqual([]);
});

test('entry, phases and exit are counted together, and words named by place name ids', () => {
  const file = inVersion1(bundleOf(), (each) => {
    const rung = firstRung(each);
    rung.entry = [{ breath: 'in', counts: 2, pose: 'home' }];
    rung.exit = [{ breath: 'in', counts: 2, pose: 'away' }];
    rung.cues = [
      { kind: 'setup', text: 'Lie down.' },
      { kind: 'action', text: 'Back.', phase: 1 },
    ];
    const [block] = blocksOf(each);
    if (block) block.lines = [{ kind: 'image', text: 'A still pond.', phase: 0 }];
  });
  const { exercises = [], classes = [] } = read(file).bundle;
  const rung = exercises[0]?.rungs[0];
  expect([...(rung?.entry ?? []), ...(rung?.phases ?? []), ...(rung?.exit ?? [])].map(({ id }) => id)).toEqual([
    'p1',
    'p2',
    'p3',
    'p4',
  ]);
  expect(rung?.cues?.map(({ id, phase }) => [id, phase])).toEqual([
    ['c1', undefined],
    ['c2', 'p3'],
  ]);
  expect(classes[0]?.blocks[0]?.lines).toEqual([{ id: 'l1', kind: 'image', text: 'A still pond.', phase: 'p2' }]);
  expect(classes[0]?.blocks.map(({ id }) => id)).toEqual(['b1', 'b2']);
});

test('heats that a person typed are carried onto the new scale, stop signs leave “stay”, weights go; each is reported', () => {
  const file = inVersion1(bundleOf(), (each) => {
    const rung = firstRung(each);
    rung.heatOverride = { heat: 36, reason: 'Seen.' };
    rung.gate = {
      ready: ['no pain'],
      stay: ['the belly domes', 'pain in the knee', 'they feel dizzy'],
      stop: ['leaking'],
    };
    each.audiences = [{ id: 'choir', name: 'Choir', homeHeat: 40 }];
    each.method = { limits: { homeHeat: 43, floorTrips: 2 }, heatWeights: { lever: 20 } };
  });
  const { bundle, notes } = read(file);
  const rung = bundle.exercises?.[0]?.rungs[0];
  expect(rung?.heatOverride?.heat).toBe(46);
  expect(rung?.gate).toEqual({
    ready: ['no pain'],
    stay: ['the belly domes'],
    stop: ['leaking', 'pain in the knee', 'they feel dizzy'],
  });
  expect(bundle.audiences?.[0]?.homeHeat).toBe(carriedHeat(40));
  expect(bundle.method).toMatchObject({ limits: { homeHeat: 63, floorTrips: 2 } });
  expect(notes.map(({ path }) => pathText(path)).filter((path) => path !== 'method.choices.lowBack')).toEqual([
    'method.heatWeights',
    'method.limits.homeHeat',
    'exercises[0].rungs[0].heatOverride.heat',
    'exercises[0].rungs[0].gate.stop',
    'exercises[0].rungs[0].gate.stop',
    'audiences[0].homeHeat',
  ]);
  expect(notes.every(({ message }) => message.length > 20)).toBe(true);
});

test('the scale of heat rises from 0 to 100 and goes through its table', () => {
  for (let heat = 0; heat < 100; heat++) expect(carriedHeat(heat + 1)).toBeGreaterThanOrEqual(carriedHeat(heat));
  expect([0, 9, 29, 43, 60, 100].map(carriedHeat)).toEqual([0, 11, 30, 63, 91, 100]);
});

test.each<[string, Parameters<typeof inVersion1>[1], RegExp]>([
  [
    'an id where version 1 has none',
    (file) => Object.assign(blocksOf(file)[0] ?? {}, { id: 'b1' }),
    /^classes\[0\]\.blocks\[0\]\.id: The key “id” is not known here in version 1/,
  ],
  [
    'words on a phase that is not there',
    (file) => Object.assign(firstRung(file), { cues: [{ kind: 'action', text: 'Go.', phase: 7 }] }),
    /cues\[0\]\.phase: There is no phase 7; expected 0 to 1/,
  ],
  [
    'no version',
    (file) => Object.assign(file, { version: undefined }),
    /^version: Expected a version from 1 to 3; found none/,
  ],
  [
    'version nought',
    (file) => Object.assign(file, { version: 0 }),
    /^version: Expected a version from 1 to 3; found 0/,
  ],
  ['a block that is nothing', (file) => Object.assign(blocksOf(file), { 0: 5 }), /^classes\[0\]\.blocks\[0\]/],
])('version 1 with %s is refused with where and what', (_name, change, sentence) => {
  expect(refusal(inVersion1(bundleOf(), change))).toMatch(sentence);
});

test.each<[string, (bundle: Bundle) => unknown, RegExp]>([
  [
    'a block without an id',
    (b) => Reflect.deleteProperty(b.classes?.[0]?.blocks[0] ?? {}, 'id'),
    /^classes\[0\]\.blocks\[0\]\.id: The key “id” is missing/,
  ],
  [
    'an id twice in a class',
    (b) => Object.assign(b.classes?.[0]?.blocks[1] ?? {}, { id: 'b1' }),
    /^classes\[0\]\.blocks\[1\]\.id: The id “b1” stands twice/,
  ],
  [
    'an id twice in a rung',
    (b) => Object.assign(b.exercises?.[0]?.rungs[0]?.phases[1] ?? {}, { id: 'p1' }),
    /phases\[1\]\.id: The id “p1” stands twice in this rung/,
  ],
  [
    'a way in to an unknown pose',
    (b) =>
      Object.assign(b.exercises?.[0]?.rungs[0] ?? {}, { entry: [{ id: 'e1', breath: 'in', counts: 2, pose: 'up' }] }),
    /entry\[0\]\.pose: There is no pose “up”; its poses are home, away/,
  ],
  [
    'a branch of nothing',
    (b) => Object.assign(b.exercises?.[0]?.rungs[1] ?? {}, { branchOf: 'top' }),
    /branchOf: “hold” has no rung “top” to stand beside/,
  ],
  [
    'a hand that holds what it cannot reach',
    (b) =>
      Object.assign(b.exercises?.[0]?.rungs[0]?.poses.home ?? {}, {
        hip: 0,
        knee: 0,
        holds: { 'hand.left': 'foot.left' },
      }),
    /holds\.hand\.left: The left hand is said to hold the left foot, which is \d+ cm from its shoulder/,
  ],
  [
    'a hand that holds what is not there',
    (b) => Object.assign(b.exercises?.[0]?.rungs[0]?.poses.home ?? {}, { holds: { 'hand.left': 'sled' } }),
    /“sled” is neither a part of the body nor a prop/,
  ],
  [
    'something under what does not rest',
    (b) => Object.assign(b.exercises?.[0]?.rungs[0] ?? {}, { props: ['ball'], on: { hands: 'ball' } }),
    /on\.hands: No pose rests on the hands/,
  ],
  [
    'something under it that is not in the rung',
    (b) => Object.assign(b.exercises?.[0]?.rungs[0] ?? {}, { on: { head: 'ball' } }),
    /on\.head: “ball” is not among the props of this rung \(none\)/,
  ],
  [
    'a range that falls',
    (b) => Object.assign(b.exercises?.[0]?.rungs[0]?.dose ?? {}, { repsTo: 2 }),
    /dose\.repsTo: The range goes from 5 to 2/,
  ],
  [
    'tempo nought',
    (b) => Object.assign(b, { audiences: [{ id: 'a', name: 'A', tempo: 0 }] }),
    /^audiences\[0\]\.tempo: .*>=0\.5/,
  ],
  [
    'a carry on a first block',
    (b) => Object.assign(b.classes?.[0]?.blocks[0] ?? {}, { carry: true }),
    /blocks\[0\]\.carry: “hold\/low” can’t carry on here/,
  ],
  [
    'a key an interlude does not have',
    (b) => b.classes?.[0]?.blocks.push({ id: 'b9', interlude: 'talk', name: 'Why', seconds: 9, dose: {} } as never),
    /blocks\[2\]\.dose: The key “dose” is not known here/,
  ],
  [
    'a series that follows itself round',
    (b) =>
      Object.assign(b, {
        series: [
          { id: 's', name: 'S', follows: 't', episodes: [] },
          { id: 't', name: 'T', follows: 's', episodes: [] },
        ],
      }),
    /^series\[0\]\.follows: The series follow one another in a ring: s → t → s/,
  ],
  [
    'a class twice in a series, and no ids to tell the two',
    (b) => {
      const id = b.classes?.[0]?.id ?? '';
      Object.assign(b, { series: [{ id: 's', name: 'S', episodes: [{ class: id }, { class: id }] }] });
    },
    /^series\[0\]\.episodes\[1\]\.class: .* stands in it twice; expected an id/,
  ],
  [
    'a teacher cleared for nobody',
    (b) => Object.assign(b, { teachers: [{ id: 't', name: 'T', cleared: { audiences: ['x'] } }] }),
    /^teachers\[0\]\.cleared\.audiences\[0\]: There is no audience “x”/,
  ],
  [
    'a room with a prop nobody has',
    (b) => Object.assign(b, { rooms: [{ id: 'r', name: 'R', props: { sled: 2 } }] }),
    /^rooms\[0\]\.props\.sled: There is no prop “sled”/,
  ],
  [
    'words on a phase nobody made',
    (b) =>
      Object.assign(b.classes?.[0]?.blocks[0] ?? {}, { lines: [{ id: 'l1', kind: 'image', text: 'x', phase: 'p9' }] }),
    /lines\[0\]\.phase: There is no phase “p9”; expected one of p1, p2/,
  ],
])('version 2 with %s is refused with where and what', (_name, change, sentence) => {
  const bundle = bundleOf();
  change(bundle);
  expect(refusal(JSON.parse(JSON.stringify(bundle)))).toMatch(sentence);
});

test('one document by itself moves as it does in a file', () => {
  const file = inVersion1(bundleOf());
  const { exercises, classes } = file as { exercises: Json[]; classes: Json[] };
  expect(migrateDocument('exercises', exercises[0], 1).value).toEqual(bundleOf().exercises?.[0]);
  expect(migrateDocument('classes', classes[0], 1, { exercises }).value).toEqual(bundleOf().classes?.[0]);
  expect(migrateDocument('classes', { blocks: 'none' }, 1).value).toEqual({ blocks: 'none' });
  expect(migrateDocument('exercises', null, 1).value).toBeNull();
});

test('the published schema names its definitions and says what every key is', () => {
  const schema = bundleJsonSchema() as unknown as { $defs: Json };
  expect(Object.keys(schema.$defs)).toEqual(
    expect.arrayContaining(['Rung', 'Pose', 'Phase', 'Cue', 'RungBlock', 'Interlude', 'Class', 'Series', 'Method']),
  );
  const silent: string[] = [];
  const walk = (node: unknown, path: string): void => {
    for (const each of Array.isArray(node) ? node : []) walk(each, path);
    if (typeof node !== 'object' || node === null || Array.isArray(node)) return;
    for (const [key, value] of Object.entries((node as { properties?: Json }).properties ?? {})) {
      const text = JSON.stringify(value);
      if (!text.includes('"description"') && !text.includes('"$ref"')) silent.push(`${path}.${key}`);
    }
    for (const [key, value] of Object.entries(node)) walk(value, `${path}/${key}`);
  };
  walk(schema, '');
  expect(silent).toEqual([]);
});
