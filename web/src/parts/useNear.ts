import { type RefCallback, useCallback, useState } from 'react';

const watched = new WeakMap<Element, (near: boolean) => void>();
const observers = new Map<string, IntersectionObserver>();

/** One observer for all that are near at the same distance. */
function observe(element: Element, margin: string, tell: (near: boolean) => void): () => void {
  const observer =
    observers.get(margin) ??
    new IntersectionObserver(
      (entries) => {
        for (const { target, isIntersecting } of entries) watched.get(target)?.(isIntersecting);
      },
      // What scrolls within the page is looked ahead in as the page is.
      { rootMargin: margin, scrollMargin: margin },
    );
  observers.set(margin, observer);
  watched.set(element, tell);
  observer.observe(element);
  return () => {
    watched.delete(element);
    observer.unobserve(element);
  };
}

/** A little before and after what is in sight counts as near. */
const NEAR = '200px 0px';

/**
 * Whether an element is in sight or nearly so; what is not need not be drawn in full.
 * @returns what the element is given as its `ref`, always the same, and whether it is near
 */
export function useNear<T extends Element>(atFirst: boolean, margin = NEAR): [RefCallback<T>, boolean] {
  const [near, setNear] = useState(atFirst);
  const watch = useCallback((element: T | null) => (element ? observe(element, margin, setNear) : undefined), [margin]);
  return [watch, near];
}
