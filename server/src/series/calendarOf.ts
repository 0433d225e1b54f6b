import { timeClass } from '@warm-ladder/core/plan';
import { occasionsOf, type Series, type WholeStudio } from '@warm-ladder/core/series';
import ical, { type ICalCalendar, ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';
import { tzlib_get_ical_block } from 'timezones-ical-library';

/** The zone's own rules, as every calendar reads them. */
function zoneBlock(zone: string): string | null {
  const [block] = tzlib_get_ical_block(zone) as string[];
  return block ?? null;
}

/**
 * A moment by the clock on the wall, on its day or, past midnight, on a later one. The writer reads one in a zone by this
 * machine's own clock, and one in none by UTC: either way what is written is what the wall says.
 */
function wallTime(day: string, minutes: number, zoned: boolean): Date {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return zoned ? new Date(year, month - 1, date, 0, minutes) : new Date(Date.UTC(year, month - 1, date, 0, minutes));
}

/**
 * The episodes of one series or more that fall on a day, as one iCalendar: by the clock on the wall, in the zone the series names or in
 * none, never in UTC. An event keeps its UID when it moves, so that a calendar takes the new one in its place.
 */
export function calendarOf(studio: WholeStudio, all: readonly Series[]): string {
  const name = all.length === 1 ? (all[0]?.name ?? '') : 'The term';
  const calendar = ical({ name, prodId: '//Warm Ladder//Series//EN', method: ICalCalendarMethod.PUBLISH });
  const zones = new Set(all.map(({ schedule }) => schedule?.timeZone));
  const [zone] = zones;
  // Where series lie in several zones the calendar is of none, and each event of its own.
  if (zones.size > 1 || zone !== undefined) {
    calendar.timezone({ name: zones.size === 1 ? (zone ?? null) : null, generator: zoneBlock });
  }
  for (const series of all) addSeries(calendar, studio, series);
  return `${calendar.toString()}\r\n`.replace(/(\r?\n)+$/, '\r\n');
}

function addSeries(calendar: ICalCalendar, studio: WholeStudio, series: Series): void {
  const zone = series.schedule?.timeZone;
  const lengths = new Map<string, number>();
  for (const { class: id } of series.episodes) {
    const plan = studio.classOf(id);
    if (!plan) continue;
    const { seconds } = timeClass(studio.catalog, plan, { audience: studio.audienceOf(plan.audience) });
    lengths.set(id, Math.max(1, Math.ceil(seconds / 60)));
  }
  for (const occasion of occasionsOf(series, (id) => lengths.get(id) ?? 0)) {
    const own = series.episodes[occasion.episode];
    const plan = studio.classOf(occasion.class);
    const place = own?.id ?? occasion.class;
    const room = studio.roomOf(occasion.room);
    const teacher = studio.teacherOf(occasion.teacher);
    const from = occasion.from ?? 0;
    const zoned = zone !== undefined && occasion.from !== null;
    calendar.createEvent({
      id: `${series.id}-${place}@warm-ladder`,
      start: wallTime(occasion.day, from, zoned),
      end: wallTime(occasion.day, occasion.from === null ? 24 * 60 : from + occasion.minutes, zoned),
      allDay: occasion.from === null,
      floating: occasion.from !== null && zone === undefined,
      ...(zoned ? { timezone: zone } : {}),
      summary: own?.title ?? plan?.name ?? series.name,
      description: [
        `Episode ${occasion.episode + 1} of ${series.name}`,
        ...(teacher ? [`Taught by ${teacher.name}`] : []),
        ...(series.forWhom ? [`For whom: ${series.forWhom}`] : []),
        ...(series.seeFirst ? [`First: ${series.seeFirst}`] : []),
      ].join('\n'),
      ...(room ? { location: room.name } : {}),
      transparency: ICalEventTransparency.OPAQUE,
    });
  }
}
