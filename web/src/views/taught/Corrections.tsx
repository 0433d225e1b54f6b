import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { clock } from '@warm-ladder/core/review';
import {
  joinedToBefore,
  type Log,
  type PassAt,
  passesInTime,
  split,
  withBorder,
  withName,
} from '@warm-ladder/core/taught';
import { useState } from 'react';
import { Choice } from '../../parts/fields/Choice';
import { partName, spanOf, TwoTimelines } from './TwoTimelines';

interface CorrectionsProps {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly log: Log;
  readonly onChange: (log: Log) => void;
}

/** What was read or logged, corrected on its own picture: its borders drawn, joined, split, and said to be another block. */
export function Corrections({ catalog, timed, log, onChange }: CorrectionsProps) {
  const [chosen, setChosen] = useState<PassAt | null>(null);
  const all = passesInTime(log);
  const here = all.find(({ block, pass }) => block === chosen?.block && pass === chosen.pass);
  const first = here !== undefined && all[0]?.block === here.block;
  const nameOf = (id: string) => log.plan?.blocks?.find((block) => block.id === id)?.name ?? partName(timed, id);
  const planned = (log.plan?.blocks ?? []).map(({ id }) => id);
  const names = [...planned.map((id) => [id, nameOf(id)] as const), ['', 'not in the plan'] as const];
  /** The id of something unplanned, new in the log. */
  const free = () => {
    const taken = new Set([...planned, ...(log.blocks ?? []).map(({ id }) => id)]);
    let n = 1;
    while (taken.has(`added-${n}`)) n += 1;
    return `added-${n}`;
  };
  return (
    <>
      <TwoTimelines
        {...{ catalog, timed, log }}
        span={spanOf(timed, log)}
        correcting={{
          chosen,
          onChoose: setChosen,
          onBorder: (at, edge, seconds) => onChange(withBorder(log, at, edge, seconds)),
        }}
      />
      {here ? (
        <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
          <span>
            {clock(here.start)} to {clock(here.end)} was{' '}
            <Choice
              label="Which block it was"
              value={planned.includes(here.block) ? here.block : ''}
              choices={names}
              onChange={(id) => {
                const name = id === '' ? null : id;
                const after = withName(log, here.block, name, free());
                setChosen(name === null ? null : { block: name, pass: here.pass });
                onChange(after);
              }}
            />
          </span>
          <button
            type="button"
            className="action text-sm"
            disabled={first}
            onClick={() => {
              setChosen(null);
              onChange(joinedToBefore(log, here.block));
            }}
          >
            It was one with the block before
          </button>
          <button type="button" className="action text-sm" onClick={() => onChange(split(log, here, free()))}>
            It was two: split it
          </button>
        </p>
      ) : (
        <p className="mt-1 text-soft">
          Press a block of what was taught to correct when it began, or which one it was.
        </p>
      )}
    </>
  );
}
