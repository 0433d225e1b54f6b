import { useEffect } from 'react';

/** A tone for each breath: higher on the way in, lower on the way out. */
const HERTZ: Readonly<Record<string, number>> = { in: 523, out: 349, hold: 440, free: 440 };
/** Seconds a tone lasts, and how loud it is. */
const [LASTS, LOUD] = [0.12, 0.08];

let audio: AudioContext | null = null;

/** Browsers let a page sound only from a hand on it on: called as the pacer is turned on. @returns what was asked for */
export function pace(on: boolean): boolean {
  if (on) {
    audio ??= new AudioContext();
    void audio.resume();
  }
  return on;
}

/** Sounds, and on a phone shakes, as each phase of the breath begins. */
export function usePacer(on: boolean, breath: string | undefined, phase: string): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: the phase says when, though the tone needs only the breath.
  useEffect(() => {
    if (!on || breath === undefined) return;
    if ('vibrate' in navigator) navigator.vibrate(breath === 'in' ? 20 : 45);
    if (!audio) return;
    const [tone, gain] = [audio.createOscillator(), audio.createGain()];
    tone.frequency.value = HERTZ[breath] ?? 440;
    gain.gain.setValueAtTime(LOUD, audio.currentTime);
    gain.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + LASTS);
    tone.connect(gain).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + LASTS);
  }, [on, breath, phase]);
}
