import fc from 'fast-check';
import { clock, percent, spell } from './clock';

test.each([
  [0, '0:00'],
  [59.6, '1:00'],
  [125, '2:05'],
  [3599.4, '59:59'],
  [3600, '1:00:00'],
  [3729, '1:02:09'],
])('%d s on the clock', (seconds, shown) => expect(clock(seconds)).toBe(shown));

test('a clock read back gives the seconds, rounded', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 20_000, noNaN: true }), (seconds) => {
      const read = clock(seconds)
        .split(':')
        .reduce((sum, part) => sum * 60 + Number(part), 0);
      expect(read).toBe(Math.round(seconds));
    }),
  );
});

test.each([
  [40, '40 s'],
  [120, '2 min'],
  [125, '2 min 05 s'],
])('%d s in words', (seconds, words) => expect(spell(seconds)).toBe(words));

test('shares are whole percentages', () => expect(percent(0.355)).toBe('36 %'));
