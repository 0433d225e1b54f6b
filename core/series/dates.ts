import { addDays, formatISO, getISODay, parseISO } from 'date-fns';
import type { Series } from './seriesSchema';
import { WEEKDAYS, type Weekday } from './weekdays';

/** Days looked ahead at most: ten years, for a series of which every day is skipped. */
const MOST_DAYS = 3660;

// Days are days of the wall calendar: read and written in one zone, so that no change of clocks moves one.
const dayAfter = (day: string): string => daysOn(day, 1);

/** A day some days away. @example daysOn('2027-01-31', 1) // '2027-02-01' */
export const daysOn = (day: string, by: number): string =>
  formatISO(addDays(parseISO(day), by), { representation: 'date' });

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

/**
 * Days that are skipped, those after one another as one stretch: nothing would be taught between its first and last day.
 * @returns pairs of the first and the last day, in their order
 */
export function skippedStretches(schedule: NonNullable<Series['schedule']>): ReadonlyArray<readonly [string, string]> {
  const skipped = [...(schedule.skip ?? [])].sort();
  const stretches: Array<[string, string]> = [];
  for (const day of skipped) {
    const last = stretches.at(-1);
    const between = last ? taughtDays(schedule, daysOn(last[1], 1), daysOn(day, -1)) : [];
    if (last && between.length === 0) last[1] = day;
    else stretches.push([day, day]);
  }
  return stretches;
}

/** The days of a stretch on which something would be taught, were none skipped; every day where no weekday is said. */
export function taughtDays({ days = [], start }: NonNullable<Series['schedule']>, from: string, to: string): string[] {
  const weekdays = new Set<Weekday>(days.length > 0 ? days : start ? [weekdayOf(start)] : WEEKDAYS);
  const found: string[] = [];
  for (let day = from; day <= to && found.length < MOST_DAYS; day = dayAfter(day)) {
    if (weekdays.has(weekdayOf(day))) found.push(day);
  }
  return found;
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

/** Minutes from midnight. @example minutesOf('18:30') // 1110 */
export const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** @param minutes since midnight @example timeText(1110) // '18:30' */
export const timeText = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

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

/** The Monday of the week a day is in. @example mondayOf('2027-01-14') // '2027-01-11' */
export const mondayOf = (day: string): string => daysOn(day, 1 - getISODay(parseISO(day)));

/** The Mondays of a number of weeks, from the one a day is in. */
export const weeksFrom = (day: string, count: number): readonly string[] =>
  Array.from({ length: count }, (_, i) => daysOn(mondayOf(day), i * WEEKDAYS.length));

/** The same day of the week, in another week. @param monday the Monday of that week */
export const inWeek = (day: string, monday: string): string => daysOn(monday, getISODay(parseISO(day)) - 1);
