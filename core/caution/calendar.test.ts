import fc from 'fast-check';
import { agoText, daysBetween } from './calendar';

test('days are counted as the calendar does, over leap years and in both directions', () => {
  const day = fc.integer({ min: -100_000, max: 100_000 });
  const written = (n: number) => new Date(n * 86_400_000).toISOString().slice(0, 10);
  fc.assert(
    fc.property(
      day.filter((n) => n > -25_000),
      day.filter((n) => n > -25_000),
      (a, b) => expect(daysBetween(written(a), written(b))).toBe(b - a),
    ),
  );
});

test.each([
  [0, 'today'],
  [1, 'yesterday'],
  [6, '6 days ago'],
  [13, '13 days ago'],
  [14, '2 weeks ago'],
  [190, '27 weeks ago'],
])('%i days', (days, words) => expect(agoText(days)).toBe(words));
