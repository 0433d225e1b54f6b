import { CLASS_PAGES, type DocumentKind, METHOD_ID } from '@warm-ladder/core/formats';
import type { HistoryStep, Place } from '../store/studioState';

/** Where each kind of document is shown, the first one being where it is gone to; what a studio only has is nowhere. */
const VIEWS: Readonly<Partial<Record<DocumentKind, readonly string[]>>> = {
  classes: CLASS_PAGES,
  exercises: ['repertoire', 'edit'],
  audiences: ['audiences'],
  series: ['series'],
};

/** The page that shows a document; `null` where none does. */
export function pathOf({ kind, id }: Place): string | null {
  if (kind === 'method') return '/method';
  const [view] = VIEWS[kind] ?? [];
  return view ? `/${view}/${encodeURIComponent(id)}` : null;
}

/** The document that a page shows. @example placeAt('/script/monday') // { kind: 'classes', id: 'monday' } */
export function placeAt(pathname: string): Place | null {
  const [, view = '', own = ''] = pathname.split('/');
  if (view === 'method') return { kind: 'method', id: METHOD_ID };
  const [kind] = (Object.keys(VIEWS) as DocumentKind[]).filter((each) => VIEWS[each]?.includes(view));
  return kind && own !== '' ? { kind, id: decodeURIComponent(own) } : null;
}

/** The view an address leads to: sheets over the repertoire are not pages of their own. */
export const pageOf = (pathname: string): string => (pathname.startsWith('/repertoire') ? '/repertoire' : pathname);

/** Whether a page shows a document. @example isShownAt({ kind: 'classes', id: 'monday' }, '/script/monday') // true */
export function isShownAt({ kind, id }: Place, pathname: string): boolean {
  const shown = placeAt(pathname);
  return shown?.kind === kind && (kind === 'method' || shown.id === id);
}

/** What a page shows a list of, or of several kinds together. */
const LISTS: Readonly<Record<string, readonly DocumentKind[]>> = {
  '/class': ['classes'],
  '/versions': ['classes'],
  '/shelf': ['classes', 'series'],
  '/repertoire': ['exercises'],
  '/cues': ['exercises'],
  '/audiences': ['audiences'],
  '/teachers': ['teachers', 'rooms'],
  '/series': ['series'],
  '/calendar': ['series', 'teachers', 'rooms'],
  '/method/positions': ['positions'],
  '/logs': ['logs'],
};

/** Whether what a step did can be seen on a page, or was done on it. On the page of all changes everything can be. */
export const isOnPage = ({ at, documents }: Pick<HistoryStep, 'at' | 'documents'>, pathname: string): boolean =>
  (at !== undefined && pageOf(at) === pageOf(pathname)) ||
  pathname === '/history' ||
  documents.some((place) => isShownAt(place, pathname) || LISTS[pageOf(pathname)]?.includes(place.kind));
