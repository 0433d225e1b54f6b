import fc from 'fast-check';
import { bundleOf, must } from '../testing';
import { type Column, CSV_COLUMNS } from './columns';
import type { Fill } from './filledRows';
import { ownColumns, withColumns } from './ownTable';
import { readRepertoireCsv } from './readRepertoireCsv';
import { tableTemplate } from './template';
import { writeRepertoireCsv } from './writeRepertoireCsv';

const FILL: Fill = { directions: 'neutral', sides: 'both', 'set-up seconds': '20', sets: '1', reps: '6' };
const guesses = (text: string) => ownColumns(text).map(({ guess }) => guess);
/** A table read by its guesses, with what nobody wrote said once. */
function taken(text: string, bundle = bundleOf(), fill = FILL) {
  const read = readRepertoireCsv(withColumns(text, guesses(text)), bundle, fill);
  if (!read.ok) throw new Error(read.problems.map(({ path, message }) => `${path.join(', ')}: ${message}`).join('\n'));
  return read;
}

const KEPT = `Exercise;Level;Starting position;Spine;Per side;Equipment;Dose;Set-up time;Who taught it;Comments
Heel slide;1;On the back;Neutral spine;alternating;mat;3 x 8;20 s;Ada;
;2;;;;Small ball, towel;8–10;0:15;;Slow
Saw-horse;Arms low;all fours;Twist and side bend;each side;none;6 each side;15;;
`;

test('a table as a director keeps it is matched by names and read by its words', () => {
  expect(guesses(KEPT)).toEqual([
    'exercise name',
    'rung name',
    'position',
    'directions',
    'sides',
    'props',
    'reps',
    'set-up seconds',
    null,
    'notes',
  ]);
  const { exercises, props, plain } = taken(KEPT);
  expect(exercises).toMatchObject([
    {
      id: 'heel-slide',
      position: 'supine',
      directions: ['neutral'],
      sides: 'alternate',
      notes: 'Slow',
      rungs: [
        { id: 'level-1', name: 'Level 1', setupSeconds: 20, dose: { sets: 3, reps: 8 } },
        { name: 'Level 2', setupSeconds: 15, dose: { sets: 3, reps: 8, repsTo: 10 }, props: ['small-ball', 'towel'] },
      ],
    },
    {
      id: 'saw-horse',
      position: 'four-point',
      directions: ['rotation', 'lateral-flexion'],
      sides: 'each',
      rungs: [{ name: 'Arms low', dose: { sets: 1, reps: 6 } }],
    },
  ]);
  expect(props).toEqual([
    { id: 'small-ball', name: 'Small ball' },
    { id: 'towel', name: 'Towel' },
  ]);
  expect(plain).toHaveLength(3);
});

test('what is here is found by its name, and keeps what the table does not say', () => {
  const bundle = bundleOf();
  const [first] = bundle.exercises ?? [];
  const [rung] = must(first).rungs;
  const table = `Movement,Variation,Reps\n${must(first).name.toUpperCase()},${must(rung).name},7`;
  const { exercises, plain, props } = taken(table, bundle, {});
  expect(plain).toEqual([]);
  expect(props).toEqual([]);
  expect(exercises).toEqual([
    {
      ...first,
      name: must(first).name.toUpperCase(),
      rungs: must(first).rungs.map((each, i) => (i === 0 ? { ...each, dose: { ...each.dose, reps: 7 } } : each)),
    },
  ]);
});

test('names without a Latin letter, and a name whose id another has, each get an id of their own', () => {
  const bundle = bundleOf();
  const here = must(bundle.exercises?.[0]);
  const renamed = { ...bundle, exercises: [{ ...here, id: 'low-bow', name: 'Something else' }] };
  const { exercises } = taken('Exercise,Level,Position\nЛыжи,Один,prone\nΚύμα,A,prone\nLow bow,A,prone', renamed);
  expect(exercises.map(({ id, rungs }) => [id, must(rungs[0]).id])).toEqual([
    ['untitled', 'untitled'],
    ['untitled-2', 'a'],
    ['low-bow-2', 'a'],
  ]);
});

test('a column is guessed by what stands in it where its name says nothing, never twice, and one left out is not read', () => {
  expect(guesses('A,B,C\nBow,side-lying,Twist\nHop,on the feet,flexion')).toEqual([null, 'position', 'directions']);
  expect(guesses('Exercise,Movement\nBow,Low')).toEqual(['exercise name', null]);
  const read = readRepertoireCsv(
    withColumns('Exercise,Level,Junk,Junk\nBow,Low,=1,2', ['exercise name', 'rung name', null, null]),
    bundleOf(),
    {
      ...FILL,
      position: 'prone',
    },
  );
  expect(read.ok && read.exercises[0]?.name).toBe('Bow');
});

test('what a table says nowhere is asked for, once', () => {
  const read = readRepertoireCsv('exercise name\nBow\nHop', bundleOf());
  expect(read.ok ? [] : read.problems.map(({ message }) => message)).toEqual(
    ['position', 'directions', 'sides', 'rung name', 'set-up seconds', 'sets', 'reps'].map(
      (column) => `The column “${column}” is missing.`,
    ),
  );
  const strange = readRepertoireCsv('exercise name,position\nBow,on the moon', bundleOf(), {
    ...FILL,
    'rung name': 'Main',
  });
  expect(strange.ok ? '' : strange.problems[0]?.message).toContain('on the moon');
});

test('a table as it is written here keeps its columns, in any order, delimiter and line end', () => {
  const bundle = bundleOf();
  const table = writeRepertoireCsv(bundle);
  expect(guesses(table)).toEqual(CSV_COLUMNS);
  expect(taken(table, bundle, {})).toMatchObject({ ok: true, exercises: bundle.exercises, plain: [], props: [] });
  const names = fc.shuffledSubarray(CSV_COLUMNS, { minLength: 3 });
  fc.assert(
    fc.property(names, fc.constantFrom(',', ';', '\t'), fc.constantFrom('\n', '\r\n'), (columns, by, end) => {
      const rows = [columns.map((name) => `"${name}"`), columns.map((_, i) => `"a${by}\n${i}"`)];
      const text = rows.map((row) => row.join(by)).join(end);
      const left: Array<Column | null> = columns.map((column, i) => (i === 0 ? null : column));
      const renamed = withColumns(text, left);
      expect(renamed.split(end).slice(1).join(end)).toBe(text.split(end).slice(1).join(end));
      expect(renamed.startsWith('-')).toBe(true);
    }),
    { numRuns: 50 },
  );
});

test('notes beside the levels of a ladder become the one note it has', () => {
  const { exercises } = taken(
    'Exercise,Level,Position,Notes\nBow,Low,prone,slow\nBow,High,,\nBow,Top,,wide',
    bundleOf(),
  );
  expect(exercises[0]?.notes).toBe('Low: slow\nTop: wide');
});

test('the table to fill in is read as it is handed out', () => {
  const { exercises, plain } = taken(tableTemplate(), bundleOf(), {});
  expect(plain).toHaveLength(2);
  expect(exercises[0]).toMatchObject({
    name: 'Kiln door',
    position: 'supine',
    sides: 'alternate',
    rungs: [
      { setupSeconds: 20, dose: { sets: 1, reps: 6, repsTo: 8 } },
      { setupSeconds: 20, dose: { sets: 2, reps: 6 } },
    ],
  });
});
