import {
  type ClassPlan,
  duplicateTogether,
  isRungBlock,
  moveTogether,
  type PlanEdit,
  removeTogether,
  sayTogether,
  type TimedClass,
} from '@warm-ladder/core/plan';
import { spell } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { Link } from 'react-router';

interface ChosenBarProps {
  readonly plan: ClassPlan;
  readonly timed: TimedClass;
  readonly chosen: ReadonlySet<string>;
  readonly onEdit: (edits: readonly PlanEdit[], label: string) => void;
  readonly onClear: () => void;
}

/** What can be done with several blocks at once, each as one step of undo. */
export default function ChosenBar({ plan, timed, chosen, onEdit, onClear }: ChosenBarProps) {
  const [note, setNote] = useState<string | null>(null);
  const own = plan.blocks.filter(({ id }) => chosen.has(id));
  if (own.length === 0) return null;
  const seconds = timed.sequence.reduce((sum, part) => sum + (chosen.has(part.block.id) ? part.seconds : 0), 0);
  const name = countText(own.length, 'block');
  const locked = own.every((block) => block.locked);
  const act = (edits: readonly PlanEdit[], label: string) => {
    if (edits.length > 0) onEdit(edits, `${label} ${name}`);
  };
  const button = (words: string, does: () => void) => (
    <button type="button" className="action text-sm" onClick={does}>
      {words}
    </button>
  );
  return (
    <section
      aria-label="Chosen blocks"
      className="no-print sticky bottom-2 z-20 flex flex-wrap items-center gap-2 rounded-lg border border-ink bg-sheet px-3 py-2 shadow-lift"
    >
      <strong className="mr-1 font-semibold">
        {name}, {spell(seconds)}
      </strong>
      {button('Move earlier', () => act(moveTogether(plan, chosen, 'up'), 'moving'))}
      {button('Move later', () => act(moveTogether(plan, chosen, 'down'), 'moving'))}
      {button('Duplicate', () => act(duplicateTogether(plan, chosen), 'duplicating'))}
      {button(locked ? 'Unlock' : 'Lock', () =>
        act(sayTogether(plan, chosen, { locked: locked ? null : true }), locked ? 'unlocking' : 'locking'),
      )}
      {button('Note', () => setNote(own.length === 1 ? (own[0]?.notes ?? '') : ''))}
      {button('Remove', () => {
        act(removeTogether(plan, chosen), 'removing');
        onClear();
      })}
      {own.some(isRungBlock) && (
        <Link
          className="action text-sm"
          to={`/propose?${new URLSearchParams({ from: plan.id, keep: own.map(({ id }) => id).join() })}`}
        >
          Keep these, propose the rest
        </Link>
      )}
      {button('Done', onClear)}
      {note !== null && (
        <form
          className="flex w-full items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            act(sayTogether(plan, chosen, { notes: note.trim() || null }), 'a note on');
            setNote(null);
          }}
        >
          <input
            className="field grow"
            aria-label={`Note for ${name}`}
            placeholder="For the teaching staff"
            maxLength={2000}
            value={note}
            onChange={({ target }) => setNote(target.value)}
          />
          <button type="submit" className="action text-sm">
            Keep the note
          </button>
        </form>
      )}
    </section>
  );
}
