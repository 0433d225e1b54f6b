const DAY = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** A day of the wall calendar in words, whatever zone the reader is in. @example dayText('2027-01-11') // 'Jan 11' */
export const dayText = (day: string): string => DAY.format(new Date(`${day}T00:00:00Z`));
