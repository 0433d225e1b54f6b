import { DIRECTION_WORDS, DIRECTIONS } from '@warm-ladder/core/method';
import { type Column, CSV_COLUMNS, FILLABLE, type Fill } from '@warm-ladder/core/tables';
import { type ReactNode, useId } from 'react';
import { PositionOptions } from '../../parts/fields/PositionOptions';
import { selectCatalog } from '../store/selectors';
import { useAppSelector } from '../store/store';
import { type ChosenTable, type Match, unsaid } from './send';

/** What the columns are called where one is chosen, where that is not what stands in the file; computed ones are none. */
const SHOWN: Readonly<Partial<Record<Column, string | null>>> = {
  exercise: 'id of the exercise',
  'exercise name': 'exercise',
  directions: 'direction of the spine',
  rung: 'id of the rung',
  'rung name': 'rung: level or variation',
  heat: null,
};
const shownAs = (column: Column): string | null => (SHOWN[column] === undefined ? column : (SHOWN[column] ?? null));

/** What is offered for all new rungs where a table says nothing; where they begin is nobody’s to guess. */
export const USUAL: Fill = {
  'rung name': 'Main',
  directions: 'neutral',
  sides: 'both',
  'set-up seconds': '20',
  sets: '1',
  reps: '8',
};

interface MatchColumnsProps {
  readonly table: ChosenTable;
  readonly match: Match;
  readonly busy: boolean;
  readonly onMatch: (match: Match) => void;
}

/** Which column is which, each with its first cells; then what no column says, said once. */
export function MatchColumns({ table, match, busy, onMatch }: MatchColumnsProps) {
  const missing = unsaid(match);
  const setColumn = (at: number, column: Column | null) =>
    // A column is one thing: what was it before is left out now.
    onMatch({
      ...match,
      columns: match.columns.map((each, i) => (i === at ? column : each === column ? null : each)),
    });
  const choices = CSV_COLUMNS.flatMap((column) => {
    const name = shownAs(column);
    return name === null ? [] : [{ column, name }];
  });
  return (
    <>
      <table className="mt-4 w-full text-left">
        <caption className="text-left font-semibold">Which column is which</caption>
        <thead>
          <tr className="text-soft">
            <th className="font-normal">In the table</th>
            <th className="font-normal">It is</th>
          </tr>
        </thead>
        <tbody>
          {table.columns.map(({ name, samples }, i) => (
            <tr key={i} className={`border-t border-line align-top ${match.columns[i] ? '' : 'text-soft'}`}>
              <th scope="row" className="max-w-56 py-1 pr-3 font-normal">
                <span className="block truncate font-semibold">{name || `column ${i + 1}`}</span>
                <span className="block truncate text-sm text-soft">{samples.join(' · ') || 'nothing in it'}</span>
              </th>
              <td className="py-1">
                <select
                  className="field border-line w-full"
                  aria-label={`What “${name || `column ${i + 1}`}” is`}
                  disabled={busy}
                  value={match.columns[i] ?? ''}
                  onChange={({ target }) => setColumn(i, (target.value || null) as Column | null)}
                >
                  <option value="">leave it out</option>
                  {choices.map(({ column, name: called }) => (
                    <option key={column} value={column}>
                      {called}
                    </option>
                  ))}
                </select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {missing.includes('exercise name') && !match.columns.includes('exercise') && (
        <p className="mt-2 text-alarm">Say which column is the exercise.</p>
      )}
      {missing.some((column) => column !== 'exercise name') && (
        <fieldset className="mt-4" disabled={busy}>
          <legend className="font-semibold">What no column says, for every new rung</legend>
          <div className="mt-1 grid grid-cols-2 gap-x-4 gap-y-2 max-sm:grid-cols-1">
            {FILLABLE.filter((column) => missing.includes(column)).map((column) => (
              <Filled
                key={column}
                column={column}
                value={match.fill[column] ?? ''}
                onValue={(value) => onMatch({ ...match, fill: { ...match.fill, [column]: value } })}
              />
            ))}
          </div>
        </fieldset>
      )}
    </>
  );
}

interface FilledProps {
  readonly column: (typeof FILLABLE)[number];
  readonly value: string;
  readonly onValue: (value: string) => void;
}

function Filled({ column, value, onValue }: FilledProps) {
  const id = useId();
  const choices = useChoices(column);
  return (
    <div>
      <label htmlFor={id} className="block text-sm text-soft">
        {shownAs(column)}
      </label>
      {choices ? (
        <select
          id={id}
          className="field border-line w-full"
          value={value}
          onChange={({ target }) => onValue(target.value)}
        >
          {value === '' && <option value="">choose…</option>}
          {choices}
        </select>
      ) : (
        <input
          id={id}
          className="field border-line w-full"
          inputMode={column === 'rung name' ? 'text' : 'decimal'}
          defaultValue={value}
          onBlur={({ target }) => target.value !== value && onValue(target.value)}
          onKeyDown={({ key, currentTarget }) => key === 'Enter' && onValue(currentTarget.value)}
        />
      )}
    </div>
  );
}

function useChoices(column: FilledProps['column']): ReactNode {
  const { graph } = useAppSelector(selectCatalog);
  if (column === 'position') return <PositionOptions graph={graph} />;
  if (column === 'directions') {
    return DIRECTIONS.map((each) => (
      <option key={each} value={each}>
        {DIRECTION_WORDS[each]}
      </option>
    ));
  }
  if (column !== 'sides') return null;
  return (['both', 'each', 'alternate'] as const).map((each) => <option key={each}>{each}</option>);
}
