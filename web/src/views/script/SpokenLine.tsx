import { textFault } from '@warm-ladder/core/method';
import type { ScriptLine } from '@warm-ladder/core/script';
import { wantsWords } from '@warm-ladder/core/script';
import { Suspense, useState } from 'react';
import { lazily } from '../../app/shell/lazily';
import { asSentence } from '../../parts/classes/asSentence';

// Prose is edited by a library of its own: the script shows before it does.
const LineEditor = lazily(() => import('./LineEditor'));

/** What can be done with a line; every one is a step of undo. */
export interface LineActions {
  /** `null` leaves it out. What is said under one field is one step of undo. */
  readonly say: (id: string, text: string | null, field: string) => void;
  /** Takes back what was said under a field. */
  readonly takeBack: (field: string) => void;
  readonly asTheRung: (id: string) => void;
  readonly ofTheRung: (id: string) => void;
}

interface SpokenLineProps {
  readonly line: ScriptLine;
  readonly actions: LineActions | null;
  /** What the language review says of it. */
  readonly fault: string | undefined;
}

const FROM: Readonly<Record<ScriptLine['source'], string>> = {
  class: 'Words of this class',
  rung: 'Words of the rung, wherever it is taught',
  drafted: 'Drafted from the figures',
};

/** A line, changed where it is spoken: what stands there is the class's, the rung's, or nobody's yet. */
export function SpokenLine({ line, actions, fault }: SpokenLineProps) {
  const [open, setOpen] = useState(false);
  const { text, source, said } = line;
  const look = `${wantsWords(line) ? 'text-soft italic' : ''} ${fault === undefined ? '' : 'underline decoration-cobalt decoration-wavy underline-offset-4'}`;
  if (!actions || !said) return <span className={said ? look : 'text-soft'}>{text}</span>;
  if (open) return <LineField line={line} actions={actions} onDone={() => setOpen(false)} />;
  return (
    <button
      type="button"
      className={`rounded text-left hover:bg-shade ${look} ${source === 'class' ? 'border-l-2 border-cobalt pl-1' : ''}`}
      title={[FROM[source], line.instead && `The rung says: “${line.instead}”`, fault].filter(Boolean).join('. ')}
      onClick={() => setOpen(true)}
    >
      {text}
      <span className="sr-only">, change what is said</span>
    </button>
  );
}

/** Each opening of a line is one step of undo, whatever is typed in it. */
let openings = 0;

/** A line as it is written: every sound keystroke is said at once, and fitted to its breath; Escape takes them back. */
function LineField({
  line,
  actions,
  onDone,
}: Pick<SpokenLineProps, 'line'> & { actions: LineActions; onDone: () => void }) {
  const [field] = useState(() => `said ${++openings}`);
  const [fault, setFault] = useState<string>();
  const [name] = useState(line.text);
  const act = (does: () => void) => {
    does();
    onDone();
  };
  const say = (typed: string) => {
    const text = typed.trim();
    const wrong = textFault('sentence', text);
    setFault(text === '' ? 'Expected words: to say nothing, leave the line out.' : wrong && asSentence(wrong));
    if (wrong === undefined && text !== line.text) actions.say(line.id, text, field);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: leaving the whole of it ends the writing.
    <span
      className="flex flex-wrap items-center gap-2"
      onBlur={({ currentTarget, relatedTarget }) => {
        if (!currentTarget.contains(relatedTarget)) onDone();
      }}
    >
      <Suspense fallback={<span className="grow">{line.text}</span>}>
        <LineEditor
          label={`What is said instead of “${name}”`}
          text={line.text}
          invalid={fault !== undefined}
          onText={say}
          onDone={onDone}
          onEscape={() => act(() => actions.takeBack(field))}
        />
      </Suspense>
      {fault !== undefined && (
        <span role="alert" className="rounded bg-alarm px-2 py-0.5 text-sm text-sheet">
          {fault}
        </span>
      )}
      <button type="button" className="action text-sm" onClick={() => act(() => actions.say(line.id, null, field))}>
        Leave out
      </button>
      {line.source === 'class' && (
        <>
          {line.instead !== undefined && (
            <span className="w-full text-[15px] text-soft">The rung says now: “{line.instead}”</span>
          )}
          <button type="button" className="action text-sm" onClick={() => act(() => actions.asTheRung(line.id))}>
            As the rung says it
          </button>
          <button type="button" className="action text-sm" onClick={() => act(() => actions.ofTheRung(line.id))}>
            Make it the rung’s own
          </button>
        </>
      )}
    </span>
  );
}
