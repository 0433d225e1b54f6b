import { DIRECTION_WORDS, DIRECTIONS, ORDER_WORDS, ORDERS } from '@warm-ladder/core/method';
import { type ClassPlan, isRungBlock } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { rungTitle } from '@warm-ladder/core/review';
import type { Brief } from '@warm-ladder/core/sequence';
import type { Series } from '@warm-ladder/core/series';
import { type Parts, withParts } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { newId } from '../../app/freeId';
import { selectAudiences, selectCatalog, selectClass, selectSeries } from '../../app/store/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';
import { proposed } from '../../desk/useDesk';
import type { ProposedClass, ProposedClasses } from '../../desk/worker';
import { Choice } from '../../parts/fields/Choice';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { PositionOptions } from '../../parts/fields/PositionOptions';
import { BriefFrame } from './BriefFrame';
import { BriefMore } from './BriefMore';
import { ProposalCard } from './ProposalCard';
import { SearchState } from './SearchState';
import { useSearch } from './useSearch';
import { WishList } from './WishList';

/** From who, how long and what about to classes that hold: a brief as one sentence, and what answers it. */
export function Component() {
  const audiences = useAppSelector(selectAudiences);
  const catalog = useAppSelector(selectCatalog);
  const series = useAppSelector(selectSeries);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [address] = useSearchParams();
  const begun = useAppSelector((state) => selectClass(state, address.get('from') ?? undefined));
  const [from, setFrom] = useState<Kept | null>(() =>
    begun ? { plan: begun, ids: new Set(address.get('keep')?.split(',')) } : null,
  );
  const [brief, setBrief] = useState<Brief>(() =>
    begun ? briefOf(begun, series) : { minutes: 45, ...(audiences[0] && { audience: audiences[0].id }) },
  );
  const set = (more: Parts<Brief>) => setBrief((now) => withParts(now, more));
  const { answer, share, ask, state } = useSearch(proposed);
  const [kept, setKept] = useState<Kept | null>(null);

  const again = (seed: number) => {
    const locked = kept ? lockedFrom(kept) : from ? lockedFrom(from) : [];
    setKept(null);
    const next = { ...brief, seed };
    setBrief(next);
    ask(locked.length > 0 ? { ...next, locked } : next);
  };
  const take = ({ plan }: ProposedClass) => {
    if (from) {
      // The class it was asked from gets the blocks, and keeps what else it is.
      const { spare: _spare, short: _short, ...own } = from.plan;
      const after = { ...own, blocks: plan.blocks };
      dispatch(
        changed({
          documents: [{ kind: 'classes', id: own.id, after }],
          label: `proposing the rest of ${own.name}`,
          field: '',
        }),
      );
      void navigate(`/class/${own.id}`);
      return;
    }
    const id = newId(plan.name);
    dispatch(
      changed({ documents: documentsFor(series, { ...plan, id }, brief), label: `making ${plan.name}`, field: '' }),
    );
    void navigate(`/class/${id}`);
  };
  const asked = answer !== null || share !== null;
  return (
    <main className="mx-auto w-full max-w-5xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">
        {from ? `The rest of ${from.plan.name}` : 'A class to begin with'}
      </h1>
      {from && <KeptOf kept={from} catalog={catalog} onLet={() => setFrom(null)} />}
      <form
        className="mt-4 text-lg leading-loose"
        aria-label="What the class should be"
        onSubmit={(event) => {
          event.preventDefault();
          again(asked ? (brief.seed ?? 1) + 1 : 1);
        }}
      >
        <NumberField
          label="Minutes"
          value={brief.minutes}
          limits={LIMITS.Brief.minutes}
          className="w-14"
          onChange={(minutes) => set({ minutes })}
        />{' '}
        minutes for{' '}
        <Choice
          label="Audience"
          value={brief.audience ?? ''}
          choices={[['', 'anyone'], ...audiences.map(({ id, name }) => [id, name] as const)]}
          onChange={(audience) => set({ audience: audience || undefined })}
        />{' '}
        about{' '}
        <Choice
          label="Focus"
          value={brief.focus ?? ''}
          choices={[['', 'a bit of everything'], ...DIRECTIONS.map((each) => [each, DIRECTION_WORDS[each]] as const)]}
          onChange={(focus) => set({ focus: DIRECTIONS.find((each) => each === focus) })}
        />
        , in this order:{' '}
        <Choice
          label="Order"
          value={brief.order ?? ''}
          choices={[
            ['', `as the house (${ORDER_WORDS[catalog.method.order].toLowerCase()})`],
            ...ORDERS.filter((each) => each !== 'recap').map(
              (each) => [each, ORDER_WORDS[each].toLowerCase()] as const,
            ),
          ]}
          onChange={(order) => set({ order: ORDERS.find((each) => each === order) })}
        />
        , beginning{' '}
        <select
          className="field max-w-full"
          aria-label="Where it begins"
          value={brief.begin ?? ''}
          onChange={({ target }) => set({ begin: target.value || undefined })}
        >
          <option value="">where it comes out best</option>
          <PositionOptions graph={catalog.graph} />
        </select>
        ,{' '}
        <label>
          <input
            type="checkbox"
            checked={brief.levels ?? false}
            onChange={({ target }) => set({ levels: target.checked || undefined })}
          />{' '}
          with a lower and a higher rung beside everything
        </label>
        .
        <div className="flex flex-wrap gap-x-8 text-base">
          <WishList
            title="Has to be in it"
            wishes={brief.mustHave ?? []}
            onChange={(mustHave) => set({ mustHave: mustHave.length > 0 ? mustHave : undefined })}
          />
          <WishList
            title="Must not be in it"
            wishes={brief.mustNot ?? []}
            onChange={(mustNot) => set({ mustNot: mustNot.length > 0 ? mustNot : undefined })}
          />
        </div>
        <BriefMore brief={brief} onChange={set} />
        <div className="mt-3 flex flex-wrap items-center gap-4 text-base">
          <button type="submit" className="action action-main" disabled={share !== null}>
            {kept
              ? `Ask again, keeping ${kept.ids.size}`
              : asked
                ? 'Propose others'
                : from
                  ? 'Propose the rest'
                  : 'Propose three classes'}
          </button>
          <Link to="/class" className="underline decoration-dotted underline-offset-4">
            All classes
          </Link>
        </div>
      </form>
      {!asked && (
        <BriefFrame brief={brief} onMustHave={(exercise) => set({ mustHave: toggled(brief.mustHave, exercise) })} />
      )}
      <SearchState {...state} />
      {answer !== null && typeof answer !== 'string' && (
        <Answer answer={answer} kept={kept} setKept={setKept} onTake={take} />
      )}
    </main>
  );
}

/** A wish more, or one less; nothing where none is left. */
function toggled(wishes: Brief['mustHave'] = [], exercise: string): Brief['mustHave'] {
  const others = wishes.filter((each) => each.exercise !== exercise);
  const next = others.length < wishes.length ? others : [...wishes, { exercise }];
  return next.length > 0 ? next : undefined;
}

/** The class as it is taken, and, where it was asked for as one, as an episode of its series in the place asked for. */
function documentsFor(all: readonly Series[], plan: ClassPlan, { series: id, episode }: Brief) {
  const made = { kind: 'classes', id: plan.id, after: plan } as const;
  const series = all.find((each) => each.id === id);
  if (!series) return [made];
  const at = Math.min(series.episodes.length, (episode ?? series.episodes.length + 1) - 1);
  const episodes = series.episodes.toSpliced(at, 0, { class: plan.id });
  return [made, { kind: 'series', id: series.id, after: { ...series, episodes } } as const];
}

/** Steps of one proposal that are to stay when the rest is asked for again. */
interface Kept {
  readonly plan: ClassPlan;
  readonly ids: ReadonlySet<string>;
}

/** What a class on the desk is, as a brief for the rest of it; as an episode, in the place it has. */
function briefOf(plan: ClassPlan, all: readonly Series[]): Brief {
  const { targetMinutes, audience, delivery, purpose, order, focus, openingPosition } = plan;
  const series = all.find(({ episodes }) => episodes.some((each) => each.class === plan.id));
  return withParts<Brief>(
    { minutes: targetMinutes },
    {
      audience: audience ?? series?.audience,
      delivery,
      purpose,
      order,
      focus,
      begin: openingPosition,
      series: series?.id,
      episode: series && series.episodes.findIndex((each) => each.class === plan.id) + 1,
    },
  );
}

/** What stays of the class that the rest is asked for. */
function KeptOf({ kept: { plan, ids }, catalog, onLet }: { kept: Kept; catalog: Catalog; onLet: () => void }) {
  const names = plan.blocks.flatMap((block, at) => {
    const entry = ids.has(block.id) && isRungBlock(block) ? catalog.rung(block) : undefined;
    return entry ? [`${at + 1}. ${rungTitle(entry)}`] : [];
  });
  return (
    <p className="mt-2">
      It keeps {names.join('; ')}.{' '}
      <button type="button" className="underline decoration-dotted underline-offset-4" onClick={onLet}>
        Begin another class instead
      </button>
    </p>
  );
}

const lockedFrom = ({ plan, ids }: Kept): NonNullable<Brief['locked']> =>
  plan.blocks.flatMap((block, at) => (isRungBlock(block) && ids.has(block.id) ? [{ at, block }] : []));

interface AnswerProps {
  readonly answer: ProposedClasses;
  readonly kept: Kept | null;
  readonly setKept: (kept: Kept | null) => void;
  readonly onTake: (proposal: ProposedClass) => void;
}

function Answer({ answer: { proposals, clashes }, kept, setKept, onTake }: AnswerProps) {
  const toggle = (plan: ClassPlan, id: string) => {
    const ids = new Set(kept?.plan === plan ? kept.ids : []);
    if (!ids.delete(id)) ids.add(id);
    setKept(ids.size > 0 ? { plan, ids } : null);
  };
  const longest = Math.max(...proposals.map(({ standing }) => standing.seconds), 1);
  return (
    <section aria-label="Proposals" aria-live="polite" className="mt-6">
      {clashes.length > 0 && (
        <ul role="alert" className="mb-4 list-disc pl-5">
          {clashes.map((clash) => (
            <li key={clash}>{clash}</li>
          ))}
        </ul>
      )}
      <ol className="flex flex-col gap-7">
        {proposals.map((proposal, i) => (
          <ProposalCard
            key={proposal.plan.blocks.map(({ id }) => id).join() + i}
            number={i + 1}
            proposal={proposal}
            longest={longest}
            kept={kept?.plan === proposal.plan ? kept.ids : NOTHING}
            onKeep={(id) => toggle(proposal.plan, id)}
            onTake={() => onTake(proposal)}
          />
        ))}
      </ol>
    </section>
  );
}

const NOTHING: ReadonlySet<string> = new Set();
