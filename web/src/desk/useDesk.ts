import type { Fix, ToTime } from '@warm-ladder/core/mend';
import type { MethodFile } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import type { Catalog, Heats } from '@warm-ladder/core/repertoire';
import type { FindingName, Glance } from '@warm-ladder/core/review';
import type { Brief, SeriesBrief } from '@warm-ladder/core/sequence';
import type { Consequence, SeriesEdit, SeriesFindingName, ToldSeries } from '@warm-ladder/core/series';
import type { DraftPlan } from '@warm-ladder/core/taught/take';
import type { Effect, Outline } from '@warm-ladder/core/versions';
import { proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { wholeStudio } from '../app/store/rest';
import { selectCatalog, selectHanded } from '../app/store/selectors';
import { type RootState, store, useAppSelector } from '../app/store/store';
import { atDesk } from './desk';
import type {
  DeskWork,
  GlancedClasses,
  LevelledClass,
  MendedClass,
  NextHere,
  PlannedSeries,
  ProposedClasses,
  ReadTake,
  SeriesFixHere,
  StandingClass,
} from './worker';

type Ask<T> = (work: Remote<DeskWork>) => Promise<T>;

/** Worked out from the studio as it is when asked, once the whole of it is here. */
const asked = async <T>(ask: Ask<T>, lane?: 'search'): Promise<T> => askedOf(await wholeStudio(), ask, lane);

const askedOf = <T>(state: RootState, ask: Ask<T>, lane?: 'search'): Promise<T> =>
  atDesk(selectHanded(state), selectCatalog(state), ask, lane);

/** What can be worked out about a class, each on the class as it is when asked. */
export interface Desk {
  readonly fixes: (finding: FindingName) => Promise<readonly Fix[]>;
  readonly fit: () => Promise<ToTime | null>;
  readonly levels: () => Promise<LevelledClass | null>;
  readonly mendAll: (looks: boolean) => Promise<MendedClass | null>;
}

export const useDesk = (id: string): Desk =>
  useMemo(
    () => ({
      fixes: ({ code, ids, about }) => asked((work) => work.fixes(id, { code, ids, ...(about ? { about } : {}) })),
      fit: () => asked((work) => work.fit(id)),
      levels: () => asked((work) => work.levels(id)),
      mendAll: (looks) => asked((work) => work.mendAll(id, looks), 'search'),
    }),
    [id],
  );

/** What is drawn of an answer is not measured again on the page. */
const drawnWith = ({ heats }: { readonly heats: Heats }): void => selectCatalog(store.getState()).knowHeats(heats);

/**
 * What is worked out about the studio, anew whenever it changes: as it was last known while that is worked out, and
 * `null` before it was for the first time.
 * @param ask the same function as long as the same is asked
 * @param onAnswer does what is to be done before an answer is shown
 */
function useAsked<T>(ask: Ask<T>, onAnswer?: (answer: T) => void): T | null {
  const handed = useAppSelector(selectHanded);
  const [known, setKnown] = useState<{ readonly ask: Ask<T>; readonly answer: T } | null>(null);
  useEffect(() => {
    let over = false;
    const tell = async () => {
      const state = await wholeStudio();
      // What has changed meanwhile asks for itself.
      if (over || selectHanded(state) !== handed) return;
      const answer = await askedOf(state, ask);
      if (over) return;
      onAnswer?.(answer);
      setKnown({ ask, answer });
    };
    // A worker that died is started anew by asking again; what is gone has nothing to tell.
    tell()
      .catch(tell)
      .catch(() => undefined);
    return () => {
      over = true;
    };
  }, [handed, ask, onAnswer]);
  return known && known.ask === ask ? known.answer : null;
}

const NO_GLANCES: ReadonlyMap<string, Glance> = new Map();

/** Classes as a list shows them, by id: as they were last known, and missing until then. */
export function useGlances(ids: readonly string[]): ReadonlyMap<string, Glance> {
  const key = ids.join(' ');
  const ask = useMemo((): Ask<GlancedClasses> => {
    const all = key === '' ? [] : key.split(' ');
    return (work) => work.glances(all);
  }, [key]);
  const answer = useAsked(ask, drawnWith);
  const last = useRef(NO_GLANCES);
  return useMemo(() => {
    // While others are asked for, those that were known stay in sight.
    if (answer) last.current = new Map([...last.current, ...answer.glances.map((each) => [each.id, each] as const)]);
    return last.current;
  }, [answer]);
}

/** A series as its page shows it. */
export function useToldSeries(id: string): ToldSeries | null {
  const ask = useCallback((work: Remote<DeskWork>) => work.series(id), [id]);
  return useAsked(ask, drawnWith)?.told ?? null;
}

/** What an edit of a series would break, and mend; `null` while it is worked out, and where no edit is asked about. */
export function useWhatIf(id: string, edit: SeriesEdit | undefined): Consequence | null {
  const ask = useCallback(
    async (work: Remote<DeskWork>) => (edit === undefined ? null : work.whatIf(id, [edit])),
    [id, edit],
  );
  return useAsked(ask);
}

/** What an episode could take next; `null` while it is worked out. @param episode its place from 0 */
export function useNext(id: string, episode: number): readonly NextHere[] | null {
  const ask = useCallback((work: Remote<DeskWork>) => work.couldTake(id, episode), [id, episode]);
  return useAsked(ask);
}

/** Ways to mend a finding of a series, as it is when asked. */
export const seriesFixes = (id: string, { code, episode, ids, about }: SeriesFindingName): Promise<SeriesFixHere[]> =>
  asked((work) => work.seriesFixes(id, { code, episode, ids, ...(about ? { about } : {}) }));

/** What each answer of the method would change of a class. */
export const effectsOnClass = (plan: ClassPlan): Promise<readonly Effect[]> => asked((work) => work.effects(plan));

/** How every class stands to the figures of the house, as the studio is now. */
export const standingClasses = (): Promise<readonly StandingClass[]> => asked((work) => work.standings());

/** Captions of a class, read back. @throws when they can’t be read, with the line */
export const takeOfClass = (id: string, captions: string, day: string): Promise<ReadTake> =>
  asked((work) => work.take(id, captions, day));

/** A class read out of captions that have no plan, among the rungs of the whole studio. */
export const draftOfCaptions = (captions: string, id: string): Promise<DraftPlan> =>
  asked((work) => work.draft(captions, id), 'search');

/** A class under another method. */
export const outlineUnder = (plan: ClassPlan, method: MethodFile | undefined): Promise<Outline> =>
  asked((work) => work.outline(plan, method));

/** Classes for a brief, from the studio as it is now. @param onShare told the share of the work that is done, 0 to 1 */
export const proposed = (brief: Brief, onShare: (share: number) => unknown): Promise<ProposedClasses> =>
  asked((work) => work.propose(brief, proxy(onShare)), 'search');

/** Whole series for a brief, likewise. */
export const plannedSeries = (brief: SeriesBrief, onShare: (share: number) => unknown): Promise<PlannedSeries> =>
  asked((work) => work.proposeSeries(brief, proxy(onShare)), 'search');

/** Rungs measured in one go: what somebody waits for at the desk waits no longer than for these. */
const AT_ONCE = 16;

/**
 * Measures every rung of the repertoire on the page that nobody has measured yet, away from the page.
 * @returns whether all of it is measured; not where the repertoire has changed meanwhile, or the worker died
 */
export async function measuredAway(catalog: Catalog): Promise<boolean> {
  const current = async () => {
    const state = await wholeStudio();
    return selectCatalog(state) === catalog ? state : null;
  };
  const left = catalog.rungs.filter((entry) => !catalog.isMeasured(entry)).map(({ key }) => key);
  for (let at = 0; at < left.length; at += AT_ONCE) {
    const state = await current();
    if (!state) return false;
    catalog.knowHeats(await askedOf(state, (work) => work.heats(left.slice(at, at + AT_ONCE))));
  }
  return true;
}
