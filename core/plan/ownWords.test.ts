import type { Line } from './class';
import { type Worded, withOwnWords } from './ownWords';

const says = (kind: Worded['kind'], text: string, phase?: string): Worded => ({
  kind,
  text,
  said: true,
  ...(phase ? { phase: { id: phase } } : {}),
});
const DRAFTED = [
  says('setup', 'Lie down.'),
  says('setup', 'Feet under the knees.'),
  says('action', 'Float the knee.', 'p1'),
  says('action', 'Set it down.', 'p2'),
  says('transition', 'Rest.'),
];
let lines = 0;
const own = (kind: Line['kind'], text: string, more: Partial<Line> = {}): Line => ({
  id: `l${++lines}`,
  kind,
  text,
  ...more,
});
/** What is said of each pass, `text (words it replaced)`, and what is left out. */
function worded(written: readonly Line[], pass: 1 | 2 = 1) {
  const replaced: string[] = [];
  const { lines: said, leftOut } = withOwnWords(DRAFTED, written, pass, ({ kind, text, phase }, instead) => {
    replaced.push(`${text} ← ${instead ?? 'nothing'}`);
    return says(kind, text, phase);
  });
  return { said: said.map(({ text }) => text), leftOut: leftOut.map(({ text }) => text), replaced };
}

test('words of a kind stand where that kind stood, each for one it replaced; no words leave it out', () => {
  expect(worded([own('setup', 'Lie on the mat.')])).toEqual({
    said: ['Lie on the mat.', 'Float the knee.', 'Set it down.', 'Rest.'],
    leftOut: ['Feet under the knees.'],
    replaced: ['Lie on the mat. ← Lie down.'],
  });
  expect(worded([own('transition', '')])).toMatchObject({ leftOut: ['Rest.'], replaced: [] });
});

test('words of one phase replace that phase alone, after words of the whole kind', () => {
  expect(worded([own('action', 'Lower it.', { phase: 'p2' })]).said).toEqual([
    'Lie down.',
    'Feet under the knees.',
    'Float the knee.',
    'Lower it.',
    'Rest.',
  ]);
  const both = [own('action', 'Down.', { phase: 'p2' }), own('action', 'Move.')];
  expect(worded(both).said).toEqual(['Lie down.', 'Feet under the knees.', 'Move.', 'Down.', 'Rest.']);
});

test('a kind that was not there is spoken before what comes later in the usual order of kinds', () => {
  expect(worded([own('alignment', 'Pelvis quiet.')]).said).toEqual([
    'Lie down.',
    'Feet under the knees.',
    'Float the knee.',
    'Set it down.',
    'Pelvis quiet.',
    'Rest.',
  ]);
  expect(worded([own('side', 'Left first.')]).said[2]).toBe('Left first.');
});

test('words of one pass are of that pass alone, and stand in the place of those of both', () => {
  const lines = [own('setup', 'Both.'), own('setup', 'Only now.', { pass: 2 }), own('feel', 'Warm.')];
  expect(worded(lines, 1).said).toEqual(['Both.', 'Float the knee.', 'Set it down.', 'Warm.', 'Rest.']);
  // What says no pass and replaces nothing is said once, in the first.
  expect(worded(lines, 2).said).toEqual(['Only now.', 'Float the knee.', 'Set it down.', 'Rest.']);
});
