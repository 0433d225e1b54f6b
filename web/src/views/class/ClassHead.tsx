import { DIRECTION_WORDS, DIRECTIONS, ORDER_WORDS, ORDERS, SIDES } from '@warm-ladder/core/method';
import {
  type ClassChange,
  type ClassPlan,
  PURPOSE_WORDS,
  PURPOSES,
  shortForm,
  type TimedClass,
  timeClass,
} from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { type ReactNode, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { lazily } from '../../app/shell/lazily';
import { useClassEdit } from '../../app/store/edits';
import { selectAudiences, selectCatalog, selectSeries } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { ChoicesButton } from '../../parts/fields/ChoicesButton';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { heatStep } from '../../parts/rungs/heat';
import { LengthGauge } from './LengthGauge';
import { Minding } from './mending/Minding';

const SpokenWords = lazily(() => import('./details/SpokenWords'));

export type SetClass = (change: ClassChange, label: string, field?: string) => void;

/** The class itself: its name, who it is for, how long it may last, and how long it does; with what can be done about that. */
export function ClassHead({ plan, timed, children }: { plan: ClassPlan; timed: TimedClass; children: ReactNode }) {
  const edit = useClassEdit(plan.id);
  const audiences = useAppSelector(selectAudiences);
  const catalog = useAppSelector(selectCatalog);
  const [speaking, setSpeaking] = useState(false);
  const audience = audiences.find(({ id }) => id === plan.audience);
  const short = useMemo(() => {
    const shorter = shortForm(plan);
    return shorter && timeClass(catalog, shorter, { audience }).seconds;
  }, [catalog, plan, audience]);
  const said = (plan.openingWords?.length ?? 0) + (plan.closingWords?.length ?? 0);
  const set: SetClass = (change, label, field = '') => edit({ kind: 'class', change }, label, field);
  return (
    <div>
      <h1 className="sr-only">{plan.name}</h1>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <div className="flex min-w-72 grow flex-wrap items-baseline gap-x-3 gap-y-1 sm:flex-nowrap">
          <Link to="/class" className="shrink-0 underline decoration-dotted underline-offset-4 hover:bg-shade">
            All classes
          </Link>
          <Link
            to={`/versions?one=${plan.id}`}
            className="shrink-0 underline decoration-dotted underline-offset-4 hover:bg-shade"
          >
            Set beside another
          </Link>
          <TextField
            label="Name of the class"
            value={plan.name}
            className="-ml-1.5 w-full min-w-0 font-name text-xl font-semibold"
            onChange={(name) => set({ name }, 'the name', 'name')}
          />
        </div>
        <LengthGauge timed={timed} short={short}>
          {children}
        </LengthGauge>
      </div>
      <p className="mt-0.5 font-narrow text-[15px] leading-[1.75]">
        <Choice
          label="Purpose"
          value={plan.purpose ?? 'class'}
          choices={Object.entries(PURPOSE_WORDS)}
          onChange={(purpose) => set({ purpose: PURPOSES.find((each) => each === purpose) }, 'the purpose')}
        />{' '}
        of{' '}
        <NumberField
          label="Target, minutes"
          value={plan.targetMinutes}
          limits={LIMITS.Class.targetMinutes}
          className="w-10"
          onChange={(targetMinutes) => set({ targetMinutes }, 'the target', 'target')}
        />{' '}
        minutes for{' '}
        <Choice
          label="For"
          value={plan.audience ?? ''}
          choices={[['', 'anyone'], ...audiences.map(({ id, name }) => [id, name] as const)]}
          onChange={(audience) => set({ audience: audience || undefined }, 'the audience')}
        />{' '}
        <Choice
          label="Delivery"
          value={plan.delivery}
          choices={[
            ['group', 'in a group'],
            ['on-demand', 'on demand'],
          ]}
          onChange={(delivery) => set({ delivery: delivery as ClassPlan['delivery'] }, 'the delivery')}
        />
        , about{' '}
        <Choice
          label="Focus"
          value={plan.focus ?? ''}
          choices={[['', 'a bit of everything'], ...DIRECTIONS.map((each) => [each, DIRECTION_WORDS[each]] as const)]}
          onChange={(focus) => set({ focus: DIRECTIONS.find((each) => each === focus) }, 'the focus')}
        />
        ,{' '}
        <Choice
          label="Order"
          value={plan.order ?? ''}
          choices={[
            ['', `${ORDER_WORDS[catalog.method.order].toLowerCase()}, as the house`],
            ...ORDERS.map((each) => [each, ORDER_WORDS[each].toLowerCase()] as const),
          ]}
          onChange={(order) => set({ order: ORDERS.find((each) => each === order) }, 'the order')}
        />
        . It begins{' '}
        <Choice
          label="Begins"
          value={plan.openingPosition ?? ''}
          choices={[
            ['', 'where the first block is'],
            ...catalog.graph.positions.map((each) => [each, catalog.graph.name(each)] as const),
          ]}
          onChange={(position) => set({ openingPosition: position || undefined }, 'where it begins')}
        />{' '}
        on the{' '}
        <Choice
          label="First side"
          value={plan.firstSide ?? ''}
          choices={[['', `${catalog.method.firstSide}, as the house`], ...SIDES.map((side) => [side, side] as const)]}
          onChange={(side) => set({ firstSide: SIDES.find((each) => each === side) }, 'the first side')}
        />
        , opens for{' '}
        <NumberField
          label="Opening, seconds"
          value={plan.openingSeconds}
          limits={LIMITS.Class.openingSeconds}
          step={5}
          className="w-11"
          onChange={(openingSeconds) => set({ openingSeconds }, 'the opening', 'opening')}
        />{' '}
        s and closes for{' '}
        <NumberField
          label="Closing, seconds"
          value={plan.closingSeconds}
          limits={LIMITS.Class.closingSeconds}
          step={5}
          className="w-11"
          onChange={(closingSeconds) => set({ closingSeconds }, 'the closing', 'closing')}
        />{' '}
        s. <Works timed={timed} catalog={catalog} />{' '}
        <button
          type="button"
          className="rounded px-1 text-left underline decoration-dotted underline-offset-4 hover:bg-shade"
          onClick={() => setSpeaking(true)}
        >
          Opening and closing words{said === 0 ? '' : ` (${said})`}
        </button>
        {speaking && (
          <Suspense>
            <SpokenWords plan={plan} set={set} close={() => setSpeaking(false)} />
          </Suspense>
        )}{' '}
        <Minding plan={plan} audience={audience} onChange={(cautions) => set({ cautions }, 'what to mind')} />
        <ChoicesButton
          title="Done otherwise in this class"
          value={plan.choices}
          onChange={(choices) => set({ choices }, 'what is done otherwise')}
        />{' '}
        <InSeries id={plan.id} />
      </p>
    </div>
  );
}

/** The series it is an episode of. */
function InSeries({ id }: { id: string }) {
  const all = useAppSelector(selectSeries);
  return all.flatMap(({ id: series, name, episodes }) =>
    episodes.flatMap((episode, i) =>
      episode.class === id
        ? [
            <Link
              key={`${series} ${i}`}
              to={`/series/${series}`}
              className="ml-1 rounded px-1 underline decoration-dotted underline-offset-4 hover:bg-shade"
            >
              Episode {i + 1} of {name}
            </Link>,
          ]
        : [],
    ),
  );
}

/** From which heat to which the class works, with the words of both. */
function Works({ timed, catalog }: { timed: TimedClass; catalog: Catalog }) {
  const heats = timed.blocks.map(({ entry }) => Math.round(catalog.heat(entry)));
  if (heats.length === 0) return null;
  const [least, most] = [Math.min(...heats), Math.max(...heats)];
  return (
    <span title="Heat says how hard, 0 to 100">
      It works from {heatStep(least).word} ({least}) to {heatStep(most).word} ({most}).
    </span>
  );
}
