import type { TimedClass } from '@warm-ladder/core/plan';
import { isInterlude, offeredRungs } from '@warm-ladder/core/plan';
import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import { clock } from '@warm-ladder/core/review';
import { type BlockDeed, type Log, withBlockNote, withDeed, withFault, withOption } from '@warm-ladder/core/taught';
import { withParts } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { Choice } from '../../parts/fields/Choice';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { partName } from './TwoTimelines';

interface LogEditorProps {
  readonly catalog: Catalog;
  /** The class as it is planned now, for what it offers. */
  readonly timed: TimedClass;
  readonly log: Log;
  readonly onChange: (log: Log) => void;
}

type LoggedBlock = NonNullable<Log['blocks']>[number];

/** A log in one's own hand: as planned but for what is said here. */
export function LogEditor({ catalog, timed, log, onChange }: LogEditorProps) {
  const { present, endedSeconds, note = '' } = log;
  return (
    <div>
      <p className="leading-loose">
        People there:{' '}
        <OptionalNumber
          label="People there"
          value={present}
          most={1000}
          onChange={(value) => onChange(withParts(log, { present: value }))}
        />
        . It ended after{' '}
        <OptionalNumber
          label="Minutes it took"
          value={endedSeconds === undefined ? undefined : Math.round(endedSeconds / 6) / 10}
          most={600}
          onChange={(value) => onChange(withParts(log, { endedSeconds: value === undefined ? undefined : value * 60 }))}
        />{' '}
        minutes.
      </p>
      <TextField
        label="Note on the class"
        note
        value={note}
        placeholder="A note on the class"
        className="w-full"
        onChange={(text) => onChange(withParts(log, { note: text === '' ? undefined : text }))}
      />
      <p className="mt-2 text-soft">Press a block to say who took which option, and what was seen.</p>
      <ol className="gap-x-10 md:columns-2">
        {(log.blocks ?? []).map((block) => (
          <BlockLine key={block.id} {...{ catalog, timed, log, block, onChange }} />
        ))}
      </ol>
    </div>
  );
}

interface OptionalNumberProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly most: number;
  readonly onChange: (value: number | undefined) => void;
}

/** A number that may stay unknown: an empty field. */
const OptionalNumber = ({ label, value, most, onChange }: OptionalNumberProps) => (
  <input
    type="number"
    aria-label={label}
    min={0}
    max={most}
    step="any"
    inputMode="decimal"
    className="field w-20 text-right"
    placeholder="?"
    value={value ?? ''}
    onChange={({ target }) => {
      const typed = target.value === '' ? undefined : Number(target.value);
      if (typed === undefined || (typed >= 0 && typed <= most)) onChange(typed);
    }}
  />
);

interface BlockLineProps extends LogEditorProps {
  readonly block: LoggedBlock;
}

/** What became of one block, and where somebody wants to say more: options taken, faults seen, a note. */
function BlockLine({ catalog, timed, log, block, onChange }: BlockLineProps) {
  const [open, setOpen] = useState(false);
  const planned = log.plan?.blocks?.find(({ id }) => id === block.id);
  const entry = entryOf(catalog, planned);
  const name = planned?.name ?? partName(timed, block.id);
  const [first] = block.passes ?? [];
  const said = [
    first?.startSeconds === undefined ? '' : `at ${clock(first.startSeconds)}`,
    ...Object.entries(block.options ?? {}).map(([id, people]) => `${people} took ${rungName(entry, id)}`),
    (block.faults ?? []).length > 0 ? `${block.faults?.length} seen` : '',
    block.note ?? '',
  ].filter(Boolean);
  return (
    <li className="break-inside-avoid border-b border-line py-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button
          type="button"
          className="min-w-0 grow text-left hover:underline"
          aria-expanded={open}
          disabled={!entry}
          onClick={() => setOpen((now) => !now)}
        >
          <span className={block.did === 'skipped' ? 'text-soft line-through' : ''}>{name}</span>
          {said.length > 0 && <span className="ml-2 text-sm text-soft">{said.join(' · ')}</span>}
        </button>
        {block.did === 'added' ? (
          <span className="text-sm text-soft">added</span>
        ) : (
          <Choice
            label={`What became of ${name}`}
            value={block.did === 'other' ? (block.rung ?? '') : block.did}
            choices={deeds(entry)}
            onChange={(value) => onChange(withDeed(log, block.id, deedOf(value)))}
          />
        )}
      </div>
      {open && entry && block.did === 'planned' && <More {...{ timed, log, block, entry, onChange }} />}
    </li>
  );
}

const deeds = (entry: RungEntry | undefined): Array<readonly [string, string]> => [
  ['planned', 'as planned'],
  ['skipped', 'left out'],
  ...(entry?.exercise.rungs ?? [])
    .filter(({ id }) => id !== entry?.rung.id)
    .map(({ id, name }) => [`${entry?.exercise.id}/${id}`, `instead: ${name}`] as const),
];

const deedOf = (value: string): BlockDeed => (value === 'planned' || value === 'skipped' ? value : { rung: value });

function entryOf(catalog: Catalog, planned: { exercise?: string | undefined; rung?: string | undefined } | undefined) {
  const { exercise, rung } = planned ?? {};
  return exercise === undefined || rung === undefined ? undefined : catalog.rung({ exercise, rung });
}

const rungName = (entry: RungEntry | undefined, id: string): string =>
  entry?.exercise.rungs.find((each) => each.id === id)?.name ?? id;

interface MoreProps extends Pick<LogEditorProps, 'timed' | 'log' | 'onChange'> {
  readonly block: LoggedBlock;
  readonly entry: RungEntry;
}

function More({ timed, log, block, entry, onChange }: MoreProps) {
  const own = timed.plan.blocks.find(({ id }) => id === block.id);
  const offered = own && !isInterlude(own) ? offeredRungs(own) : [];
  const options = entry.exercise.rungs.filter(({ id }) => offered.includes(id) || block.options?.[id] !== undefined);
  const faults = (entry.rung.cues ?? []).filter(({ kind }) => kind === 'fault');
  return (
    <div className="border-l-4 border-line py-1 pl-3">
      {options.length > 0 && (
        <p className="flex flex-wrap items-baseline gap-x-4">
          {options.map(({ id, name }) => (
            <span key={id}>
              <NumberField
                label={`People who took ${name}`}
                value={block.options?.[id] ?? 0}
                limits={LIMITS.Log.present}
                className="w-10"
                onChange={(people) => onChange(withOption(log, block.id, id, people))}
              />{' '}
              took {name}
            </span>
          ))}
        </p>
      )}
      {faults.map(({ id, sign, text }) => (
        <label key={id} className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={block.faults?.includes(id) ?? false}
            onChange={({ target }) => onChange(withFault(log, block.id, id, target.checked))}
          />
          <span>Seen: {sign ?? text}</span>
        </label>
      ))}
      <TextField
        label={`Note on ${entry.exercise.name}`}
        note
        value={block.note ?? ''}
        placeholder="A note"
        className="w-full"
        onChange={(note) => onChange(withBlockNote(log, block.id, note))}
      />
    </div>
  );
}
