import type { Standing } from '@warm-ladder/core/mend';
import { effectText } from './effectText';

const standing = (change: Partial<Standing> = {}): Standing => ({
  stop: 0,
  fix: 1,
  look: 2,
  score: 30,
  seconds: 1800,
  positionChanges: 5,
  ...change,
});
const NOTHING = { fix: 0, look: 0 };

test.each<[string, Partial<Standing>, Partial<Standing>]>([
  ['3 → 2 to mend, +1:30, one position change fewer', {}, { look: 1, seconds: 1890, positionChanges: 4 }],
  ['still 3 to mend, but less grave, −0:20', {}, { score: 20, seconds: 1780 }],
  ['still 3 to mend, 2 more position changes', {}, { score: 31, positionChanges: 7 }],
  ['a better score', NOTHING, { ...NOTHING, score: 29 }],
  ['nothing to mend, +0:01', NOTHING, { ...NOTHING, seconds: 1801 }],
])('%s', (text, before, after) => expect(effectText(standing(before), standing(after))).toBe(text));
