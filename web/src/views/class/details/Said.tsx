import { useEffect, useState } from 'react';
import { useAppSelector } from '../../../app/store/store';

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
