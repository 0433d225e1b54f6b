import type { DocumentKind } from './bundle';
import { Documents } from './documents';
import { type DocumentKey, documentKey, referencesOf, splitDocumentKey } from './references';

/**
 * The part of a studio that a page of one class is made from: the class, all that stands in a series with it, what
 * those name, and whatever there is little of (all but exercises and classes). A class is measured, spoken and handed
 * out from it as from the whole; what could be added to it is not in it.
 * @returns `null` where there is no such class
 * @example partOf(studio, 'rowers-sixty')?.list('classes') // itself, and the other episodes of its series
 */
export function partOf(studio: Documents, classId: string): Documents | null {
  if (!studio.has('classes', classId)) return null;
  const found = new Set<DocumentKey>([documentKey('classes', classId)]);
  for (const series of studio.list('series')) {
    if (series.episodes.some((episode) => episode.class === classId)) found.add(documentKey('series', series.id));
  }
  // What is added on the way is come to as well.
  for (const key of found) {
    const [kind, id] = splitDocumentKey(key);
    const value = studio.get(kind, id);
    if (value) for (const named of referencesOf(kind, value)) found.add(named);
  }
  const wanted = (kind: DocumentKind) => (each: { readonly id: string }) => found.has(documentKey(kind, each.id));
  return Documents.of({
    ...studio.bundle,
    exercises: studio.list('exercises').filter(wanted('exercises')),
    classes: studio.list('classes').filter(wanted('classes')),
    logs: studio.list('logs').filter((log) => log.class === classId),
    questions: studio.list('questions').filter((question) => question.class === classId),
  });
}
