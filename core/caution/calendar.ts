/**
 * Days from 1 January 1970 to a day of the calendar, `YYYY-MM-DD`. Counted in the proleptic Gregorian calendar, so no
 * time zone and no change of clocks comes into it.
 * Source: Howard Hinnant, “chrono-Compatible Low-Level Date Algorithms”, days_from_civil.
 */
function dayNumber(date: string): number {
  const [y = 0, month = 1, day = 1] = date.split('-').map(Number);
  const year = month <= 2 ? y - 1 : y;
  const era = Math.floor(year / 400);
  const ofEra = year - era * 400;
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468;
}

/** Whole days from one day to a later one; negative when it is earlier. @example daysBetween('2026-02-28', '2026-03-01') // 1 */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);

/** How long ago something was, in words: today, yesterday, 6 days ago, 3 weeks ago. */
export function agoText(days: number): string {
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  return days < 14 ? `${days} days ago` : `${Math.floor(days / 7)} weeks ago`;
}
