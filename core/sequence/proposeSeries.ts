import { ruledOut } from '../mend';
import { type ClassPlan, isInterlude } from '../plan';
import { type Catalog, type RungEntry, rungKey } from '../repertoire';
import { conditionsOf, rungTitle } from '../review';
import {
  broughtBefore,
  countsOf,
  doingsOf,
  type Learnt,
  type PathStep,
  reviewSeries,
  rulesOf,
  type Series,
  type SeriesReview,
  type SeriesRules,
  seriesFixesFor,
  WEEKDAYS,
  type Weekday,
  type WholeStudio,
  wayTo,
  weekdayOf,
  withEdited,
} from '../series';
import type { Search } from './aims';
import type { Brief } from './briefSchema';
import { found, searchFor } from './propose';
import { type Chance, chanceOf } from './random';
import type { SeriesBrief } from './seriesBriefSchema';

/** A series proposed, with its classes. */
export interface SeriesProposal {
  readonly series: Series;
  readonly classes: readonly ClassPlan[];
  readonly review: SeriesReview;
  readonly counts: ReturnType<typeof countsOf>;
  readonly why: readonly string[];
}

export interface ProposedSeries {
  readonly proposals: readonly SeriesProposal[];
  readonly clashes: readonly string[];
}

/** Told after each episode, of how many; it ends, with the whole series it has, when it answers `false`. */
export type OnEpisode = (done: number, of: number) => boolean | undefined;

/** Seeds of episodes, and of proposals, lie as far apart. */
const [EPISODES_APART, PROPOSALS_APART] = [101, 100_003];

/**
 * Whole series for a brief: what each goal needs is taught as early as it can be, each class is searched for among what is
 * open by then, and every goal is done in the last episodes.
 * @param today `YYYY-MM-DD`, for what is judged by its age
 */
export function proposeSeries(
  studio: WholeStudio,
  brief: SeriesBrief,
  today?: string,
  onEpisode?: OnEpisode,
): ProposedSeries {
  const shell = shellOf(studio, brief);
  const { clashes, goals, path } = curriculumOf(studio, brief, shell);
  if (clashes.length > 0) return { proposals: [], clashes };
  const wanted = brief.proposals ?? 2;
  const proposals: SeriesProposal[] = [];
  let stopped = false;
  for (let i = 0; i < wanted && !stopped; i++) {
    const seed = (brief.seed ?? 1) + PROPOSALS_APART * i;
    const planned = plannedFor(
      studio,
      brief,
      today,
      { shell: named(shell, i), goals, path, seed, others: proposals },
      (done) => {
        stopped = onEpisode?.(i * brief.episodes + done, wanted * brief.episodes) === false;
        return !stopped;
      },
    );
    if (planned) proposals.push(planned);
  }
  const weight = ({ counts: { stop, fix, look } }: SeriesProposal) => stop * 1000 + fix * 30 + look;
  return { proposals: proposals.sort((a, b) => weight(a) - weight(b)), clashes: [] };
}

const named = (shell: Series, i: number): Series => ({ ...shell, id: `${shell.id}-${i + 1}` });

/** The series without its episodes. */
function shellOf(studio: WholeStudio, brief: SeriesBrief): Series {
  const { audience, goals, follows, order, days, start } = brief;
  const taken = new Set(studio.allSeries.map(({ id }) => id));
  let number = 1;
  while (taken.has(`series-${number}`)) number += 1;
  const name = studio.audienceOf(audience)?.name ?? 'Series';
  const weekdays = typeof days === 'number' ? spread(days, start) : days;
  return {
    id: `series-${number}`,
    name: `${name}, ${brief.episodes} classes`,
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

/** So many days of a week, as far from one another as they can be, the day it begins on among them. */
function spread(count: number, start: string | undefined): Weekday[] {
  const first = start === undefined ? 0 : WEEKDAYS.indexOf(weekdayOf(start));
  return WEEKDAYS.filter((_day, i) => {
    const from = (i - first + 7) % 7;
    return from === 0 || Math.floor((from * count) / 7) !== Math.floor(((from - 1) * count) / 7);
  });
}

interface Curriculum {
  readonly clashes: readonly string[];
  readonly goals: readonly RungEntry[];
  readonly path: readonly PathStep[];
}

/** What has to be taught when, and what can't be. */
function curriculumOf(studio: WholeStudio, brief: SeriesBrief, shell: Series): Curriculum {
  const { catalog } = studio;
  const clashes: string[] = [];
  const audience = studio.audienceOf(brief.audience);
  if (brief.audience !== undefined && !audience) {
    clashes.push(`There is no audience “${brief.audience}”; expected the id of one.`);
  }
  if (brief.follows !== undefined && !studio.seriesOf(brief.follows)) {
    clashes.push(`There is no series “${brief.follows}” to follow; expected the id of one.`);
  }
  const conditions = conditionsOf({}, audience);
  const goals = brief.goals.flatMap((goal): RungEntry[] => {
    const entry = catalog.rung(goal);
    if (!entry) {
      clashes.push(`There is no rung “${rungKey(goal)}” to lead to.`);
      return [];
    }
    const why = ruledOut(catalog, entry, { audience, conditions, props: undefined });
    if (why) clashes.push(`${rungTitle(entry)} can’t be a goal for ${audience?.name ?? 'anyone'}: ${why}`);
    return [entry];
  });
  if (clashes.length > 0) return { clashes, goals, path: [] };
  const { earliest, path, atMost } = wayTo(studio, shell, goals);
  const names = goals.map(rungTitle).join(', ');
  if (earliest === null) {
    return { clashes: [`${names} can never be: what has to come before comes back to itself.`], goals, path };
  }
  if (earliest > brief.episodes) {
    const last = path.at(-1);
    const before = last ? catalog.rungByKey(last.rung) : undefined;
    return {
      clashes: [
        `${names}: ${brief.episodes} episodes are too few, ${earliest} would do${atMost ? ', perhaps fewer' : ''}; ${
          before
            ? `${rungTitle(before)} can first be taught in episode ${last?.episode}`
            : 'what they need takes as long'
        }, and has to be earned before.`,
      ],
      goals,
      path,
    };
  }
  return { clashes: [], goals, path };
}

interface Planning {
  readonly shell: Series;
  readonly goals: readonly RungEntry[];
  readonly path: readonly PathStep[];
  readonly seed: number;
  readonly others: readonly SeriesProposal[];
}

/** Ways tried to mend what is left of a whole series, and classes searched for an episode until it fits its series. */
const [MENDED, TRIES] = [8, 2];
/** What a fix weighs: a class with nothing graver than a look is taken. */
const A_FIX = 30;

/** One series, episode by episode; `null` where it was stopped before its end. */
function plannedFor(
  studio: WholeStudio,
  brief: SeriesBrief,
  today: string | undefined,
  { shell, goals, path, seed, others }: Planning,
  onEpisode: (done: number) => boolean,
): SeriesProposal | null {
  const rules = rulesOf(shell);
  let series = shell;
  let classes: ClassPlan[] = [];
  let best: SeriesReview | undefined;
  for (let episode = 1; episode <= brief.episodes; episode++) {
    const learnt = learntBy(studio, series, classes);
    const own = withEdited(studio, { series, classes });
    const musts = mustsFor(studio.catalog, { learnt, path, goals, episode, last: brief.episodes, rules });
    let chosen: { series: Series; classes: ClassPlan[]; review: SeriesReview; weight: number } | undefined;
    const stays = brief.kept?.find((each) => each.episode === episode)?.class;
    for (let attempt = 0; attempt < (stays ? 1 : TRIES); attempt++) {
      const chance = chanceOf(seed + EPISODES_APART * episode + attempt);
      const made = stays
        ? keptAs(stays, series, episode)
        : classFor(own, brief, today, {
            series,
            musts,
            learnt,
            episode,
            chance,
            rules,
            work: workOf(best, rules),
            others: others.flatMap((each) => each.classes[episode - 1] ?? []),
            seed: seed + EPISODES_APART * episode + attempt,
          });
      const next = { ...series, episodes: [...series.episodes, { class: made.id }] };
      const after = [...classes, made];
      const review = reviewSeries(withEdited(studio, { series: next, classes: after }), next, { today });
      const weight = weightOf(review, episode);
      if (!chosen || weight < chosen.weight) chosen = { series: next, classes: after, review, weight };
      if (weight < A_FIX) break;
    }
    if (!chosen) return null;
    ({ series, classes, review: best } = chosen);
    if (!onEpisode(episode) && episode < brief.episodes) return null;
  }
  return mended(studio, series, classes, today, goals);
}

/** What an episode brings into its series, as what it costs: a goal can't be missed before the end. */
function weightOf({ findings, episodes }: SeriesReview, episode: number): number {
  const own = findings.filter(
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

/** The most heat-minutes the next episode may have, so that work rises as fast as it may, and eases when it has to. */
function workOf(review: SeriesReview | undefined, { heatRise, easierEvery }: SeriesRules): number | undefined {
  const done = review?.episodes.map(({ heatMinutes }) => heatMinutes) ?? [];
  const last = done.at(-1);
  if (last === undefined) return undefined;
  let row = 0;
  for (let i = 1; i < done.length; i++) row = (done[i] as number) < (done[i - 1] as number) ? 0 : row + 1;
  const most = Math.max(...done) * (1 + heatRise) * UNDER;
  return easierEvery > 0 && row >= easierEvery - 1 ? Math.min(most, last * EASIER) : most;
}
/** Shares: well under what is too steep, and so much less that an easier episode is felt. */
const [UNDER, EASIER] = [0.98, 0.93];

interface Musts {
  /** What the goals need in this episode, and the goals themselves at the end. */
  readonly needed: readonly RungEntry[];
  /** Known from before, one practice short of being earned first. */
  readonly recaps: readonly RungEntry[];
}

interface Place {
  readonly learnt: Learnt;
  readonly path: readonly PathStep[];
  readonly goals: readonly RungEntry[];
  readonly episode: number;
  readonly last: number;
  readonly rules: SeriesRules;
}

function mustsFor(catalog: Catalog, { learnt, path, goals, episode, last }: Place): Musts {
  const needed = path.flatMap((step) => {
    const entry = catalog.rungByKey(step.rung);
    return entry && step.episode <= episode && !learnt.earned(entry.key) ? [entry] : [];
  });
  const ends = episode >= last - 1 ? goals.filter((goal) => learnt.open(catalog, goal)) : [];
  const all = [...new Set([...needed, ...ends])];
  const recaps = learnt.keys
    .filter((key) => learnt.count(key).practised > 0)
    .flatMap((key) => catalog.rungByKey(key) ?? [])
    .filter((entry) => !all.includes(entry))
    .sort((a, b) => learnt.lacks(b.key) - learnt.lacks(a.key));
  return { needed: all, recaps };
}

/** Minutes of a class for each rung that is certainly done again in it. */
const MINUTES_A_RECAP = 7;

/** A class that stays as it is, as the episode it is of this series. */
const keptAs = (plan: ClassPlan, { id }: Series, episode: number): ClassPlan => ({ ...plan, id: `${id}-${episode}` });

interface ForEpisode {
  readonly series: Series;
  readonly musts: Musts;
  readonly learnt: Learnt;
  readonly episode: number;
  readonly chance: Chance;
  readonly rules: SeriesRules;
  readonly work: number | undefined;
  /** The classes of this episode in the proposals made already. */
  readonly others: readonly ClassPlan[];
  readonly seed: number;
}

/** The class of one episode: what has to be in it, and what is open on ladders that are known or may be new. */
function classFor(studio: WholeStudio, brief: SeriesBrief, today: string | undefined, own: ForEpisode): ClassPlan {
  const { series, musts, learnt, episode, chance, rules, work, others, seed } = own;
  const unearned = musts.recaps.filter((entry) => !learnt.earned(entry.key));
  const known = musts.recaps.filter((entry) => learnt.earned(entry.key));
  const count = Math.max(0, Math.round(brief.minutes / MINUTES_A_RECAP) - musts.needed.length);
  const recaps = episode === 1 ? [] : [...unearned, ...shuffled(known, chance)].slice(0, count);
  const asked = [...musts.needed, ...recaps];
  const one: Brief = {
    minutes: brief.minutes,
    audience: brief.audience,
    delivery: brief.delivery,
    order: brief.order === 'recap' && episode === 1 ? undefined : brief.order,
    series: series.id,
    episode,
    effort: brief.effort,
    mustHave: asked.map(({ exercise, rung }) => ({ exercise: exercise.id, rung: rung.id })),
  };
  const whole = searchFor(studio, one, today, others.map(keysOf));
  const free = episode === 1 && series.follows === undefined;
  const ladders = free ? null : laddersFor(whole, { learnt, asked, rules, chance });
  const fit = ladders ? whole.fit.filter(({ exercise }) => ladders.has(exercise.id)) : whole.fit;
  const search: Search = {
    ...whole,
    fit,
    allowed: new Set([...fit, ...asked]),
    ...(work === undefined ? {} : { mostWork: work }),
  };
  const { plan } = found(search, one, seed, 2, () => true);
  const { id: _id, name: _name, ...rest } = plan;
  return { id: `${series.id}-${episode}`, name: `${series.name.replace(/, \d+ classes$/, '')} ${episode}`, ...rest };
}

/** Ladders that stood before, those that have to begin, and as many others as may. */
function laddersFor(
  { fit }: Search,
  {
    learnt,
    asked,
    rules,
    chance,
  }: Pick<ForEpisode, 'learnt' | 'rules' | 'chance'> & { readonly asked: readonly RungEntry[] },
): ReadonlySet<string> {
  const begin = new Set(asked.map(({ exercise }) => exercise.id).filter((id) => !learnt.met(id)));
  const known = fit.map(({ exercise }) => exercise.id).filter((id) => learnt.met(id));
  const others = [...new Set(fit.map(({ exercise }) => exercise.id))].filter((id) => !learnt.met(id) && !begin.has(id));
  const more = shuffled(others, chance).slice(0, Math.max(0, rules.newLadders - begin.size));
  return new Set([...known, ...begin, ...more]);
}

function shuffled<T>(all: readonly T[], chance: Chance): T[] {
  const left = [...all];
  const made: T[] = [];
  while (left.length > 0) {
    const one = chance.one(left);
    left.splice(left.indexOf(one), 1);
    made.push(one);
  }
  return made;
}

const keysOf = ({ blocks }: ClassPlan): ReadonlySet<string> =>
  new Set(blocks.flatMap((block) => (isInterlude(block) ? [] : rungKey(block))));

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
  let review = reviewSeries(whole, series, { today });
  for (let step = 0; step < MENDED; step++) {
    const worst = review.findings.find(({ severity, mend }) => severity !== 'look' && mend().length > 0);
    const [fix] = worst ? seriesFixesFor(whole, series, review, worst) : [];
    if (!fix) break;
    ({ series } = fix.after);
    classes = classes.map((plan) => fix.after.classes.find(({ id }) => id === plan.id) ?? plan);
    whole = withEdited(studio, { series, classes });
    review = reviewSeries(whole, series, { today });
  }
  return { series, classes, review, counts: countsOf(review), why: whyOf(studio.catalog, review, goals) };
}

/** What a director would want to know of it, week by week. */
function whyOf(catalog: Catalog, { episodes }: SeriesReview, goals: readonly RungEntry[]): string[] {
  const said = episodes.map(({ episode, plan, before, earned, heatMinutes, recapShare }) => {
    const fresh = [...doingsOf(plan).taught].filter((key) => before.count(key).taught === 0);
    const climbs = fresh.flatMap((key) => {
      const entry = catalog.rungByKey(key);
      return entry && before.met(entry.exercise.id) ? [rungTitle(entry)] : [];
    });
    const easier = episode > 0 && heatMinutes < (episodes[episode - 1]?.heatMinutes ?? 0);
    const parts = [
      `${fresh.length} ${fresh.length === 1 ? 'rung is' : 'rungs are'} new`,
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
