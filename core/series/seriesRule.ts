import type { Audience, ClassPlan, PlanEdit, Room, Teacher, TimedClass } from '../plan';
import type { Finding, Limits, Severity } from '../review';
import type { Unit } from '../vocabulary/measure';
import type { Earning, EpisodeEarning } from './earning';
import type { SeriesRules, SeriesStudio } from './learning';
import type { Series } from './seriesSchema';

export const SERIES_CODES = [
  'RUNG_UNEARNED',
  'OPTION_UNEARNED',
  'GOAL_UNREACHED',
  'TEACHER_NOT_CLEARED',
  'DATE_CLASH',
  'PROPS_SHORT',
  'ROOM_SMALL',
  'AUDIENCES_DIFFER',
  'LENGTHS_DIFFER',
  'RECAP_LOW',
  'NEW_LADDERS_MANY',
  'HEAT_MINUTES_STEEP',
  'EASIER_MISSING',
  'COVERAGE_MISSING',
  'SERIES_SIDES_UNEVEN',
  'FIRST_SIDE_ALWAYS',
  'PROP_ONCE',
  'CUE_WORN',
  'THEME_MISSING',
  'GOAL_THIN',
  'GOAL_UNPREPARED',
  'EPISODES_ALIKE',
  'NOTHING_NEW',
  'FIRST_EPISODE_FULL',
] as const;
export type SeriesCode = (typeof SERIES_CODES)[number];

/** A studio as far as its series are judged. */
export interface WholeStudio extends SeriesStudio {
  readonly allSeries: readonly Series[];
  readonly audienceOf: (id: string | undefined) => Audience | undefined;
  readonly teacherOf: (id: string | undefined) => Teacher | undefined;
  readonly roomOf: (id: string | undefined) => Room | undefined;
}

/** An episode as it is measured. */
export interface SeriesEpisode extends EpisodeEarning {
  readonly timed: TimedClass;
  /** The share of the work known from before. */
  readonly recapShare: number;
  /** Heat × minutes of work. */
  readonly heatMinutes: number;
  /** It begins with breath, pelvis or spine. */
  readonly connects: boolean;
}

/** What every rule of the series review reads. */
export interface SeriesSubject {
  readonly studio: WholeStudio;
  readonly series: Series;
  readonly rules: SeriesRules;
  readonly follows: boolean;
  readonly earning: Earning;
  readonly episodes: readonly SeriesEpisode[];
  readonly audience: Audience | undefined;
  /** The audience's. */
  readonly limits: Limits;
}

/** One change of a series: its own, or one of a class in it. */
export type SeriesEdit =
  | { readonly kind: 'class'; readonly id: string; readonly edits: readonly PlanEdit[] }
  | { readonly kind: 'swap'; readonly one: number; readonly other: number }
  /** Taken out, and put in so that it then has the place `to`. */
  | { readonly kind: 'move'; readonly episode: number; readonly to: number }
  | { readonly kind: 'remove'; readonly episode: number };

/** A way that might mend a finding. */
export interface SeriesRemedy {
  readonly label: string;
  readonly edits: readonly SeriesEdit[];
}

/** What a rule found: data, of which the rule makes the sentence, and what might mend it, when somebody asks. */
export interface SeriesFound {
  /** Counted from 0. */
  readonly episode: number;
  readonly blocks?: readonly number[];
  /** Which of several it is that a rule can find in the same blocks of an episode: the key of a rung, the id of a prop. */
  readonly about?: string;
  /** In place of the rule's own. */
  readonly severity?: Severity;
  /** 1 when unsaid, over a limit of 0: it is there. */
  readonly value?: number;
  readonly limit?: number;
}

/** What was found, with what its rule says where the finding does not. */
export type SeriesRaised = Required<SeriesFound> & Pick<SeriesFinding, 'code' | 'ids' | 'unit'>;

/** One question the series review asks, with all there is to know of it. */
export interface SeriesRule {
  readonly code: SeriesCode;
  readonly severity: Severity;
  readonly except?: string;
  readonly unit: Unit;
  /** It is there or it is not. */
  readonly presence?: boolean;
  readonly limit: string;
  readonly says: string;
  readonly find: (subject: SeriesSubject) => readonly SeriesFound[];
  /** What it says of something it found in this series. */
  readonly sentence: (found: SeriesRaised, subject: SeriesSubject) => string;
  /** Ways that might mend it; `seriesFixesFor` keeps those that do. */
  readonly mend?: (found: SeriesRaised, subject: SeriesSubject) => readonly SeriesRemedy[];
}

/** A finding about a series: in which episode, and in which of its blocks. */
export interface SeriesFinding extends Omit<Finding, 'code'> {
  readonly code: SeriesCode;
  readonly episode: number;
}

/** What a finding is found again by, in whatever copy of the series. */
export type SeriesFindingName = Pick<SeriesFinding, 'code' | 'episode' | 'ids' | 'about'>;

/** One word for it. */
export const seriesFindingKey = ({ code, episode, ids, about = '' }: SeriesFindingName): string =>
  [code, episode, about, ...ids].join(' ');

/** An episode of a subject, by its place. @throws RangeError where there is none */
export function episodeAt({ episodes }: SeriesSubject, at: number): SeriesEpisode {
  const found = episodes.find(({ episode }) => episode === at);
  if (!found) throw new RangeError(`there is no episode ${at + 1}`);
  return found;
}

/** How an episode is called in a sentence. */
export const episodeName = ({ episode, plan }: { readonly episode: number; readonly plan: ClassPlan }): string =>
  `Episode ${episode + 1} (${plan.name})`;
