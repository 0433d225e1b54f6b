import { useEffect, useState } from 'react';
import { useAppSelector } from '../../app/store';

const PLACES = [
  ['findings', 'To the findings'],
  ['add', 'To adding'],
] as const;

/** For who goes by keys: past the blocks. Seen only while one has the focus. */
export function SkipLinks() {
  return (
    <nav aria-label="On this page" className="contents">
      <button type="button" className={SKIP} onClick={() => firstTile()?.focus()}>
        To the blocks
      </button>
      {PLACES.map(([id, words]) => (
        <button key={id} type="button" className={SKIP} onClick={() => document.getElementById(id)?.focus()}>
          {words}
        </button>
      ))}
    </nav>
  );
}

const SKIP = 'action action-main sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-40 focus:flex';

/** The tile worked on, or the first. */
const firstTile = () => document.querySelector<HTMLElement>('[id^=block-][tabindex="0"]');

/** Milliseconds the hand rests before it is said what an edit did: a held key is one edit. */
const RESTS = 700;

interface SaidProps {
  /** How the class stands: its length and what there is to mend. */
  readonly text: string;
}

/** Says what an edit did, for who can't see the stairs: what was changed, and how the class stands now. */
export function Said({ text }: SaidProps) {
  const last = useAppSelector(({ studio }) => studio.past.at(-1));
  const [first] = useState(last);
  const [said, setSaid] = useState('');
  useEffect(() => {
    if (last === first) return;
    const timer = setTimeout(() => setSaid(`Changed ${last?.label ?? 'back'}: ${text}`), RESTS);
    return () => clearTimeout(timer);
  }, [last, first, text]);
  return (
    <p role="status" className="sr-only">
      {said}
    </p>
  );
}
