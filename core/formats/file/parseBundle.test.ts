import { classOf } from '../../testing';
import { bundleOf, exercise, must, rung } from '../../testing/studio';
import { checkBundle } from '../checks/checkBundle';
import { pathText, shortened } from '../checks/problems';
import { type Bundle, emptyBundle } from './bundle';
import { mergeBundles } from './mergeBundles';
import { parseBundle, parseFilesSteps, readBundle } from './parseBundle';
import { atOnce } from './steps';

/** The first problem a changed bundle is refused with, as a person reads it. */
const refusal = (change: (bundle: Bundle & Record<string, unknown>) => unknown): string => {
  const bundle = bundleOf();
  change(bundle);
  const parsed = readBundle(bundle);
  const [problem] = parsed.ok ? checkBundle(parsed.bundle) : parsed.problems;
  if (!problem) return 'accepted';
  const { path, message } = problem;
  return `${pathText(path)}: ${message}`;
};
const first = (bundle: Bundle) => must(bundle.exercises?.[0]?.rungs[0]);

const island = (id: string, neighbour: string) => ({ id, name: id, like: 'standing', edges: { [neighbour]: 4 } });

test('a sound bundle is read whole, and again from its own text', () => {
  const bundle = bundleOf();
  expect(readBundle(bundle)).toEqual({ ok: true, bundle, notes: [] });
  expect(parseBundle(`\uFEFF${JSON.stringify(bundle)}`)).toEqual({ ok: true, bundle, notes: [] });
  expect(readBundle(emptyBundle())).toMatchObject({ ok: true });
});

test.each(['null', '5', '"a class"', '[]', '{}', 'true'])('a file that holds %s is no bundle, and says so', (text) => {
  const message = expect.stringContaining('Not a bundle; expected "format"');
  expect(parseBundle(text)).toMatchObject({ ok: false, problems: [{ path: ['format'], message }] });
});

test.each<[string, Parameters<typeof refusal>[0], RegExp]>([
  ['another format', (b) => Object.assign(b, { format: 'other' }), /^format: Not a bundle; expected "format"/],
  [
    'a newer version',
    (b) => Object.assign(b, { version: 4 }),
    /^version: The file has version 4, made by a newer Warm Ladder/,
  ],
  [
    'an unknown key',
    (b) => Object.assign(first(b), { color: 1 }),
    /^exercises\[0\]\.rungs\[0\]\.color: The key “color” is not known/,
  ],
  ['no phases', (b) => Object.assign(first(b), { phases: [] }), /^exercises\[0\]\.rungs\[0\]\.phases: .*1/],
  ['reps 0', (b) => Object.assign(first(b).dose, { reps: 0 }), /^exercises\[0\]\.rungs\[0\]\.dose\.reps: .*>=1/],
  ['reps 10 000', (b) => Object.assign(first(b).dose, { reps: 10_000 }), /dose\.reps: .*<=200/],
  [
    'a knee bent backwards',
    (b) => Object.assign(first(b).poses, { home: { knee: -20, supports: ['feet'] } }),
    /poses\.home\.knee: The knee goes from 0° to 165°; found -20\.$/,
  ],
  [
    'an angle that is no number',
    (b) => Object.assign(first(b).poses, { home: { lumbar: Number.NaN, supports: ['feet'] } }),
    /poses\.home\.lumbar: The lumbar goes from -45° to 75°; found NaN\.$/,
  ],
  [
    'half a tonne in a hand',
    (b) => Object.assign(first(b).poses, { home: { supports: ['feet'], weights: { 'hand.left': 500 } } }),
    /weights\.hand\.left: A held load is from 0 to 30 kg\.$/,
  ],
  [
    'a body that rests on nothing',
    (b) => Object.assign(first(b).poses, { home: { supports: [] } }),
    /poses\.home\.supports: A body rests on something/,
  ],
  [
    'markup in a name',
    (b) => Object.assign(first(b), { name: '<b onclick=x>Low</b>' }),
    /name: Expected plain text, found markup/,
  ],
  [
    'half of a character',
    (b) => Object.assign(first(b), { name: 'Low \ud83d' }),
    /name: Expected plain text, found half of a character/,
  ],
  [
    'a character no database can keep',
    (b) => Object.assign(first(b), { name: 'Low \u0000' }),
    /name: Expected plain text, found a control character/,
  ],
  [
    'a pose nobody made',
    (b) => Object.assign(first(b), { start: 'away2' }),
    /start: There is no pose “away2” to start from; its poses are home, away/,
  ],
  [
    'a phase into nowhere',
    (b) => Object.assign(first(b).phases[0] ?? {}, { pose: 'x' }),
    /phases\[0\]\.pose: There is no pose “x”/,
  ],
  ['a prop nobody has', (b) => Object.assign(first(b), { props: ['sled'] }), /props\[0\]: There is no prop “sled”/],
  [
    'a requirement nobody has',
    (b) => Object.assign(first(b), { requires: [{ exercise: 'x', rung: 'y' }] }),
    /There is no rung “x\/y”/,
  ],
  [
    'a rung that requires itself',
    (b) => Object.assign(first(b), { requires: [{ exercise: 'hold', rung: 'low' }] }),
    /circle: hold\/low → hold\/low/,
  ],
  ['a twice-used id', (b) => b.exercises?.push(exercise('hold')), /^exercises\[10\]\.id: The id “hold” stands twice/],
  [
    'a missing exercise in a class',
    (b) => b.classes?.[0]?.blocks.push({ id: 'b9', exercise: 'x', rung: 'y', mode: 'flow' }),
    /^classes\[0\]\.blocks\[2\]\.exercise: There is no exercise “x”/,
  ],
  [
    'a missing class in a series',
    (b) => b.series?.[0]?.episodes.push({ class: 'x' }),
    /^series\[0\]\.episodes\[1\]\.class: There is no class “x”/,
  ],
  [
    'a missing audience',
    (b) => Object.assign(b.classes?.[0] ?? {}, { audience: 'x' }),
    /audience: There is no audience “x”/,
  ],
  [
    'a position without edges',
    (b) => Object.assign(b, { positions: [{ id: 'air', name: 'Air', like: 'standing', edges: {} }] }),
    /names no edge/,
  ],
  [
    'one of the eight positions made anew',
    (b) => Object.assign(b, { positions: [{ id: 'supine', name: 'Back', like: 'supine', edges: { seated: 5 } }] }),
    /^positions\[0\]\.id: “supine” is one of the eight positions; expected an id of its own\.$/,
  ],
  [
    'a position that nothing joins to standing',
    (b) => Object.assign(b, { positions: ['air', 'sky'].map((id, i, all) => island(id, must(all[1 - i]))) }),
    /^positions\[0\]\.edges: Nothing joins the position “air” to standing/,
  ],
  [
    'a way to nowhere',
    (b) => Object.assign(b, { positions: [{ ...island('air', 'standing'), edges: { standing: 4, moon: 9 } }] }),
    /^positions\[0\]\.edges\.moon: “moon” is not a position\.$/,
  ],
  [
    'a way of the method between places nobody has',
    (b) => Object.assign(b, { method: { edgeSeconds: { 'standing>moon': 4 } } }),
    /^method\.edgeSeconds\.standing>moon: “moon” is not a place; expected two of standing, /,
  ],
  [
    'an exercise nobody can lie down for',
    (b) => Object.assign(b.exercises?.[0] ?? {}, { position: 'moon' }),
    /^exercises\[0\]\.position: “moon” is not a position; expected one of standing, /,
  ],
  [
    'two phases of one id',
    (b) => Object.assign(first(b).phases[1] ?? {}, { id: 'p1' }),
    /phases\[1\]\.id: The id “p1” stands twice in this rung/,
  ],
  [
    'a cue on a phase nobody does',
    (b) => Object.assign(first(b), { cues: [{ id: 'c', kind: 'action', text: 'Lift.', phase: 'p9' }] }),
    /cues\[0\]\.phase: There is no phase “p9”; expected one of p1, p2\.$/,
  ],
  [
    'a branch beside nothing',
    (b) => Object.assign(first(b), { branchOf: 'middle' }),
    /branchOf: “hold” has no rung “middle” to stand beside\.$/,
  ],
  [
    'a rung beside itself',
    (b) => Object.assign(first(b), { branchOf: 'low' }),
    /branchOf: A rung can’t stand beside itself\.$/,
  ],
  [
    'a branch beside a branch',
    (b) => b.exercises?.[0]?.rungs.push(rung('side', { branchOf: 'low' }), rung('far', { branchOf: 'side' })),
    /rungs\[3\]\.branchOf: “side” is a branch itself; expected the rung it stands beside, “low”\.$/,
  ],
  [
    'something under a part that is no prop of the rung',
    (b) => Object.assign(first(b), { on: { pelvis: 'ball' } }),
    /on\.pelvis: “ball” is not among the props of this rung \(none\)\.$/,
  ],
  [
    'something under a part that never rests',
    (b) => Object.assign(first(b), { props: ['ball'], on: { 'hand.left': 'ball' } }),
    /on\.hand\.left: No pose rests on the hand\.left, so nothing can lie under it\.$/,
  ],
  [
    'a hand on what is neither body nor prop',
    (b) => Object.assign(first(b).poses.home ?? {}, { holds: { 'hand.left': 'moon' } }),
    /poses\.home\.holds\.hand\.left: “moon” is neither a part of the body nor a prop; expected one of /,
  ],
  [
    'words of a class on a phase its rung has not',
    (b) =>
      Object.assign(b.classes?.[0]?.blocks[0] ?? {}, {
        lines: [{ id: 'l', kind: 'action', text: 'Lift.', phase: 'p9' }],
      }),
    /blocks\[0\]\.lines\[0\]\.phase: There is no phase “p9”; expected one of p1, p2\.$/,
  ],
  [
    'a class that comes twice in a series, not to be told apart',
    (b) => b.series?.[0]?.episodes.push({ class: 'test-class' }),
    /episodes\[1\]\.class: “test-class” stands in it twice; expected an id for an episode whose class comes again\.$/,
  ],
  [
    'a time zone that nobody knows',
    (b) => Object.assign(b.series?.[0] ?? {}, { schedule: { timeZone: 'Kiln/Room' } }),
    /series\[0\]\.schedule\.timeZone: Expected a time zone as Europe\/Berlin\.$/,
  ],
  [
    'a series that follows itself',
    (b) => Object.assign(b.series?.[0] ?? {}, { follows: 'a-series' }),
    /series\[0\]\.follows: A series can’t follow itself\.$/,
  ],
  [
    'a goal nobody can reach',
    (b) => Object.assign(b.series?.[0] ?? {}, { goals: [{ exercise: 'hold', rung: 'moon' }] }),
    /series\[0\]\.goals\[0\]: There is no rung “hold\/moon” to lead to\.$/,
  ],
  [
    'a room with what nobody has',
    (b) => Object.assign(b, { rooms: [{ id: 'loft', name: 'Loft', size: 8, props: { sled: 2 } }] }),
    /^rooms\[0\]\.props\.sled: There is no prop “sled”\.$/,
  ],
  [
    'a teacher cleared for nobody',
    (b) => Object.assign(b, { teachers: [{ id: 't', name: 'Ilva', cleared: { audiences: ['moon'] } }] }),
    /^teachers\[0\]\.cleared\.audiences\[0\]: There is no audience “moon”\.$/,
  ],
])('%s is refused with where and what', (_name, change, sentence) => {
  expect(refusal(change)).toMatch(sentence);
});

test('a cycle over three rungs is named with its whole path', () => {
  const needs = (id: string, on: string) =>
    exercise(id, { rungs: [rung('one', { requires: [{ exercise: on, rung: 'one' }] })] });
  const sentence = refusal((b) => b.exercises?.push(needs('x', 'y'), needs('y', 'z'), needs('z', 'x')));
  expect(sentence).toMatch(/circle: x\/one → y\/one → z\/one → x\/one/);
});

test.each([
  ['nothing at all', '  '],
  ['half a file', JSON.stringify(bundleOf()).slice(0, 900)],
  ['not JSON', 'exercise;rung'],
  ['a list', '[]'],
])('%s is refused in words', (_name, text) => {
  const parsed = parseBundle(text);
  expect(parsed).toMatchObject({ ok: false });
  if (!parsed.ok) expect(parsed.problems[0]?.message).toMatch(/expected/);
});

test('a file wrong all over names the first fifty problems and counts the rest', () => {
  const episodes = Array.from({ length: 80 }, (_, i) => ({ id: `e${i}`, class: 'x' }));
  const problems = shortened(checkBundle(bundleOf({ series: [{ id: 's', name: 'S', episodes }] })));
  expect(problems).toHaveLength(51);
  expect(problems[50]?.message).toBe('30 more problems are not listed.');
});

describe('several files as one', () => {
  const { classes, series, ...repertoire } = bundleOf();
  const alone = (change: Partial<Bundle>) => ({ ...emptyBundle(), ...change });

  test('a repertoire in one and classes in another fit together', () => {
    const { bundle, problems } = mergeBundles([
      { file: 'classes.json', bundle: alone({ classes, series }) },
      { file: 'repertoire.json', bundle: repertoire },
    ]);
    expect(problems).toEqual([]);
    expect(bundle.classes).toEqual(classes);
  });
  test('what does not fit is named by its own file and its path there', () => {
    const wrong = { ...must(classes?.[0]), id: 'other', audience: 'nobody' };
    const files = [
      { file: 'a.json', bundle: bundleOf() },
      { file: 'b.json', bundle: alone({ classes: [wrong] }) },
    ];
    expect(mergeBundles(files).problems).toMatchObject([{ file: 'b.json', path: ['classes', 0, 'audience'] }]);
  });
  test('an id in two files is refused', () => {
    const files = ['a.json', 'b.json'].map((file) => ({ file, bundle: alone({ classes }) }));
    expect(mergeBundles(files).problems[0]?.message).toMatch(/“test-class” stands in a\.json too/);
  });
});

test('a list of files is read as one; a problem is told with the place of its file', () => {
  const read = (value: unknown) => atOnce(parseFilesSteps(JSON.stringify(value)));
  const [one, other] = [
    { ...emptyBundle(), classes: [classOf([])] },
    { ...emptyBundle(), props: [{ id: 'hoop', name: 'Hoop' }] },
  ];
  for (const files of [
    [one, other],
    [other, one],
  ]) {
    const parsed = read(files);
    expect(parsed).toMatchObject({ ok: true, bundle: { classes: one.classes, props: other.props } });
  }
  expect(read([one])).toMatchObject({ ok: true, bundle: { classes: one.classes } });
  expect(read([one, { ...other, colours: [] }])).toMatchObject({ ok: false, problems: [{ path: [1, 'colours'] }] });
  for (const none of [[], Array.from({ length: 101 }, () => one)]) {
    expect(read(none)).toMatchObject({ ok: false, problems: [{ path: [] }] });
  }
});
