import {
  BALANCED_BANDS,
  type Band,
  CRAFT_SETTINGS,
  DIRECTION_WORDS,
  DIRECTIONS,
  type Direction,
  LIMIT_SETTINGS,
  type MethodFile,
  SCORE_SETTINGS,
  TIMING_SETTINGS,
  UNCERTAINTY_SETTINGS,
} from '@warm-ladder/core/method';
import { Link } from 'react-router';
import { useMethodChange } from '../../app/edits';
import { selectMethod } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { DirectionMark } from '../../parts/DirectionMark';
import { Figures, type Values } from '../../parts/Figures';
import { NumberField } from '../../parts/NumberField';
import { CautionRules } from './CautionRules';
import { SchoolsDesk } from './SchoolsDesk';
import { Terms } from './Terms';

/** Parts of the method that hold a table of figures of their own. */
const PARTS = [
  {
    key: 'limits',
    title: 'When the review warns',
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
  {
    key: 'craft',
    title: 'What makes a class well made',
    about: 'Where each begins to be missed, and what it weighs when it is missed altogether: 10 is a third of a fix.',
    table: CRAFT_SETTINGS,
  },
] as const;

const UNSAID: MethodFile = {};

/** The house rules: what the house has chosen where good practitioners differ, and every figure that is reckoned with. */
export function Component() {
  const method = useAppSelector(selectMethod) ?? UNSAID;
  const change = useMethodChange();
  const { directionBands = {} } = method;
  const timing: Values = Object.fromEntries(
    Object.keys(TIMING_SETTINGS).map((key) => [key, method[key as keyof typeof TIMING_SETTINGS]]),
  );
  const put = (part: Partial<MethodFile>, field: string) => change({ ...method, ...part }, field);
  return (
    <main className="mx-auto w-full max-w-[1280px] px-4 py-4">
      <div className="flex flex-wrap items-baseline gap-4">
        <h1 className="grow font-name text-3xl font-semibold">Method</h1>
        <Link to="/method/positions" className="action">
          Positions and the ways between
        </Link>
      </div>
      <p className="mt-1 max-w-prose text-soft">
        The house rules. What is changed here shows in every class, ladder, script and review at once; what is not keeps
        the value it starts from.
      </p>
      <SchoolsDesk method={method} onChange={change} />
      <Terms
        terms={method.terms ?? []}
        onChange={(terms, field) => {
          const { terms: _old, ...others } = method;
          change(terms ? { ...others, terms } : others, field);
        }}
      />
      <h2 className="mt-8 font-name text-2xl font-semibold">Figures</h2>
      <div className="mt-2 columns-1 gap-x-12 md:columns-2 xl:columns-3">
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
        limits={{ min: 0, max: percent(band.max) }}
        className="w-12"
        onChange={(min) => onChange({ ...band, min: min / 100 })}
      />
      to
      <NumberField
        label={`Most ${name}, percent`}
        value={percent(band.max)}
        limits={{ min: percent(band.min), max: 100 }}
        className="w-12"
        onChange={(max) => onChange({ ...band, max: max / 100 })}
      />
      <span className="text-sm text-soft">%</span>
    </li>
  );
}
