/** Seconds as a clock shows them: `45:08`, or `1:02:09` from an hour on. Rounded to the second. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  const s = String(whole % 60).padStart(2, '0');
  const minutes = Math.floor(whole / 60);
  if (minutes < 60) return `${minutes}:${s}`;
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}:${s}`;
}

/** A length in words: `40 s`, `2 min`, `2 min 05 s`. */
export function spell(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  const s = whole % 60;
  return s === 0 ? `${whole / 60} min` : `${Math.floor(whole / 60)} min ${String(s).padStart(2, '0')} s`;
}

/** A share as a whole percentage. */
export const percent = (share: number): string => `${Math.round(share * 100)} %`;
