import { useEffect } from 'react';

/** Words a minute of a browser’s own speech at its usual rate, about. */
const USUAL = 170;

/** Whether this browser can speak. */
export const canSpeak = (): boolean => 'speechSynthesis' in window;

/**
 * Says words as they come, in the page’s language, by the browser’s own voice at the teacher’s rate. What is said still
 * gives way to what comes next, and is silent at once when it is turned off.
 */
export function useSpeaker(on: boolean, words: string, wordsPerMinute: number): void {
  useEffect(() => {
    if (!canSpeak()) return;
    if (!on) {
      speechSynthesis.cancel();
      return;
    }
    if (words === '') return;
    const spoken = new SpeechSynthesisUtterance(words);
    spoken.lang = document.documentElement.lang;
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
