import { remediesFor, type ToldFinding, type WorthyRemedy } from '@warm-ladder/core/review';
import { useCallback } from 'react';
import { reviewContext, selectCatalog, selectClasses, selectReview } from '../../app/selectors';
import { store } from '../../app/store';

/** Ways to mend a finding, tried on the class as it is now: the finding may have been drawn some edits ago. */
export function useAsk(classId: string) {
  return useCallback(
    (finding: ToldFinding): readonly WorthyRemedy[] => {
      const state = store.getState();
      const plan = selectClasses(state).find(({ id }) => id === classId);
      if (!plan) return [];
      const review = selectReview(state, plan);
      const now = review.findings.find(
        ({ code, ids, message }) =>
          code === finding.code && message === finding.message && ids.join() === finding.ids.join(),
      );
      return now ? remediesFor(selectCatalog(state), review, now, reviewContext(state, plan)) : [];
    },
    [classId],
  );
}
