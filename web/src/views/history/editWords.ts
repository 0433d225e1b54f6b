import type { Change, Edit } from '@warm-ladder/core/edits';
import { itemIn, type NameOf, placeWords, singular, valueWords } from '../../app/history/differences';

/** Most parts of an edit that are told one by one. */
const TOLD = 3;

function changeWords(document: unknown, change: Change, named?: NameOf): string {
  const place = placeWords(document, change.path, named);
  if (change.op === 'set') {
    if (change.was === undefined) return `${place}: ${valueWords(change.value, named)}`;
    return `${place}: ${valueWords(change.was, named)} → ${valueWords(change.value, named)}`;
  }
  const list = change.path.at(-1);
  const what = typeof list === 'string' ? singular(list) : 'part';
  if (change.op === 'move') {
    const moved = itemIn(document, [...change.path, { id: change.id }]);
    return `${what} “${moved === undefined ? change.id : valueWords(moved, named)}” moved`;
  }
  return `${what} “${valueWords(change.item, named)}” ${change.op === 'put' ? 'added' : 'removed'}`;
}

/**
 * What an edit did to a document, in words.
 * @param document as it is now, for the names of its parts; nothing where it was removed since
 * @param named what the ids in it are called
 */
export function editWords(document: unknown, edit: Edit, named?: NameOf): string {
  const told = edit.slice(0, TOLD).map((change) => changeWords(document, change, named));
  return [...told, ...(edit.length > TOLD ? [`and ${edit.length - TOLD} more`] : [])].join('; ');
}

const idOf = (edit: Edit) =>
  edit.find(({ op, path }) => op === 'set' && path.length === 1 && path[0] === 'id') as
    | Extract<Change, { op: 'set' }>
    | undefined;

/** Whether an edit made its document, or removed it: then its id came or went with it. */
export const isMaking = (edit: Edit): boolean => idOf(edit)?.was === undefined && idOf(edit)?.value !== undefined;
export const isRemoving = (edit: Edit): boolean => idOf(edit)?.was !== undefined && idOf(edit)?.value === undefined;

/** The name that a document had, as an edit that made or removed it says. */
export function nameSaid(edit: Edit): string | undefined {
  const named = edit.find(({ op, path }) => op === 'set' && path.length === 1 && path[0] === 'name');
  return named?.op === 'set' ? String(named.value ?? named.was ?? '') || undefined : undefined;
}
