import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { classesSpeaking, type SharedCue, sharedCues, withCuesChanged } from '@warm-ladder/core/cues';
import { CUE_KINDS, type Cue, type CueKind } from '@warm-ladder/core/repertoire';
import type { Question } from '@warm-ladder/core/taught';
import { countText } from '@warm-ladder/core/vocabulary';
import { useDeferredValue, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { newId } from '../../app/freeId';
import { selectCatalog, selectClasses, selectQuestions } from '../../app/store/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';
import { Choice } from '../../parts/fields/Choice';
import { Sheet } from '../../parts/Sheet';

/** Height of a row before it is measured, in pixels. */
const ROW = 48;

/** Every cue of the repertoire, by its words: where it is said, what learners asked of it, and changed everywhere at once. */
export function Component() {
  const catalog = useAppSelector(selectCatalog);
  const [text, setText] = useState('');
  const [kind, setKind] = useState<CueKind | ''>('');
  const [asked, setAsked] = useState(false);
  const typed = useDeferredValue(text);
  const questions = useAppSelector(selectQuestions);
  const cues = useMemo(
    () => sharedCues(catalog, { text: typed, kind: kind || undefined, questions, asked }),
    [catalog, typed, kind, questions, asked],
  );
  const [open, setOpen] = useState<string | null>(null);
  // Changed, it may no longer be among what was searched for.
  const shown = useMemo(
    () => (open === null ? undefined : sharedCues(catalog, { questions }).find((each) => keyOf(each) === open)),
    [catalog, questions, open],
  );
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), []);
  const rows = useWindowVirtualizer({
    count: cues.length,
    estimateSize: () => ROW,
    overscan: 8,
    scrollMargin: top,
    getItemKey: (i) => (cues[i] ? keyOf(cues[i]) : i),
  });
  return (
    <main className="mx-auto w-full max-w-4xl px-4 py-5">
      <div className="flex flex-wrap items-baseline gap-3">
        <h1 className="grow font-name text-3xl font-semibold">Cues</h1>
        <Link to="/repertoire" className="action text-sm">
          Back to the repertoire
        </Link>
      </div>
      <p className="mt-1 text-soft">
        The words of every ladder. What is said in several places is changed in all of them at once; what learners ask
        is kept with the words that raised it.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <input
          type="search"
          className="field min-w-52 grow"
          aria-label="Search the cues"
          placeholder="Ribs, hips still, a heron …"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
        <Choice
          label="Kind of cue"
          value={kind}
          choices={[['', 'every kind'], ...CUE_KINDS.map((each) => [each, each] as const)]}
          onChange={(chosen) => setKind(CUE_KINDS.find((each) => each === chosen) ?? '')}
        />
        <label>
          <input type="checkbox" checked={asked} onChange={({ target }) => setAsked(target.checked)} /> with a question
        </label>
        <span role="status" className="text-soft">
          {countText(cues.length, 'cue')}
        </span>
      </div>
      <ul ref={list} className="relative mt-2" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, key, start }) => {
          const cue = cues[index];
          return cue ? (
            <li
              key={key}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={cues.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 top-0 border-t border-line"
              style={{ transform: `translateY(${start - top}px)` }}
            >
              <button
                type="button"
                className="flex w-full items-baseline gap-3 py-1.5 text-left hover:bg-sheet"
                onClick={() => setOpen(keyOf(cue))}
              >
                <span className="w-20 shrink-0 text-sm text-soft">{cue.kind}</span>
                <span className="grow text-lg leading-snug">{cue.text}</span>
                {cue.questions.length > 0 && (
                  <span className="shrink-0 text-sm text-cobalt">{countText(cue.questions.length, 'question')}</span>
                )}
                <span className="shrink-0 text-sm text-soft">{countText(cue.places.length, 'rung')}</span>
              </button>
            </li>
          ) : null;
        })}
      </ul>
      {shown && <CueSheet key={open} cue={shown} close={() => setOpen(null)} onMoved={setOpen} />}
    </main>
  );
}

const keyOf = ({ kind, text }: Pick<SharedCue, 'kind' | 'text'>): string => `${kind} ${text}`;

interface CueSheetProps {
  readonly cue: SharedCue;
  readonly close: () => void;
  /** The same words under another name. */
  readonly onMoved: (key: string) => void;
}

/** One cue: its words for every rung that says them, who speaks it, and what was asked. */
function CueSheet({ cue, close, onMoved }: CueSheetProps) {
  const classes = useAppSelector(selectClasses);
  const dispatch = useAppDispatch();
  const [text, setText] = useState(cue.text);
  const [question, setQuestion] = useState('');
  const speaking = classesSpeaking(classes, cue);
  const change = (made: (each: Cue) => Cue, label: string) =>
    dispatch(
      changed({
        documents: withCuesChanged(cue, made).map((after) => ({ kind: 'exercises' as const, id: after.id, after })),
        label,
        field: '',
      }),
    );
  const say = () => {
    const said = text.trim();
    if (said === '' || said === cue.text) return;
    change((each) => ({ ...each, text: said }), 'a cue everywhere');
    onMoved(keyOf({ kind: cue.kind, text: said }));
  };
  const keep = (question: Question, label: string) =>
    dispatch(changed({ documents: [{ kind: 'questions', id: question.id, after: question }], label, field: '' }));
  return (
    <Sheet open onOpenChange={close} at="side" title={cue.text} about={cue.kind}>
      <form
        className="flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          say();
        }}
      >
        <input
          className="field min-w-60 grow"
          aria-label="The words, wherever they are said"
          maxLength={600}
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
        <button type="submit" className="action action-main" disabled={text.trim() === '' || text.trim() === cue.text}>
          {cue.places.length === 1 ? 'Change it' : `Change it in ${cue.places.length} rungs`}
        </button>
      </form>
      <h3 className="mt-4 font-semibold">Said in</h3>
      <ul className="list-disc pl-5">
        {cue.places.map(({ entry, cue: each }) => (
          <li key={`${entry.key} ${each.id}`}>
            <Link className="underline" to={`/edit/${entry.exercise.id}/${entry.rung.id}`}>
              {entry.exercise.name}, {entry.rung.name}
            </Link>
          </li>
        ))}
      </ul>
      <h3 className="mt-4 font-semibold">Spoken by</h3>
      <p className="text-soft">
        {speaking.length === 0 ? 'No class as yet.' : speaking.map(({ name }) => name).join(', ')}
      </p>
      <h3 className="mt-4 font-semibold">Asked by learners</h3>
      <ul className="flex flex-col gap-2">
        {cue.questions.map((each) => (
          <li key={each.id}>
            <p>“{each.text}”</p>
            <input
              className="field w-full"
              aria-label={`What was changed for “${each.text}”`}
              placeholder="What was changed for it"
              maxLength={600}
              defaultValue={each.answer ?? ''}
              onBlur={({ target }) => {
                const done = target.value.trim();
                if (done === (each.answer ?? '')) return;
                const { answer: _old, ...rest } = each;
                keep(
                  done ? { ...rest, state: 'changed', answer: done } : { ...rest, state: 'open' },
                  'what was changed for a question',
                );
              }}
            />
          </li>
        ))}
      </ul>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const [first] = cue.places;
          if (!first || question.trim() === '') return;
          const raised = { rung: first.entry.key, cue: first.cue.id };
          keep({ id: newId('question'), text: question.trim(), ...raised, state: 'open' }, 'a learner’s question');
          setQuestion('');
        }}
      >
        <input
          className="field min-w-60 grow"
          aria-label="A learner’s question"
          placeholder="What did somebody ask?"
          maxLength={600}
          value={question}
          onChange={({ target }) => setQuestion(target.value)}
        />
        <button type="submit" className="action text-sm">
          Keep the question
        </button>
      </form>
    </Sheet>
  );
}
