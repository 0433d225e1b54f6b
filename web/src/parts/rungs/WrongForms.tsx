import { FORM_WORDS, wrongFormsOf } from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { SceneFigure } from '../../figure/Figure';

interface WrongFormsProps {
  readonly entry: RungEntry;
  /** Ids of the cues that are told; all where left out. */
  readonly said?: ReadonlySet<string>;
  readonly className?: string;
}

/** Faults that are drawn, each beside the right form: told apart by a word and a line across, not by a colour. */
export function WrongForms({ entry, said, className = '' }: WrongFormsProps) {
  const forms = wrongFormsOf(entry, said);
  if (forms.length === 0) return null;
  return (
    <ul className={`mt-2 flex flex-wrap gap-x-6 gap-y-2 ${className}`}>
      {forms.map(({ cue: { id, sign, text }, right, wrong }) => (
        <li key={id} className="flex max-w-full flex-wrap items-end gap-x-3">
          <figure className="w-36">
            <SceneFigure scene={right} label="The right form" className="h-20 w-full" />
            <figcaption className="text-sm text-soft">{FORM_WORDS.right}</figcaption>
          </figure>
          <figure className="w-36">
            <div className="relative">
              <SceneFigure scene={wrong} label={`The wrong form: ${sign ?? text}`} className="h-20 w-full" />
              <svg
                className="absolute inset-0 size-full"
                viewBox="0 0 10 10"
                preserveAspectRatio="none"
                aria-hidden="true"
              >
                <line
                  x1="1"
                  y1="9.5"
                  x2="9"
                  y2="0.5"
                  className="stroke-alarm"
                  strokeWidth={3}
                  vectorEffect="non-scaling-stroke"
                />
              </svg>
            </div>
            <figcaption className="text-sm font-semibold text-alarm">{FORM_WORDS.wrong}</figcaption>
          </figure>
          <p className="min-w-40 text-[15px]">
            {sign} <span className="text-soft">{text}</span>
          </p>
        </li>
      ))}
    </ul>
  );
}
