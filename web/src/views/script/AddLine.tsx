import { CUE_KINDS, type CueKind } from '@warm-ladder/core/repertoire';
import { useState } from 'react';
import { Choice } from '../../parts/fields/Choice';

const KIND_WORDS: Readonly<Record<CueKind, string>> = {
  setup: 'set-up',
  check: 'a check',
  action: 'an action',
  alignment: 'what to keep',
  image: 'an image',
  feel: 'what to feel',
  fault: 'a fault',
  option: 'an option',
  safety: 'safety',
  side: 'the side',
  count: 'a count',
  transition: 'the way out',
  note: 'a note for the teacher',
};

/** One more line of a block, of a kind. */
export function AddLine({
  name,
  onAdd,
}: {
  readonly name: string;
  readonly onAdd: (kind: CueKind, text: string) => void;
}) {
  const [kind, setKind] = useState<CueKind | null>(null);
  const [text, setText] = useState('');
  if (kind === null) {
    return (
      <button
        type="button"
        className="no-print mt-0.5 rounded text-sm text-soft underline decoration-dotted underline-offset-4 hover:bg-shade"
        onClick={() => setKind('image')}
      >
        Say more<span className="sr-only"> on {name}</span>
      </button>
    );
  }
  return (
    <form
      className="no-print mt-1 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') onAdd(kind, text.trim());
        setKind(null);
        setText('');
      }}
    >
      <Choice
        label={`Kind of the line on ${name}`}
        value={kind}
        choices={CUE_KINDS.map((each) => [each, KIND_WORDS[each]] as const)}
        onChange={(chosen) => setKind(CUE_KINDS.find((each) => each === chosen) ?? 'image')}
      />
      <input
        // biome-ignore lint/a11y/noAutofocus: it was asked for to be written.
        autoFocus
        className="field min-w-60 grow bg-sheet"
        aria-label={`What is said more on ${name}`}
        maxLength={600}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onKeyDown={({ key }) => key === 'Escape' && setKind(null)}
      />
      <button type="submit" className="action text-sm">
        Say it
      </button>
    </form>
  );
}
