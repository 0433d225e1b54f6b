import { applied, type Edit } from '@warm-ladder/core/edits';
import type { DocumentKind } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { Catalog, type Exercise } from '@warm-ladder/core/repertoire';
import { useState } from 'react';
import { selectCatalogSource } from '../../app/store/selectors';
import { server } from '../../app/store/server';
import { useAppSelector } from '../../app/store/store';
import { RungFigure } from '../../figure/RungFigure';
import { ClassStairs } from '../../parts/classes/ClassStairs';

interface BeforeAfterProps {
  readonly version: number;
  readonly kind: DocumentKind;
  readonly edit: Edit;
  /** Why something can’t be told, in words. */
  readonly wordsOf: (error: unknown) => string;
}

/** What can be drawn as it was and as it became. */
const DRAWN: ReadonlySet<DocumentKind> = new Set(['classes', 'exercises']);

/** A class or a ladder before a change and after it, drawn once it is asked for. */
export function BeforeAfter({ version, kind, edit, wordsOf }: BeforeAfterProps) {
  const [both, setBoth] = useState<readonly [object, object] | string | null>(null);
  if (!DRAWN.has(kind)) return null;
  const fetchBoth = async () => {
    try {
      const { value } = await server.before(version);
      if (value) setBoth([value, applied(edit, value as object)]);
      else setBoth('It was not there before.');
    } catch (error) {
      setBoth(wordsOf(error));
    }
  };
  return (
    <details
      className="mt-1"
      onToggle={({ currentTarget }) => {
        if (currentTarget.open && both === null) void fetchBoth();
      }}
    >
      <summary className="text-[15px]">Before and after</summary>
      {both === null && <p className="text-soft">Looking it up…</p>}
      {typeof both === 'string' && <p className="text-soft">{both}</p>}
      {both !== null && typeof both !== 'string' && (
        <div className="mt-1 grid gap-4 sm:grid-cols-2">
          {both.map((document, i) => (
            <figure key={i === 0 ? 'before' : 'after'} className="min-w-0">
              <figcaption className="text-sm text-soft">{i === 0 ? 'before' : 'after'}</figcaption>
              {kind === 'classes' ? (
                <ClassStairs plan={document as ClassPlan} className="h-20" />
              ) : (
                <Ladder exercise={document as Exercise} changed={rungOf(edit)} />
              )}
            </figure>
          ))}
        </div>
      )}
    </details>
  );
}

/** The rung a change is in, where it is in one. */
function rungOf(edit: Edit): string | null {
  const step = edit[0]?.path[1];
  return edit[0]?.path[0] === 'rungs' && typeof step === 'object' ? step.id : null;
}

/** The rung that was changed, or all of a ladder. */
function Ladder({ exercise, changed }: { readonly exercise: Exercise; readonly changed: string | null }) {
  const source = useAppSelector(selectCatalogSource);
  const rungs = new Catalog({ ...source, exercises: [exercise] }).ladder(exercise.id);
  const shown = rungs.filter(({ rung }) => changed === null || rung.id === changed);
  return (
    <span className="flex flex-wrap gap-2">
      {shown.map((entry) => (
        <RungFigure key={entry.key} entry={entry} className="h-20 w-32" label={entry.rung.name} />
      ))}
    </span>
  );
}
