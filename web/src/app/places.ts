import { CLASS_PAGES, type DocumentKind, METHOD_ID } from '@warm-ladder/core/formats';
import type { Place } from './studioState';

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

/** Whether a page shows a document. @example isShownAt({ kind: 'classes', id: 'monday' }, '/script/monday') // true */
export function isShownAt({ kind, id }: Place, pathname: string): boolean {
  const shown = placeAt(pathname);
  return shown?.kind === kind && (kind === 'method' || shown.id === id);
}
