import { closestCenter, DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { ClassPlan, TimedBlock } from '@warm-ladder/core/plan';
import type { Prop } from '@warm-ladder/core/repertoire';
import { conditionsOf, type Remedy, type Severity } from '@warm-ladder/core/review';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { Plus, ScrollText } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useClassEdit } from '../../app/edits';
import { LostPage } from '../../app/LostPage';
import { selectAudiences, selectCatalog, selectClasses, selectReview } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
import { useSingleKey } from '../../app/useShortcuts';
import { AddSheet } from './AddSheet';
import { BlockRow, StartsContext } from './BlockRow';
import { ClassHead } from './ClassHead';
import { FindingsPanel } from './FindingsPanel';
import { InsteadSheet } from './InsteadSheet';
import { PartsBar } from './LengthGauge';
import { StairsView } from './StairsView';
import { focusRow, useRowActions } from './useRowActions';

export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClasses(state).find((each) => each.id === id));
  return plan ? <ClassDesk key={plan.id} plan={plan} /> : <LostPage />;
}

const NOBODY: ReadonlySet<number> = new Set();

function ClassDesk({ plan }: { plan: ClassPlan }) {
  const catalog = useAppSelector(selectCatalog);
  const review = useAppSelector((state) => selectReview(state, plan));
  const { timed, findings } = review;
  const [selected, setSelected] = useState<number | null>(plan.blocks.length > 0 ? 0 : null);
  const [open, setOpen] = useState<number | null>(null);
  const [pointed, setPointed] = useState<ReadonlySet<number>>(NOBODY);
  const [adding, setAdding] = useState(false);
  const [instead, setInstead] = useState<number | null>(null);
  const audience = useAppSelector((state) => selectAudiences(state).find(({ id }) => id === plan.audience));
  const edit = useClassEdit(plan.id);
  const toggle = useCallback((index: number) => setOpen((now) => (now === index ? null : index)), []);
  const actions = useRowActions(catalog, plan.id, {
    blocks: timed.blocks,
    select: setSelected,
    toggle,
    instead: setInstead,
  });
  const grave = useMemo(() => {
    const worst = new Map<number, Severity>();
    for (const { blocks, severity } of findings) for (const b of blocks) if (!worst.has(b)) worst.set(b, severity);
    return worst;
  }, [findings]);
  const point = useCallback(
    (blocks: readonly number[]) => setPointed(blocks.length > 0 ? new Set(blocks) : NOBODY),
    [],
  );
  const go = useCallback((block: number) => {
    setSelected(block);
    document.getElementById(`block-${block}`)?.scrollIntoView({ block: 'center', behavior: 'smooth' });
    focusRow(block);
  }, []);
  const mend = useCallback((remedy: Remedy) => edit(remedy.edits, remedy.label), [edit]);
  useSingleKey(
    'a',
    useCallback(() => setAdding(true), []),
  );
  const replaced = instead === null ? undefined : timed.blocks[instead];
  const after = selected === null ? plan.blocks.length : Math.min(selected + 1, plan.blocks.length);
  return (
    <main className="mx-auto flex w-full max-w-[1500px] grow flex-col gap-3 px-4 py-3">
      <ClassHead plan={plan} timed={timed} />
      <StairsView catalog={catalog} review={review} grave={grave} selected={selected} pointed={pointed} onSelect={go} />
      <div className="grid grow items-start gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1fr)_20.5rem]">
        <section aria-label="Blocks" className="min-w-0">
          <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
            <button type="button" className="action action-main" onClick={() => setAdding(true)}>
              <Plus className="size-4" aria-hidden="true" /> Add from the repertoire
            </button>
            <Link to={`/script/${plan.id}`} className="action">
              <ScrollText className="size-4" aria-hidden="true" /> Script
            </Link>
            <PartsBar timed={timed} />
          </div>
          <Rows timed={timed.blocks} {...{ catalog, grave, selected, open, pointed, actions }} />
          {plan.blocks.length === 0 && <Beginning />}
        </section>
        <aside className="contain-content lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)] lg:overflow-y-auto">
          <FindingsPanel findings={findings} onPoint={point} onGo={go} onMend={mend} />
        </aside>
      </div>
      <p className="border-t border-line pt-2 text-sm text-soft">{GENERAL_ADVICE}</p>
      {replaced && (
        <InsteadSheet
          catalog={catalog}
          block={replaced}
          audience={audience}
          conditions={conditionsOf({ timed, audience })}
          actions={actions}
          close={() => setInstead(null)}
        />
      )}
      {adding && <AddSheet plan={plan} at={after} close={() => setAdding(false)} onAdded={setSelected} />}
    </main>
  );
}

function Beginning() {
  return (
    <div className="mt-4 max-w-prose">
      <p className="font-name text-xl">An empty floor.</p>
      <p className="mt-1 text-soft">
        Begin with breath and connection, build towards a peak at about two thirds, then ease. Add the first rung with
        the button above, or press A.
      </p>
    </div>
  );
}

interface RowsProps {
  readonly timed: readonly TimedBlock[];
  readonly catalog: ReturnType<typeof selectCatalog>;
  readonly grave: ReadonlyMap<number, Severity>;
  readonly selected: number | null;
  readonly open: number | null;
  readonly pointed: ReadonlySet<number>;
  readonly actions: ReturnType<typeof useRowActions>;
}

/** A press becomes a drag after four pixels. One object: a new one would redraw every row at every edit. */
const DRAG = { activationConstraint: { distance: 4 } };

function Rows({ timed, catalog, grave, selected, open, pointed, actions }: RowsProps) {
  const sensors = useSensors(useSensor(PointerSensor, DRAG));
  const count = timed.length;
  const ids = useMemo(() => Array.from({ length: count }, (_, i) => i + 1), [count]);
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) actions.move(Number(active.id) - 1, Number(over.id) - 1);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col gap-0.5">
          <StartsContext value={timed}>
            {timed.map((each, i) => (
              <BlockRow
                key={each.index}
                index={each.index}
                block={each.block}
                entry={each.entry}
                seconds={each.seconds}
                way={wayWords(each)}
                heat={catalog.heat(each.entry)}
                severity={grave.get(i)}
                selected={selected === i}
                open={open === i}
                pointed={pointed.has(i)}
                run={runWithAbove(each, timed[i - 1])}
                actions={actions}
              />
            ))}
          </StartsContext>
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** The change into a block as its row says it: `13 s to prone, take roller`. */
function wayWords({ change, entry }: TimedBlock): string | null {
  if (change.seconds === 0) return null;
  const names = (props: readonly Prop[]) => props.map(({ name }) => name.toLowerCase()).join(', ');
  return [
    `${Math.round(change.seconds)} s${change.places.length > 1 ? ` to ${entry.exercise.position}` : ''}`,
    change.taken.length > 0 ? `take ${names(change.taken)}` : '',
    change.putAway.length > 0 ? `put away ${names(change.putAway)}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Whether a block is, or could be, in one run with the block above it. */
function runWithAbove(block: TimedBlock, above: TimedBlock | undefined): 'joined' | 'possible' | null {
  if (above === undefined) return null;
  if (block.block.run !== undefined && block.block.run === above.block.run) return 'joined';
  const goes = (each: TimedBlock) => each.entry.exercise.sides === 'each' && each.block.side === undefined;
  return goes(block) && goes(above) && block.entry.exercise.position === above.entry.exercise.position
    ? 'possible'
    : null;
}
