import { freeBlockId, type Interlude, type InterludeKind } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { type ClassReview, lettingGo, restName } from '@warm-ladder/core/review';
import { useMemo } from 'react';

/** What a fresh interlude is, before anyone has said more. */
const FRESH: Readonly<Record<InterludeKind, Pick<Interlude, 'name' | 'seconds'>>> = {
  talk: { name: 'A few words', seconds: 40 },
  check: { name: 'Check the shape', seconds: 40 },
  recover: { name: 'Small rest', seconds: 20 },
};

/** A new interlude for a place in a class, and the rest that can be had there. @param after how many blocks are before it */
export function useInterlude(review: ClassReview, after: number) {
  const rest = useMemo(() => restAfter(review, after), [review, after]);
  const fresh = (kind: InterludeKind): Interlude => {
    const does = kind === 'recover' && rest ? { name: restName(rest), rung: rest.key } : {};
    return { id: freeBlockId(review.timed.plan), interlude: kind, ...FRESH[kind], ...does };
  };
  return { rest, fresh };
}

/** What lets go where people are at a place in the class, and is not what they do before or after it. */
function restAfter({ subject, timed: { sequence } }: ClassReview, after: number): RungEntry | null {
  const [before, next] = [sequence[after - 1], sequence[after]];
  const position = before?.position ?? next?.position;
  if (position === undefined) return null;
  const done = [before, next].map((part) => part?.entry?.key);
  return lettingGo(subject, position).find(({ key }) => !done.includes(key)) ?? null;
}
