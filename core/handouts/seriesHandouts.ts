import { rungKey } from '../repertoire';
import { clock, fromSeries, rungTitle, spell } from '../review';
import { describeBlock, detailsText, GENERAL_ADVICE, propsText } from '../script';
import {
  datesOf,
  type EpisodeReview,
  followedBy,
  reviewSeries,
  type Series,
  type SeriesReview,
  type WholeStudio,
} from '../series';
import { countText } from '../vocabulary';
import { type Handout, type HandoutCell, oneSheet, roomCardHandout } from './handout';
import { propsWords, type SpokenClass, spokenClass } from './spokenClass';

/** What stands at the foot of every page of a series. */
const FOOT = 'Date: ______________';

const teacherOf = ({ teacherOf: find }: WholeStudio, { episodes, schedule }: Series, episode: number) =>
  find(episodes[episode]?.teacher ?? schedule?.teacher);

/** Rungs an episode teaches that nobody was taught before it, and those it does again, by name. */
function newAndKnown({ catalog }: WholeStudio, { plan, before }: EpisodeReview) {
  const seen = new Set<string>();
  const fresh: string[] = [];
  const known: string[] = [];
  for (const block of plan.blocks) {
    if ('interlude' in block) continue;
    const entry = catalog.rung(block);
    if (!entry || seen.has(entry.key)) continue;
    seen.add(entry.key);
    (before.count(entry.key).practised > 0 ? known : fresh).push(rungTitle(entry));
  }
  return { fresh, known };
}

/** The term on one page: every class with its day, its teacher, what is new, what is needed. */
function termPlan(studio: WholeStudio, series: Series, review: SeriesReview = reviewSeries(studio, series)): Handout {
  const dates = datesOf(series);
  const { schedule } = series;
  const before = followedBy(studio, series).at(-1);
  const room = studio.roomOf(schedule?.room);
  const about = [
    `${countText(review.episodes.length, 'class', 'classes')}, ${spell(review.seconds)}`,
    ...(series.audience ? [`for ${studio.audienceOf(series.audience)?.name ?? series.audience}`] : []),
    ...(schedule?.time ? [`at ${schedule.time}`] : []),
    ...(room ? [`in ${room.name}`] : []),
    ...(before ? [`after ${before.name}`] : []),
  ].join(' · ');
  return {
    title: `${series.name}: the term`,
    about,
    parts: [
      ...(series.forWhom ? [{ kind: 'text' as const, text: `For whom: ${series.forWhom}` }] : []),
      ...(series.seeFirst ? [{ kind: 'text' as const, text: `Ask a professional first: ${series.seeFirst}` }] : []),
      {
        kind: 'table',
        head: ['', 'Day', 'Class', 'Teacher', 'New', 'Needed'],
        widths: [0.04, 0.11, 0.24, 0.1, 0.37, 0.14],
        rows: review.episodes.map((each) => {
          const { fresh, known } = newAndKnown(studio, each);
          const props = new Set(each.timed.blocks.flatMap(({ entry }) => entry.props.map(({ name }) => name)));
          const more = known.length > 0 ? `${fresh.length > 0 ? '; ' : ''}${known.length} known` : '';
          return [
            { text: String(each.episode + 1) },
            { text: dates[each.episode] ?? '' },
            { text: `${series.episodes[each.episode]?.title ?? each.plan.name}, ${clock(each.timed.seconds)}` },
            { text: teacherOf(studio, series, each.episode)?.name ?? '' },
            { text: `${fresh.join('; ')}${more}` },
            { text: [...props].join(', ') },
          ];
        }),
      },
      { kind: 'text', text: GENERAL_ADVICE },
    ],
    foot: `${series.name}   ${FOOT}`,
  };
}

/** What is practised between episodes, in words; empty where nothing is. */
export const practiceWords = ({ weekly }: Pick<Series, 'weekly'>): string =>
  weekly === undefined
    ? ''
    : [
        ...(weekly.days === undefined ? [] : [`${countText(weekly.days, 'day')} a week`]),
        ...(weekly.sets === undefined ? [] : [countText(weekly.sets, 'set')]),
        ...(weekly.reps === undefined ? [] : [`${weekly.reps} repetitions`]),
        ...(weekly.note ? [weekly.note] : []),
      ].join(', ');

/** One episode on a page: what is done, what of it is new, known or earned with it, what is practised until the next. */
function weekPage(studio: WholeStudio, series: Series, each: EpisodeReview, spoken: SpokenClass): Handout {
  const date = datesOf(series)[each.episode];
  const teacher = teacherOf(studio, series, each.episode);
  const rows = spoken.timed.blocks.map((part): HandoutCell[] => {
    const { entry, block } = part;
    const key = rungKey(block);
    const told = describeBlock(spoken.timed, part);
    const details = [detailsText(told), propsText(told.props)].filter((words) => words !== '');
    const known = each.before.count(key).practised > 0;
    return [
      { text: '', figure: entry },
      { text: [told.name, ...details].join('; ') },
      { text: told.dose },
      { text: [known ? 'known' : 'new', ...(each.earned.includes(key) ? ['earned with it'] : [])].join(', ') },
    ];
  });
  const practice = practiceWords(series);
  return {
    title: `${each.episode + 1}. ${spoken.plan.name}`,
    about: [
      ...(date ? [date] : []),
      ...(series.schedule?.time ? [series.schedule.time] : []),
      clock(each.timed.seconds),
      ...(teacher ? [`taught by ${teacher.name}`] : []),
      propsWords(spoken),
    ].join(' · '),
    parts: [
      { kind: 'table', head: ['', 'What', 'How many', 'It is'], widths: [0.12, 0.46, 0.16, 0.26], rows },
      ...(practice !== ''
        ? [
            { kind: 'heading' as const, text: 'Practice until the next' },
            { kind: 'text' as const, text: practice },
          ]
        : []),
      { kind: 'text', text: GENERAL_ADVICE },
    ],
    foot: `${series.name}   ${FOOT}`,
  };
}

/** All that the staff of a series is handed: the term, then for every class its page, the one sheet and the room card. */
export function seriesHandouts(studio: WholeStudio, series: Series): readonly [Handout, ...Handout[]] {
  const review = reviewSeries(studio, series);
  const classes = review.episodes.flatMap((each): Handout[] => {
    const { plan, before, episode } = each;
    const spoken = spokenClass(
      studio.catalog,
      plan,
      {
        audience: studio.audienceOf(plan.audience),
        teacher: teacherOf(studio, series, episode),
        earlier: new Set(before.keys.filter((key) => before.count(key).taught > 0)),
        ...fromSeries(plan.id, [series], studio.classOf),
      },
      { group: series.schedule?.group, weekly: series.weekly },
    );
    return [weekPage(studio, series, each, spoken), oneSheet(spoken), roomCardHandout(spoken)];
  });
  return [termPlan(studio, series, review), ...classes];
}
