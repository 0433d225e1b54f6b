import type { Guessed, TimedClass, TimeParts } from '@warm-ladder/core/plan';
import { clock, rangeWords, spell } from '@warm-ladder/core/review';
import type { ReactNode } from 'react';

const PART_WORDS: Readonly<Record<keyof TimeParts, string>> = {
  opening: 'opening',
  setup: 'set-up',
  work: 'work',
  sideChanges: 'change of side',
  options: 'options',
  rest: 'rest',
  interludes: 'interludes',
  transitions: 'moving and props',
  closing: 'closing',
};

interface LengthGaugeProps {
  readonly timed: TimedClass;
  /** Seconds of the short form, where there is one. */
  readonly short: number | null;
  readonly children: ReactNode;
}

/** The length now, against the target, with its range and the chance of running over. */
export function LengthGauge({ timed, short, children }: LengthGaugeProps) {
  const target = timed.plan.targetMinutes * 60;
  const spare = target - timed.seconds;
  const over = spare < -0.5;
  const { p10, p90 } = timed.range;
  return (
    <div className="flex flex-wrap items-center gap-x-4">
      <p className="flex items-baseline gap-2">
        <output aria-label="Length" className={`text-3xl leading-none font-semibold ${over ? 'text-alarm' : ''}`}>
          {clock(timed.seconds)}
        </output>
        <span className="text-soft">of {clock(target)}</span>
      </p>
      <p className={`max-w-80 text-sm leading-tight ${over ? 'font-semibold text-alarm' : 'text-moss'}`}>
        {over ? `${clock(-spare)} over` : `${clock(spare)} left`}
        <span className="font-normal text-soft">
          {' '}
          · {clock(p10)}–{clock(p90)}, {rangeWords(timed)}
          {timed.practiceSeconds !== timed.seconds && ` · ${clock(timed.practiceSeconds)} to practise`}
          {short !== null && ` · short form ${clock(short)}`}
        </span>
      </p>
      {children}
    </div>
  );
}

/** What the minutes are spent on, and how far they rest on guessed set-ups. */
export function PartsBar({ timed, guessed }: { readonly timed: TimedClass; readonly guessed: Guessed }) {
  const parts = (Object.entries(timed.parts) as Array<[keyof TimeParts, number]>).filter(([, seconds]) => seconds > 0);
  return (
    <ul className="flex flex-wrap gap-x-4 gap-y-0.5 text-sm text-soft" aria-label="What the minutes are spent on">
      {parts.map(([part, seconds]) => (
        <li key={part}>
          {PART_WORDS[part]}{' '}
          <span className={part === 'work' ? 'font-semibold text-ink' : 'text-ink'}>{clock(seconds)}</span>
        </li>
      ))}
      {guessed.guesses > 0 && (
        <li>
          {guessed.guesses} of {guessed.of} set-ups {guessed.guesses === 1 ? 'has' : 'have'} too few words yet:{' '}
          <span className="text-ink">± {spell(Math.max(5, Math.round(guessed.seconds / 5) * 5))}</span>
        </li>
      )}
    </ul>
  );
}
