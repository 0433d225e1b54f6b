import { addDays, addMonths, formatISO, getISODay, parseISO } from 'date-fns';
import type { Series } from './seriesSchema';
import { WEEKDAYS, type Weekday } from './weekdays';

/** Days looked ahead at most: ten years, for a series of which every day is skipped. */
const MOST_DAYS = 3660;

// Days are days of the wall calendar: read and written in one zone, so that no change of clocks moves one.
const dayAfter = (day: string): string => formatISO(addDays(parseISO(day), 1), { representation: 'date' });

/** The day of the week. @example weekdayOf('2027-01-11') // 'mon' */
export const weekdayOf = (day: string): Weekday => WEEKDAYS[getISODay(parseISO(day)) - 1] as Weekday;

/**
 * The day of each episode, `YYYY-MM-DD`: the first allowed days on or after the start, in order; an episode's own date
 * pins it, and the others take the days that are left. `null` where no day is known.
 */
export function datesOf({ schedule, episodes }: Pick<Series, 'schedule' | 'episodes'>): ReadonlyArray<string | null> {
  const pinned = new Set(episodes.flatMap(({ date }) => date ?? []));
  const free = allowedDays(schedule, pinned);
  return episodes.map(({ date }) => date ?? free.next().value ?? null);
}

function* allowedDays(schedule: Series['schedule'], pinned: ReadonlySet<string>): Generator<string, null> {
  if (schedule?.start === undefined) return null;
  const { start, days = [], skip = [] } = schedule;
  const skipped = new Set(skip);
  // Without days of the week it is the weekday it starts on.
  const weekdays = new Set<Weekday>(days.length > 0 ? days : [weekdayOf(start)]);
  let day = start;
  for (let looked = 0; looked < MOST_DAYS; looked++) {
    if (weekdays.has(weekdayOf(day)) && !skipped.has(day) && !pinned.has(day)) yield day;
    day = dayAfter(day);
  }
  return null;
}

/** A stretch of time by the clock on the wall: its day, when it begins, in minutes from midnight, and how long it is. */
export interface Occasion {
  readonly series: Series;
  /** Its place in the series, from 0. */
  readonly episode: number;
  readonly class: string;
  readonly day: string;
  /** `null` where the series says no time. */
  readonly from: number | null;
  readonly minutes: number;
  readonly room: string | undefined;
  readonly teacher: string | undefined;
}

const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** The episodes of a series that fall on a day. @param minutes how long the class of an id lasts */
export function occasionsOf(series: Series, minutes: (id: string) => number): readonly Occasion[] {
  const { schedule, episodes } = series;
  return datesOf(series).flatMap((day, episode): Occasion[] => {
    const own = episodes[episode];
    if (day === null || !own) return [];
    return [
      {
        series,
        episode,
        class: own.class,
        day,
        from: schedule?.time === undefined ? null : minutesOf(schedule.time),
        minutes: minutes(own.class),
        room: schedule?.room,
        teacher: own.teacher ?? schedule?.teacher,
      },
    ];
  });
}

/** Whether two occasions fall into one another: of one without a time nobody knows. */
export const overlap = (a: Occasion, b: Occasion): boolean =>
  a.day === b.day && a.from !== null && b.from !== null && a.from < b.from + b.minutes && b.from < a.from + a.minutes;

/** A month of the calendar, `YYYY-MM`. */
const monthOf = (day: string): string => day.slice(0, 7);

/**
 * The weeks that a month touches, from Monday, each with its seven days.
 * @param day any day of the month
 */
export function weeksOf(day: string): readonly string[][] {
  const month = monthOf(day);
  const first = parseISO(`${month}-01`);
  let at = formatISO(addDays(first, 1 - getISODay(first)), { representation: 'date' });
  const weeks: string[][] = [];
  do {
    const week: string[] = [];
    for (let i = 0; i < WEEKDAYS.length; i++) {
      week.push(at);
      at = dayAfter(at);
    }
    weeks.push(week);
  } while (monthOf(at) <= month);
  return weeks;
}

/** The first day of a month some months away. @example monthsOn('2027-01-31', 1) // '2027-02-01' */
export const monthsOn = (day: string, by: number): string =>
  formatISO(addMonths(parseISO(`${monthOf(day)}-01`), by), { representation: 'date' });
