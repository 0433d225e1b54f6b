import type { Direction } from '@warm-ladder/core/method';
import { type Catalog, findRungs, type RungEntry } from '@warm-ladder/core/repertoire';
import { countText } from '@warm-ladder/core/vocabulary';
import { useDeferredValue, useMemo, useState } from 'react';
import { RungFigure } from '../../figure/RungFigure';
import { DirectionMark } from '../classes/DirectionMark';
import { CellFilter } from '../fields/CellFilter';
import { HeatMark } from './HeatMark';

/** Most rungs drawn at once; a finer search shows the rest. */
const SHOWN = 60;

interface RungPickerProps {
  readonly catalog: Catalog;
  /** The position it begins with; unsaid, every one. */
  readonly at?: string;
  readonly onPick: (entry: RungEntry) => void;
}

/** Finds rungs by words, position and direction, and hands over the one chosen. Enter takes the first. */
export function RungPicker({ catalog, at = '', onPick }: RungPickerProps) {
  const [text, setText] = useState('');
  const [position, setPosition] = useState(at);
  const [direction, setDirection] = useState<Direction | ''>('');
  const typed = useDeferredValue(text);
  const find = (words: string) =>
    findRungs(catalog, { text: words, position: position || undefined, direction: direction || undefined });
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is found hangs on these alone.
  const found = useMemo(() => find(typed), [catalog, typed, position, direction]);
  /** Of the words as they stand: the list below may still show those of a moment ago. */
  const pickFirst = () => {
    const [first] = find(text);
    if (first) onPick(first);
  };
  return (
    <div className="flex min-h-0 flex-col gap-3">
      <input
        // biome-ignore lint/a11y/noAutofocus: the sheet was opened to search.
        autoFocus
        type="search"
        aria-label="Search the repertoire"
        placeholder="Name, position, direction or prop"
        className="field w-full py-1.5"
        value={text}
        onChange={({ target }) => setText(target.value)}
        onKeyDown={({ key }) => key === 'Enter' && pickFirst()}
      />
      <div className="flex gap-3">
        <CellFilter {...{ catalog, position, direction }} onPosition={setPosition} onDirection={setDirection} />
        <span className="ml-auto text-soft">{countText(found.length, 'rung')}</span>
      </div>
      <ul className="flex flex-col">
        {found.slice(0, SHOWN).map((entry) => (
          <li key={entry.key}>
            <button
              type="button"
              className="grid w-full grid-cols-[4.5rem_1fr_auto] items-center gap-3 rounded-md px-1 py-1 text-left hover:bg-shade"
              onClick={() => onPick(entry)}
            >
              <RungFigure entry={entry} className="h-10 w-18" />
              <span className="min-w-0 leading-tight">
                <span className="font-semibold">{entry.exercise.name}</span>, {entry.rung.name}
                <span className="flex flex-wrap gap-x-2 text-sm text-soft">
                  {catalog.graph.name(entry.position)}
                  {entry.exercise.directions.map((each) => (
                    <DirectionMark key={each} direction={each} word />
                  ))}
                  {entry.props.map(({ name }) => name.toLowerCase()).join(', ')}
                </span>
              </span>
              <HeatMark heat={catalog.heat(entry)} />
            </button>
          </li>
        ))}
      </ul>
      {found.length > SHOWN && <p className="text-soft">{found.length - SHOWN} more; narrow the search to see them.</p>}
      {found.length === 0 && (
        <p className="text-soft">No rung matches. Try fewer words, or another position or direction.</p>
      )}
    </div>
  );
}
