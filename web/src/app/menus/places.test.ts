import { isOnPage } from './places';

const step = (
  at: string | undefined,
  ...documents: Array<readonly [kind: 'classes' | 'exercises' | 'rooms', id: string]>
) => ({
  ...(at === undefined ? {} : { at }),
  documents: documents.map(([kind, id]) => ({ kind, id, edit: [] })),
});

test.each([
  ['its document is the page', step(undefined, ['classes', 'a']), '/script/a', true],
  ['another document of the kind is', step('/class/b', ['classes', 'b']), '/class/a', false],
  ['it was done here, on documents shown elsewhere', step('/repertoire/x', ['classes', 'a']), '/repertoire/x', true],
  ['the page lists its kind', step('/class/a', ['classes', 'a']), '/class', true],
  ['the page lists another', step('/class/a', ['classes', 'a']), '/repertoire', false],
  ['one of many is the page', step('/method', ['exercises', 'x'], ['classes', 'a']), '/teach/a', true],
  ['every change is listed', step('/class/a', ['classes', 'a']), '/history', true],
  ['rooms stand on a page of two kinds', step(undefined, ['rooms', 'hall']), '/teachers', true],
])('a step is on a page or not where %s', (_name, done, pathname, expected) => {
  expect(isOnPage(done, pathname)).toBe(expected);
});

test('a ladder opens over the repertoire and is no page of its own', () => {
  expect(isOnPage(step('/repertoire/bow', ['classes', 'a']), '/repertoire')).toBe(true);
});
