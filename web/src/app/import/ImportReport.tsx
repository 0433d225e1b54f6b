import { countText } from '@warm-ladder/core/vocabulary';
import type { ImportEffect, TableAnswer } from '@warm-ladder/core/wire';
import type { Refused } from '../store/server';

export interface Failure {
  readonly message: string;
  readonly problems: Refused['problems'];
}

export function FailureReport({ failure: { message, problems } }: { failure: Failure }) {
  return (
    <div
      role="alert"
      className="mt-4 rounded border border-alarm p-3"
      ref={(shown) => shown?.scrollIntoView({ block: 'nearest' })}
    >
      <p className="font-semibold">The file was not taken in; nothing has changed.</p>
      {problems.length === 0 ? (
        <p>{message}</p>
      ) : (
        <ul className="mt-1 list-disc pl-5">
          {problems.map(({ path, message: each }) => (
            <li key={path + each}>
              <code className="text-sm">{path}</code>: {each}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** What taking a file in would do. */
export function Report({ answer: { report, rungs, notes, plain } }: { answer: TableAnswer }) {
  const rows = Object.entries(report).filter(([, each]) =>
    Object.values(each).some(({ length }: string[]) => length > 0),
  );
  if (rows.length === 0) return <p className="mt-4">The file is sound, and empty.</p>;
  return (
    <>
      <EffectTable rows={rows} />
      <RungList rungs={rungs} />
      {notes.length > 0 && <Notes notes={notes} />}
      {plain.length > 0 && (
        <p className="mt-2">
          {countText(plain.length, 'new rung comes', 'new rungs come')} undrawn: {plain.slice(0, 6).join(', ')}
          {plain.length > 6 && ' …'}
        </p>
      )}
    </>
  );
}

/** What an older file said otherwise, as it is read now. */
function Notes({ notes }: Pick<TableAnswer, 'notes'>) {
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">
        <span className="font-semibold">From an older version:</span> {notes.length}{' '}
        {notes.length === 1 ? 'thing was' : 'things were'} brought to this one
      </summary>
      <ul className="mt-1 max-h-48 list-disc overflow-y-auto pl-5 text-sm">
        {notes.map(({ path, message }) => (
          <li key={path + message}>
            <code>{path}</code>: {message}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Every rung the file touches, by name: a number would hide the one that goes. */
function RungList({ rungs }: { rungs: TableAnswer['rungs'] }) {
  const lists = (['removed', 'changed', 'added'] as const).filter((how) => rungs[how].length > 0);
  if (lists.length === 0) return null;
  return (
    <dl className="mt-3 max-h-48 overflow-y-auto">
      {lists.map((how) => (
        <div key={how}>
          <dt className={`font-semibold ${how === 'removed' ? 'text-alarm' : ''}`}>
            {countText(rungs[how].length, 'rung')} {how}
          </dt>
          <dd className="text-sm">{rungs[how].join(', ')}</dd>
        </div>
      ))}
    </dl>
  );
}

function EffectTable({ rows }: { rows: ReadonlyArray<readonly [string, ImportEffect]> }) {
  return (
    <table className="mt-4 w-full text-left">
      <caption className="text-left font-semibold">What it would do</caption>
      <thead>
        <tr className="text-soft">
          <th className="font-normal">&nbsp;</th>
          <th className="font-normal">new</th>
          <th className="font-normal">changed</th>
          <th className="font-normal">the same</th>
          <th className="font-normal">removed</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([kind, { added, changed, unchanged, removed }]) => (
          <tr key={kind} className="border-t border-line">
            <th className="py-1 font-normal">{kind}</th>
            {[added, changed, unchanged, removed].map((ids, i) => (
              <td key={i} title={ids.join(', ')}>
                {ids.length}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
