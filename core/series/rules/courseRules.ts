import { isInterlude, type TimedBlock } from '../../plan';
import { type RungEntry, rungKey } from '../../repertoire';
import { percent, rungTitle } from '../../review';
import { countText } from '../../vocabulary';
import { isOver, isUnder } from '../../vocabulary/measure';
import { needsOf } from '../learning';
import {
  episodeAt,
  episodeName,
  type SeriesEpisode,
  type SeriesFound,
  type SeriesRule,
  type SeriesSubject,
} from '../seriesRule';
import type { Series } from '../seriesSchema';

/** Names that differ by their number alone are one name. */
const unnumbered = (name: string): string => name.replace(/[\s,:.–-]*\d+\s*$/, '').trim();

const themeMissing: SeriesRule = {
  code: 'THEME_MISSING',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: 'an idea and a name of its own for each episode; of the series a description, and for whom it is',
  says: 'an episode has no idea or no name of its own, or the series does not say what it is and for whom',
  find: ({ series, episodes }) => {
    const [first] = episodes;
    if (!first || episodes.length < 2) return [];
    const found: SeriesFound[] = [];
    const bare = withoutIdea({ series, episodes });
    if (bare[0]) found.push({ episode: bare[0].episode, about: 'idea' });
    const names = episodes.map((each) => nameOf(series, each));
    const alike = names.findIndex((name, i) => names.indexOf(name) < i);
    if (alike >= 0) found.push({ episode: alike, about: 'name' });
    if (unsaidOf(series).length > 0) found.push({ episode: 0, about: 'series' });
    return found;
  },
  sentence: (found, subject) => {
    const { series, episodes } = subject;
    if (found.about === 'series') return `The series does not say ${unsaidOf(series).join(', nor ')}.`;
    const first = episodeAt(subject, found.episode);
    if (found.about === 'name') {
      return `Episodes are told apart by a number alone: ${nameOf(series, first) || 'no name'}, and again.`;
    }
    const { length } = withoutIdea(subject);
    const who =
      length === episodes.length ? 'No episode says' : `${countText(length, 'episode does', 'episodes do')} not say`;
    return `${who} what its one idea is, ${episodeName(first)} first.`;
  },
};

const withoutIdea = ({ series, episodes }: Pick<SeriesSubject, 'series' | 'episodes'>): SeriesEpisode[] =>
  episodes.filter(({ episode, plan }) => !series.episodes[episode]?.idea && !plan.theme);

const nameOf = (series: Series, { episode, plan }: SeriesEpisode): string =>
  unnumbered(series.episodes[episode]?.title ?? plan.name);

const unsaidOf = ({ description, forWhom }: Series): string[] => [
  ...(description ? [] : ['what it is']),
  ...(forWhom ? [] : ['for whom it is']),
];

/** All that leads to a rung: it and the lower ones of its ladder, and what they require. */
function leadsTo({ studio: { catalog } }: SeriesSubject, goal: RungEntry): ReadonlySet<RungEntry> {
  const found = new Set<RungEntry>([goal]);
  for (const entry of found) for (const need of needsOf(catalog, entry)) found.add(need);
  return found;
}

const goalsOf = ({ series, studio }: SeriesSubject): RungEntry[] =>
  (series.goals ?? []).flatMap((goal) => studio.catalog.rung(goal) ?? []);

/** Least shares of the episodes and of all work that a goal, or what leads to it, is seen in. */
const [IN_EPISODES, OF_WORK] = [0.7, 0.08];

const WORK = 'work';

const goalThin: SeriesRule = {
  code: 'GOAL_THIN',
  severity: 'look',
  unit: '',
  limit: `${IN_EPISODES} of the episodes and ${OF_WORK} of all work are of its ladder or of what its rungs require`,
  says: 'a goal, and what leads to it, is seen too seldom',
  find: (subject) => {
    const { episodes } = subject;
    const last = episodes.at(-1);
    const work = episodes.reduce((sum, { timed }) => sum + timed.parts.work, 0);
    if (!last || episodes.length < 2 || work === 0) return [];
    return goalsOf(subject).flatMap((goal): SeriesFound[] => {
      const way = leadsTo(subject, goal);
      const own = episodes.map(({ timed }) => timed.blocks.filter(({ entry }) => way.has(entry)));
      const seen = own.filter((blocks) => blocks.length > 0).length / episodes.length;
      const spent = own.flat().reduce((sum, block) => sum + block.work, 0) / work;
      const found: SeriesFound[] = [];
      if (isUnder(seen, IN_EPISODES, '')) {
        found.push({ episode: last.episode, about: goal.key, value: seen, limit: IN_EPISODES });
      }
      if (isUnder(spent, OF_WORK, '')) {
        found.push({ episode: last.episode, about: `${goal.key} ${WORK}`, value: spent, limit: OF_WORK });
      }
      return found;
    });
  },
  sentence: ({ about, value, limit }, { studio }) => {
    const [key = '', of] = about.split(' ');
    const way = `The way to ${rungTitle(studio.catalog.rungByKey(key) as RungEntry)}`;
    return of === WORK
      ? `${way} is ${percent(value)} of all work; ${percent(limit)} is the least.`
      : `${way} is seen in ${percent(value)} of the episodes; ${percent(limit)} is the least.`;
  },
};

/** Shares of the rungs that either of two neighbours has that both have, least and most. */
const [TOO_FEW, TOO_MANY] = [0.3, 0.65];

const rungsOf = ({ plan }: SeriesEpisode): ReadonlySet<string> =>
  new Set(plan.blocks.flatMap((block) => (isInterlude(block) ? [] : rungKey(block))));

const episodesAlike: SeriesRule = {
  code: 'EPISODES_ALIKE',
  severity: 'look',
  unit: '',
  limit: `neighbours share ${TOO_FEW} to ${TOO_MANY} of the rungs that either has`,
  says: 'an episode is too much like the one before it, or has too little in common with it',
  find: ({ episodes }) =>
    episodes.flatMap((each, i): SeriesFound[] => {
      const before = episodes[i - 1];
      if (!before) return [];
      const [a, b] = [rungsOf(before), rungsOf(each)];
      const both = [...a].filter((key) => b.has(key)).length;
      const either = a.size + b.size - both;
      const share = either === 0 ? 1 : both / either;
      const over = isOver(share, TOO_MANY, '');
      if (!over && !isUnder(share, TOO_FEW, '')) return [];
      return [{ episode: each.episode, value: share, limit: over ? TOO_MANY : TOO_FEW }];
    }),
  sentence: ({ episode, value, limit }, subject) => {
    const name = episodeName(episodeAt(subject, episode));
    return limit === TOO_MANY
      ? `${name} shares ${percent(value)} of its exercises with the one before; ${percent(limit)} is the most before it is the same class again.`
      : `${name} shares only ${percent(value)} of its exercises with the one before; ${percent(limit)} is the least that goes on from it.`;
  },
};

/** Episodes that may bring nothing new. */
const WITHOUT_NEWS = 1;

const nothingNew: SeriesRule = {
  code: 'NOTHING_NEW',
  severity: 'look',
  unit: 'times',
  limit: `${WITHOUT_NEWS} episode`,
  says: 'too many episodes teach nothing that none before them had',
  find: (subject) => {
    const stale = staleOf(subject);
    const last = stale.at(-1);
    if (!last || stale.length <= WITHOUT_NEWS) return [];
    return [{ episode: last.episode, value: stale.length, limit: WITHOUT_NEWS }];
  },
  sentence: ({ value }, subject) => {
    const places = staleOf(subject).map(({ episode }) => episode + 1);
    return `${value} episodes teach nothing that none before them had: ${places.join(', ')}.`;
  },
};

/** Episodes that teach nothing new. */
const staleOf = ({ episodes }: SeriesSubject): SeriesEpisode[] =>
  episodes.filter(
    ({ plan, before }) =>
      !plan.blocks.some(
        (block) => !isInterlude(block) && block.mode !== 'flow' && before.count(rungKey(block)).taught === 0,
      ),
  );

/** Where in its class a goal belongs, as shares of the time from the first block to the last. */
const [FROM, TO] = [0.6, 0.8];

const UNLED = 'unled';

const goalUnprepared: SeriesRule = {
  code: 'GOAL_UNPREPARED',
  severity: 'look',
  unit: '',
  limit: `from ${FROM} to ${TO} of its class, a lower rung of its ladder or what it requires earlier in it`,
  says: 'a goal comes at the wrong place of its class, or with nothing before it that leads there',
  find: (subject) =>
    goalsOf(subject).flatMap((goal) => {
      const way = leadsTo(subject, goal);
      return subject.episodes.flatMap((each): SeriesFound[] => {
        const done = each.timed.blocks.filter(({ shown }) => !shown);
        const at = done.findIndex(({ entry }) => entry === goal);
        const block = done[at];
        const [begin, end] = [done[0]?.startSeconds ?? 0, Math.max(...done.map(({ endSeconds }) => endSeconds))];
        if (!block || end <= begin || done.length < 3) return [];
        const blocks = [block.index];
        const share = (block.startSeconds + (block.passes[0] ?? 0) / 2 - begin) / (end - begin);
        if (!done.slice(0, at).some(({ entry }) => way.has(entry) && entry !== goal) && way.size > 1) {
          return [{ episode: each.episode, blocks, about: UNLED, value: 0, limit: FROM }];
        }
        if (!isUnder(share, FROM, '') && !isOver(share, TO, '')) return [];
        return [{ episode: each.episode, blocks, value: share, limit: share < FROM ? FROM : TO }];
      });
    }),
  sentence: ({ episode, blocks, about, value }, subject) => {
    const each = episodeAt(subject, episode);
    const goal = each.timed.sequence[blocks[0] as number] as TimedBlock;
    const name = `${episodeName(each)}: `;
    return about === UNLED
      ? `${name}nothing before ${rungTitle(goal.entry)} leads to it; a lower rung, or what it requires, belongs earlier in the class.`
      : `${name}${rungTitle(goal.entry)}, the goal, comes at ${percent(value)} of its class; between ${percent(FROM)} and ${percent(TO)} people are warm, and can ease after it.`;
  },
};

/** Ladders that a first episode may begin. */
const FIRST_LADDERS = 8;

const UNCONNECTED = 'unconnected';

const firstEpisodeFull: SeriesRule = {
  code: 'FIRST_EPISODE_FULL',
  severity: 'look',
  unit: 'times',
  limit: `${FIRST_LADDERS} new ladders, and what connects first`,
  says: 'the first episode begins with too much that is new, or not with breath, pelvis or spine',
  find: ({ episodes, follows }) => {
    const [first] = episodes;
    if (!first || follows || (first.plan.purpose ?? 'class') !== 'class') return [];
    const found: SeriesFound[] = [];
    const count = first.newLadders.length;
    if (count > FIRST_LADDERS) found.push({ episode: first.episode, value: count, limit: FIRST_LADDERS });
    if (!first.connects) found.push({ episode: first.episode, about: UNCONNECTED, value: 0, limit: 1 });
    return found;
  },
  sentence: ({ episode, about, value, limit }, subject) => {
    const name = episodeName(episodeAt(subject, episode));
    return about === UNCONNECTED
      ? `${name} does not begin with breath, pelvis or spine.`
      : `${name} begins ${value} exercises; ${limit} at most can be met at once.`;
  },
};

/** What makes a series a course. Source: docs/series.md. */
export const COURSE_RULES: readonly SeriesRule[] = [
  themeMissing,
  goalThin,
  goalUnprepared,
  episodesAlike,
  nothingNew,
  firstEpisodeFull,
];
