import {
  BALANCED_BANDS,
  type Band,
  DIRECTION_WORDS,
  DIRECTIONS,
  type Direction,
  LIMIT_SETTINGS,
  type MethodFile,
  SCORE_SETTINGS,
  type Setting,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from '@warm-ladder/core/method';
import { RotateCcw } from 'lucide-react';
import { useMethodChange } from '../../app/edits';
import { useAppSelector } from '../../app/store';
import { DirectionMark } from '../../parts/DirectionMark';
import { NumberField } from '../../parts/NumberField';
import { CautionRules } from './CautionRules';

type Table = Readonly<Record<string, Setting>>;
type Values = Readonly<Record<string, number | undefined>>;

/** Parts of the method that hold a table of figures of their own. */
const PARTS = [
  {
    key: 'limits',
    title: 'Where the review speaks',
    about: 'Beyond these a finding is raised.',
    table: LIMIT_SETTINGS,
  },
  {
    key: 'uncertainty',
    title: 'How much times vary',
    about: 'From one teaching to the next, as a share of the seconds.',
    table: UNCERTAINTY_SETTINGS,
  },
  {
    key: 'score',
    title: 'What a finding costs',
    about: 'Two classes are held against each other by what is found in them; lower is better.',
    table: SCORE_SETTINGS,
  },
] as const;

/** The house rules: every figure that timing, load, heat and review use, each with the value it starts from. */
export function Component() {
  const method = useAppSelector(({ studio }) => studio.bundle.method) ?? {};
  const change = useMethodChange();
  const { directionBands = {} } = method;
  const timing: Values = Object.fromEntries(
    Object.keys(TIMING_SETTINGS).map((key) => [key, method[key as keyof typeof TIMING_SETTINGS]]),
  );
  const put = (part: Partial<MethodFile>, field: string) => change({ ...method, ...part }, field);
  return (
    <main className="mx-auto w-full max-w-[1280px] px-4 py-4">
      <h1 className="font-name text-3xl font-semibold">Method</h1>
      <p className="mt-1 max-w-prose text-soft">
        The house rules. What is changed here shows in every class, ladder and review at once; what is not keeps the
        value it starts from.
      </p>
      <div className="mt-4 columns-1 gap-x-12 md:columns-2 xl:columns-3">
        <Figures
          title="Clock and reference body"
          about="Loads are reckoned on this body: they compare options and are no clinical measure."
          table={TIMING_SETTINGS}
          values={timing}
          onChange={(values, field) => {
            const others = Object.fromEntries(Object.entries(method).filter(([key]) => !(key in TIMING_SETTINGS)));
            change({ ...others, ...values }, field);
          }}
        />
        {PARTS.map(({ key, title, about, table }) => (
          <Figures
            key={key}
            title={title}
            about={about}
            table={table}
            values={method[key] ?? {}}
            onChange={(values, field) => put({ [key]: values }, field)}
          />
        ))}
        <section aria-label="Directions" className="mb-6 break-inside-avoid">
          <h2 className="font-name text-xl font-semibold">Directions</h2>
          <p className="text-sm text-soft">The share of the work each should take in a balanced class, in percent.</p>
          <ul className="mt-1">
            {DIRECTIONS.map((direction) => (
              <BandRow
                key={direction}
                direction={direction}
                band={directionBands[direction] ?? BALANCED_BANDS[direction]}
                onChange={(band) =>
                  put({ directionBands: { ...directionBands, [direction]: band } }, `band ${direction}`)
                }
              />
            ))}
          </ul>
        </section>
      </div>
      <CautionRules
        changes={method.cautions ?? []}
        onChange={(cautions, field) => put({ cautions: [...cautions] }, field)}
      />
    </main>
  );
}

interface FiguresProps {
  readonly title: string;
  readonly about: string;
  readonly table: Table;
  readonly values: Values;
  readonly onChange: (values: Record<string, number>, field: string) => void;
}

/** A table of figures: each with its range, its unit, and the way back to the value it starts from. */
function Figures({ title, about, table, values, onChange }: FiguresProps) {
  const set = (key: string, value: number | undefined) => {
    const { [key]: _old, ...others } = values;
    const kept = Object.entries(others).filter((each): each is [string, number] => each[1] !== undefined);
    onChange({ ...Object.fromEntries(kept), ...(value === undefined ? {} : { [key]: value }) }, key);
  };
  return (
    <section aria-label={title} className="mb-6 break-inside-avoid">
      <h2 className="font-name text-xl font-semibold">{title}</h2>
      <p className="text-sm text-soft">{about}</p>
      <ul className="mt-1 text-[15px]">
        {Object.entries(table).map(([key, { label, value, min, max, unit }]) => {
          const now = values[key];
          return (
            <li key={key} className="flex items-baseline gap-2 border-b border-line/60 py-0.5">
              <span className="grow leading-tight">{label}</span>
              {now !== undefined && now !== value && (
                <button
                  type="button"
                  className="rounded px-1 text-sm text-soft hover:bg-shade"
                  onClick={() => set(key, undefined)}
                >
                  <RotateCcw className="inline size-3.5" aria-hidden="true" />
                  <span className="sr-only">{label} back to</span> {value}
                </button>
              )}
              <span className="shrink-0 whitespace-nowrap">
                <NumberField
                  label={label}
                  value={now ?? value}
                  min={min}
                  max={max}
                  step={max <= 1 ? 0.05 : 1}
                  className={`w-14 ${now !== undefined && now !== value ? 'font-semibold' : ''}`}
                  onChange={(next) => set(key, next)}
                />
                <span className="ml-1 inline-block w-12 text-sm text-soft">{unit}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

interface BandRowProps {
  readonly direction: Direction;
  readonly band: Band;
  readonly onChange: (band: Band) => void;
}

/** A band stays a band: its ends can meet and not pass each other. */
function BandRow({ direction, band, onChange }: BandRowProps) {
  const percent = (share: number) => Math.round(share * 1000) / 10;
  const name = DIRECTION_WORDS[direction];
  return (
    <li className="flex items-baseline gap-2 border-b border-line/60 py-0.5 text-[15px]">
      <span className="grow">
        <DirectionMark direction={direction} word />
      </span>
      <NumberField
        label={`Least ${name}, percent`}
        value={percent(band.min)}
        min={0}
        max={percent(band.max)}
        className="w-12"
        onChange={(min) => onChange({ ...band, min: min / 100 })}
      />
      to
      <NumberField
        label={`Most ${name}, percent`}
        value={percent(band.max)}
        min={percent(band.min)}
        max={100}
        className="w-12"
        onChange={(max) => onChange({ ...band, max: max / 100 })}
      />
      <span className="text-sm text-soft">%</span>
    </li>
  );
}
