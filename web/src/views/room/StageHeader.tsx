import type { CourseMode } from '@warm-ladder/core/rehearsal';
import { clock } from '@warm-ladder/core/review';
import type { ReactNode } from 'react';
import type { WayProps } from './ClassUnderWay';
import { TEXT_SIZES, type TextSize } from './Glance';
import { behindWords } from './live/stageWords';
import { pace } from './live/usePacer';
import { canSpeak } from './live/useSpeaker';

/** What is seen and heard, as whoever teaches likes it. */
interface StageChoices {
  readonly sound: boolean;
  readonly setSound: (on: boolean) => void;
  readonly voice: boolean;
  readonly setVoice: (on: boolean) => void;
  readonly runs: boolean;
  readonly setRuns: (on: boolean) => void;
  readonly words: boolean;
  readonly setWords: (on: boolean) => void;
  readonly size: TextSize;
  readonly setSize: (size: TextSize) => void;
}

interface StageHeaderProps {
  readonly mode: CourseMode;
  readonly begun: boolean;
  /** Seconds since it should have begun, behind the plan, until its predicted end, and until it should end. */
  readonly seconds: number;
  readonly behind: number;
  readonly ends: number;
  readonly target: number;
  readonly leave: string;
  readonly Go: (props: WayProps) => ReactNode;
  readonly choices: StageChoices;
}

/** Where the class is by the clock, and what is seen and heard of it. */
export function StageHeader({ mode, begun, seconds, behind, ends, target, leave, Go, choices }: StageHeaderProps) {
  const { sound, setSound, voice, setVoice, runs, setRuns, words, setWords, size, setSize } = choices;
  const left = Math.max(0, Math.ceil((target - seconds) / 60));
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-3">
      <span role="timer" aria-label="Clock" className="text-4xl font-semibold">
        {clock(seconds)}
      </span>
      <span className="text-lg leading-tight text-cobalt">
        {behindWords(behind)}
        {begun && <span className="block text-ink">ends at {clock(ends)}</span>}
      </span>
      <span className="grow text-right text-lg leading-tight">
        {left} min left<span className="block text-soft">of {clock(target)}</span>
      </span>
      <div className="flex basis-full flex-wrap items-center gap-x-3 gap-y-1 text-base md:basis-auto">
        <Toggle label="Sound" on={sound} onChange={(on) => setSound(pace(on))} />
        {canSpeak() && <Toggle label="Voice" on={voice} onChange={setVoice} />}
        {mode === 'rehearse' && <Toggle label="Let it run" on={runs} onChange={setRuns} />}
        <Toggle label="Words" on={words} onChange={setWords} />
        {!words && (
          <button
            type="button"
            aria-label={`Text size: ${size}`}
            className="min-h-9 min-w-11 rounded border border-line leading-none"
            style={{ fontSize: 16 + 6 * TEXT_SIZES.indexOf(size) }}
            onClick={() => setSize(TEXT_SIZES[(TEXT_SIZES.indexOf(size) + 1) % TEXT_SIZES.length] as TextSize)}
          >
            A
          </button>
        )}
        <Go to={leave} className="ml-auto flex min-h-9 items-center rounded px-2 underline">
          Leave
        </Go>
      </div>
    </header>
  );
}

interface ToggleProps {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

const Toggle = ({ label, on, onChange }: ToggleProps) => (
  <label className="flex min-h-9 items-center gap-1.5">
    <input type="checkbox" checked={on} onChange={({ target }) => onChange(target.checked)} /> {label}
  </label>
);
