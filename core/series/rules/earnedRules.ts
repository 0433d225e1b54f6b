import { optionOf, type RungBlock } from '../../plan';
import { type RungEntry, rungKey } from '../../repertoire';
import { rungTitle, type Severity } from '../../review';
import { countText } from '../../vocabulary';
import { isOver } from '../../vocabulary/measure';
import { earliest } from '../earliest';
import { needsOf } from '../learning';
import {
  episodeAt,
  episodeName,
  type SeriesEpisode,
  type SeriesFound,
  type SeriesRaised,
  type SeriesRule,
  type SeriesSubject,
} from '../seriesRule';
import { leftOut, lowerInstead, movedLater, practisedEarlier, swappedLater } from './remedies';

/** Unearned is a fix; unearned and hotter than the room can take is unsafe. */
const severityOf = ({ studio: { catalog }, limits }: SeriesSubject, entry: RungEntry): Severity =>
  isOver(catalog.heat(entry), limits.homeHeat, 'heat') ? 'stop' : 'fix';

/** What a rung still waits for, in words: each need, and how many episodes of it. */
function waitsFor({ studio: { catalog }, rules }: SeriesSubject, { before }: SeriesEpisode, entry: RungEntry): string {
  return needsOf(catalog, entry)
    .filter(({ key }) => !before.earned(key))
    .map((need) => {
      const { taught, practised } = before.count(need.key);
      return `${rungTitle(need)} was taught in ${countText(taught, 'episode')} before it and practised in ${practised}`;
    })
    .concat(`it takes ${rules.taught} and ${rules.practised}`)
    .join('; ');
}

const rungUnearned: SeriesRule = {
  code: 'RUNG_UNEARNED',
  severity: 'fix',
  except: 'stop when the rung is harder than the room can take',
  unit: 'times',
  presence: true,
  limit: 'all it needs earned by earlier episodes: taught `rules.taught`, practised `rules.practised` times',
  says: 'a rung comes before what it needs is earned',
  find: (subject) =>
    subject.episodes.flatMap((each) =>
      each.unearned.flatMap(({ key, blocks }): SeriesFound[] => {
        const entry = subject.studio.catalog.rungByKey(key);
        if (!entry) return [];
        return [
          {
            episode: each.episode,
            blocks,
            about: key,
            severity: severityOf(subject, entry),
          },
        ];
      }),
    ),
  sentence: (found, subject) => {
    const [each, entry] = rungOf(subject, found);
    return `${episodeName(each)}: ${rungTitle(entry)} comes too early; ${waitsFor(subject, each, entry)}.`;
  },
  mend: (found, subject) => {
    const [each, entry] = rungOf(subject, found);
    return [
      ...lowerInstead(subject, each, entry, found.blocks),
      ...practisedEarlier(subject, each, entry),
      ...movedLater(subject, each, entry),
      ...swappedLater(subject, each),
      ...leftOut(each, entry, found.blocks),
    ];
  },
};

/** The episode and the rung that a finding is about. */
const rungOf = (subject: SeriesSubject, { episode, about }: SeriesRaised): readonly [SeriesEpisode, RungEntry] => [
  episodeAt(subject, episode),
  subject.studio.catalog.rungByKey(about) as RungEntry,
];

const optionUnearned: SeriesRule = {
  code: 'OPTION_UNEARNED',
  severity: 'fix',
  except: 'stop when the offered rung is harder than the room can take',
  unit: 'times',
  presence: true,
  limit: 'all it needs earned by earlier episodes, or done in the block that offers it',
  says: 'a rung is offered before what it needs is earned',
  find: (subject) =>
    subject.episodes.flatMap((each) =>
      each.plan.blocks.flatMap((block, index): SeriesFound[] => {
        if ('interlude' in block) return [];
        return (block.options ?? []).flatMap((offered): SeriesFound[] => {
          const { rung } = optionOf(offered);
          const entry = subject.studio.catalog.rung({ exercise: block.exercise, rung });
          if (!entry || openBeside(subject, each, block, entry)) return [];
          const severity = severityOf(subject, entry);
          return [{ episode: each.episode, blocks: [index], about: entry.key, severity }];
        });
      }),
    ),
  sentence: (found, subject) => {
    const [each, entry] = rungOf(subject, found);
    return `${episodeName(each)}: ${rungTitle(entry)} is offered too early; ${waitsFor(subject, each, entry)}.`;
  },
  mend: (found, subject) => {
    const [{ plan }, entry] = rungOf(subject, found);
    const block = plan.blocks[found.blocks[0] as number] as RungBlock;
    const options = (block.options ?? []).filter((other) => optionOf(other).rung !== entry.rung.id);
    const change = { options: options.length > 0 ? options : null };
    return [
      {
        label: `Do not offer ${rungTitle(entry)}`,
        edits: [{ kind: 'class', id: plan.id, edits: [{ kind: 'set', id: block.id, change }] }],
      },
    ];
  },
};

/** An option is open beside its main version when only what the main version itself brings is still missing. */
function openBeside(
  { studio: { catalog } }: SeriesSubject,
  { before }: SeriesEpisode,
  block: RungBlock,
  entry: RungEntry,
) {
  const main = catalog.rung(block);
  return needsOf(catalog, entry).every(
    (need) => before.earned(need.key) || (need === main && before.count(rungKey(block)).practised > 0),
  );
}

/** From which episode on a rung can be had, in words. */
function whenOpen({ studio, series }: SeriesSubject, entry: RungEntry): string {
  const { earliest: first } = earliest(studio, series, entry);
  return first === null ? 'it can never be: what it needs comes back to itself' : `it can be from episode ${first} on`;
}

const goalUnreached: SeriesRule = {
  code: 'GOAL_UNREACHED',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'done, and open, in some episode',
  says: 'a goal of the series is never done when it is open',
  find: (subject) => {
    const { series, studio, episodes } = subject;
    const last = episodes.at(-1);
    if (!last) return [];
    return (series.goals ?? []).flatMap((goal): SeriesFound[] => {
      const entry = studio.catalog.rung(goal);
      if (!entry) return [];
      const reached = episodes.some(({ plan, unearned }) =>
        plan.blocks.some(
          (block) =>
            !('interlude' in block) &&
            block.mode !== 'show' &&
            rungKey(block) === entry.key &&
            !unearned.some(({ key }) => key === entry.key),
        ),
      );
      if (reached) return [];
      return [{ episode: last.episode, about: entry.key }];
    });
  },
  sentence: (found, subject) => {
    const [, entry] = rungOf(subject, found);
    return `The goal ${rungTitle(entry)} is not reached; ${whenOpen(subject, entry)}.`;
  },
};

export const EARNED_RULES: readonly SeriesRule[] = [rungUnearned, optionUnearned, goalUnreached];
