import { type ComponentType, type LazyExoticComponent, lazy } from 'react';

type Load<P> = () => Promise<{ readonly default: ComponentType<P> }>;

const parts: Array<() => Promise<unknown>> = [];

/** A part of a view that is its own file of the build: fetched when it is first shown, or before, while the hand rests. */
export function lazily<P>(load: Load<P>): LazyExoticComponent<ComponentType<P>> {
  parts.push(load);
  return lazy(load);
}

/** Fetches every part known by now, so that it opens though the server has gone away. */
export async function fetchParts(): Promise<void> {
  for (const part of parts.splice(0)) await part().catch(() => undefined);
}
