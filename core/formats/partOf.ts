import type { ClassPlan } from '../plan';
import { hottestTaken, roomOf } from '../review';
import { countsForPace } from '../taught';
import type { Bundle, DocumentKind } from './file/bundle';
import { Documents } from './file/documents';
import { type DocumentKey, documentKey, referencesOf, splitDocumentKey } from './file/references';
import type { Steps } from './file/steps';

/** How a page of a class is asked for. */
export interface PartAsked {
  readonly teacher?: string | undefined;
  readonly audiences?: 'all' | 'its own';
}

/**
 * The part of a studio that a page of one class is made from: the class, all that stands in a series with it, what
 * those name, what its room can take, and whatever there is little of (all but exercises and classes). A class is measured, spoken and handed
 * out from it as from the whole; what could be added to it is not in it.
 * @param asked for a teacher, whose pace it is timed at: what their classes taught comes along; and with no audience
 * but those it is for, where it leaves this machine
 * @returns `null` where there is no such class
 * @example partOf(studio, 'rowers-sixty')?.list('classes') // itself, and the other episodes of its series
 */
export function partOf(
  studio: Documents,
  classId: string,
  { teacher, audiences = 'all' }: PartAsked = {},
): Documents | null {
  if (!studio.has('classes', classId)) return null;
  const series = studio.list('series').filter(({ episodes }) => episodes.some((each) => each.class === classId));
  const keys = [documentKey('classes', classId), ...series.map(({ id }) => documentKey('series', id))];
  const part = partFrom(studio, keys, {
    logs: studio.list('logs').filter((log) => log.class === classId || (log.teacher === teacher && countsForPace(log))),
    questions: studio.list('questions').filter((question) => question.class === classId),
  });
  if (audiences === 'all') return part;
  const named = new Set(part.list('classes').map(({ audience }) => audience));
  return Documents.of({ ...part.bundle, audiences: part.list('audiences').filter(({ id }) => named.has(id)) });
}

/** The same of a series: its episodes, what it follows on, and what those name. @returns `null` where there is none */
export const partOfSeries = (studio: Documents, id: string): Documents | null =>
  studio.has('series', id) ? partFrom(studio, [documentKey('series', id)], { logs: [], questions: [] }) : null;

/** The same of all series. */
export const partOfTerm = (studio: Documents): Documents =>
  partFrom(
    studio,
    studio.list('series').map(({ id }) => documentKey('series', id)),
    { logs: [], questions: [] },
  );

/**
 * Measures what a part is chosen by, a rung a step: what a room can take is known once every rung of a studio is measured,
 * which takes a second and more where none is. After this a part is put together at once.
 */
export function* measuredForParts({ catalog }: Documents): Steps<void> {
  for (const entry of catalog.rungs) {
    catalog.measures(entry);
    yield;
  }
}

/** Days on which every check of the belly counts, and on which none does any more. */
const DAYS = [undefined, '9999-12-31'];

/** Exercises that say what a class's room can take, whether or not they are in it: its peak is held against them. */
function takenBy(studio: Documents, plan: ClassPlan): string[] {
  const audience = plan.audience === undefined ? undefined : studio.get('audiences', plan.audience);
  return DAYS.flatMap((today) =>
    hottestTaken(roomOf(studio.catalog, plan, { audience, today })).map(({ exercise }) => exercise.id),
  );
}

function partFrom(studio: Documents, keys: readonly DocumentKey[], own: Pick<Bundle, 'logs' | 'questions'>): Documents {
  const found = new Set(keys);
  // What is added on the way is come to as well.
  for (const key of found) {
    const [kind, id] = splitDocumentKey(key);
    const value = studio.get(kind, id);
    if (value) for (const named of referencesOf(kind, value)) found.add(named);
  }
  for (const plan of studio.list('classes')) {
    if (found.has(documentKey('classes', plan.id)))
      for (const id of takenBy(studio, plan)) found.add(documentKey('exercises', id));
  }
  const wanted = (kind: DocumentKind) => (each: { readonly id: string }) => found.has(documentKey(kind, each.id));
  return Documents.of({
    ...studio.bundle,
    exercises: studio.list('exercises').filter(wanted('exercises')),
    classes: studio.list('classes').filter(wanted('classes')),
    ...own,
  });
}
