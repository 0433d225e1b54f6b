import type { DocumentKind } from '@warm-ladder/core/formats';
import { Sheet } from '../../parts/Sheet';
import { newId } from '../freeId';
import { documentOf } from '../store/entities';
import { useAppDispatch, useAppSelector } from '../store/store';
import { conflictSettled } from '../store/studio';
import type { Conflict } from '../store/studioState';
import { useNames } from '../useNames';
import { clashesOf, type Difference, differencesOf } from './differences';
import { nameOf } from './nameOf';

/** Kinds that are named by nothing else until somebody does, so that a second one beside the first harms nothing. */
const CAN_STAND_TWICE: ReadonlySet<DocumentKind> = new Set<DocumentKind>([
  'classes',
  'series',
  'audiences',
  'exercises',
]);

/** Two versions of one document: both are still there, and the director says which stands. */
export default function ConflictDialog() {
  const conflict = useAppSelector(({ studio }) => studio.conflicts[0]);
  const mine = useAppSelector(({ studio }) => conflict && documentOf(studio.entities, conflict.kind, conflict.id));
  const dispatch = useAppDispatch();
  if (!conflict) return null;
  const { kind, id, unsent, was } = conflict as Conflict;
  const theirs = unsent ? unsent.value : conflict.current?.value;
  const settle = (keep: 'mine' | 'theirs' | 'both') => {
    if (unsent) void import('../saving/unsent').then(({ dropRecord }) => dropRecord(unsent.key));
    const copy = keep === 'both' ? { copy: newId(`${nameOf(mine, id)} mine`) } : {};
    dispatch(conflictSettled({ conflict: conflict as Conflict, keep, ...copy }));
  };
  const name = nameOf(mine ?? theirs, id);
  const both = CAN_STAND_TWICE.has(kind) && mine !== undefined && theirs !== undefined && theirs !== null;
  return (
    <Sheet
      open
      title={unsent ? `“${name}” was changed in two windows` : `“${name}” was changed in another window`}
      about={
        was
          ? 'Both of you changed this. Choose whose stays; everything else that either of you did stands. If you take theirs, undo brings yours back.'
          : 'Nothing has been overwritten. Choose which version stays; if you take theirs, undo brings yours back.'
      }
    >
      {was && mine && theirs ? (
        <Clashes was={was} mine={mine as object} theirs={theirs as object} />
      ) : (
        <Differences mine={mine} theirs={theirs} />
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <button type="button" className="action" onClick={() => settle('mine')}>
          Keep mine
        </button>
        <button type="button" className="action" onClick={() => settle('theirs')}>
          Take theirs
        </button>
        {both && (
          <button type="button" className="action" onClick={() => settle('both')}>
            Keep both
          </button>
        )}
      </div>
    </Sheet>
  );
}

function Differences({ mine, theirs }: { mine: unknown; theirs: unknown }) {
  if (mine === undefined) return <p>You removed it; the other window changed it.</p>;
  if (theirs === undefined || theirs === null) return <p>The other window removed it; you changed it.</p>;
  const { told, more } = differencesOf(mine, theirs);
  return <DifferenceTable head="What differs" told={told} more={more} />;
}

/** Places told at once; more are counted. */
const MOST = 8;

function Clashes(versions: { was: object; mine: object; theirs: object }) {
  const named = useNames();
  const clashes = clashesOf(versions.was, versions.mine, versions.theirs, named);
  const more = Math.max(0, clashes.length - MOST);
  return <DifferenceTable head="What both of you changed" told={clashes.slice(0, MOST)} more={more} />;
}

function DifferenceTable({ head, told, more }: { head: string; told: readonly Difference[]; more: number }) {
  return (
    <table className="w-full text-left">
      <caption className="text-left font-semibold">{head}</caption>
      <thead>
        <tr className="text-soft">
          <th className="font-normal">&nbsp;</th>
          <th className="font-normal">Yours</th>
          <th className="font-normal">Theirs</th>
        </tr>
      </thead>
      <tbody>
        {told.map(({ where, mine: one, theirs: other }) => (
          <tr key={where} className="border-t border-line align-top">
            <th className="py-1 pr-3 font-normal">{where}</th>
            <td className="py-1 pr-3">{one}</td>
            <td className="py-1">{other}</td>
          </tr>
        ))}
      </tbody>
      {more > 0 && (
        <tfoot>
          <tr>
            <td colSpan={3} className="text-soft">
              and {more} more
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  );
}
