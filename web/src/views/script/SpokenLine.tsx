import type { ScriptLine } from '@warm-ladder/core/script';
import { wantsWords } from '@warm-ladder/core/script';
import { useRef, useState } from 'react';

/** What can be done with a line; every one is a step of undo. */
export interface LineActions {
  /** `null` leaves it out. */
  readonly say: (id: string, text: string | null) => void;
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
  const look = `${wantsWords(line) ? 'text-soft italic' : ''} ${fault === undefined ? '' : 'underline decoration-heat-3 decoration-wavy underline-offset-4'}`;
  if (!actions || !said) return <span className={said ? look : 'text-soft'}>{text}</span>;
  if (open) return <LineField line={line} actions={actions} onDone={() => setOpen(false)} />;
  return (
    <button
      type="button"
      className={`rounded text-left hover:bg-shade ${look} ${source === 'class' ? 'border-l-2 border-heat-3 pl-1' : ''}`}
      title={[FROM[source], fault].filter(Boolean).join('. ')}
      onClick={() => setOpen(true)}
    >
      {text}
      <span className="sr-only">, change what is said</span>
    </button>
  );
}

/** What is said, as it is changed: kept on leaving or Enter, left as it was on Escape. */
function LineField({
  line,
  actions,
  onDone,
}: Pick<SpokenLineProps, 'line'> & { actions: LineActions; onDone: () => void }) {
  const [text, setText] = useState(line.text);
  const left = useRef(false);
  const act = (does: () => void) => {
    left.current = true;
    does();
    onDone();
  };
  const keep = () => {
    if (left.current) return;
    act(() => {
      const said = text.trim();
      if (said !== line.text) actions.say(line.id, said === '' ? null : said);
    });
  };
  return (
    <span className="flex flex-wrap items-center gap-2">
      <input
        // biome-ignore lint/a11y/noAutofocus: the line was pressed to be written.
        autoFocus
        className="field min-w-60 grow bg-sheet"
        aria-label={`What is said instead of “${line.text}”`}
        maxLength={600}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={({ relatedTarget }) => {
          if (!(relatedTarget instanceof HTMLElement) || !relatedTarget.dataset.line) keep();
        }}
        onKeyDown={({ key }) => {
          if (key === 'Enter') keep();
          if (key === 'Escape') act(() => {});
        }}
      />
      <button
        type="button"
        data-line="out"
        className="action text-sm"
        onClick={() => act(() => actions.say(line.id, null))}
      >
        Leave out
      </button>
      {line.source === 'class' && (
        <>
          <button
            type="button"
            data-line="back"
            className="action text-sm"
            onClick={() => act(() => actions.asTheRung(line.id))}
          >
            As the rung says it
          </button>
          <button
            type="button"
            data-line="own"
            className="action text-sm"
            onClick={() => act(() => actions.ofTheRung(line.id))}
          >
            Make it the rung’s own
          </button>
        </>
      )}
    </span>
  );
}
