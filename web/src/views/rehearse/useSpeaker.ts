import { useEffect } from 'react';

/** Words a minute of a browser's own speech at its usual rate, about. */
const USUAL = 170;

/** Whether this browser can speak. */
export const canSpeak = (): boolean => 'speechSynthesis' in window;

/** Says words as they come, in the browser's own voice at the teacher's rate; what is said still gives way to the next. */
export function useSpeaker(on: boolean, words: string, wordsPerMinute: number): void {
  useEffect(() => {
    if (!on || words === '' || !canSpeak()) return;
    const spoken = new SpeechSynthesisUtterance(words);
    spoken.rate = Math.min(2, Math.max(0.5, wordsPerMinute / USUAL));
    speechSynthesis.cancel();
    speechSynthesis.speak(spoken);
  }, [on, words, wordsPerMinute]);
  useEffect(
    () => () => {
      if (canSpeak()) speechSynthesis.cancel();
    },
    [],
  );
}
