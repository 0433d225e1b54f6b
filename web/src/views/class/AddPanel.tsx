import {
  type Addition,
  additionOf,
  additionsAt,
  type Ground,
  groundOf,
  type Standing,
  standingWith,
} from '@warm-ladder/core/mend';
import { DIRECTION_WORDS, type Direction } from '@warm-ladder/core/method';
import type { PlanEdit } from '@warm-ladder/core/plan';
import { type RungEntry, rankRungs } from '@warm-ladder/core/repertoire';
import { type ClassReview, rungTitle, titleOf } from '@warm-ladder/core/review';
import { X } from 'lucide-react';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useClassEdit } from '../../app/store/edits';
import { reviewContext, selectCatalog } from '../../app/store/selectors';
import { store, useAppSelector } from '../../app/store/store';
import { RungFigure } from '../../figure/RungFigure';
import { effectText } from '../../parts/classes/effectText';
import { CellFilter } from '../../parts/fields/CellFilter';
import { HeatMark } from '../../parts/rungs/HeatMark';

interface AddPanelProps {
  readonly review: ClassReview;
  /** Where the first one goes; the next ones follow it. */
  readonly at: number;
  readonly close: () => void;
  readonly onAdded: (id: string) => void;
  /** Shows where an edit would lead, on the stairs; `null`: no longer. */
  readonly onPreview: (edits: readonly PlanEdit[] | null) => void;
}

/** Rungs drawn at once; a finer search shows the rest. */
const SHOWN = 30;
/** Ranks under this one are names; above all of them is what was not found. */
const [NAMED, UNFOUND] = [2, 5];
/** Rungs of which the effect on the class is worked out before anyone points at them. */
const TRIED = 8;

/**
 * What may come next, beside the class and not over it: first what fits the place, the room and what is missing, each
 * with what it does to the class; what the room can't do is folded away with the reason.
 */
export default function AddPanel({ review, at, close, onAdded, onPreview }: AddPanelProps) {
  const { plan } = review.timed;
  const catalog = useAppSelector(selectCatalog);
  const edit = useClassEdit(plan.id);
  const list = useRef<HTMLUListElement>(null);
  const [text, setText] = useState('');
  const [position, setPosition] = useState('');
  const [direction, setDirection] = useState<Direction | ''>('');
  const typed = useDeferredValue(text);
  const ground = useMemo(
    () => groundOf(catalog, review, reviewContext(store.getState(), plan)),
    [catalog, review, plan],
  );
  const { fit, unfit } = useMemo(() => additionsAt(ground, at), [ground, at]);
  const ranked = (words: string) => {
    const query = { text: words, position: position || undefined, direction: direction || undefined };
    const ranks = rankRungs(catalog, query);
    const rank = ({ entry }: { readonly entry: RungEntry }) => ranks.get(entry) ?? UNFOUND;
    const sorted = <T extends { readonly entry: RungEntry }>(all: readonly T[]) =>
      all.filter(({ entry }) => ranks.has(entry)).sort((a, b) => rank(a) - rank(b));
    const [can, cannot] = [sorted(fit), sorted(unfit)];
    const [first, best] = [can[0], cannot[0]];
    // What is called just so but can't be done here is said, and nothing else takes its place.
    const refused = best && rank(best) < NAMED && (!first || rank(best) < rank(first)) ? best : null;
    return { can, cannot, refused };
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is found hangs on these alone.
  const { can: shown, cannot: left, refused } = useMemo(() => ranked(typed), [fit, unfit, typed, position, direction]);
  // A row that is held goes with a list that is made anew: the hand goes back to the words.
  // biome-ignore lint/correctness/useExhaustiveDependencies: with every list.
  useEffect(() => {
    if (document.activeElement === document.body) list.current?.closest('section')?.querySelector('input')?.focus();
  }, [shown]);
  // The row that is gone can no longer say that the pointer has left it.
  useEffect(() => () => onPreview(null), [onPreview]);
  const add = (addition: Addition) => {
    const made = additionOf(ground, addition, at);
    onPreview(null);
    edit(made, `adding ${addition.entry.exercise.name}`);
    onAdded(made.block.id);
  };
  /** Of the words as they stand: the list below may still show those of a moment ago. */
  const addFirst = () => {
    const { can, refused: no } = ranked(text);
    if (can[0] && !no) add(can[0]);
  };
  const before = plan.blocks[at - 1];
  const part = before && review.timed.sequence[at - 1];
  const where = part ? `after ${titleOf(part)}` : 'at the start';
  return (
    <section aria-label="Add from the repertoire" className="rounded-lg bg-sheet p-3 shadow-lift">
      <div className="flex items-baseline gap-3">
        <h2 className="grow font-name text-lg font-semibold">
          Add {where}{' '}
          <span className="font-work text-sm font-normal text-soft" aria-live="polite">
            block {at + 1}
          </span>
        </h2>
        <button type="button" className="rounded p-1 hover:bg-shade" title="Done adding" onClick={close}>
          <X className="size-5" aria-hidden="true" />
          <span className="sr-only">Done adding</span>
        </button>
      </div>
      <div className="mt-2 flex flex-wrap gap-x-3 gap-y-1">
        <input
          // biome-ignore lint/a11y/noAutofocus: the panel was opened to search.
          autoFocus
          type="search"
          aria-label="Search the repertoire"
          placeholder="Squat, easy, obliques, ball, warm up …"
          className="field min-w-52 grow"
          value={text}
          onChange={({ target }) => setText(target.value)}
          onKeyDown={({ key, currentTarget }) => {
            if (key === 'Escape') close();
            if (key === 'ArrowDown') list.current?.querySelector('button')?.focus();
            if (key !== 'Enter') return;
            addFirst();
            // The next name is typed over this one.
            currentTarget.select();
          }}
        />
        <CellFilter {...{ catalog, position, direction }} onPosition={setPosition} onDirection={setDirection} />
      </div>
      {catalog.exercises.length === 0 && (
        <p className="mt-2">
          The repertoire is empty. Begin with the house repertoire under <Link to="/class">Classes</Link>, or make your
          own under <Link to="/repertoire">Repertoire</Link>.
        </p>
      )}
      {refused && (
        <p role="status" className="mt-2 border-l-4 border-alarm pl-2">
          <span className="font-semibold">{rungTitle(refused.entry)}</span> can’t be done here: {refused.why}
        </p>
      )}
      <ul ref={list} onKeyDown={walk} className="mt-2 flex max-h-[32rem] flex-col overflow-y-auto">
        {shown.slice(0, SHOWN).map((addition, i) => (
          <Row
            key={addition.entry.key}
            {...{ ground, addition, at, onPreview }}
            tried={i < TRIED}
            onAdd={() => add(addition)}
          />
        ))}
      </ul>
      {shown.length > SHOWN && (
        <p className="text-soft">{shown.length - SHOWN} more that fit less; narrow the search to see them.</p>
      )}
      {shown.length === 0 && catalog.exercises.length > 0 && (
        <p className="text-soft">
          No rung that this room can do matches. Try fewer words, or another position or direction.
        </p>
      )}
      {left.length > 0 && <Unfit unfit={left} />}
    </section>
  );
}

/** Up and down from row to row, and above the first one back to the words. */
function walk(event: KeyboardEvent<HTMLUListElement>) {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (by === 0) return;
  event.preventDefault();
  const rows: Element[] = [...event.currentTarget.querySelectorAll('button')];
  const place = (document.activeElement ? rows.indexOf(document.activeElement) : -1) + by;
  if (place < 0) event.currentTarget.closest('section')?.querySelector('input')?.focus();
  else (rows[place] as HTMLElement | undefined)?.focus();
}

interface RowProps extends Pick<AddPanelProps, 'at' | 'onPreview'> {
  readonly ground: Ground;
  readonly addition: Addition;
  readonly tried: boolean;
  readonly onAdd: () => void;
}

function Row({ ground, addition, at, tried, onPreview, onAdd }: RowProps) {
  const { entry } = addition;
  const catalog = ground.catalog;
  const [pointed, setPointed] = useState(false);
  const after = useMemo(
    () => (tried || pointed ? standingWith(ground, addition, at) : null),
    [ground, addition, at, tried, pointed],
  );
  const point = () => {
    setPointed(true);
    onPreview([additionOf(ground, addition, at)]);
  };
  return (
    <li>
      <button
        type="button"
        className="grid w-full grid-cols-[4.5rem_1fr_auto] items-center gap-3 rounded-md px-1 py-1 text-left hover:bg-shade"
        onClick={onAdd}
        onPointerEnter={point}
        onPointerLeave={() => onPreview(null)}
        onFocus={point}
        onBlur={() => onPreview(null)}
      >
        <RungFigure entry={entry} className="h-10 w-18" />
        <span className="min-w-0 leading-tight">
          <span className="font-semibold">{entry.exercise.name}</span>, {entry.rung.name}
          <span className="block text-sm text-soft">
            {said(catalog.graph.name(entry.position), addition)}
            {after && <Effect before={ground.standing} after={after} />}
          </span>
        </span>
        <HeatMark heat={catalog.heat(entry)} />
      </button>
    </li>
  );
}

/** What speaks for a rung and against it, in a few words. */
function said(position: string, { moving, unmet, brings, again }: Addition): string {
  return [
    moving > 0 ? `${Math.round(moving)} s of moving, ${position}` : position,
    ...brings.map((each) => `brings ${DIRECTION_WORDS[each]}`),
    ...unmet.map((need) => `${rungTitle(need)} comes first`),
    ...(again ? ['done already'] : []),
  ].join(' · ');
}

function Effect({ before, after }: { before: Standing; after: Standing }) {
  const better = after.score < before.score - 0.009;
  return (
    <>
      {' · '}
      <span className={better ? 'text-moss' : ''}>{effectText(before, after)}</span>
    </>
  );
}

function Unfit({ unfit }: { unfit: ReadonlyArray<{ readonly entry: RungEntry; readonly why: string }> }) {
  return (
    <details className="mt-2">
      <summary className="text-soft">
        {unfit.length === 1 ? '1 that this room can’t do' : `${unfit.length} that this room can’t do`}, and why
      </summary>
      <ul className="mt-1 text-sm">
        {unfit.slice(0, SHOWN).map(({ entry, why }) => (
          <li key={entry.key}>
            <span className="font-semibold">{rungTitle(entry)}</span>: {why}
          </li>
        ))}
      </ul>
    </details>
  );
}
