import { DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import type { ClassPlan, TimedClass } from '@warm-ladder/core/plan';
import { useClassEdit } from '../../app/edits';
import { selectAudiences, selectCatalog } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { LengthGauge } from './LengthGauge';
import { Minding } from './Minding';

/** The class itself: its name, who it is for, how long it may last, and how long it does. */
export function ClassHead({ plan, timed }: { plan: ClassPlan; timed: TimedClass }) {
  const edit = useClassEdit(plan.id);
  const audiences = useAppSelector(selectAudiences);
  const catalog = useAppSelector(selectCatalog);
  const set = (change: Partial<Omit<ClassPlan, 'id' | 'blocks'>>, label: string, field = '') =>
    edit({ kind: 'class', change }, label, field);
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
              {catalog.graph.positions.map((position) => (
                <option key={position} value={position}>
                  {catalog.graph.name(position)}
                </option>
              ))}
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
          <Minding
            plan={plan}
            audience={audiences.find(({ id }) => id === plan.audience)}
            onChange={(cautions) => set({ cautions }, 'what to mind')}
          />
        </div>
      </div>
      <LengthGauge timed={timed} />
    </div>
  );
}
