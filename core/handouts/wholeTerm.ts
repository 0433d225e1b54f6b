import { timeClass } from '../plan';
import type { RungEntry } from '../repertoire';
import { clock } from '../review';
import { GENERAL_ADVICE } from '../script';
import {
  mondayOf,
  type Occasion,
  occasionsOf,
  reviewSeries,
  type Series,
  timeText,
  type WholeStudio,
  weekdayOf,
} from '../series';
import { countText } from '../vocabulary';
import type { Handout, HandoutCell, HandoutPart } from './handout';

/** A class on its day, with what it is hardest in and what keeps it from being taught. */
interface Taught extends Occasion {
  readonly name: string;
  readonly seconds: number;
  readonly peak: RungEntry | null;
  readonly clashes: readonly string[];
}

/**
 * Several series in one term: week by week every class with its day and hour, the hardest body of it, who teaches it where,
 * and what clashes.
 * @param from the first day, and `to` the last, where not all of it is wanted; both as 2027-01-11
 */
export function wholeTerm(
  studio: WholeStudio,
  { from, to }: { from?: string | undefined; to?: string | undefined } = {},
): Handout {
  const taught = studio.allSeries
    .flatMap((series) => taughtIn(studio, series))
    .filter(({ day }) => (from === undefined || day >= from) && (to === undefined || day <= to))
    .sort((a, b) => a.day.localeCompare(b.day) || (a.from ?? 0) - (b.from ?? 0));
  const series = new Set(taught.map((each) => each.series.id));
  const clashes = [...new Set(taught.flatMap((each) => each.clashes))];
  const first = taught[0];
  return {
    title: 'The term',
    about: first
      ? `${countText(taught.length, 'class', 'classes')} of ${countText(series.size, 'series', 'series')}, ${first.day} to ${taught.at(-1)?.day}`
      : 'No class has a day yet.',
    parts: [
      {
        kind: 'table',
        head: ['Week of', 'Day', 'At', '', 'Class', 'Series', 'Teacher', 'Where'],
        widths: [0.12, 0.13, 0.07, 0.12, 0.25, 0.14, 0.08, 0.09],
        rows: taught.map((each, i) => {
          const monday = mondayOf(each.day);
          const before = taught[i - 1];
          const begins = before === undefined || mondayOf(before.day) !== monday;
          return [{ text: begins ? monday : '' }, ...rowOf(studio, each)];
        }),
      },
      ...clashes.map((text): HandoutPart => ({ kind: 'text', text: `Can’t be taught as planned: ${text}` })),
      { kind: 'text', text: GENERAL_ADVICE },
    ],
    foot: 'The term   Date: ______________',
  };
}

function taughtIn(studio: WholeStudio, series: Series): Taught[] {
  const timed = new Map(
    series.episodes.flatMap(({ class: id }) => {
      const plan = studio.classOf(id);
      return plan
        ? [[id, timeClass(studio.catalog, plan, { audience: studio.audienceOf(plan.audience) })] as const]
        : [];
    }),
  );
  const { findings } = reviewSeries(studio, series);
  return occasionsOf(series, (id) => Math.ceil((timed.get(id)?.seconds ?? 0) / 60)).map((occasion) => {
    const own = timed.get(occasion.class);
    const heat = (entry: RungEntry | null) => (entry ? studio.catalog.heat(entry) : -1);
    const peak = own?.blocks.reduce<RungEntry | null>(
      (best, { entry }) => (heat(entry) > heat(best) ? entry : best),
      null,
    );
    return {
      ...occasion,
      name: series.episodes[occasion.episode]?.title ?? own?.plan.name ?? occasion.class,
      seconds: own?.seconds ?? 0,
      peak: peak ?? null,
      clashes: findings
        .filter(({ code, episode }) => code === 'DATE_CLASH' && episode === occasion.episode)
        .map(({ message }) => message),
    };
  });
}

function rowOf(studio: WholeStudio, each: Taught): HandoutCell[] {
  const weekday = weekdayOf(each.day);
  return [
    { text: `${weekday.charAt(0).toUpperCase()}${weekday.slice(1)} ${each.day.slice(5)}` },
    { text: each.from === null ? '' : timeText(each.from) },
    { text: '', ...(each.peak ? { figure: each.peak } : {}) },
    { text: `${each.name}, ${clock(each.seconds)}` },
    { text: each.series.name },
    { text: studio.teacherOf(each.teacher)?.name ?? '' },
    { text: studio.roomOf(each.room)?.name ?? '' },
  ];
}
