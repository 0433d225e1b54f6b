import { CONDITIONS } from '../../caution';
import type { Audience, ClassPlan } from '../../plan';
import type { Catalog, RungEntry } from '../../repertoire';
import { rungTitle } from '../../review';
import {
  broughtBefore,
  countsOf,
  doingsOf,
  type Learnt,
  measureSeries,
  type PathStep,
  rulesOf,
  type Series,
  type SeriesFix,
  type SeriesMeasure,
  seriesFixesFor,
  WEEKDAYS,
  type Weekday,
  type WholeStudio,
  weekdayOf,
  withEdited,
} from '../../series';
import { countText } from '../../vocabulary';
import { chanceOf } from '../../vocabulary/chance';
import { type Searching, searchedThrough, withinSearch } from '../../vocabulary/searching';
import type { SeriesBrief } from '../briefs/seriesBriefSchema';
import { curriculumOf, mustsFor } from './curriculum';
import { classFor, keptAs, workOf } from './episodeClass';

/** A series proposed, with its classes. */
export interface SeriesProposal {
  readonly series: Series;
  readonly classes: readonly ClassPlan[];
  readonly review: SeriesMeasure;
  readonly counts: ReturnType<typeof countsOf>;
  readonly why: readonly string[];
}

export interface ProposedSeries {
  readonly proposals: readonly SeriesProposal[];
  readonly clashes: readonly string[];
  /** How many episodes would do, where those asked for are too few. */
  readonly enough?: number | undefined;
}

/** Seeds of episodes, and of proposals, lie as far apart. */
const [EPISODES_APART, PROPOSALS_APART] = [101, 100_003];

/**
 * Whole series for a brief: what each goal needs is taught as early as it can be, each class is searched for among what is
 * open by then, and every goal is done in the last episodes.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 */
export const proposeSeries = (studio: WholeStudio, brief: SeriesBrief, today?: string): ProposedSeries =>
  searchedThrough(proposingSeries(studio, brief, today));

/** The same as a search that can be stopped with the whole series it has: it tells its share, 0 to 1. */
export function* proposingSeries(studio: WholeStudio, brief: SeriesBrief, today?: string): Searching<ProposedSeries> {
  const shell = shellOf(studio, brief);
  const { clashes, goals, path, enough } = curriculumOf(studio, brief, shell);
  if (clashes.length > 0) return { proposals: [], clashes, enough };
  const wanted = brief.proposals ?? 2;
  const proposals: SeriesProposal[] = [];
  let stopped = false;
  for (let i = 0; i < wanted && !stopped; i++) {
    const seed = (brief.seed ?? 1) + PROPOSALS_APART * i;
    const one = plannedFor(studio, brief, today, { shell: named(shell, i), goals, path, seed, others: proposals });
    const shareAt = (done: number) => (i * brief.episodes + done) / (wanted * brief.episodes);
    const { found: planned, goesOn } = yield* withinSearch(one, shareAt);
    stopped = !goesOn;
    if (planned) proposals.push(planned);
  }
  const weight = ({ counts: { stop, fix, look } }: SeriesProposal) => stop * 1000 + fix * 30 + look;
  return { proposals: proposals.sort((a, b) => weight(a) - weight(b)), clashes: [] };
}

const named = (shell: Series, i: number): Series => ({ ...shell, id: `${shell.id}-${i + 1}` });

/** The series without its episodes. */
function shellOf(studio: WholeStudio, brief: SeriesBrief): Series {
  const { audience, goals, follows, order, days, start, episodes, minutes, delivery } = brief;
  const taken = new Set(studio.allSeries.map(({ id }) => id));
  let number = 1;
  while (taken.has(`series-${number}`)) number += 1;
  const who = studio.audienceOf(audience);
  const ends = goals.flatMap((goal) => studio.catalog.rung(goal) ?? []).map(rungTitle);
  const where = delivery === 'on-demand' ? 'to follow at home' : 'in a group';
  const weekdays = typeof days === 'number' ? spread(days, start) : days;
  return {
    id: `series-${number}`,
    name:
      ends.length > 0
        ? `To ${IN_WORDS.format(ends)}`
        : `${who?.name ?? 'Series'}, ${countText(episodes, 'class', 'classes')}`,
    description: `${countText(episodes, 'class', 'classes')} of ${minutes} minutes, ${where}${ends.length > 0 ? `, that lead step by step to ${IN_WORDS.format(ends)}` : ''}. Each brings one idea; what was taught comes back until it is known.`,
    forWhom: who
      ? `${who.name}${who.level ? `: ${LEVELS_IN_WORDS[who.level]}` : ''}.`
      : 'Anyone who can lie down on a mat and get up again.',
    seeFirst: seeFirstFor(who),
    ...(audience === undefined ? {} : { audience }),
    ...(follows === undefined ? {} : { follows }),
    ...(order === undefined ? {} : { order }),
    ...(weekdays || start
      ? { schedule: { ...(start ? { start } : {}), ...(weekdays ? { days: weekdays } : {}) } }
      : {}),
    goals,
    episodes: [],
  };
}

const IN_WORDS = new Intl.ListFormat('en');
const LEVELS_IN_WORDS = {
  beginner: 'people who have not done this before',
  improver: 'people who have been coming for a while',
  advanced: 'people who know the work well',
} as const;

/** Who should ask a professional first: whoever this audience has, and the usual ones. */
function seeFirstFor(audience: Audience | undefined): string {
  const own = (audience?.cautions ?? []).map((condition) => CONDITIONS[condition].name.toLowerCase());
  const whose = own.length > 0 ? `Ask a professional first with ${IN_WORDS.format(own)}. ` : '';
  return `${whose}Ask a doctor, midwife or physiotherapist first if you are pregnant, after an operation or an injury, or with anything that is being treated. Pain, dizziness, numbness, leaking or heaviness mean stop.`;
}

/** So many days of a week, as far from one another as they can be, the day it begins on among them. */
function spread(count: number, start: string | undefined): Weekday[] {
  const first = start === undefined ? 0 : WEEKDAYS.indexOf(weekdayOf(start));
  return WEEKDAYS.filter((_day, i) => {
    const from = (i - first + 7) % 7;
    return from === 0 || Math.floor((from * count) / 7) !== Math.floor(((from - 1) * count) / 7);
  });
}

interface Planning {
  readonly shell: Series;
  readonly goals: readonly RungEntry[];
  readonly path: readonly PathStep[];
  readonly seed: number;
  readonly others: readonly SeriesProposal[];
}

/** Ways tried to mend what is left of a whole series, and classes searched for an episode until it fits its series. */
const [MENDED, TRIES] = [8, 3];
/** What a fix weighs: a class with nothing graver than a look is taken. */
const A_FIX = 30;

/** One series, episode by episode, of which it tells how many are done; `null` where it was stopped before its end. */
function* plannedFor(
  studio: WholeStudio,
  brief: SeriesBrief,
  today: string | undefined,
  { shell, goals, path, seed, others }: Planning,
): Searching<SeriesProposal | null> {
  const rules = rulesOf(shell);
  let series = shell;
  let classes: ClassPlan[] = [];
  let best: SeriesMeasure | undefined;
  for (let episode = 1; episode <= brief.episodes; episode++) {
    const learnt = learntBy(studio, series, classes);
    const own = withEdited(studio, { series, classes });
    const musts = mustsFor(studio.catalog, { learnt, path, goals, episode, last: brief.episodes });
    let chosen: { series: Series; classes: ClassPlan[]; review: SeriesMeasure; weight: number } | undefined;
    const stays = brief.kept?.find((each) => each.episode === episode)?.class;
    for (let attempt = 0; attempt < (stays ? 1 : TRIES); attempt++) {
      const chance = chanceOf(seed + EPISODES_APART * episode + attempt);
      const { found: made, goesOn } = stays
        ? { found: keptAs(stays, series, episode), goesOn: true }
        : yield* withinSearch(
            classFor(own, brief, today, {
              series,
              musts,
              learnt,
              episode,
              chance,
              rules,
              work: workOf(best, rules),
              others: others.flatMap((each) => each.classes[episode - 1] ?? []),
              seed: seed + EPISODES_APART * episode + attempt,
            }),
            () => episode - 1,
          );
      if (!goesOn) return null;
      const next = { ...series, episodes: [...series.episodes, episodeOf(studio.catalog, made, learnt)] };
      const after = [...classes, made];
      const review = measureSeries(withEdited(studio, { series: next, classes: after }), next, { today });
      const weight = weightOf(review, episode);
      if (!chosen || weight < chosen.weight) chosen = { series: next, classes: after, review, weight };
      if (weight < A_FIX) break;
    }
    if (!chosen) return null;
    ({ series, classes, review: best } = chosen);
    if (!(yield episode) && episode < brief.episodes) return null;
  }
  return mended(studio, series, classes, today, goals);
}

/** A class as an episode: its title and its idea in a sentence, read off what it teaches. */
function episodeOf(catalog: Catalog, plan: ClassPlan, learnt: Learnt): Series['episodes'][number] {
  const fresh = [...doingsOf(plan).taught].filter((key) => learnt.count(key).taught === 0);
  const climbs = fresh.flatMap((key) => {
    const entry = catalog.rungByKey(key);
    return entry && learnt.met(entry.exercise.id) ? [rungTitle(entry)] : [];
  });
  const others = climbs.filter((title) => title !== plan.theme).slice(0, 1);
  const also = others.length > 0 ? ` ${others[0]} is a step higher.` : '';
  const titles = fresh.flatMap((key) => catalog.rungByKey(key) ?? []).map(rungTitle);
  const idea =
    plan.theme !== undefined && titles.includes(plan.theme)
      ? `${plan.theme} is new.${also}`
      : `What is known is put together in another way.${also}`;
  return { class: plan.id, ...(plan.theme ? { title: plan.theme } : {}), idea };
}

/** What an episode brings into its series, as what it costs: a goal can't be missed before the end. */
function weightOf({ raised, episodes }: SeriesMeasure, episode: number): number {
  const own = raised.filter(
    (each) => each.episode === episode - 1 && each.code !== 'GOAL_UNREACHED' && each.code !== 'COVERAGE_MISSING',
  );
  const all = [...own, ...(episodes.at(-1)?.review.findings ?? [])];
  return all.reduce((sum, { severity }) => sum + (severity === 'stop' ? 1000 : severity === 'fix' ? A_FIX : 1), 0);
}

/** What an audience has learnt after the classes there are. */
function learntBy(studio: WholeStudio, series: Series, classes: readonly ClassPlan[]): Learnt {
  const learnt = broughtBefore(studio, series);
  for (const plan of classes) learnt.add(doingsOf(plan));
  return learnt;
}

/** The series with what is left to mend mended, as far as anything helps. */
function mended(
  studio: WholeStudio,
  first: Series,
  plans: readonly ClassPlan[],
  today: string | undefined,
  goals: readonly RungEntry[],
): SeriesProposal {
  let series = first;
  let classes = [...plans];
  let whole = withEdited(studio, { series, classes });
  let review = measureSeries(whole, series, { today });
  for (let step = 0; step < MENDED; step++) {
    const fix = firstFix(whole, series, review);
    if (!fix) break;
    ({ series } = fix.after);
    classes = classes.map((plan) => fix.after.classes.find(({ id }) => id === plan.id) ?? plan);
    whole = withEdited(studio, { series, classes });
    review = measureSeries(whole, series, { today });
  }
  return { series, classes, review, counts: countsOf(review), why: whyOf(studio.catalog, review, goals) };
}

/** The best way to mend the gravest finding for which there is one. */
function firstFix(studio: WholeStudio, series: Series, review: SeriesMeasure): SeriesFix | undefined {
  for (const finding of review.raised) {
    if (finding.severity === 'look') return undefined;
    const [fix] = seriesFixesFor(studio, series, review, finding);
    if (fix) return fix;
  }
  return undefined;
}

/** What a director would want to know of it, week by week. */
function whyOf(catalog: Catalog, { episodes }: SeriesMeasure, goals: readonly RungEntry[]): string[] {
  const said = episodes.map(({ episode, plan, before, earned, heatMinutes, recapShare }) => {
    const fresh = [...doingsOf(plan).taught].filter((key) => before.count(key).taught === 0);
    const climbs = fresh.flatMap((key) => {
      const entry = catalog.rungByKey(key);
      return entry && before.met(entry.exercise.id) ? [rungTitle(entry)] : [];
    });
    const easier = episode > 0 && heatMinutes < (episodes[episode - 1]?.heatMinutes ?? 0);
    const parts = [
      `${countText(fresh.length, 'rung is', 'rungs are')} new`,
      ...(climbs.length > 0
        ? [`a step higher: ${climbs.slice(0, 3).join('; ')}${climbs.length > 3 ? ' and more' : ''}`]
        : []),
      ...(episode > 0 ? [`${Math.round(recapShare * 100)} % is known from before`] : []),
      ...(earned.length > 0 ? [`${earned.length} earned with it`] : []),
      ...(easier ? ['easier than the one before'] : []),
    ];
    return `Episode ${episode + 1}: ${parts.join(', ')}.`;
  });
  const reached = goals.map((goal) => {
    const at = episodes.findLast(({ plan }) => doingsOf(plan).practised.has(goal.key));
    return at
      ? `${rungTitle(goal)} is done in episode ${at.episode + 1}, all it needs earned before.`
      : `${rungTitle(goal)} is not done.`;
  });
  return [...reached, ...said];
}
