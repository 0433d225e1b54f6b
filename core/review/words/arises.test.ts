import { arisesIn } from './arises';

test('a finding says whom it is for, or that it is of a class in no series', () => {
  const audience = { id: 'choir', name: 'Choir singers' };
  expect(arisesIn('CAUTION_SWAP', audience)).toBe('for Choir singers');
  expect(arisesIn('CAUTION_SWAP', undefined)).toBe('for anyone');
  expect(arisesIn('NOT_TAUGHT', audience)).toBe('taught by itself, in no series');
  expect(arisesIn('TIME_OVER', audience)).toBeNull();
});
