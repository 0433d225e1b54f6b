import {
  BALANCED_BANDS,
  type Band,
  DIRECTION_WORDS,
  DIRECTIONS,
  type Direction,
  type MethodFile,
  type Setting,
} from '@warm-ladder/core/method';
import { endsOf, HELD_BY, type HouseSetting } from '@warm-ladder/core/review';
import { type ReactNode, useMemo } from 'react';
import { Link } from 'react-router';
import { useMethodChange } from '../../app/store/edits';
import { selectMethod } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import type { StandingClass } from '../../desk/worker';
import { DirectionMark } from '../../parts/classes/DirectionMark';
import { NumberField } from '../../parts/fields/NumberField';
import { FigureList, figureText, type Values } from '../../parts/rungs/Figures';
import { CautionRules } from './CautionRules';
import { GROUPS, type Group, TABLES, type TableName } from './groups';
import { MinutesOfClass } from './MinutesOfClass';
import { SchoolsDesk } from './SchoolsDesk';
import { Spread } from './Spread';
import { Terms } from './Terms';
import { useShownClass, useStandings } from './useStandings';

const UNSAID: MethodFile = {};

/** The house rules: what the house has chosen where good practitioners differ, and every figure that is reckoned with. */
export function Component() {
  const method = useAppSelector(selectMethod) ?? UNSAID;
  const change = useMethodChange();
  const { directionBands = {} } = method;
  const { plan } = useShownClass();
  const standings = useStandings();
  const picture = useMemo(() => pictureOf(standings, plan?.id), [standings, plan?.id]);
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
      {plan && (
        <p className="text-soft">
          Beside each that classes are held against stand all of the house, a mark each, and {plan.name} as a point: in
          what lies beyond, something is found.
        </p>
      )}
      {GROUPS.map((group) => (
        <FigureGroup
          key={group.title}
          group={group}
          method={method}
          picture={picture}
          onChange={change}
          above={
            group.picture === 'minutes'
              ? plan && <MinutesOfClass plan={plan} />
              : group.picture === 'directions' && (
                  <Bands
                    bands={directionBands}
                    standings={standings}
                    own={plan?.id}
                    onChange={(bands, field) => put({ directionBands: bands }, field)}
                  />
                )
          }
        />
      ))}
      <CautionRules
        changes={method.cautions ?? []}
        onChange={(cautions, field) => put({ cautions: [...cautions] }, field)}
      />
    </main>
  );
}

type Picture = (table: TableName, key: string, figure: number) => ReactNode;

/** Every class of the house beside a figure that it is held against. */
const pictureOf =
  (standings: readonly StandingClass[], own: string | undefined): Picture =>
  (table, key, figure) => {
    const held = table === 'timing' || table === 'uncertainty' ? undefined : HELD_BY[key as HouseSetting];
    if (!held) return null;
    const setting = (TABLES[table] as Readonly<Record<string, Setting>>)[key];
    const values = standings.flatMap(({ measures }) => measures[held.measure] ?? []);
    return (
      <Spread
        values={values}
        own={standings.find(({ id }) => id === own)?.measures[held.measure]}
        say={(value) => (setting ? figureText(setting, value) : String(value))}
        within={endsOf(held, figure)}
      />
    );
  };

interface FigureGroupProps {
  readonly group: Group;
  readonly method: MethodFile;
  readonly picture: Picture;
  readonly above: ReactNode;
  readonly onChange: (method: MethodFile, field: string) => void;
}

/** Figures that are decided at one step of the work, from whichever tables they are. */
function FigureGroup({ group: { title, about, shares }, method, picture, above, onChange }: FigureGroupProps) {
  return (
    <section aria-label={title} className="mt-6 border-t-2 border-line pt-2">
      <h3 className="font-name text-xl font-semibold">{title}</h3>
      <p className="max-w-prose text-sm text-soft">{about}</p>
      {above}
      <div className="columns-1 gap-x-12 lg:columns-2">
        {shares.map(({ table, keys }) => {
          const all: Values = table === 'timing' ? timingOf(method) : (method[table] ?? {});
          return (
            <FigureList
              key={table}
              table={Object.fromEntries(Object.entries(TABLES[table]).filter(([key]) => keys.includes(key)))}
              values={all}
              picture={(key, figure) => picture(table, key, figure)}
              onChange={(values, field) => onChange(withTable(method, table, values), field)}
            />
          );
        })}
      </div>
    </section>
  );
}

/** What of the clock the house has set: it stands in the method itself. */
const timingOf = (method: MethodFile): Values =>
  Object.fromEntries(Object.entries(method).filter(([key]) => key in TABLES.timing)) as Values;

function withTable(method: MethodFile, table: TableName, values: Record<string, number>): MethodFile {
  if (table !== 'timing') return { ...method, [table]: values };
  const others = Object.fromEntries(Object.entries(method).filter(([key]) => !(key in TABLES.timing)));
  return { ...others, ...values };
}

interface BandsProps {
  readonly bands: NonNullable<MethodFile['directionBands']>;
  readonly standings: readonly StandingClass[];
  readonly own: string | undefined;
  readonly onChange: (bands: NonNullable<MethodFile['directionBands']>, field: string) => void;
}

/** The share of the work each direction should take in a balanced class, over the share it takes in every class. */
function Bands({ bands, standings, own, onChange }: BandsProps) {
  return (
    <ul className="my-2 columns-1 gap-x-12 lg:columns-2" aria-label="Directions">
      {DIRECTIONS.map((direction) => {
        const band = bands[direction] ?? BALANCED_BANDS[direction];
        return (
          <BandRow
            key={direction}
            direction={direction}
            band={band}
            picture={
              <Spread
                values={standings.map(({ directions }) => directions[direction])}
                own={standings.find(({ id }) => id === own)?.directions[direction]}
                within={{ from: band.min, to: band.max }}
                say={(share) => `${Math.round(share * 100)} %`}
              />
            }
            onChange={(next) => onChange({ ...bands, [direction]: next }, `band ${direction}`)}
          />
        );
      })}
    </ul>
  );
}

interface BandRowProps {
  readonly direction: Direction;
  readonly band: Band;
  readonly picture: ReactNode;
  readonly onChange: (band: Band) => void;
}

/** A band stays a band: its ends can meet and not pass each other. */
function BandRow({ direction, band, picture, onChange }: BandRowProps) {
  const percent = (share: number) => Math.round(share * 1000) / 10;
  const name = DIRECTION_WORDS[direction];
  return (
    <li className="flex break-inside-avoid items-baseline gap-2 border-b border-line/60 py-0.5 text-[15px]">
      <span className="grow">
        <DirectionMark direction={direction} word />
      </span>
      <span className="w-44 shrink-0 self-center max-sm:w-24">{picture}</span>
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
