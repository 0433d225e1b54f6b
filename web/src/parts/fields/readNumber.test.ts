import { readNumber } from './readNumber';

test.each([
  ['1.5', 1.5],
  ['1,5', 1.5],
  [' 12 ', 12],
  ['-3,25', -3.25],
  ['٢٫٥', 2.5],
  ['۱۲', 12],
  ['1,000.5', Number.NaN],
  ['1.000,5', Number.NaN],
  ['', Number.NaN],
  ['-', Number.NaN],
  ['0x10', Number.NaN],
  ['1e3', Number.NaN],
  ['Infinity', Number.NaN],
])('“%s”', (text, value) => expect(readNumber(text)).toBe(value));
