import { doseOf, offeredRungs, optionOf, type RungBlock, repsOf, untypedSetup } from '@warm-ladder/core/plan';
import { LANE_WORDS, laneOf, type RungEntry } from '@warm-ladder/core/repertoire';
import { rangeWords } from '@warm-ladder/core/script';
import { BookOpen, Lock } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { selectCatalog } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { BinButton } from '../../../parts/BinButton';
import { Choice } from '../../../parts/fields/Choice';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import { KeepForTime } from '../SpareList';
import type { TileActions } from '../strip/useTileActions';
import { GiveField } from './GiveField';
import { ShortForm } from './ShortForm';

interface BlockDetailsProps {
  readonly index: number;
  readonly block: RungBlock;
  readonly entry: RungEntry;
  readonly run: 'joined' | 'possible' | null;
  readonly carries: boolean;
  /** Whether position and props stay, so that it could be said to carry on. */
  readonly mayCarry: boolean;
  readonly actions: TileActions;
}

type Part = Pick<BlockDetailsProps, 'index' | 'block' | 'entry' | 'actions'> & {
  readonly set: (change: Parameters<TileActions['set']>[1], label: string, field?: string) => void;
};

/** What a block seldom needs: options, sides, how it hangs together with the last one, set-up, tempo, rest. */
export default function BlockDetails({ index, block, entry, run, carries, mayCarry, actions }: BlockDetailsProps) {
  const { exercise } = entry;
  const set: Part['set'] = (change, label, field = '') =>
    actions.set(block.id, change, `${label} of ${exercise.name}`, field);
  const part: Part = { index, block, entry, actions, set };
  return (
    <div className="flex flex-wrap items-start gap-x-7 gap-y-2 py-2 text-[15px]">
      <Options {...part} />
      {exercise.sides !== 'both' && <Sides {...part} run={run} />}
      <SetUp {...part} carries={carries} mayCarry={mayCarry} />
      <Dose {...part} />
      <span className="ml-auto flex gap-2 self-end">
        <label className="action text-sm">
          <input
            type="checkbox"
            className="sr-only"
            checked={block.locked ?? false}
            onChange={({ target }) => set({ locked: target.checked || undefined }, 'the lock')}
          />
          <Lock className={`size-4 ${block.locked ? '' : 'opacity-40'}`} aria-hidden="true" />
          {block.locked ? 'Locked' : 'Lock'}
        </label>
        <KeepForTime id={block.id} actions={actions} />
        <ShortForm id={block.id} actions={actions} />
        <Link to={`/repertoire/${exercise.id}`} className="action text-sm">
          <BookOpen className="size-4" aria-hidden="true" /> Its ladder
        </Link>
        <BinButton word="Remove" onPress={() => actions.remove(block.id)} />
      </span>
    </div>
  );
}

/** Rungs of the same ladder to be offered aloud, each with where it stands to the main version. */
function Options({ block, entry, set }: Part) {
  const catalog = useAppSelector(selectCatalog);
  const offered = offeredRungs(block);
  const ladder = catalog.ladder(entry.exercise.id);
  const offer = (rung: string, on: boolean) => {
    const wanted = ladder.flatMap(({ rung: { id } }) => {
      if (id === rung) return on ? [id] : [];
      return block.options?.filter((each) => optionOf(each).rung === id) ?? [];
    });
    set({ options: wanted.length > 0 ? wanted : undefined }, 'the options');
  };
  const others = ladder.filter(({ rung }) => rung.id !== entry.rung.id);
  if (others.length === 0) return null;
  return (
    <fieldset>
      <legend className="text-sm text-soft">Options to offer</legend>
      {others.map((other) => (
        <label key={other.key} className="mr-4 inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={offered.includes(other.rung.id)}
            onChange={({ target }) => offer(other.rung.id, target.checked)}
          />
          <span className="text-soft">{LANE_WORDS[laneOf(entry, other)]}</span> {other.rung.name}
        </label>
      ))}
    </fieldset>
  );
}

/** Which sides, which one begins, whether the second does otherwise, and the run it belongs to. */
function Sides({ index, block, entry, run, actions, set }: Part & { readonly run: BlockDetailsProps['run'] }) {
  const { sides } = entry;
  const each = sides === 'each' && block.side === undefined;
  const reps = repsOf(doseOf(entry, block));
  return (
    <>
      <Field name="Sides">
        <select
          className="field"
          aria-label={`Sides of block ${index + 1}`}
          value={block.side ?? ''}
          onChange={({ target }) => set({ side: sideOf(target.value) }, 'the sides')}
        >
          <option value="">both, {sides === 'each' ? 'one after the other' : 'alternating'}</option>
          <option value="left">left only</option>
          <option value="right">right only</option>
        </select>
      </Field>
      {block.side === undefined && (
        <Field name="Begins on">
          <select
            className="field"
            aria-label={`First side of block ${index + 1}`}
            value={block.firstSide ?? ''}
            onChange={({ target }) => set({ firstSide: sideOf(target.value) }, 'the first side')}
          >
            <option value="">the side of the class</option>
            <option value="left">the left</option>
            <option value="right">the right</option>
          </select>
        </Field>
      )}
      {each && block.mode !== 'show' && (
        <Field name="Second side">
          <span>
            <NumberField
              label={`Reps of the second side of block ${index + 1}`}
              value={block.secondDose?.reps ?? reps}
              limits={LIMITS.SecondDose.reps}
              className="w-10"
              onChange={(second) =>
                set({ secondDose: second === reps ? undefined : { reps: second } }, 'the second side')
              }
            />{' '}
            {block.secondDose === undefined ? 'reps, as the first' : 'reps'}
          </span>
        </Field>
      )}
      {run !== null && (
        <Field name="Run">
          <label className="inline-flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={run === 'joined'}
              onChange={({ target }) => actions.joinRun(block.id, target.checked)}
            />
            one side together with the block before
          </label>
        </Field>
      )}
    </>
  );
}

/** Whether it goes on from the block before, and how long its set-up takes. */
function SetUp({
  index,
  block,
  entry,
  carries,
  mayCarry,
  set,
}: Part & Pick<BlockDetailsProps, 'carries' | 'mayCarry'>) {
  const { method } = useAppSelector(selectCatalog);
  const { seconds: own, spoken } = untypedSetup(entry, block, method, method.wordsPerMinute, carries);
  const seen = block.carry === undefined;
  return (
    <>
      {mayCarry && (
        <Field name="After the block before">
          <select
            className="field"
            aria-label={`After the block before, block ${index + 1}`}
            value={seen ? '' : block.carry ? 'yes' : 'no'}
            onChange={({ target }) =>
              set({ carry: target.value === '' ? undefined : target.value === 'yes' }, 'how it goes on')
            }
          >
            <option value="">{seen && carries ? 'goes on in the same shape (seen)' : 'as the poses show'}</option>
            <option value="yes">goes on in the same shape</option>
            <option value="no">a new shape</option>
          </select>
        </Field>
      )}
      <Field name="Set-up">
        <span>
          <NumberField
            label={`Set-up of block ${index + 1}, seconds`}
            value={block.setupSeconds ?? Math.round(own)}
            limits={LIMITS.RungBlock.setupSeconds}
            className="w-12"
            onChange={(seconds) =>
              set({ setupSeconds: seconds === Math.round(own) ? undefined : seconds }, 'the set-up', 'setup')
            }
          />{' '}
          s{block.setupSeconds !== undefined && <span className="text-soft"> (else {Math.round(own)})</span>}
          {spoken > 0 && <span className="text-soft"> · its words take {Math.round(spoken)} s</span>}
        </span>
      </Field>
    </>
  );
}

/** A range, until tired, the tempo, the rest after it. */
function Dose({ index, block, entry, actions, set }: Part) {
  const dose = doseOf(entry, block);
  const number = index + 1;
  return (
    <>
      {block.mode !== 'show' && (
        <Field name="Up to">
          <span>
            <NumberField
              label={`Most reps of block ${number}`}
              value={dose.repsTo ?? dose.reps}
              limits={{ ...LIMITS.Dose.repsTo, min: dose.reps }}
              className="w-10"
              onChange={(repsTo) =>
                actions.dose(block.id, { reps: dose.reps, repsTo: repsTo > dose.reps ? repsTo : undefined })
              }
            />{' '}
            <label className="ml-1 inline-flex items-center gap-1">
              <input
                type="checkbox"
                checked={dose.until === 'tired'}
                onChange={({ target }) => actions.dose(block.id, { until: target.checked ? 'tired' : undefined })}
              />
              or until tired
            </label>
          </span>
        </Field>
      )}
      {(block.mode === 'show' || dose.days !== undefined) && <Later {...{ index, block, entry, actions, set }} />}
      <Field name="Goes">
        <Choice
          label={`Range of block ${number}`}
          value={String(block.range ?? 1)}
          choices={RANGES}
          onChange={(share) => set({ range: Number(share) < 1 ? Number(share) : undefined }, 'the range')}
        />
      </Field>
      <Field name="One count">
        <span>
          <NumberField
            label={`Seconds per count of block ${number}`}
            value={dose.secondsPerCount ?? actions.secondsPerCount}
            limits={LIMITS.Dose.secondsPerCount}
            step={0.25}
            className="w-14"
            onChange={(secondsPerCount) => actions.dose(block.id, { secondsPerCount })}
          />{' '}
          s
        </span>
      </Field>
      <Field name="Rest after">
        <span>
          <NumberField
            label={`Rest after block ${number}`}
            value={block.restAfterSeconds ?? 0}
            limits={LIMITS.RungBlock.restAfterSeconds}
            step={5}
            className="w-14"
            onChange={(seconds) => set({ restAfterSeconds: seconds || undefined }, 'the rest', 'rest')}
          />{' '}
          s
        </span>
      </Field>
      {!block.locked && block.run === undefined && (
        <GiveField number={number} give={block.give} onChange={(give) => set({ give }, 'what may go', 'give')} />
      )}
    </>
  );
}

/** How far a block goes, as a director sets it. */
const RANGES = [
  ['1', 'all the way'],
  ['0.75', `${rangeWords(0.75).toLowerCase()} of the range`],
  ['0.5', `${rangeWords(0.5).toLowerCase()} the range`],
  ['0.25', `${rangeWords(0.25).toLowerCase()} of the range`],
] as const;

const sideOf = (value: string): 'left' | 'right' | undefined =>
  value === 'left' || value === 'right' ? value : undefined;

const Field = ({ name, children }: { name: string; children: ReactNode }) => (
  <span className="flex flex-col">
    <span className="text-sm text-soft" aria-hidden="true">
      {name}
    </span>
    {children}
  </span>
);

/** What is prescribed for later: how often at a time, and on how many days a week. */
function Later({ index, block, entry, actions }: Part) {
  const dose = doseOf(entry, block);
  const number = index + 1;
  return (
    <Field name="For later, at home">
      <span>
        <NumberField
          label={`Prescribed sets of block ${number}`}
          value={dose.sets}
          limits={LIMITS.Dose.sets}
          className="w-8"
          onChange={(sets) => actions.dose(block.id, { sets })}
        />{' '}
        ×{' '}
        <NumberField
          label={`Prescribed reps of block ${number}`}
          value={dose.reps}
          limits={LIMITS.Dose.reps}
          className="w-10"
          onChange={(reps) =>
            actions.dose(block.id, { reps, ...(dose.repsTo ? { repsTo: Math.max(reps, dose.repsTo) } : {}) })
          }
        />{' '}
        to{' '}
        <NumberField
          label={`Prescribed most reps of block ${number}`}
          value={dose.repsTo ?? dose.reps}
          limits={{ ...LIMITS.Dose.repsTo, min: dose.reps }}
          className="w-10"
          onChange={(repsTo) =>
            actions.dose(block.id, { reps: dose.reps, repsTo: repsTo > dose.reps ? repsTo : undefined })
          }
        />
        , on{' '}
        <NumberField
          label={`Days a week of block ${number}`}
          value={dose.days ?? 0}
          limits={{ ...LIMITS.Dose.days, min: 0 }}
          className="w-8"
          onChange={(days) =>
            actions.dose(block.id, {
              days: days > 0 ? days : undefined,
              daysTo: days > 0 && dose.daysTo !== undefined && dose.daysTo > days ? dose.daysTo : undefined,
            })
          }
        />{' '}
        to{' '}
        <NumberField
          label={`Most days a week of block ${number}`}
          value={dose.daysTo ?? dose.days ?? 0}
          limits={{ ...LIMITS.Dose.daysTo, min: dose.days ?? 0 }}
          className="w-8"
          onChange={(daysTo) =>
            actions.dose(block.id, {
              days: dose.days ?? daysTo,
              daysTo: dose.days !== undefined && daysTo > dose.days ? daysTo : undefined,
            })
          }
        />{' '}
        days a week
      </span>
    </Field>
  );
}
