import type { RungEntry } from '@warm-ladder/core/repertoire';
import { SoonRungFigure } from '../../../figure/SoonRungFigure';

/** Where the next block will stand, and what is looked at to stand there. */
export const Coming = ({ entry }: { readonly entry: RungEntry | undefined }) => (
  <li
    className="flex min-w-0 flex-col items-center justify-center rounded-lg border-2 border-dashed border-cobalt px-1.5 py-2 text-center text-sm"
    ref={intoSight}
  >
    {entry ? (
      <>
        <SoonRungFigure entry={entry} className="h-19 w-full" />
        <span className="font-semibold">{entry.exercise.name}</span>
        <span className="font-narrow text-soft">{entry.rung.name}</span>
      </>
    ) : (
      <span className="text-cobalt">The next one comes here</span>
    )}
  </li>
);

const intoSight = (node: HTMLLIElement | null) => node?.scrollIntoView({ block: 'nearest' });
