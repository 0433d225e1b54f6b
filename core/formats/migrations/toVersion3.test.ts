import { block, bundleOf, classOf, must } from '../../testing/studio';
import { checkBundle } from '../checks/checkBundle';
import { pathText } from '../checks/problems';
import { readBundle } from '../file/parseBundle';
import { lengthsChanged } from '../headless/lengthsChanged';
import { migrateDocument } from './migrate';

const AT = '2026-11-12T18:32:00+01:00';
const rehearsal = {
  id: 'r1',
  at: AT,
  teacher: 'ilva',
  seconds: 640,
  marks: [
    { block: 'b1', pass: 1, startSeconds: 61 },
    { block: 'b2', pass: 1, startSeconds: 120 },
  ],
};

/** A file of version 2 with what version 3 keeps elsewhere. */
function file(method?: object) {
  const bundle = JSON.parse(JSON.stringify(bundleOf({ teachers: [{ id: 'ilva', name: 'Ilva' }] })));
  bundle.exercises[0].rungs[0].cues = [
    { id: 'c1', kind: 'alignment', text: 'Hips still.', questions: [{ asked: 'Which hips?', changed: 'Pelvis.' }] },
    { id: 'c2', kind: 'alignment', text: 'Neck long.', questions: [{ asked: 'How long?' }] },
  ];
  bundle.classes[0].rehearsals = [rehearsal];
  return { ...bundle, version: 2, ...(method ? { method } : {}) };
}

function read(value: unknown) {
  const parsed = readBundle(value);
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return parsed;
}

test('questions of cues and rehearsals of classes stand by themselves, each reported, with ids that stay the same', () => {
  const { bundle, notes } = read(file());
  expect(bundle.exercises?.[0]?.rungs[0]?.cues).toEqual([
    { id: 'c1', kind: 'alignment', text: 'Hips still.' },
    { id: 'c2', kind: 'alignment', text: 'Neck long.' },
  ]);
  expect(bundle.questions).toMatchObject([
    { text: 'Which hips?', rung: 'hold/low', cue: 'c1', state: 'changed', answer: 'Pelvis.' },
    { text: 'How long?', rung: 'hold/low', cue: 'c2', state: 'open' },
  ]);
  expect(bundle.classes?.[0]).not.toHaveProperty('rehearsals');
  expect(bundle.logs).toEqual([
    {
      id: must(bundle.logs?.[0]).id,
      class: 'test-class',
      date: '2026-11-12',
      begun: '18:32',
      teacher: 'ilva',
      source: 'rehearsal',
      plan: { names: { class: 'Test class', teacher: 'Ilva' }, blocks: [{ id: 'b1' }, { id: 'b2' }] },
      endedSeconds: 640,
      blocks: [
        { id: 'b1', did: 'planned', passes: [{ startSeconds: 61 }] },
        { id: 'b2', did: 'planned', passes: [{ startSeconds: 120 }] },
      ],
    },
  ]);
  expect(checkBundle(bundle)).toEqual([]);
  expect(notes.map(({ path }) => pathText(path))).toEqual([
    'exercises[0].rungs[0].cues[0].questions',
    'exercises[0].rungs[0].cues[1].questions',
    'classes[0].rehearsals',
  ]);
  expect(read(file()).bundle).toEqual(bundle);
  expect(read(bundle).bundle).toEqual(bundle);
});

test('the log of a rehearsal outlives its class and its teacher', () => {
  const { bundle } = read(file());
  expect(checkBundle({ ...bundle, classes: [], teachers: [], series: [] })).toEqual([]);
});

test('a house that had not chosen its low back keeps what it did; one that had keeps its choice', () => {
  const { bundle, notes } = read(file({ settleSeconds: 5 }));
  expect(bundle.method).toEqual({ settleSeconds: 5, choices: { lowBack: 'by-load' } });
  expect(notes.map(({ path }) => pathText(path))).toContain('method.choices.lowBack');
  const chosen = { choices: { lowBack: 'imprint', seat: 'squeeze' } };
  expect(read(file(chosen)).bundle.method).toEqual(chosen);
  expect(migrateDocument('method', { choices: { seat: 'soft' } }, 2).value).toEqual({
    choices: { seat: 'soft', lowBack: 'by-load' },
  });
});

test('a document by itself gives out what stood in it', () => {
  const { classes, exercises, teachers } = file();
  expect(migrateDocument('classes', classes[0], 2, { teachers }).moved).toMatchObject([
    { kind: 'logs', value: { class: 'test-class', plan: { names: { teacher: 'Ilva' } } } },
  ]);
  expect(migrateDocument('exercises', exercises[0], 2).moved.map(({ kind }) => kind)).toEqual([
    'questions',
    'questions',
  ]);
});

test('logs in a file of version 2 are refused by their path', () => {
  const parsed = readBundle({ ...file(), logs: [] });
  expect(parsed.ok ? [] : parsed.problems.map(({ path }) => pathText(path))).toContain('logs');
});

test('what new defaults do to the lengths of classes is counted, the one that changed most named', () => {
  const sided = classOf([block('reach'), block('reach/high')], { id: 'sided', name: 'Sided' });
  const bundle = bundleOf({ classes: [classOf([block('hold')]), sided] });
  expect(lengthsChanged(bundle, { sideChangeSeconds: 8 })).toEqual({
    changed: 1,
    of: 2,
    bySeconds: 8,
    most: { name: 'Sided', bySeconds: 8 },
  });
  const said = { ...bundle, method: { sideChangeSeconds: 20 } };
  expect(lengthsChanged(said, { sideChangeSeconds: 8 })).toMatchObject({ changed: 0, of: 2, most: null });
  const lesson = { ...bundle, classes: [classOf([block('hold')], { purpose: 'lesson' })] };
  expect(lengthsChanged(lesson, { lessonTempo: 0.5 }).bySeconds).toBeCloseTo(0.2 * 20);
});

test('names that could not be seen whole are cleaned, and each is reported', () => {
  const older = file();
  older.exercises[0].name = 'Hold\u200b\nstill';
  older.exercises[0].tags = ['easy\tone'];
  older.classes[0].notes = 'Two\nlines.';
  older.classes[0].blocks[0].notes = 'No\uffff character.';
  const { bundle, notes } = read(older);
  expect(bundle.exercises?.[0]).toMatchObject({ name: 'Hold still', tags: ['easy one'] });
  expect(bundle.classes?.[0]).toMatchObject({ notes: 'Two\nlines.', blocks: [{ notes: 'No character.' }, {}] });
  const paths = notes.map(({ path }) => pathText(path));
  expect(paths).toEqual(
    expect.arrayContaining(['exercises[0].name', 'exercises[0].tags[0]', 'classes[0].blocks[0].notes']),
  );
});
