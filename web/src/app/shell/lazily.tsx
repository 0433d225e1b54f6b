import { type ComponentType, type JSX, lazy, useState } from 'react';
import { server } from '../store/server';
import { fetchedPart } from './build';

type Load<P> = () => Promise<{ readonly default: ComponentType<P> }>;

const parts: Array<() => Promise<unknown>> = [];

/**
 * A part of a view that is its own file of the build: fetched when it is first shown, or before, while the hand rests.
 * Where it can't be fetched it says so, and is asked for again the next time it is shown.
 * @param Away what is shown then
 */
export function lazily<P extends object>(load: Load<P>, Away: ComponentType = AwayPart): ComponentType<P> {
  parts.push(load);
  let inner = lazy(attempt);
  async function attempt(): Promise<{ readonly default: ComponentType<P> }> {
    try {
      return await fetchedPart(load, server.health);
    } catch {
      inner = lazy(attempt);
      return { default: () => <Away /> };
    }
  }
  return function Part(props: P): JSX.Element {
    const [Inner] = useState(() => inner);
    // The props of a part are handed on as they are: that it takes them is the part's own type.
    const Shown = Inner as ComponentType<P>;
    return <Shown {...props} />;
  };
}

const AwayPart = () => (
  <p className="text-soft">This part can’t be fetched while the server is away. It comes with the server.</p>
);

/** Fetches every part known by now, so that it opens though the server has gone away. */
export async function fetchParts(): Promise<void> {
  for (const part of parts.splice(0)) await part().catch(() => undefined);
}
