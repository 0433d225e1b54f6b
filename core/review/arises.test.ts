import type { Series } from '../series';
import { arisesIn } from './arises';

const series = (id: string, ...classes: string[]): Series => ({
  id,
  name: `The ${id}`,
  episodes: classes.map((each) => ({ class: each })),
});
const around = {
  classId: 'b',
  audience: { id: 'choir', name: 'Choir singers' },
  series: [series('first', 'a', 'b'), series('other', 'b'), series('third', 'c')],
};

test('a finding says whom it is for, or in which series and as which episode', () => {
  expect(arisesIn('CAUTION_SWAP', around)).toBe('for Choir singers');
  expect(arisesIn('CAUTION_SWAP', { ...around, audience: undefined })).toBe('for anyone');
  expect(arisesIn('REQUIREMENT_UNMET', around)).toBe('as episode 2 of The first and as episode 1 of The other');
  expect(arisesIn('REQUIREMENT_UNMET', { ...around, series: [] })).toBe('taught by itself, in no series');
  expect(arisesIn('TIME_OVER', around)).toBeNull();
});
