import type { Block } from '../plan';
import { timeClass } from '../plan';
import type { Cue } from '../repertoire';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { draftScript } from './draftScript';
import { cuesWithOwn, withLineAdded, withLineSaid, withoutOwn } from './edits';

const cues: Cue[] = [
  { id: 'c1', kind: 'setup', text: 'Lie down.' },
  { id: 'c2', kind: 'setup', text: 'Feet under the knees.' },
  { id: 'c3', kind: 'action', phase: 'p1', text: 'Float the knee.' },
  { id: 'c4', kind: 'alignment', text: 'Pelvis quiet.' },
];
const catalog = catalogOf([
  exercise('float', { sides: 'each', position: 'four-point', rungs: [rung('low', { cues })] }),
]);

/** What is said on both passes of a block, and the sections to edit. */
const spoken = (own: Block) => {
  const { sections } = draftScript(catalog, timeClass(catalog, classOf([own])));
  const [first, second] = sections.filter(({ kind }) => kind === 'block');
  return { first: must(first), second: must(second) };
};
const plain = classOf([block('float', { mode: 'teach' })]).blocks[0] as Block;
const lineOf = (section: ReturnType<typeof spoken>['first'], text: string) =>
  must(section.lines.find((line) => line.text === text));
const texts = (own: Block) => {
  const { first, second } = spoken(own);
  return [first.lines.map(({ text }) => text), second.lines.map(({ text }) => text)] as const;
};

test('one of two lines of a kind is said otherwise, and the other stays; back again it is the rung’s', () => {
  const { first } = spoken(plain);
  const changed: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Lie down.').id, 'Come down.') };
  expect(texts(changed)[0].slice(0, 2)).toEqual(['Come down.', 'Feet under the knees.']);
  const now = spoken(changed).first;
  const back: Block = { ...changed, lines: withoutOwn(changed, now, lineOf(now, 'Come down.').id) };
  expect(back.lines).toEqual([]);
  expect(texts(back)).toEqual(texts(plain));
});

test('a line left out takes only itself, the last one of its kind the kind', () => {
  const { first } = spoken(plain);
  const one: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Lie down.').id, null) };
  expect(texts(one)[0]).not.toContain('Lie down.');
  expect(texts(one)[0]).toContain('Feet under the knees.');
  const none: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Pelvis quiet.').id, null) };
  expect(texts(none).flat()).not.toContain('Pelvis quiet.');
  const { first: now } = spoken(none);
  expect(now.leftOut.map(({ text }) => text)).toEqual(['Pelvis quiet.']);
  const again: Block = { ...none, lines: withoutOwn(none, now, must(now.leftOut[0]).id) };
  expect(texts(again)).toEqual(texts(plain));
});

test('a set-up said otherwise leaves the notes for the staff', () => {
  const noted: Block = { ...plain, notes: 'The hall is cold.' };
  const { first } = spoken(noted);
  const changed: Block = { ...noted, lines: withLineSaid(noted, first, lineOf(first, 'Lie down.').id, 'Come down.') };
  const now = spoken(changed).first;
  expect(lineOf(now, 'The hall is cold.').said).toBe(false);
  expect(now.leftOut).toEqual([]);
});

test('words of the class stay when the rung learns others, and both can be read', () => {
  const { first } = spoken(plain);
  const own: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Lie down.').id, 'Come down.') };
  const learnt = catalogOf([
    exercise('float', {
      sides: 'each',
      position: 'four-point',
      rungs: [rung('low', { cues: cues.map((cue) => (cue.id === 'c1' ? { ...cue, text: 'Sink.' } : cue)) })],
    }),
  ]);
  const { sections } = draftScript(learnt, timeClass(learnt, classOf([own])));
  const [come, feet] = must(sections.find(({ kind }) => kind === 'block')).lines;
  expect(come).toMatchObject({ text: 'Come down.', source: 'class', instead: 'Sink.' });
  expect(feet).toMatchObject({ text: 'Feet under the knees.' });
  expect(feet?.instead).toBeUndefined();
});

test('what is changed on the second side is changed there alone, and on the first wherever it is said', () => {
  const { first, second } = spoken(plain);
  const there: Block = {
    ...plain,
    lines: withLineSaid(plain, second, lineOf(second, 'Float the knee.').id, 'And float.'),
  };
  expect(texts(there)[0]).toContain('Float the knee.');
  expect(texts(there)[1]).toContain('And float.');
  const both: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Float the knee.').id, 'Lift.') };
  expect(texts(both)[0]).toContain('Lift.');
  expect(texts(both)[1]).toContain('Lift.');
});

test('a line is added after those of its kind, and each has an id of its own', () => {
  const { first } = spoken(plain);
  const more: Block = { ...plain, lines: withLineAdded(plain, first, 'image', 'A heron.') };
  expect(texts(more)[0]).toContain('A heron.');
  const again: Block = { ...more, lines: withLineAdded(more, spoken(more).first, 'image', 'A crane.') };
  expect(texts(again)[0]).toEqual(expect.arrayContaining(['A heron.', 'A crane.']));
  expect(new Set(again.lines?.map(({ id }) => id)).size).toBe(again.lines?.length);
});

test('words of a class become the rung’s own, in the place and with the ids of those they replace', () => {
  const { first } = spoken(plain);
  const changed: Block = { ...plain, lines: withLineSaid(plain, first, lineOf(first, 'Lie down.').id, 'Come down.') };
  const line = lineOf(spoken(changed).first, 'Come down.');
  const made = cuesWithOwn(rung('low', { cues }), changed, line);
  expect(made.map(({ id, text }) => `${id} ${text}`)).toEqual([
    'c1 Come down.',
    'c2 Feet under the knees.',
    'c3 Float the knee.',
    'c4 Pelvis quiet.',
  ]);
});
