import ICAL from 'ical.js';

/** A stretch of days, both ends in it. */
interface Stretch {
  readonly from: string;
  readonly to: string;
}

/** Times of one repeating event that are read at most, and days of one event. */
const [TIMES, LONGEST] = [400, 400];

/**
 * The days on which a calendar has something, as stretches of days in a row; a sentence where it is none. Days are read
 * by the clock each event was written by: a zone that nobody knows is the clock on the wall.
 */
export function busyDays(text: string): readonly Stretch[] | string {
  let calendar: ICAL.Component;
  try {
    calendar = new ICAL.Component(ICAL.parse(text));
  } catch {
    return 'this is no calendar; expected iCalendar.';
  }
  const days = new Set<string>();
  for (const component of calendar.getAllSubcomponents('vevent')) {
    // What its owner marked as free is free, and what was called off is not there.
    if (component.getFirstPropertyValue('transp') === 'TRANSPARENT') continue;
    if (component.getFirstPropertyValue('status') === 'CANCELLED') continue;
    const event = new ICAL.Event(component);
    if (!event.startDate) continue;
    const length = event.duration;
    const each = event.iterator();
    for (let n = 0; n < (event.isRecurring() ? TIMES : 1); n++) {
      const start = event.isRecurring() ? each.next() : event.startDate;
      if (!start) break;
      const end = start.clone();
      end.addDuration(length);
      // The end of a whole day is the day after it, and midnight belongs to the day before.
      if (end.compare(start) > 0) end.adjust(0, 0, 0, end.isDate ? -86_400 : -1);
      const day = start.clone();
      day.isDate = true;
      for (let i = 0; i < LONGEST && day.toString() <= end.toString(); i++) {
        days.add(day.toString());
        day.adjust(1, 0, 0, 0);
      }
    }
  }
  return days.size === 0 ? 'nothing in it takes time.' : stretchesOf([...days].sort());
}

/** Days in a row as one stretch. */
function stretchesOf(days: readonly string[]): Stretch[] {
  const stretches: Stretch[] = [];
  for (const day of days) {
    const last = stretches.at(-1);
    const after = last && ICAL.Time.fromDateString(last.to);
    after?.adjust(1, 0, 0, 0);
    if (last && after?.toString() === day) stretches[stretches.length - 1] = { ...last, to: day };
    else stretches.push({ from: day, to: day });
  }
  return stretches;
}
