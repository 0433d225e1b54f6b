import type { MethodFile } from '@warm-ladder/core/method';
import { Plus } from 'lucide-react';
import { DeleteButton } from '../../parts/DeleteButton';
import { TextField } from '../../parts/fields/TextField';

type Term = NonNullable<MethodFile['terms']>[number];

interface TermsProps {
  readonly terms: readonly Term[];
  readonly onChange: (terms: Term[] | undefined, field: string) => void;
}

/** One thing, one word: what the house says, and what it does not say for it. Scripts are held against it. */
export function Terms({ terms, onChange }: TermsProps) {
  const put = (next: readonly Term[], field: string) => onChange(next.length > 0 ? [...next] : undefined, field);
  const words = (text: string) =>
    text
      .split(',')
      .map((each) => each.trim())
      .filter((each) => each !== '');
  return (
    <section aria-label="Words of the house" className="mt-6">
      <div className="flex items-baseline gap-3">
        <h2 className="font-name text-2xl font-semibold">Words of the house</h2>
        <button
          type="button"
          className="action text-sm"
          onClick={() => put([...terms, { use: 'pelvis still', not: ['hips still'] }], '')}
        >
          <Plus className="size-4" aria-hidden="true" /> Add a word
        </button>
      </div>
      <p className="text-soft">One thing, one word. Where a script says it otherwise, the house’s word is offered.</p>
      <ul className="mt-1 flex flex-col divide-y divide-line/60">
        {terms.map((term, i) => (
          <li key={i} className="flex flex-wrap items-baseline gap-2 py-1">
            Say
            <TextField
              label={`Word ${i + 1} of the house`}
              value={term.use}
              className="min-w-40 font-semibold"
              onChange={(use) => put(terms.with(i, { ...term, use }), `term ${i} use`)}
            />
            and not
            <TextField
              label={`Not said for word ${i + 1}, parted by commas`}
              value={term.not.join(', ')}
              className="min-w-60 grow"
              onChange={(text) => {
                const not = words(text);
                if (not.length > 0) put(terms.with(i, { ...term, not }), `term ${i} not`);
              }}
            />
            <DeleteButton words={`Remove ${term.use}`} onPress={() => put(terms.toSpliced(i, 1), '')} />
          </li>
        ))}
      </ul>
    </section>
  );
}
