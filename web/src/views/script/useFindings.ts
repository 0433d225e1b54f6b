import type { Voice, VoiceFinding } from '@warm-ladder/core/voice';
import { useEffect, useMemo, useState } from 'react';

type Review = (voice: Voice) => readonly VoiceFinding[];

/** What the language review says of a script; `null` until what holds it against the rules is there, or where it can’t be fetched. */
export function useFindings(voice: Voice): readonly VoiceFinding[] | null {
  const [review, setReview] = useState<Review | null>(null);
  useEffect(() => {
    import('./reviewing').then(
      ({ reviewVoice }) => setReview(() => reviewVoice),
      () => {},
    );
  }, []);
  return useMemo(() => (review ? review(voice) : null), [review, voice]);
}
