import { DIRECTION_WORDS, DIRECTIONS, type Direction, ORDER_WORDS, ORDERS, SIDES } from '@warm-ladder/core/method';
import { type ClassChange, type ClassPlan, PURPOSE_WORDS, PURPOSES, type TimedClass } from '@warm-ladder/core/plan';
import { type ReactNode, useState } from 'react';
import { useClassEdit } from '../../app/edits';
import { selectAudiences, selectCatalog } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { LinesField } from '../../parts/LinesField';
import { NumberField } from '../../parts/NumberField';
import { PositionOptions } from '../../parts/PositionOptions';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { LengthGauge } from './LengthGauge';
import { Minding } from './Minding';

type SetClass = (change: ClassChange, label: string, field?: string) => void;

/** The class itself: its name, who it is for, how long it may last, and how long it does; with what can be done about that. */
export function ClassHead({ plan, timed, children }: { plan: ClassPlan; timed: TimedClass; children: ReactNode }) {
  const edit = useClassEdit(plan.id);
  const audiences = useAppSelector(selectAudiences);
  const catalog = useAppSelector(selectCatalog);
  const set: SetClass = (change, label, field = '') => edit({ kind: 'class', change }, label, field);
  return (
    <div className="grid gap-x-8 gap-y-1 md:grid-cols-[1fr_auto]">
      <div className="contents">
        <h1 className="sr-only">{plan.name}</h1>
        <TextField
          label="Name of the class"
          value={plan.name}
          className="-ml-1.5 w-full max-w-xl font-name text-2xl font-semibold"
          onChange={(name) => set({ name }, 'the name', 'name')}
        />
        <div className="flex flex-wrap items-center gap-x-2.5 gap-y-1 text-[15px] md:col-span-2 md:row-start-2">
          <label>
            For{' '}
            <select
              className="field"
              value={plan.audience ?? ''}
              onChange={({ target }) => set({ audience: target.value || undefined }, 'the audience')}
            >
              <option value="">anyone</option>
              {audiences.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <label>
            <span className="sr-only">Delivery</span>
            <select
              className="field"
              value={plan.delivery}
              onChange={({ target }) => set({ delivery: target.value as ClassPlan['delivery'] }, 'the delivery')}
            >
              <option value="group">in a group</option>
              <option value="on-demand">on demand</option>
            </select>
          </label>
          <label>
            Focus{' '}
            <select
              className="field"
              value={plan.focus ?? ''}
              onChange={({ target }) =>
                set({ focus: (target.value || undefined) as Direction | undefined }, 'the focus')
              }
            >
              <option value="">balanced</option>
              {DIRECTIONS.map((direction) => (
                <option key={direction} value={direction}>
                  {DIRECTION_WORDS[direction]}
                </option>
              ))}
            </select>
          </label>
          <label>
            Begins{' '}
            <select
              className="field"
              value={plan.openingPosition ?? ''}
              onChange={({ target }) => set({ openingPosition: target.value || undefined }, 'where it begins')}
            >
              <option value="">at the first block</option>
              <PositionOptions graph={catalog.graph} />
            </select>
          </label>
          <span>
            Target{' '}
            <NumberField
              label="Target, minutes"
              value={plan.targetMinutes}
              min={1}
              max={240}
              className="w-12"
              onChange={(targetMinutes) => set({ targetMinutes }, 'the target', 'target')}
            />{' '}
            min
          </span>
          <span>
            Opening{' '}
            <NumberField
              label="Opening, seconds"
              value={plan.openingSeconds}
              min={0}
              max={3600}
              step={5}
              className="w-12"
              onChange={(openingSeconds) => set({ openingSeconds }, 'the opening', 'opening')}
            />{' '}
            s
          </span>
          <span>
            Closing{' '}
            <NumberField
              label="Closing, seconds"
              value={plan.closingSeconds}
              min={0}
              max={3600}
              step={5}
              className="w-12"
              onChange={(closingSeconds) => set({ closingSeconds }, 'the closing', 'closing')}
            />{' '}
            s
          </span>
          <Choice
            name="Purpose"
            value={plan.purpose ?? 'class'}
            choices={Object.entries(PURPOSE_WORDS)}
            onChange={(purpose) => set({ purpose: PURPOSES.find((each) => each === purpose) }, 'the purpose')}
          />
          <Choice
            name="Order"
            value={plan.order ?? ''}
            choices={[
              ['', `as the house (${ORDER_WORDS[catalog.method.order].toLowerCase()})`],
              ...Object.entries(ORDER_WORDS),
            ]}
            onChange={(order) => set({ order: ORDERS.find((each) => each === order) }, 'the order')}
          />
          <Choice
            name="First side"
            value={plan.firstSide ?? ''}
            choices={[
              ['', `as the house (${catalog.method.firstSide})`],
              ['left', 'left'],
              ['right', 'right'],
            ]}
            onChange={(side) => set({ firstSide: SIDES.find((each) => each === side) }, 'the first side')}
          />
          <SpokenWords plan={plan} set={set} />
          <Minding
            plan={plan}
            audience={audiences.find(({ id }) => id === plan.audience)}
            onChange={(cautions) => set({ cautions }, 'what to mind')}
          />
        </div>
      </div>
      <LengthGauge timed={timed}>{children}</LengthGauge>
    </div>
  );
}

interface ChoiceProps {
  readonly name: string;
  readonly value: string;
  readonly choices: ReadonlyArray<readonly [string, string]>;
  readonly onChange: (value: string) => void;
}

const Choice = ({ name, value, choices, onChange }: ChoiceProps) => (
  <label>
    {name}{' '}
    <select className="field" value={value} onChange={({ target }) => onChange(target.value)}>
      {choices.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  </label>
);

/** What is said before the first block and after the last: welcome, who it is for, what to fetch; what was done. */
function SpokenWords({ plan, set }: { readonly plan: ClassPlan; readonly set: SetClass }) {
  const [open, setOpen] = useState(false);
  const said = (plan.openingWords?.length ?? 0) + (plan.closingWords?.length ?? 0);
  const lines = (made: string[]) => (made.length > 0 ? made : undefined);
  return (
    <>
      <button
        type="button"
        className="rounded px-1 text-left underline decoration-dotted underline-offset-4 hover:bg-shade"
        onClick={() => setOpen(true)}
      >
        Opening and closing words{said === 0 ? '' : ` (${said})`}
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Opening and closing words"
        about="Said before the first block and after the last, one sentence a line. The script begins and ends with them."
      >
        <LinesField
          label="Opening: welcome, who it is for, what to fetch"
          value={plan.openingWords ?? []}
          placeholder="One sentence a line"
          onChange={(words) => set({ openingWords: lines(words) }, 'the opening words', 'opening words')}
        />
        <LinesField
          label="Closing: what was done, where next"
          value={plan.closingWords ?? []}
          placeholder="One sentence a line"
          onChange={(words) => set({ closingWords: lines(words) }, 'the closing words', 'closing words')}
        />
      </Sheet>
    </>
  );
}
