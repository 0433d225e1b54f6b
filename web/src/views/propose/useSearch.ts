import { useEffect, useRef, useState } from 'react';
import { stopSearch } from '../../desk/desk';

/** A search as a view sees it: what it answered or why not, how far it is, and how it is begun and stopped. */
export function useSearch<B, A extends object>(search: (brief: B, onShare: (share: number) => unknown) => Promise<A>) {
  const [answer, setAnswer] = useState<A | string | null>(null);
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
  return { answer, share, ask, stop: stopSearch };
}
