import type { Log } from '.';
import { loggedTwice } from '.';

const log = (id: string, change: Partial<Log> = {}): Log => ({
  id,
  class: 'monday',
  date: '2027-01-11',
  begun: '18:30',
  teacher: 'ilva',
  source: 'live',
  ...change,
});
const twice = (...logs: Log[]) => [...loggedTwice(logs)].sort();

test('two phones in one room make two logs of one class, and both are told of', () => {
  expect(twice(log('a'), log('b', { begun: '18:41' }), log('c', { date: '2027-01-12' }))).toEqual(['a', 'b']);
});

test.each<[string, Partial<Log>, boolean]>([
  ['by another teacher', { teacher: 'tam' }, false],
  ['by nobody who was named', { teacher: undefined }, true],
  ['twenty minutes later', { begun: '18:50' }, true],
  ['later that evening', { begun: '18:51' }, false],
  ['at no time that was written down', { begun: undefined }, true],
  ['of another class', { class: 'friday' }, false],
  ['of a rehearsal', { source: 'rehearsal' }, false],
])('a second log %s: %p counts twice %p', (_name, change, expected) => {
  expect(twice(log('a'), log('b', change))).toEqual(expected ? ['a', 'b'] : []);
});
