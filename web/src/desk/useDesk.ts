import type { Fix, ToTime } from '@warm-ladder/core/mend';
import type { MethodFile } from '@warm-ladder/core/method';
import type { ClassPlan } from '@warm-ladder/core/plan';
import type { FindingName, ReviewContext } from '@warm-ladder/core/review';
import type { Brief, SeriesBrief } from '@warm-ladder/core/sequence';
import type { DraftPlan } from '@warm-ladder/core/taught/take';
import type { Effect, Outline } from '@warm-ladder/core/versions';
import { proxy, type Remote } from 'comlink';
import { useMemo } from 'react';
import { wholeStudio } from '../app/rest';
import {
  reviewContext,
  selectAudiences,
  selectCatalogSource,
  selectClass,
  selectClasses,
  selectSeries,
} from '../app/selectors';
import type { RootState } from '../app/store';
import { today } from '../app/today';
import { atDesk } from './desk';
import type {
  Around,
  DeskWork,
  LevelledClass,
  MendedClass,
  PlannedSeries,
  ProposedClasses,
  ReadTake,
  StandingClass,
} from './worker';

/** What can be worked out about a class, each on the class as it is when asked, once the whole studio is here. */
export interface Desk {
  readonly fixes: (finding: FindingName) => Promise<readonly Fix[]>;
  readonly fit: () => Promise<ToTime | null>;
  readonly levels: () => Promise<LevelledClass | null>;
  readonly mendAll: (looks: boolean) => Promise<MendedClass | null>;
}

export function useDesk(classId: string): Desk {
  return useMemo(() => {
    const about = async <T>(
      none: T,
      ask: (work: Remote<DeskWork>, plan: ClassPlan, context: ReviewContext) => Promise<T>,
      lane?: 'search',
    ): Promise<T> => {
      const state = await wholeStudio();
      const plan = selectClass(state, classId);
      if (!plan) return none;
      return atDesk(selectCatalogSource(state), (work) => ask(work, plan, reviewContext(state, plan)), lane);
    };
    return {
      fixes: (finding) => about<readonly Fix[]>([], (work, plan, context) => work.fixes(plan, context, finding)),
      fit: () => about<ToTime | null>(null, (work, plan, context) => work.fit(plan, context)),
      levels: () => about<LevelledClass | null>(null, (work, plan, context) => work.levels(plan, context)),
      mendAll: (looks) =>
        about<MendedClass | null>(null, (work, plan, context) => work.mendAll(plan, context, looks), 'search'),
    };
  }, [classId]);
}

/** What a class is worked out with elsewhere than at its desk, from the studio as it is now. */
const aboutClass = async <T>(plan: ClassPlan, ask: (work: Remote<DeskWork>, context: ReviewContext) => Promise<T>) => {
  const state = await wholeStudio();
  return atDesk(selectCatalogSource(state), (work) => ask(work, reviewContext(state, plan)));
};

/** What each answer of the method would change of a class. */
export const effectsOnClass = (plan: ClassPlan): Promise<readonly Effect[]> =>
  aboutClass(plan, (work, context) => work.effects(plan, context));

/** How every class stands to the figures of the house, as the studio is now. */
export async function standingClasses(): Promise<readonly StandingClass[]> {
  const state = await wholeStudio();
  const asked = selectClasses(state).map((plan) => ({ plan, context: reviewContext(state, plan) }));
  return atDesk(selectCatalogSource(state), (work) => work.standings(asked));
}

/** Captions of a class, read back. @throws when they can’t be read, with the line */
export const takeOfClass = (plan: ClassPlan, captions: string, day: string): Promise<ReadTake> =>
  aboutClass(plan, (work, context) => work.take(plan, context, captions, day));

/** A class read out of captions that have no plan, among the rungs of the whole studio. */
export async function draftOfCaptions(captions: string, id: string): Promise<DraftPlan> {
  const state = await wholeStudio();
  return atDesk(selectCatalogSource(state), (work) => work.draft(captions, id), 'search');
}

/** A class under another method. */
export const outlineUnder = (plan: ClassPlan, method: MethodFile | undefined): Promise<Outline> =>
  aboutClass(plan, (work, context) => work.outline(plan, context, method));

/** What a brief's ids name, as the studio is now. */
const around = (state: RootState): Around => ({
  audiences: selectAudiences(state),
  classes: selectClasses(state),
  series: selectSeries(state),
  today: today(),
});

/** Classes for a brief, from the studio as it is now. @param onShare told the share of the work that is done, 0 to 1 */
export async function proposed(brief: Brief, onShare: (share: number) => unknown): Promise<ProposedClasses> {
  const state = await wholeStudio();
  return atDesk(selectCatalogSource(state), (work) => work.propose(brief, around(state), proxy(onShare)), 'search');
}

/** Whole series for a brief, likewise. */
export async function plannedSeries(brief: SeriesBrief, onShare: (share: number) => unknown): Promise<PlannedSeries> {
  const state = await wholeStudio();
  return atDesk(
    selectCatalogSource(state),
    (work) => work.proposeSeries(brief, around(state), proxy(onShare)),
    'search',
  );
}
