import { checkChanges, Documents, documentKey, pathText } from '@warm-ladder/core/formats';
import type { Exercise, Rung } from '@warm-ladder/core/repertoire';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useChange } from '../../app/store/edits';
import { asBundle } from '../../app/store/entities';
import { store } from '../../app/store/store';

/** An exercise in the hand: as it is drawn, and what still keeps it from being kept. */
export interface Draft {
  readonly exercise: Exercise;
  /** The same; while a hand drags, as it was before: what does not move with the hand need not be drawn with it. */
  readonly still: Exercise;
  readonly problems: readonly string[];
  /** Puts a new version in its place; `hold` shows it without keeping it yet, while a hand still drags. */
  readonly edit: (next: Exercise, label: string, field?: string, hold?: boolean) => void;
  /** Lets go of what can't be kept: the exercise as it was last kept. */
  readonly putBack: () => void;
}

/**
 * The kept exercise, or the version in the hand while that can't be kept. Every sound edit is kept at once and is one
 * step of undo; an unsound one stays in sight with what is wrong with it, and nothing is lost.
 */
export function useDraft(kept: Exercise): Draft {
  const change = useChange();
  const [held, setHeld] = useState<Held | null>(null);
  const schemas = useSchemas();
  const current = held?.base === kept ? held : null;
  const exercise = current?.next ?? kept;
  const still = current?.dragging ? current.before : exercise;
  const problems = useMemo(
    () => (current && schemas && !current.dragging ? problemsOf(schemas, current.next) : []),
    [current, schemas],
  );
  const edit = useCallback<Draft['edit']>(
    (next, label, field = '', hold = false) => {
      if (hold || !schemas || problemsOf(schemas, next).length > 0) {
        setHeld((last) => {
          const before = last?.base !== kept ? kept : last.dragging ? last.before : last.next;
          return { base: kept, before, next, dragging: hold, label, field };
        });
        return;
      }
      setHeld(null);
      change('exercises', kept.id, next, `${label} of ${next.name}`, field);
    },
    [change, kept, schemas],
  );
  // An edit quicker than the schemas could be fetched is kept as soon as they are there.
  useEffect(() => {
    if (schemas && current && !current.dragging && problems.length === 0)
      edit(current.next, current.label, current.field);
  }, [schemas, current, problems, edit]);
  const putBack = useCallback(() => setHeld(null), []);
  return { exercise, still, problems, edit, putBack };
}

/** What is shown before it is kept: under a dragging hand, unsound, or before it could be checked. */
interface Held {
  readonly base: Exercise;
  /** As it was when the hand took hold. */
  readonly before: Exercise;
  readonly next: Exercise;
  readonly dragging: boolean;
  readonly label: string;
  readonly field: string;
}

const RETRY_MS = 2000;
type Schemas = typeof import('@warm-ladder/core/schemas');

/** What an exercise is checked by, fetched once the editor is seen: nobody edits in the moment before. */
function useSchemas(): Schemas | null {
  const [schemas, setSchemas] = useState<Schemas | null>(null);
  useEffect(() => {
    let again: ReturnType<typeof setTimeout> | undefined;
    let gone = false;
    const fetchThem = () => {
      import('@warm-ladder/core/schemas').then(
        (found) => gone || setSchemas(found),
        // The server is away for the moment: what is edited meanwhile stays in sight.
        () => {
          again = gone ? undefined : setTimeout(fetchThem, RETRY_MS);
        },
      );
    };
    fetchThem();
    return () => {
      gone = true;
      clearTimeout(again);
    };
  }, []);
  return schemas;
}

/** What keeps an exercise from standing in this studio, in sentences. */
function problemsOf({ documentSchemas, schemaProblems }: Schemas, exercise: Exercise): string[] {
  const read = documentSchemas.exercises.safeParse(exercise);
  if (!read.success)
    return schemaProblems(read.error, exercise).map(({ path, message }) => `${placeOf(exercise, path)}: ${message}`);
  const change = { kind: 'exercises', id: exercise.id, value: exercise } as const;
  const after = Documents.of(asBundle(store.getState().studio.entities)).with([change]);
  return checkChanges(after, [documentKey('exercises', exercise.id)]).map(({ kind, id, path, message }) =>
    kind === 'exercises' && id === exercise.id ? `${placeOf(exercise, path)}: ${message}` : message,
  );
}

/** Where a problem stands, by the names the director gave. */
function placeOf(exercise: Exercise, path: ReadonlyArray<string | number>): string {
  const [list, index, ...rest] = path;
  if (list !== 'rungs' || typeof index !== 'number') return pathText(path);
  const rung: Rung | undefined = exercise.rungs[index];
  return [rung?.name ?? `rung ${index + 1}`, ...(rest.length > 0 ? [pathText(rest)] : [])].join(', ');
}
