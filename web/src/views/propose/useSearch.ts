import { useEffect, useRef, useState } from 'react';
import { stopSearch } from '../../desk/desk';

/** What a search says of itself: what it found is shown by its view. */
type Answered = { readonly proposals: readonly unknown[] };

/** A search as a view sees it: what it answered or why not, how far it is, and how it is begun and stopped. */
export function useSearch<B, A extends Answered>(
  search: (brief: B, onShare: (share: number) => unknown) => Promise<A>,
) {
  const [answer, setAnswer] = useState<A | string | null>(null);
  const [stopped, setStopped] = useState(false);
  const [share, setShare] = useState<number | null>(null);
  const running = useRef(0);
  useEffect(
    () => () => {
      if (running.current > 0) stopSearch();
    },
    [],
  );
  const ask = async (brief: B) => {
    setShare(0);
    setAnswer(null);
    setStopped(false);
    running.current += 1;
    try {
      // What was told before it was stopped may arrive after that.
      setAnswer(await search(brief, (done) => running.current > 0 && setShare(done)));
    } catch (error) {
      setAnswer((error as Error).message);
    } finally {
      running.current -= 1;
      setShare(null);
    }
  };
  const stop = () => {
    setStopped(true);
    stopSearch();
  };
  const found = typeof answer === 'object' ? (answer?.proposals.length ?? 0) : 0;
  const state = {
    trouble: typeof answer === 'string' ? answer : stoppedWith(stopped && answer !== null, found),
    share,
  };
  return { answer, share, ask, state: { ...state, onStop: stop } };
}

function stoppedWith(stopped: boolean, found: number): string | null {
  if (!stopped) return null;
  return found > 0 ? 'Stopped: this is what was found by then.' : 'Stopped before anything whole was found.';
}
