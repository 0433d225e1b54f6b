import Papa from 'papaparse';
import { bundleOf, EXERCISES, exercise, must, rung } from '../testing';
import { CSV_COLUMNS } from './columns';
import { decodeTable } from './decodeTable';
import { readRepertoireCsv } from './readRepertoireCsv';
import { writeRepertoireCsv } from './writeRepertoireCsv';

const HEAD = 'exercise,exercise name,position,directions,sides,rung,rung name,set-up seconds,sets,reps';
const LINE = 'heel-slide,Heel slide,supine,neutral,alternate,one,One heel,20,1,6';
const read = (text: string, bundle = bundleOf()) => readRepertoireCsv(text, bundle);
const complaint = (text: string) => {
  const result = read(text);
  return result.ok ? '' : result.problems.map(({ path, message }) => `${path.join(', ')}: ${message}`).join('\n');
};

test('what goes out comes back the same, poses and cues included, since the studio keeps them', () => {
  const bundle = bundleOf();
  const back = read(writeRepertoireCsv(bundle), bundle);
  expect(back).toEqual({ ok: true, exercises: bundle.exercises, plain: [], props: [] });
});

test.each([
  'Roll, "slow"',
  '=SUM(A1) is no formula here\nand this is its second line',
  '=HYPERLINK("http://x","y")\nsecond line',
  '@now\nand then',
  '-3 on the left\n+3 on the right',
  "'=quoted already",
  "'tis still",
  'knees | feet || hands',
  '|',
])('a cell of “%s” is no formula in a spreadsheet, and survives', (text) => {
  const one = exercise('odd', {
    name: 'Odd',
    notes: text,
    rungs: [rung('low', { gate: { ready: [text, 'second'] } })],
  });
  const bundle = bundleOf({ exercises: [...EXERCISES, one], classes: [], series: [] });
  const table = writeRepertoireCsv(bundle);
  const cells = Papa.parse<string[]>(table).data.flat();
  expect(cells.filter((cell) => /^[=+@\t\r-]/.test(cell))).toEqual([]);
  const back = read(table, bundle);
  expect(back.ok && back.exercises.find(({ id }) => id === 'odd')).toEqual(one);
});

test('a table filtered to some rungs keeps the others, each where it stood', () => {
  const ladder = exercise('tall', { rungs: ['a', 'b', 'c', 'd'].map((id) => rung(id)) });
  const bundle = bundleOf({ exercises: [ladder] });
  const [head, ...lines] = writeRepertoireCsv(bundle).split('\r\n');
  const some = [head, lines[2]?.replace(',c,', ',c,')].join('\r\n');
  const back = read(some, bundle);
  expect(back.ok && back.exercises).toEqual([ladder]);
  const renamed = read(some.replace(/,c,c,/, ',c,Third,'), bundle);
  expect(renamed.ok && renamed.exercises[0]?.rungs.map(({ id, name }) => `${id} ${name}`)).toEqual([
    'a a',
    'b b',
    'c Third',
    'd d',
  ]);
});

test.each(['utf-16le', 'utf-16be', 'utf-8'])('a table in %s, with its mark or without, is read', (encoding) => {
  const text = `${HEAD}\n${LINE.replace('Heel slide', 'Été')}`;
  const bytes = (value: string): Uint8Array => {
    if (encoding === 'utf-8') return new TextEncoder().encode(value);
    const units = Array.from({ length: value.length }, (_, i) => value.charCodeAt(i));
    return Uint8Array.from(
      units.flatMap((unit) => (encoding === 'utf-16le' ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255])),
    );
  };
  for (const mark of ['\uFEFF', '']) {
    const result = read(decodeTable(bytes(mark + text)));
    expect(result.ok && result.exercises[0]?.name).toBe('Été');
  }
});

test.each([
  ['a semicolon', `${HEAD}\n${LINE}`.replaceAll(',', ';')],
  ['a tab', `${HEAD}\n${LINE}`.replaceAll(',', '\t')],
  ['a byte-order mark', `\uFEFF${HEAD}\r\n${LINE}\r\n`],
  ['columns in another order, in capitals', `REPS,${HEAD.replace(',reps', '')}\n6,${LINE.replace(/,6$/, '')}`],
  ['a decimal comma', `${HEAD}\n${LINE}`.replaceAll(',', ';').replace(';20;', ';20,0;')],
])('%s is read', (_name, text) => {
  const result = read(text);
  expect(result).toMatchObject({ ok: true, plain: ['heel-slide/one'] });
  const [made] = result.ok ? result.exercises : [];
  expect(must(made)).toMatchObject({
    name: 'Heel slide',
    sides: 'alternate',
    rungs: [{ setupSeconds: 20, dose: { reps: 6 } }],
  });
});

test.each([
  [
    'a missing column',
    `${HEAD.replace(',sides', '')}\n${LINE.replace(',alternate', '')}`,
    'row 1: The column “sides” is missing.',
  ],
  ['a strange column', `${HEAD},colour\n${LINE},red`, 'row 1: The column “colour” is not known; expected exercise,'],
  ['a column twice', `${HEAD},reps\n${LINE},6`, 'row 1: The column “reps” stands twice.'],
  ['no rows', HEAD, 'The table has no rows'],
  ['a rung twice', `${HEAD}\n${LINE}\n${LINE}`, 'row 3, rung: “heel-slide/one” stands in row 2 already'],
  ['a word for a number', `${HEAD}\n${LINE.replace(',6', ',six')}`, 'row 2, reps: “six” is not a number.'],
  ['a number out of range', `${HEAD}\n${LINE.replace(',6', ',6000')}`, 'row 2, reps'],
  [
    'a strange direction',
    `${HEAD}\n${LINE.replace('neutral', 'sideways')}`,
    'row 2, directions: “sideways” is not a direction',
  ],
  [
    'strange sides',
    `${HEAD}\n${LINE.replace('alternate', 'left')}`,
    'row 2, sides: “left” is not a way of doing sides',
  ],
  [
    'two rows that disagree',
    `${HEAD}\n${LINE}\n${LINE.replace('one,', 'two,').replace('supine', 'prone')}`,
    'differs from row 2',
  ],
  [
    'a requirement that is no rung',
    `${HEAD},requires\n${LINE},heel-slide`,
    'row 2, requires: “heel-slide” does not name a rung',
  ],
  [
    'too many rows',
    `${HEAD}\n${Array.from({ length: 20_001 }, () => LINE).join('\n')}`,
    'The table has 20001 rows; expected at most 20000',
  ],
])('%s is refused by row and column', (_name, text, sentence) => {
  expect(complaint(text)).toContain(sentence);
});

test('the columns are as published, and heat is written but never read', () => {
  const bundle = bundleOf();
  const [head = '', ...lines] = writeRepertoireCsv(bundle).split('\r\n');
  expect(head).toBe(CSV_COLUMNS.join(','));
  const hotter = [head, ...lines.map((line) => line.replace(/,(\d+(\.\d+)?),,$/, ',99,,'))].join('\r\n');
  expect(read(hotter, bundle)).toEqual({ ok: true, exercises: bundle.exercises, plain: [], props: [] });
});
