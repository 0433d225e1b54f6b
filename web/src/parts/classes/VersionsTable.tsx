import { clock } from '@warm-ladder/core/review';
import type { Apart, Difference, Outline } from '@warm-ladder/core/versions';
import type { ReactNode } from 'react';

interface VersionsTableProps {
  readonly names: readonly [string, string];
  readonly outlines: readonly [Outline, Outline];
  readonly difference: Difference;
  /** What stands between the figures and the lists. */
  readonly children?: ReactNode;
}

const ROWS: ReadonlyArray<readonly [string, (outline: Outline) => string]> = [
  ['Length', ({ standing }) => clock(standing.seconds)],
  ['8 of 10 times it ends', ({ range: [from, to] }) => `${clock(from)} to ${clock(to)}`],
  ['Blocks and interludes', ({ steps }) => String(steps.length)],
  ['Changes of position', ({ standing }) => String(standing.positionChanges)],
  ['To mend', ({ standing: { stop, fix } }) => String(stop + fix)],
  ['Worth a look', ({ standing: { look } }) => String(look)],
  ['Score, lower is better', ({ standing: { score } }) => String(Math.round(score * 10) / 10)],
];

/** Two versions of a class in figures, and in what only the one or the other has. */
export function VersionsTable({ names, outlines, difference, children }: VersionsTableProps) {
  return (
    <div className={`mt-2 grid gap-x-10 gap-y-4 ${children ? '' : 'lg:grid-cols-[auto_minmax(0,1fr)]'}`}>
      <table className="h-fit text-[15px]">
        <thead>
          <tr className="text-left">
            <td />
            {names.map((name) => (
              <th key={name} scope="col" className="px-3 font-semibold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([label, told]) => {
            const [one, other] = [told(outlines[0]), told(outlines[1])];
            return (
              <tr key={label} className="border-t border-line/60">
                <th scope="row" className="py-0.5 pr-3 text-left font-normal text-soft">
                  {label}
                </th>
                <td className="px-3">{one}</td>
                <td className={`px-3 ${one === other ? 'text-soft' : 'font-semibold'}`}>{other}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {children}
      <div className={`grid min-w-0 gap-x-8 gap-y-2 md:grid-cols-2 ${children ? 'xl:grid-cols-3' : ''}`}>
        <Lists title="Blocks" names={names} apart={difference.steps} />
        <Lists title="Found" names={names} apart={difference.findings} />
        <Lists title="Said" names={names} apart={difference.lines} />
      </div>
    </div>
  );
}

/** Entries of a list that are shown before the rest is counted. */
const SHOWN = 6;

function Lists({ title, names, apart }: { title: string; names: readonly [string, string]; apart: Apart }) {
  const parts = [
    [names[0], apart.gone],
    [names[1], apart.come],
  ] as const;
  return (
    <section aria-label={title} className="min-w-0 text-[15px]">
      <h2 className="font-semibold">{title}</h2>
      {parts.every(([, list]) => list.length === 0) && <p className="text-soft">The same.</p>}
      {parts.map(([name, list]) =>
        list.length > 0 ? (
          <div key={name}>
            <p className="text-sm text-soft">Only in {name}</p>
            <ul className="list-disc pl-5">
              {[...new Set(list)].slice(0, SHOWN).map((each) => (
                <li key={each}>{each}</li>
              ))}
              {new Set(list).size > SHOWN && (
                <li className="list-none text-soft">and {new Set(list).size - SHOWN} more</li>
              )}
            </ul>
          </div>
        ) : null,
      )}
    </section>
  );
}
