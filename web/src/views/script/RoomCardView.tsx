import type { ClassPlan } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import {
  type CardRow,
  type CardStep,
  type DescribedBlock,
  detailsText,
  propsText,
  roomCard,
} from '@warm-ladder/core/script';
import { Printer } from 'lucide-react';
import { type ReactNode, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { LostPage } from '../../app/shell/LostPage';
import { selectAudience, selectCatalog, selectClass, selectSeries, selectTimed } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { RungFigure } from '../../figure/RungFigure';

/** The levels of a class on one sheet, for the wall of the room: lower, main version, higher, and for whom not. */
export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClass(state, id));
  return plan ? <Card plan={plan} /> : <LostPage />;
}

function Card({ plan }: { plan: ClassPlan }) {
  const catalog = useAppSelector(selectCatalog);
  const timed = useAppSelector((state) => selectTimed(state, plan));
  const group = useAppSelector(
    (state) =>
      selectSeries(state).find(({ episodes }) => episodes.some((each) => each.class === plan.id))?.schedule?.group,
  );
  const audience = useAppSelector((state) => selectAudience(state, plan.audience));
  const card = useMemo(
    () => roomCard(catalog, timed, { audience, today: today() }, group),
    [catalog, timed, audience, group],
  );
  const { method } = catalog;
  return (
    <main className="card-page mx-auto w-full max-w-4xl px-4 py-5 text-sm leading-tight print:max-w-none print:p-0 print:text-[7pt] print:leading-[1.1]">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b-2 border-ink pb-1">
        <h1 className="font-name text-2xl font-semibold print:text-base">{card.title}: room card</h1>
        <p className="grow">
          {card.rows.length > 0 && `Works from heat ${card.from} to heat ${card.to}. `}
          Everybody begins and ends together.
        </p>
        <span className="no-print flex gap-2">
          <button type="button" className="action" onClick={() => window.print()}>
            <Printer className="size-4" aria-hidden="true" /> Print
          </button>
          <Link to={`/class/${plan.id}`} className="action">
            The class
          </Link>
        </span>
      </header>
      <div className="overflow-x-auto">
        <table className="w-full border-collapse">
          <thead className="max-sm:sr-only">
            <tr className="text-left">
              {['', 'Lower', 'Main version', 'Higher', 'Props', mustNotWords(card.askBefore)].map((name) => (
                <th key={name} className="py-0.5 pr-2 font-semibold">
                  {name === '' ? <span className="sr-only">When</span> : name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {card.rows.map((row) => (
              <Row key={row.id} row={row} askBefore={card.askBefore} />
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1">Everybody stops, whatever the level: {method.stopSigns.join(', ')}.</p>
    </main>
  );
}

function Row({ row, askBefore }: { row: CardRow; askBefore: boolean }) {
  const { startSeconds, lower, home, upper, beside, told, mustNot } = row;
  return (
    <tr className="border-t border-line align-top break-inside-avoid max-sm:grid max-sm:py-1.5">
      <td className="py-0.5 pr-2 text-soft print:py-0">{clock(startSeconds)}</td>
      <Cell name="Lower" width="w-[19%]">
        {lower && <Step step={lower} />}
      </Cell>
      <Cell name="Main version" width="w-[36%]">
        <Step step={home} of={home.entry.exercise.name} />
        <Told told={told} />
        {beside.map((step) => (
          <Step key={step.entry.key} step={step} />
        ))}
      </Cell>
      <Cell name="Higher" width="w-[19%]">
        {upper && <Step step={upper} />}
      </Cell>
      <Cell name="Props">{propsText(told.props)}</Cell>
      <Cell name={mustNotWords(askBefore)}>{askBefore && mustNot.length > 0 ? 'ask before' : mustNot.join(', ')}</Cell>
    </tr>
  );
}

const mustNotWords = (askBefore: boolean): string => (askBefore ? 'Ask before' : 'Something else with');

/** On a phone each stands on a line of its own under its name, and nothing where there is nothing. */
const Cell = ({ name, width = '', children }: { name: string; width?: string; children: ReactNode }) => (
  <td
    data-name={name}
    className={`py-0.5 pr-2 print:py-0 max-sm:flex max-sm:w-full max-sm:gap-2 max-sm:empty:hidden max-sm:before:w-24 max-sm:before:shrink-0 max-sm:before:text-soft max-sm:before:content-[attr(data-name)] ${width}`}
  >
    {children}
  </td>
);

/** What else there is to know of a main version: its side and settings, its ways in and out, its gate. */
function Told({ told }: { told: DescribedBlock }) {
  const { wayIn, wayOut, ready, stay, stop } = told;
  const rows = [
    ['', detailsText(told)],
    ['In', wayIn ?? ''],
    ['Out', wayOut ?? ''],
    ['Move on when', ready.join(', ')],
    ['Easier when', stay.join(', ')],
    ['Stop when', stop.join(', ')],
  ] as const;
  return (
    <p className="pl-10 text-[0.93em] text-soft print:pl-7">
      {rows
        .filter(([, words]) => words !== '')
        .map(([name, words], i) => (
          <span key={name}>
            {i > 0 && ' · '}
            {name !== '' && <span className="font-semibold">{name}: </span>}
            {words}
          </span>
        ))}
    </p>
  );
}

function Step({ step: { entry, dose, sign }, of }: { step: CardStep; of?: string }) {
  return (
    <span className="flex gap-1.5">
      <RungFigure entry={entry} className="h-6 w-9 shrink-0 print:h-4 print:w-6" />
      <span>
        {of && <span className="font-semibold">{of}, </span>}
        {entry.rung.name} <span className="text-soft">{dose}</span>
        {sign && <span className="block italic">{sign}</span>}
      </span>
    </span>
  );
}
