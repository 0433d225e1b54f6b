import type { Setting } from '@warm-ladder/core/method';
import { clock } from '@warm-ladder/core/review';
import { RotateCcw } from 'lucide-react';
import type { ReactNode } from 'react';
import { NumberField } from '../fields/NumberField';

export type Table = Readonly<Record<string, Setting>>;
export type Values = Readonly<Record<string, number | undefined>>;

interface FiguresProps {
  readonly title: string;
  readonly about: string;
  readonly table: Table;
  readonly values: Values;
  readonly onChange: (values: Record<string, number>, field: string) => void;
  /** What a figure changes, drawn beside it. */
  readonly picture?: (key: string, figure: number) => ReactNode;
}

/** What is measured, told as people say it: a share in percent, minutes by the clock. */
export const figureText = ({ unit, max }: Setting, value: number): string => {
  if (unit === '' && max <= 1) return `${Math.round(value * 100)} %`;
  if (unit === 's') return value < 60 ? `${Math.round(value)} s` : clock(value);
  const whole = max > 10 ? Math.round(value) : Math.round(value * 10) / 10;
  return unit === '' ? String(whole) : `${whole} ${unit}`;
};

/** A table of figures: each with its range, its unit, and the way back to the value it starts from. */
export function Figures({ title, about, table, values, onChange, picture }: FiguresProps) {
  return (
    <section aria-label={title} className="mb-6">
      <h3 className="font-name text-xl font-semibold">{title}</h3>
      <p className="text-sm text-soft">{about}</p>
      <FigureList {...{ table, values, onChange, picture }} />
    </section>
  );
}

/** The figures alone. */
export function FigureList({ table, values, onChange, picture }: Omit<FiguresProps, 'title' | 'about'>) {
  const set = (key: string, value: number | undefined) => {
    const { [key]: _old, ...others } = values;
    const kept = Object.entries(others).filter((each): each is [string, number] => each[1] !== undefined);
    onChange({ ...Object.fromEntries(kept), ...(value === undefined ? {} : { [key]: value }) }, key);
  };
  return (
    <ul className="mt-1 text-[15px]">
      {Object.entries(table).map(([key, { label, value, min, max, unit }]) => {
        const now = values[key];
        // A share is told as people say it.
        const percent = unit === '' && max === 1;
        const shown = (figure: number) => (percent ? Math.round(figure * 1000) / 10 : figure);
        return (
          <li key={key} className="flex break-inside-avoid items-baseline gap-2 border-b border-line/60 py-0.5">
            <span className="grow leading-tight">{label}</span>
            {picture && <span className="w-44 shrink-0 self-center max-sm:w-24">{picture(key, now ?? value)}</span>}
            {now !== undefined && now !== value && (
              <button
                type="button"
                className="rounded px-1 text-sm text-soft hover:bg-shade"
                onClick={() => set(key, undefined)}
              >
                <RotateCcw className="inline size-3.5" aria-hidden="true" />
                <span className="sr-only">{label} back to</span> {shown(value)}
              </button>
            )}
            <span className="shrink-0 whitespace-nowrap">
              <NumberField
                label={label}
                value={shown(now ?? value)}
                limits={{ min: shown(min), max: shown(max) }}
                step={percent ? 5 : 1}
                className={`w-14 ${now !== undefined && now !== value ? 'font-semibold' : ''}`}
                onChange={(next) => set(key, percent ? next / 100 : next)}
              />
              <span className="ml-1 inline-block w-12 text-sm text-soft">{percent ? '%' : unit}</span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
