import { type ComponentType, lazy, Suspense } from 'react';

/** Stands where something would be that could not be fetched: the page goes on without it. */
const Nothing = () => null;

/** A part of a page fetched after the page it stands on, with nothing in its place until then. */
function soon<P extends object>(fetched: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Fetched = lazy<ComponentType<P>>(() =>
    fetched()
      .then((found) => ({ default: found }))
      .catch(() => ({ default: Nothing })),
  );
  return (props: P) => (
    <Suspense fallback={null}>
      <Fetched {...props} />
    </Suspense>
  );
}

/** What a director should look at in a ladder; it solves every way of every rung, and nobody waits for it. */
export const SoonLadderDoubts = soon(() => import('./rungs/LadderDoubts').then((found) => found.LadderDoubts));

/** Faults that are drawn: a phone shows the words first. */
export const SoonWrongForms = soon(() => import('./rungs/WrongForms').then((found) => found.WrongForms));

/** A way from a rung to the classes: whoever looks at it reads it first. */
export const SoonSendToClass = soon(() => import('./rungs/SendToClass').then((found) => found.SendToClass));
