/** Digits of other scripts that people type (Arabic-Indic, Persian, Devanagari), by the code of their nought. */
const NOUGHTS = [0x0660, 0x06f0, 0x0966] as const;

/**
 * A number as people write it: with a decimal comma or point, in the digits of their own script.
 * @returns `NaN` for anything else; a comma and a point together are a slip, not a number
 */
export function readNumber(text: string): number {
  const digits = [...text.trim()]
    .map((letter) => {
      const code = letter.codePointAt(0) ?? 0;
      const nought = NOUGHTS.find((each) => code >= each && code < each + 10);
      return nought === undefined ? letter : String(code - nought);
    })
    .join('')
    .replace('٫', '.');
  return /^-?\d*([.,]\d*)?$/.test(digits) && /\d/.test(digits) ? Number(digits.replace(',', '.')) : Number.NaN;
}
