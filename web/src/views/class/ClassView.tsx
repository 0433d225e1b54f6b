import type { Fix } from '@warm-ladder/core/mend';
import {
  type Audience,
  applyEdits,
  type ClassPlan,
  guessedSetups,
  type InterludeKind,
  type PlanEdit,
  timeClass,
} from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { arisesIn, clock, conditionsOf, type Finding, type Severity, verdictOf } from '@warm-ladder/core/review';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { Pause, Plus, ScrollText } from 'lucide-react';
import { Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useSingleKey } from '../../app/menus/useShortcuts';
import { LostPage } from '../../app/shell/LostPage';
import { lazily } from '../../app/shell/lazily';
import { classOpened } from '../../app/store/deskState';
import { useClassEdit } from '../../app/store/edits';
import { selectAudience, selectCatalog, selectClass, selectReview } from '../../app/store/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { useDesk } from '../../desk/useDesk';
import { useNear } from '../../parts/useNear';
import { ClassHead } from './ClassHead';
import { Directions } from './Directions';
import { Said } from './details/Said';
import { useInterlude } from './details/useInterlude';
import { PartsBar } from './LengthGauge';
import { FindingsPanel } from './mending/FindingsPanel';
import { StairsView } from './stairs/StairsView';
import { SkipLinks } from './strip/SkipLinks';
import { Strip } from './strip/Strip';
import { focusTile, useTileActions } from './strip/useTileActions';

// Menus come with a library of their own: the class shows before it does.
const InterludeMenu = lazily(() => import('./details/InterludeMenu'));
const AddPanel = lazily(() => import('./AddPanel'));
const WithTeacher = lazily(() => import('./WithTeacher'));
const SpareList = lazily(() => import('./SpareList'));
const InsteadSheet = lazily(() => import('./mending/InsteadSheet'));
const ClassStrip = lazily(() => import('./strip/ClassStrip'));
const ChosenBar = lazily(() => import('./strip/ChosenBar'));
const FitButton = lazily(() => import('./mending/FitButton'));
const LevelsButton = lazily(() => import('./mending/LevelsButton'));
const LevelsView = lazily(() => import('./LevelsView'));
const MendSheet = lazily(() => import('./mending/MendSheet'));

export function Component() {
  const { id } = useParams();
  const plan = useAppSelector((state) => selectClass(state, id));
  const dispatch = useAppDispatch();
  const known = plan?.id;
  useEffect(() => {
    if (known !== undefined) dispatch(classOpened(known));
  }, [known, dispatch]);
  return plan ? <ClassDesk key={plan.id} plan={plan} /> : <LostPage />;
}

const NOBODY: ReadonlySet<string> = new Set();
/** What the strip stands in for: the stairs, once nothing of them is seen. */
const IN_SIGHT = '-40px 0px 0px 0px';

/** A set with one more, or without it; @param on which of the two; the other way round than now when unsaid */
function toggled(set: ReadonlySet<string>, id: string, on = !set.has(id)): ReadonlySet<string> {
  const next = new Set(set);
  if (on) next.add(id);
  else next.delete(id);
  return next;
}

function ClassDesk({ plan }: { plan: ClassPlan }) {
  const catalog = useAppSelector(selectCatalog);
  const review = useAppSelector((state) => selectReview(state, plan));
  const { timed, findings } = review;
  const verdict = useMemo(() => verdictOf(review), [review]);
  const [selected, setSelected] = useState<string | null>(plan.blocks[0]?.id ?? null);
  const [address, setAddress] = useSearchParams();
  const levels = address.get('view') === 'levels';
  const [open, setOpen] = useState<string | null>(null);
  const [pointed, setPointed] = useState<ReadonlySet<string>>(NOBODY);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(NOBODY);
  const choose = useCallback((id: string, on?: boolean) => setChosen((now) => toggled(now, id, on)), []);
  const [adding, setAdding] = useState(false);
  const [instead, setInstead] = useState<string | null>(null);
  const audience = useAppSelector((state) => selectAudience(state, plan.audience));
  const edit = useClassEdit(plan.id);
  const toggle = useCallback((id: string) => setOpen((now) => (now === id ? null : id)), []);
  const actions = useTileActions(catalog, plan.id, {
    sequence: timed.sequence,
    select: setSelected,
    choose,
    toggle,
    instead: setInstead,
  });
  const grave = useMemo(() => {
    const worst = new Map<string, Severity>();
    for (const { ids, severity } of findings) for (const id of ids) if (!worst.has(id)) worst.set(id, severity);
    return worst;
  }, [findings]);
  const point = useCallback((ids: readonly string[]) => setPointed(ids.length > 0 ? new Set(ids) : NOBODY), []);
  const now = useRef(review);
  useEffect(() => {
    now.current = review;
  });
  const go = useCallback((id: string) => {
    const index = now.current.timed.sequence.findIndex(({ block }) => block.id === id);
    setSelected(id);
    document.getElementById(`block-${index}`)?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
    focusTile(index);
  }, []);
  const linked = address.get('block');
  useEffect(() => {
    // A link from elsewhere names a block.
    if (linked !== null) go(linked);
  }, [linked, go]);
  const [watchStairs, stairsSeen] = useNear<HTMLDivElement>(true, IN_SIGHT);
  const arises = useCallback(({ code }: Finding) => arisesIn(code, audience), [audience]);
  const desk = useDesk(plan.id);
  const mend = useCallback(
    (fix: Fix) => {
      edit(fix.edits, fix.label);
      // The remedy goes with what it mends: the hand stays among what is left.
      requestAnimationFrame(() => document.getElementById('findings')?.focus());
    },
    [edit],
  );
  const [mending, setMending] = useState(false);
  const [tried, setTried] = useState<Tried | null>(null);
  const ghost = useGhost(catalog, plan, audience, tried);
  const preview = useCallback(
    (edits: readonly PlanEdit[] | null) => setTried(edits && { plan: now.current.timed.plan, edits }),
    [],
  );
  useSingleKey(
    'add',
    useCallback(() => setAdding(true), []),
  );
  const replaced = timed.blocks.find(({ block }) => block.id === instead);
  const place = plan.blocks.findIndex(({ id }) => id === selected);
  const after = place < 0 ? plan.blocks.length : place + 1;
  const { rest, fresh } = useInterlude(review, after);
  const addInterlude = (kind: InterludeKind) => {
    const block = fresh(kind);
    edit({ kind: 'insert', before: plan.blocks[after]?.id ?? null, block }, `adding ${block.name}`);
    setSelected(block.id);
    setOpen(block.id);
  };
  return (
    <main
      data-desk
      className="mx-auto flex w-full max-w-[1800px] grow flex-col gap-2 px-4 py-2 desk:min-h-0 desk:overflow-hidden desk:pb-0"
    >
      <SkipLinks />
      <Said text={`${clock(timed.seconds)}, ${verdict.text}`} />
      <ClassHead plan={plan} timed={timed}>
        <Suspense fallback={<span className="action text-sm">Fit it</span>}>
          <FitButton
            timed={timed}
            fit={desk.fit}
            lateChance={catalog.method.craft.lateChance}
            onTake={(edits) => edit(edits, 'fitting it to its length')}
          />
        </Suspense>
      </ClassHead>
      {!stairsSeen && (
        <Suspense>
          <ClassStrip {...{ catalog, review, selected }} />
        </Suspense>
      )}
      <div className="grid grow items-start gap-x-5 gap-y-3 lg:grid-cols-[minmax(0,1fr)_20.5rem] desk:min-h-0 desk:grid-rows-[minmax(0,1fr)] desk:items-stretch">
        <div className="flex min-w-0 flex-col gap-1 desk:min-h-0">
          <div ref={watchStairs}>
            <StairsView
              {...{ catalog, review, grave, selected, ghost }}
              pointed={pointed.size > 0 ? pointed : chosen}
              onSelect={(id, more) => (more ? choose(id) : go(id))}
            />
          </div>
          <div className="flex flex-wrap items-center gap-2">
            <button id="add" type="button" className="action action-main text-sm" onClick={() => setAdding(true)}>
              <Plus className="size-4" aria-hidden="true" /> Add from the repertoire
            </button>
            <Suspense
              fallback={
                <span className="action text-sm">
                  <Pause className="size-4" aria-hidden="true" /> Add an interlude
                </span>
              }
            >
              <InterludeMenu rest={rest} onAdd={addInterlude} />
            </Suspense>
            <button
              type="button"
              className="action text-sm"
              aria-pressed={levels}
              onClick={() => setAddress(levels ? {} : { view: 'levels' }, { replace: true })}
            >
              {levels ? 'Back to the blocks' : 'Levels'}
            </button>
            <Suspense fallback={<span className="action text-sm">Levels everywhere</span>}>
              <LevelsButton levels={desk.levels} onTake={(edits) => edit(edits, 'levels everywhere')} />
            </Suspense>
            <Link to={`/script/${plan.id}`} className="action text-sm">
              <ScrollText className="size-4" aria-hidden="true" /> Script
            </Link>
          </div>
          <section
            aria-label="Blocks"
            className="relative -mx-1 min-w-0 px-1 desk:min-h-0 desk:grow desk:overflow-y-auto"
          >
            {levels ? (
              <Suspense fallback={<p className="text-soft">Laying out the ladders…</p>}>
                <LevelsView review={review} onEdit={edit} onSelect={setSelected} />
              </Suspense>
            ) : (
              <Strip
                sequence={timed.sequence}
                {...{ catalog, grave, selected, open, pointed, chosen, ghost, actions }}
                addingAt={adding ? after : null}
              />
            )}
            {plan.blocks.length === 0 && <Beginning />}
            {(plan.spare?.length ?? 0) > 0 && (
              <Suspense>
                <SpareList catalog={catalog} timed={timed} taught={{ audience }} onEdit={edit} />
              </Suspense>
            )}
            {chosen.size > 0 && (
              <Suspense>
                <ChosenBar {...{ plan, timed, chosen }} onEdit={edit} onClear={() => setChosen(NOBODY)} />
              </Suspense>
            )}
            <footer className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
              <PartsBar timed={timed} guessed={guessedSetups(timed.blocks, catalog.method.uncertainty)} />
              <Suspense>
                <WithTeacher plan={plan} catalog={catalog} />
              </Suspense>
              <p className="w-full text-sm text-soft">{GENERAL_ADVICE}</p>
            </footer>
          </section>
        </div>
        <aside className="flex flex-col gap-3 contain-content desk:min-h-0 desk:overflow-y-auto desk:pb-3">
          {adding && (
            <Suspense fallback={<p className="text-soft">Looking for what fits…</p>}>
              <AddPanel
                {...{ review }}
                at={after}
                close={() => {
                  setAdding(false);
                  document.getElementById('add')?.focus();
                }}
                onAdded={setSelected}
                onPreview={preview}
              />
            </Suspense>
          )}
          <FindingsPanel
            {...{ plan, findings, verdict }}
            seconds={timed.seconds}
            arises={arises}
            onPoint={point}
            onGo={go}
            onAsk={desk.fixes}
            onPreview={preview}
            onMend={mend}
          >
            {findings.length > 0 && (
              <button type="button" className="action text-sm" onClick={() => setMending(true)}>
                Mend all
              </button>
            )}
          </FindingsPanel>
          <Directions catalog={catalog} timed={timed} />
        </aside>
      </div>
      {replaced && (
        <Suspense>
          <InsteadSheet
            catalog={catalog}
            block={replaced}
            audience={audience}
            conditions={conditionsOf(plan, audience)}
            actions={actions}
            close={() => setInstead(null)}
          />
        </Suspense>
      )}
      {mending && (
        <Suspense>
          <MendSheet
            review={review}
            mendAll={desk.mendAll}
            onTake={(edits) => edit(edits, 'mending')}
            close={() => setMending(false)}
          />
        </Suspense>
      )}
    </main>
  );
}

/** Edits that are only looked at, and the class they were worked out for. */
interface Tried {
  readonly plan: ClassPlan;
  readonly edits: readonly PlanEdit[];
}

/** The class as it would be after edits that are only looked at. */
function useGhost(catalog: Catalog, plan: ClassPlan, audience: Audience | undefined, tried: Tried | null) {
  return useMemo(
    // Of another class, or of this one as it was, they might name blocks that are no longer there.
    () => (tried?.plan === plan ? timeClass(catalog, applyEdits(catalog, plan, tried.edits), { audience }) : null),
    [catalog, plan, audience, tried],
  );
}

function Beginning() {
  return (
    <div className="mt-4 max-w-prose">
      <p className="font-name text-xl">This class is empty.</p>
      <p className="mt-1 text-soft">
        Begin with breath and connection, build towards a peak at about two thirds, then ease. Add the first rung with
        the button above, or press A.
      </p>
    </div>
  );
}
