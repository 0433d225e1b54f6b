import type { DocumentKind } from '@warm-ladder/core/formats';
import type { Place } from './studioState';

/** Where each kind of document is shown, the first one being where it is gone to; what a studio only has is nowhere. */
const VIEWS: Readonly<Partial<Record<DocumentKind, readonly string[]>>> = {
  classes: ['class', 'script'],
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

/** Whether a page shows a document. @example isShownAt({ kind: 'classes', id: 'monday' }, '/script/monday') // true */
export function isShownAt({ kind, id }: Place, pathname: string): boolean {
  const [, view = '', own = ''] = pathname.split('/');
  if (kind === 'method') return view === 'method';
  return (VIEWS[kind] ?? []).includes(view) && decodeURIComponent(own) === id;
}
