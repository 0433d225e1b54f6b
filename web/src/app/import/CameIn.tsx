import type { DocumentKind } from '@warm-ladder/core/formats';
import { countText } from '@warm-ladder/core/vocabulary';
import type { TableAnswer } from '@warm-ladder/core/wire';
import { Link } from 'react-router';
import { pathOf } from '../menus/places';
import { documentOf } from '../store/entities';
import { useAppSelector } from '../store/store';

/** Of each kind, how many are named; the others are counted. */
const NAMED = 12;

/** What a file brought and changed, each a way to it. */
export function CameIn({ answer: { report, plain }, close }: { answer: TableAnswer; close: () => void }) {
  const entities = useAppSelector(({ studio }) => studio.entities);
  const kinds = Object.entries(report).flatMap(([kind, { added, changed }]) => {
    const ids = [...added, ...changed];
    return ids.length === 0 ? [] : [{ kind: kind as DocumentKind, ids }];
  });
  const undrawn = new Set(plain.map((key) => key.split('/')[0]));
  if (kinds.length === 0) return <p>It is all here already; nothing has changed.</p>;
  return (
    <>
      <p role="status" className="font-semibold">
        Taken in. Undo takes all of it back.
      </p>
      {kinds.map(({ kind, ids }) => (
        <section key={kind} className="mt-3">
          <h3 className="text-soft">
            {kind} · {ids.length}
          </h3>
          <ul className="flex flex-wrap gap-x-4 gap-y-1">
            {ids.slice(0, NAMED).map((id) => {
              const path = pathOf({ kind, id });
              const found = kind === 'method' ? undefined : documentOf(entities, kind, id);
              const name = found && 'name' in found ? found.name : id;
              return (
                <li key={id}>
                  {path ? (
                    <Link to={path} className="text-cobalt underline" onClick={close}>
                      {name}
                    </Link>
                  ) : (
                    name
                  )}
                  {kind === 'exercises' && undrawn.has(id) && <span className="text-soft"> to be drawn</span>}
                </li>
              );
            })}
            {ids.length > NAMED && <li className="text-soft">and {countText(ids.length - NAMED, 'other')}</li>}
          </ul>
        </section>
      ))}
    </>
  );
}
