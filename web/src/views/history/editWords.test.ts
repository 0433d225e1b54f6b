import { diff } from '@warm-ladder/core/edits';
import { block, classOf } from '@warm-ladder/core/testing';
import { editWords, isMaking, isRemoving, nameSaid } from './editWords';

const before = classOf([block('hold', { dose: { sets: 1, reps: 4 } }), block('curl')]);
const [first, second] = before.blocks;
const told = (after: object) => editWords(after, diff(before, after));

test('a value is told with what it was, in the part it belongs to by its name', () => {
  const more = { ...first, dose: { sets: 1, reps: 6 } };
  expect(told({ ...before, name: 'Kiln evening', blocks: [more, second] })).toBe(
    'name: Test class → Kiln evening; block “hold, low”, dose, reps: 4 → 6',
  );
});

test('what an id stands for is told by its name, and a short list part by part', () => {
  const named = (value: object | string) =>
    value === 'choir' ? 'Choir singers' : 'rung' in Object(value) ? 'Hold, Low' : undefined;
  const words = (after: object) => editWords(after, diff(before, after), named);
  expect(words({ ...before, audience: 'choir' })).toBe('audience: Choir singers');
  expect(words({ ...before, blocks: [second] })).toBe('block “Hold, Low” removed');
  expect(words({ ...before, cautions: ['neck-pain', 'vertigo'] })).toBe('cautions: neck-pain, vertigo');
});

test('what is put in, taken out and moved is named, and much at once is counted', () => {
  expect(told({ ...before, blocks: [second] })).toBe('block “hold, low” removed');
  expect(told({ ...before, blocks: [second, first] })).toMatch(/^block “(?:hold|curl), low” moved$/);
  const many = { ...before, targetMinutes: 7, openingSeconds: 1, closingSeconds: 2, name: 'A', blocks: [first] };
  expect(told(many)).toMatch(/; and 2 more$/);
  // Told are the first three, not all and then the rest once more.
  expect(told(many).split('; ')).toHaveLength(4);
});

test('a document made or removed is told from one that was changed, with the name it had', () => {
  const [made, gone, changed] = [diff({}, before), diff(before, {}), diff(before, { ...before, name: 'B' })];
  expect([made, gone, changed].map((edit) => [isMaking(edit), isRemoving(edit)])).toEqual([
    [true, false],
    [false, true],
    [false, false],
  ]);
  expect([nameSaid(made), nameSaid(gone)]).toEqual(['Test class', 'Test class']);
});
