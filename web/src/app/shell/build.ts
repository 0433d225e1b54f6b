import { useSyncExternalStore } from 'react';

/** Which build this page is of; none where it is served from its sources. */
const OWN =
  typeof document === 'undefined' ? undefined : document.querySelector<HTMLMetaElement>('meta[name=build]')?.content;
/** The build for which this page was loaded anew, so that it is never done twice for one. */
const TRIED = 'warm-ladder/build';

let newer: string | null = null;
const told = new Set<() => void>();

/** Notes which build of the pages the server has. */
export function noteBuild(build: string | null): void {
  if (!build || OWN === undefined || build === OWN || build === newer) return;
  newer = build;
  for (const tell of told) tell();
}

const listen = (tell: () => void) => {
  told.add(tell);
  return () => told.delete(tell);
};

/** Whether the server has another build of the pages than this one. */
export const useNewerBuild = (): boolean => useSyncExternalStore(listen, () => newer) !== null;

/** Loads the page anew: what is not sent yet is kept in this browser, and comes back with it. */
export const reloadPage = (): void => location.reload();

/**
 * Fetches a part of the page. Where it is gone since the server was upgraded, the page is loaded anew, once for each
 * build.
 * @param ask asks the server for anything, so that its build is heard
 * @throws what kept it from being fetched, where that is something else
 */
export async function fetchedPart<T>(load: () => Promise<T>, ask: () => Promise<unknown>): Promise<T> {
  try {
    return await load();
  } catch (error) {
    await ask().catch(() => undefined);
    if (newer === null || sessionStorage.getItem(TRIED) === newer) throw error;
    sessionStorage.setItem(TRIED, newer);
    reloadPage();
    return new Promise(() => undefined);
  }
}
