import { type RefCallback, useCallback, useState } from 'react';

const watched = new WeakMap<Element, (near: boolean) => void>();
let observer: IntersectionObserver | undefined;

/** One observer for all: a little before and after what is in sight counts as near. */
function observe(element: Element, tell: (near: boolean) => void): () => void {
  observer ??= new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) watched.get(target)?.(isIntersecting);
    },
    { rootMargin: '200px 0px' },
  );
  watched.set(element, tell);
  observer.observe(element);
  return () => {
    watched.delete(element);
    observer?.unobserve(element);
  };
}

/**
 * Whether an element is in sight or nearly so; what is not need not be drawn in full.
 * @returns what the element is given as its `ref`, always the same, and whether it is near
 */
export function useNear<T extends Element>(atFirst: boolean): [RefCallback<T>, boolean] {
  const [near, setNear] = useState(atFirst);
  const watch = useCallback((element: T | null) => (element ? observe(element, setNear) : undefined), []);
  return [watch, near];
}
