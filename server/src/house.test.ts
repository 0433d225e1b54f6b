import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Pose } from '@warm-ladder/core/body';
import { Catalog, findRungs, RequirementGraph, type RungEntry, usesOf } from '@warm-ladder/core/repertoire';
import { demoFiles } from '@warm-ladder/core/testing';
import { readFiles } from './files';

// What every ladder of the house keeps to, so that it could be taught from the page as it stands.

const { bundle } = readFiles(demoFiles());
const exercises = bundle.exercises ?? [];
const catalog = new Catalog({ ...bundle, exercises });
const { rungs } = catalog;

/** The rungs something can be said against, each with what. */
const against = (what: (entry: RungEntry) => readonly string[] | string | undefined): string[] =>
  rungs.flatMap((entry) => [what(entry) ?? []].flat().map((each) => `${entry.key}: ${each}`));
const textsOf = ({ rung }: RungEntry, kind: string): string[] =>
  (rung.cues ?? []).flatMap((cue) => (cue.kind === kind ? [cue.text] : []));
const wordsOf = (texts: readonly string[]): number =>
  texts.flatMap((text) => text.split(/\s+/)).filter((word) => /[\p{L}\d]/u.test(word)).length;

test('it is large: 150 ladders and 500 rungs, three or more to a ladder', () => {
  expect(exercises.length).toBeGreaterThanOrEqual(150);
  expect(rungs.length).toBeGreaterThanOrEqual(500);
  const short = exercises.filter(({ rungs: own }) => own.filter(({ branchOf }) => branchOf === undefined).length < 3);
  expect(short.map(({ id }) => id)).toEqual([]);
});

test('each step up is felt and none is a leap: 2 to 15 of heat', () => {
  const steps = exercises.flatMap(({ id }) => {
    const climbed = catalog.ladder(id).filter(({ rung }) => rung.branchOf === undefined);
    return climbed.slice(1).flatMap((entry, i) => {
      const step = catalog.heat(entry) - catalog.heat(climbed[i] as RungEntry);
      return step >= 2 && step <= 15 ? [] : [`${entry.key}: ${step.toFixed(2)}`];
    });
  });
  expect(steps).toEqual([]);
});

test('a set-up takes what its own words take, in steps of 5 seconds', () => {
  const { wordsPerMinute } = catalog.method;
  const off = against((entry) => {
    const words = wordsOf([...textsOf(entry, 'setup'), ...textsOf(entry, 'check')]);
    const seconds = Math.max(5, Math.ceil((words * 60) / wordsPerMinute / 5) * 5);
    return entry.rung.setupSeconds === seconds ? undefined : `${words} words want ${seconds} s`;
  });
  expect(off).toEqual([]);
});

test('each rung has what a teacher says: what to feel, one alignment, a fault of its own with its wrong form', () => {
  const off = against((entry) => {
    const faults = (entry.rung.cues ?? []).filter(({ kind }) => kind === 'fault');
    return [
      ...(textsOf(entry, 'feel').length === 1 ? [] : ['what to feel']),
      ...(textsOf(entry, 'alignment').length === 1 ? [] : ['one alignment']),
      ...(textsOf(entry, 'image').length <= 1 ? [] : ['one image or none']),
      ...(faults.length > 0 && faults.every(({ pose, sign }) => pose && sign) ? [] : ['a fault with a drawn form']),
    ];
  });
  expect(off).toEqual([]);
});

test('no image serves two rungs, and no fault, alignment or sign to move on serves two of a ladder', () => {
  const twice = (texts: readonly string[]) => texts.filter((text, i) => texts.indexOf(text) !== i);
  expect(twice(rungs.flatMap((entry) => textsOf(entry, 'image')))).toEqual([]);
  const copied = exercises.flatMap(({ id }) => {
    // A branch is the same movement on another part of the body.
    const own = catalog.ladder(id).filter(({ rung }) => rung.branchOf === undefined);
    const signs = own.flatMap(({ rung }) => (rung.cues ?? []).flatMap(({ sign }) => sign ?? []));
    const alignments = own.flatMap((entry) => textsOf(entry, 'alignment'));
    const ready = own.flatMap(({ rung }) => rung.gate?.ready ?? []);
    return [signs, alignments, ready].flatMap((texts) => twice(texts).map((text) => `${id}: ${text}`));
  });
  expect(copied).toEqual([]);
});

/** Words by which a sign to move on tells how well something is done, not only how often. */
const QUALITY =
  /\b(still|quiet|level|even\w*|smooth\w*|slow\w*|soft\w*|heavy|light\w*|long|tall|steady|straight|square|flow\w*|breath\w*|together|stacked|wide|low|loose|clear|firm|free|easy|round|high|broad|tucked|lifted|flat|open|without|small|upright|quietly|one (?:line|height|plane|piece|low)|no \w+|in (?:line|one))\b/i;

test('a sign to move on says how well, in a whole sentence', () => {
  const bare = against(({ rung }) =>
    (rung.gate?.ready ?? []).filter((sign) => !QUALITY.test(sign) || wordsOf([sign]) < 5),
  );
  expect(bare).toEqual([]);
});

test('words are whole sentences: a set-up, what to feel and the way on of four words and more', () => {
  const short = against((entry) =>
    ['setup', 'feel', 'option', 'safety', 'alignment'].flatMap((kind) =>
      textsOf(entry, kind).filter((text) => wordsOf([text]) < 4 || !/[.!?]$/.test(text)),
    ),
  );
  expect(short).toEqual([]);
});

/** A shape people must have been taught before a rung begins in it, and the ladders that teach it. */
const SHAPES: ReadonlyArray<readonly [what: string, begins: (pose: Pose) => boolean, taughtBy: readonly string[]]> = [
  [
    'both legs in the air, lying on the back',
    ({ supports }) =>
      supports.includes('pelvis') && supports.some((each) => ['ribs', 'head'].includes(each)) && !bearsLegs(supports),
    ['knee-float', 'knees-hug', 'figure-four', 'both-draw', 'legs-over', 'leg-lower', 'ball-press', 'strap-legs'],
  ],
  [
    'the chest off the mat, on the back',
    ({ supports, thoracic = 0 }) => supports.includes('pelvis') && !supports.includes('ribs') && thoracic > 15,
    ['chest-lift', 'roll-back', 'roll-up', 'rocker'],
  ],
  ['the hips lifted', ({ supports }) => supports.includes('shoulders') && !supports.includes('pelvis'), ['bridge-']],
];
const bearsLegs = (supports: readonly string[]) =>
  supports.some((each) => /^(feet|foot|heel|toe|knee|shin|thigh)/.test(each));

test('a rung above the first of its ladder requires what comes before it, and one that begins in a taught shape what teaches it', () => {
  const graph = new RequirementGraph(exercises);
  const off = against((entry) => {
    const { rung, exercise, step, like } = entry;
    const before = graph.before(entry.key);
    const lower = exercise.rungs.slice(0, step).map(({ id }) => `${exercise.id}/${id}`);
    const known = [...before, ...lower];
    const start = rung.poses[rung.start];
    const shapes = like === 'supine' && start ? SHAPES.filter(([, begins]) => begins(start)) : [];
    return [
      ...(step === 0 || rung.branchOf !== undefined || (rung.requires ?? []).length > 0 ? [] : ['requires nothing']),
      ...shapes.flatMap(([what, , taughtBy]) =>
        rung.entry !== undefined && taughtBy.includes(exercise.id)
          ? []
          : known.some((key) => taughtBy.some((each) => key.startsWith(each))) || taughtBy.includes(exercise.id)
            ? []
            : [`begins with ${what}`],
      ),
    ];
  });
  expect(off).toEqual([]);
});

test.each(['extendedWrists', 'kneeling', 'headLifted'] as const)(
  'every ladder that loads a part throughout has a rung that spares it: %s',
  (feature) => {
    const loads = (entry: RungEntry) => catalog.features(entry).rep.runs[feature].total > 0;
    const loading = exercises.filter(({ id }) => catalog.ladder(id).every(loads));
    expect(loading.map(({ id }) => id)).toEqual([]);
  },
);

test('a rung said to spare the wrists, the knees or the neck does not load them', () => {
  const loadOf = { wrists: 'extendedWrists', knees: 'kneeling', neck: 'headLifted' } as const;
  const off = against((entry) =>
    Object.entries(loadOf).flatMap(([part, feature]) =>
      (entry.rung.spares as readonly string[] | undefined)?.includes(part) &&
      catalog.features(entry).rep.runs[feature].total > 0
        ? [part]
        : [],
    ),
  );
  expect(off).toEqual([]);
});

test('whatever is done on an apparatus says how it is set, and its spring', () => {
  const off = against(({ rung, props }) =>
    props.some(({ id }) => id === 'carriage') && !(rung.spring && rung.settings?.length) ? 'spring and settings' : [],
  );
  expect(off).toEqual([]);
});

test('every rung says where it is felt and what it is good for, and its dose lies in its range', () => {
  const off = against((entry) => {
    const { feltAt, goodFor } = usesOf(entry);
    const { repsRange, dose } = entry.rung;
    const inRange = !repsRange || (dose.reps >= repsRange[0] && (dose.repsTo ?? dose.reps) <= repsRange[1]);
    return [...(feltAt.length > 0 && goodFor.length > 0 ? [] : ['uses']), ...(inRange ? [] : ['dose'])];
  });
  expect(off).toEqual([]);
});

test('every ladder is found by at least three words people use for it', () => {
  const everyday: Record<string, string[]> = JSON.parse(
    readFileSync(join(__dirname, '../../core/testing/everyday.json'), 'utf8'),
  );
  expect(Object.keys(everyday).sort()).toEqual(exercises.map(({ id }) => id).sort());
  const lost = Object.entries(everyday).flatMap(([id, words]) =>
    words.length < 3
      ? [`${id}: ${words.length} words`]
      : words.filter((text) => !findRungs(catalog, { text }).some(({ exercise }) => exercise.id === id)),
  );
  expect(lost).toEqual([]);
});
