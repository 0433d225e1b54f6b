import { type ReplacedIn, replaceRung } from '@warm-ladder/core/plan';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { clock, reviewClass, rungTitle } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo, useState } from 'react';
import { noticed } from '../../app/store/deskState';
import { reviewContext, selectCatalog, selectClasses, selectReview } from '../../app/store/selectors';
import { store, useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';
import { RungFigure } from '../../figure/RungFigure';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { Sheet } from '../../parts/Sheet';

interface ReplaceSheetProps {
  readonly entry: RungEntry;
  readonly onClose: () => void;
}

/** Puts another rung in the place of one in every class it stands in: first seen class by class, then done as one step. */
export default function ReplaceSheet({ entry, onClose }: ReplaceSheetProps) {
  const catalog = useAppSelector(selectCatalog);
  const [to, setTo] = useState<RungEntry | null>(null);
  return (
    <Sheet
      at="side"
      open
      onOpenChange={onClose}
      title={to ? `${rungTitle(to)} instead` : 'What should stand in its place?'}
      about={`of ${rungTitle(entry)}, in every class it stands in`}
    >
      {to ? (
        <Outcome from={entry} to={to} onOther={() => setTo(null)} onDone={onClose} />
      ) : (
        <RungPicker catalog={catalog} at={entry.position} onPick={(each) => each !== entry && setTo(each)} />
      )}
    </Sheet>
  );
}

interface OutcomeProps {
  readonly from: RungEntry;
  readonly to: RungEntry;
  readonly onOther: () => void;
  readonly onDone: () => void;
}

const refOf = ({ exercise, rung }: RungEntry) => ({ exercise: exercise.id, rung: rung.id });

/** What it would do to each class; each can be left as it is. */
function Outcome({ from, to, onOther, onDone }: OutcomeProps) {
  const catalog = useAppSelector(selectCatalog);
  const classes = useAppSelector(selectClasses);
  const dispatch = useAppDispatch();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const found = useMemo(() => replaceRung(catalog, classes, refOf(from), refOf(to)), [catalog, classes, from, to]);
  const taken = found.filter(({ before, replaced }) => replaced > 0 && !left.has(before.id));
  const take = () => {
    const label = `${rungTitle(to)} in place of ${rungTitle(from)} in ${countText(taken.length, 'class', 'classes')}`;
    const documents = taken.map(({ after }) => ({ kind: 'classes' as const, id: after.id, after }));
    dispatch(changed({ documents, label, field: '' }));
    dispatch(noticed({ text: `${label}.` }));
    onDone();
  };
  const toggle = (id: string) =>
    setLeft((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  return (
    <>
      <div className="flex items-end gap-4">
        <RungFigure entry={from} className="h-20 w-32" label={rungTitle(from)} />
        <span aria-hidden="true" className="pb-6 text-2xl">
          →
        </span>
        <RungFigure entry={to} className="h-20 w-32" label={rungTitle(to)} />
      </div>
      <p className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="action action-main" disabled={taken.length === 0} onClick={take}>
          Replace it in {countText(taken.length, 'class', 'classes')}
        </button>
        <button type="button" className="action" onClick={onOther}>
          Another rung
        </button>
      </p>
      {found.length === 0 && <p className="mt-3 text-soft">It stands in no class.</p>}
      <ul className="mt-3 divide-y divide-line">
        {found.map((each) => (
          <li key={each.before.id} className="py-2">
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1.5"
                disabled={each.replaced === 0}
                checked={each.replaced > 0 && !left.has(each.before.id)}
                onChange={() => toggle(each.before.id)}
              />
              <span>
                <span className="font-semibold">{each.before.name}</span>{' '}
                <span className="block text-soft">
                  <Told each={each} />
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  );
}

/** How long the class is before and after, and what there is to mend in it. */
function Told({ each: { before, after, replaced, locked } }: { readonly each: ReplacedIn }) {
  const now = useAppSelector((state) => selectReview(state, before));
  const then = useMemo(() => {
    const state = store.getState();
    return reviewClass(selectCatalog(state), after, reviewContext(state, before));
  }, [before, after]);
  const parts = [
    replaced > 0
      ? `${countText(replaced, 'block')}, ${clock(now.timed.seconds)} → ${clock(then.timed.seconds)}, ${now.findings.length} → ${then.findings.length} to mend`
      : '',
    locked > 0 ? `${countText(locked, 'locked block')} ${locked === 1 ? 'keeps' : 'keep'} it` : '',
  ];
  return parts.filter(Boolean).join('; ');
}
