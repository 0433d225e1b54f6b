import { judge } from '../../caution';
import { broughtBy } from '../../review';
import { countText } from '../../vocabulary';
import { DIRECTION_WORDS, DIRECTIONS } from '../../vocabulary/bodies/direction';
import { otherSide, type Side } from '../../vocabulary/bodies/side';
import { isOver, isUnder, rounded } from '../../vocabulary/measure';
import {
  episodeAt,
  episodeName,
  type SeriesEpisode,
  type SeriesFound,
  type SeriesRule,
  type SeriesSubject,
} from '../seriesRule';
import { swappedBeside } from './remedies';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

const recapLow: SeriesRule = {
  code: 'RECAP_LOW',
  severity: 'look',
  unit: '',
  limit: '`rules.recapShare` of the work, from the second episode on',
  says: 'too little of an episode is known from before',
  find: ({ episodes, rules }) =>
    episodes
      .filter(({ episode, recapShare }) => episode > 0 && isUnder(recapShare, rules.recapShare, ''))
      .map((each) => ({
        episode: each.episode,
        value: each.recapShare,
        limit: rules.recapShare,
      })),
  sentence: ({ episode, value, limit }, subject) =>
    `${episodeName(episodeAt(subject, episode))}: ${percent(value)} of the work is known from before, ${percent(limit)} at least keeps what was learnt.`,
};

const newLaddersMany: SeriesRule = {
  code: 'NEW_LADDERS_MANY',
  severity: 'look',
  unit: 'times',
  limit: '`rules.newLadders` an episode, from the second on; from the first of a series that follows another',
  says: 'too many ladders are new in one episode',
  find: ({ episodes, rules, follows }) =>
    episodes
      .filter(({ episode, newLadders }) => (episode > 0 || follows) && newLadders.length > rules.newLadders)
      .map((each) => ({
        episode: each.episode,
        value: each.newLadders.length,
        limit: rules.newLadders,
      })),
  sentence: ({ episode, value, limit }, subject) => {
    const each = episodeAt(subject, episode);
    const names = each.newLadders.map((id) => subject.studio.catalog.exercise(id)?.name ?? id);
    return `${episodeName(each)}: ${countText(value, 'ladder is', 'ladders are')} new (${names.join(', ')}), ${limit} at most can be learnt at once.`;
  },
};

const heatMinutesSteep: SeriesRule = {
  code: 'HEAT_MINUTES_STEEP',
  severity: 'look',
  unit: 'heat',
  limit: '`rules.heatRise` over the most of any earlier episode',
  says: 'an episode is much more work than any before it',
  find: (subject) => {
    const { episodes, rules } = subject;
    let most = Number.POSITIVE_INFINITY;
    return episodes.flatMap((each, i): SeriesFound[] => {
      const limit = (1 + rules.heatRise) * most;
      const steep = i > 0 && isOver(each.heatMinutes, limit, 'heat');
      most = i === 0 ? each.heatMinutes : Math.max(most, each.heatMinutes);
      return steep ? [{ episode: each.episode, value: each.heatMinutes, limit }] : [];
    });
  },
  sentence: ({ episode, value, limit }, subject) => {
    const { heatRise } = subject.rules;
    const rise = Math.round((value / (limit / (1 + heatRise)) - 1) * 100);
    return `${episodeName(episodeAt(subject, episode))} is ${rise} % more work than the hardest before it, ${percent(heatRise)} at most is a step people can take.`;
  },
  mend: ({ episode }, subject) => swappedBeside(subject, episodeAt(subject, episode)),
};

const easierMissing: SeriesRule = {
  code: 'EASIER_MISSING',
  severity: 'look',
  unit: 'times',
  limit: '`rules.easierEvery` episodes in a row, the first aside, each at least as much work as the one before',
  says: 'no episode is easier for too long',
  find: (subject) => {
    const { episodes, rules } = subject;
    let row = 0;
    return episodes.flatMap((each, i): SeriesFound[] => {
      if (i === 0 || rules.easierEvery === 0) return [];
      const easier = rounded(each.heatMinutes, 'heat') < rounded(episodes[i - 1]?.heatMinutes ?? 0, 'heat');
      row = easier ? 0 : row + 1;
      if (row < rules.easierEvery) return [];
      row = 0;
      return [{ episode: each.episode, value: rules.easierEvery, limit: rules.easierEvery - 1 }];
    });
  },
  sentence: ({ episode, value }, subject) =>
    `${episodeName(episodeAt(subject, episode))} is the ${ordinal(value)} in a row that is no easier than the one before it. Make one of them easier.`,
  mend: ({ episode }, subject) => swappedBeside(subject, episodeAt(subject, episode)),
};

const ordinal = (number: number): string =>
  number === 1 ? '1st' : number === 2 ? '2nd' : number === 3 ? '3rd' : `${number}th`;

/** How much longer the longest class may be than the shortest. */
const LONGER = 1.25;

const lengthsDiffer: SeriesRule = {
  code: 'LENGTHS_DIFFER',
  severity: 'look',
  unit: '',
  limit: `the longest target ${LONGER} times the shortest`,
  says: 'classes of very different lengths stand in one series',
  find: ({ episodes }) => {
    const [longest] = episodes.toSorted((a, b) => b.plan.targetMinutes - a.plan.targetMinutes);
    const shortest = shortestOf(episodes);
    if (!longest || !shortest) return [];
    const ratio = longest.plan.targetMinutes / shortest.plan.targetMinutes;
    if (!isOver(ratio, LONGER, '')) return [];
    return [{ episode: longest.episode, value: ratio, limit: LONGER }];
  },
  sentence: ({ episode }, subject) => {
    const longest = episodeAt(subject, episode);
    const shortest = shortestOf(subject.episodes) as SeriesEpisode;
    return `${episodeName(longest)} is meant for ${longest.plan.targetMinutes} minutes, ${episodeName(shortest)} for ${shortest.plan.targetMinutes}.`;
  },
};

const shortestOf = (episodes: readonly SeriesEpisode[]): SeriesEpisode | undefined =>
  episodes.toSorted((a, b) => a.plan.targetMinutes - b.plan.targetMinutes)[0];

const audiencesDiffer: SeriesRule = {
  code: 'AUDIENCES_DIFFER',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: 'the audience of the series; where it has none, of its first class',
  says: 'a class is for another audience than its series',
  find: (subject) => {
    const whose = whoseSeries(subject);
    return subject.episodes.filter(({ plan }) => plan.audience !== whose).map(({ episode }) => ({ episode }));
  },
  sentence: ({ episode }, subject) => {
    const each = episodeAt(subject, episode);
    const name = (id: string | undefined) => subject.studio.audienceOf(id)?.name ?? 'anyone';
    return `${episodeName(each)} is for ${name(each.plan.audience)}, the series for ${name(whoseSeries(subject))}.`;
  },
};

/** The id of the audience a series is for. */
const whoseSeries = ({ series, episodes }: SeriesSubject): string | undefined =>
  series.audience ?? episodes[0]?.plan.audience;

/** Episodes from which a series is long enough to show everything. */
const LONG = 4;

const coverageMissing: SeriesRule = {
  code: 'COVERAGE_MISSING',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: `from ${LONG} classes on: each position and each direction the audience can take`,
  says: 'a position or a direction is never seen',
  find: (subject) => {
    const { studio, episodes, audience, limits } = subject;
    const { catalog } = studio;
    const classes = episodes.filter(({ plan }) => (plan.purpose ?? 'class') === 'class');
    const last = classes.at(-1);
    if (classes.length < LONG || !last) return [];
    const graded = broughtBy(catalog.method, {}, audience);
    const can = catalog.rungs.filter((entry) => {
      const { verdict } = judge(catalog, entry, graded);
      return verdict !== 'swap' && verdict !== 'clear-first' && !isOver(catalog.heat(entry), limits.homeHeat, 'heat');
    });
    const done = classes.flatMap(({ timed }) => timed.blocks.filter(({ shown }) => !shown).map(({ entry }) => entry));
    const positions = [...new Set(can.map(({ like }) => like))].filter(
      (like) => !done.some((entry) => entry.like === like),
    );
    const directions = DIRECTIONS.filter(
      (direction) =>
        can.some(({ exercise }) => exercise.directions.includes(direction)) &&
        !done.some(({ exercise }) => exercise.directions.includes(direction)),
    );
    return [...positions, ...directions].map((about) => ({ episode: last.episode, about }));
  },
  sentence: ({ about }, { studio: { catalog } }) => {
    const direction = DIRECTIONS.find((each) => each === about);
    const what = direction
      ? `about ${DIRECTION_WORDS[direction]}`
      : `done in the position ${catalog.graph.name(about).toLowerCase()}`;
    return `Nothing in any episode is ${what}, though this audience can take it.`;
  },
};

/** Share of all one-sided work by which a side may have more over a series. */
const SIDES_SHARE = 0.1;

const sidesUneven: SeriesRule = {
  code: 'SERIES_SIDES_UNEVEN',
  severity: 'look',
  unit: '',
  limit: `${SIDES_SHARE} of the work on one side or the other, over the series`,
  says: 'one side does more over the series',
  find: ({ episodes }) => {
    const { left, right } = sidesOf(episodes);
    const share = left + right > 0 ? Math.abs(left - right) / (left + right) : 0;
    const most = episodes.toSorted((a, b) => apart(b) - apart(a))[0];
    if (!most || !isOver(share, SIDES_SHARE, '')) return [];
    return [{ episode: most.episode, value: share, limit: SIDES_SHARE }];
  },
  sentence: ({ episode }, subject) => {
    const { left, right } = sidesOf(subject.episodes);
    const most = percent(Math.max(left, right) / (left + right));
    return `The ${left > right ? 'left' : 'right'} side does ${most} of the one-sided work over the series; they differ most in ${episodeName(episodeAt(subject, episode))}.`;
  },
};

/** Seconds of work on each side over a series. */
function sidesOf(episodes: readonly SeriesEpisode[]): Readonly<Record<Side, number>> {
  const sum = (side: Side) => episodes.reduce((all, { timed }) => all + timed.sides[side], 0);
  return { left: sum('left'), right: sum('right') };
}
const apart = ({ timed }: SeriesEpisode): number => Math.abs(timed.sides.left - timed.sides.right);

const firstSideAlways: SeriesRule = {
  code: 'FIRST_SIDE_ALWAYS',
  severity: 'look',
  unit: 'times',
  presence: true,
  limit: `from ${LONG} episodes on: each side begins some class`,
  says: 'every class begins on the same side',
  find: ({ episodes }) => {
    const firsts = firstSidesOf(episodes);
    const last = episodes.at(-1);
    return firsts.length < LONG || !last || new Set(firsts).size > 1 ? [] : [{ episode: last.episode }];
  },
  sentence: (_found, { episodes }) =>
    `Every class begins on the ${firstSidesOf(episodes)[0]}: the other side is always the tired one. Begin some of them on the other side.`,
  mend: (_found, { episodes }) => {
    const firstSide = otherSide(firstSidesOf(episodes)[0] as Side);
    return episodes.slice(-Math.floor(episodes.length / 2)).map(({ plan, episode }) => ({
      label: `Begin episode ${episode + 1} on the ${firstSide}`,
      edits: [{ kind: 'class', id: plan.id, edits: [{ kind: 'class', change: { firstSide } }] }],
    }));
  },
};

/** The side that each class begins on, where it has one. */
const firstSidesOf = (episodes: readonly SeriesEpisode[]): Side[] =>
  episodes.flatMap(({ timed }) => timed.blocks.find(({ firstSide }) => firstSide !== null)?.firstSide ?? []);

/** Episodes in which the same image or the same fault may be said. */
const OFTEN = 4;

const cueWorn: SeriesRule = {
  code: 'CUE_WORN',
  severity: 'look',
  unit: 'times',
  limit: `${OFTEN} episodes that teach it`,
  says: 'one image or fault is said so often that nobody hears it',
  find: ({ episodes }: SeriesSubject) => {
    const said = new Map<string, SeriesEpisode[]>();
    for (const each of episodes) {
      const own = new Set(
        each.timed.blocks
          .filter(({ block }) => block.mode === 'teach')
          .flatMap(({ entry }) => (entry.rung.cues ?? []).filter(({ kind }) => kind === 'image' || kind === 'fault'))
          .map(({ text }) => text),
      );
      for (const text of own) said.set(text, [...(said.get(text) ?? []), each]);
    }
    return [...said].flatMap(([text, where]): SeriesFound[] =>
      where.length <= OFTEN
        ? []
        : [
            {
              episode: where.at(-1)?.episode ?? 0,
              about: text,
              value: where.length,
              limit: OFTEN,
            },
          ],
    );
  },
  sentence: ({ about, value }) =>
    `“${about}” is said in ${value} episodes. Say it otherwise in some, or flow what is known.`,
};

export const LOAD_RULES: readonly SeriesRule[] = [
  audiencesDiffer,
  lengthsDiffer,
  recapLow,
  newLaddersMany,
  heatMinutesSteep,
  easierMissing,
  coverageMissing,
  sidesUneven,
  firstSideAlways,
  cueWorn,
];
