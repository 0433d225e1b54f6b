import type { Catalog, RungEntry } from '../repertoire';
import { broughtBefore, doingsOf, followedBy, type Learnt, needsOf, rulesOf, type SeriesStudio } from './learning';
import type { Series } from './seriesSchema';

/** A step on the way to a rung: what is taught for the first time in which episode, counted from 1. */
export interface PathStep {
  readonly rung: string;
  readonly episode: number;
  readonly as: 'taught';
}

export interface Earliest {
  readonly rung: string;
  /** The first episode, counted from 1, in which it may be taught; `null` when what it needs comes back to itself. */
  readonly earliest: number | null;
  /** One plan that gets there, in order. */
  readonly path: readonly PathStep[];
  /** Rungs of the path that no episode of the series teaches or practises yet. */
  readonly missing: readonly string[];
  /** The search was ended: it may be had earlier. */
  readonly atMost?: true;
}

/** States looked at before the search is ended. */
const MOST_STATES = 200_000;

/** A rung that has to be earned on the way, and what it waits for, all by their places in the list. */
interface Needed {
  readonly entry: RungEntry;
  readonly ladder: number;
  readonly needs: readonly number[];
}

/** Where a plan stands before an episode: what each rung still lacks, and when each was first taught (0: not yet). */
interface State {
  readonly lacks: readonly number[];
  readonly taught: readonly number[];
  /** Ladders begun, as a set of bits. */
  readonly begun: bigint;
}

/**
 * The earliest episode in which a rung is open, after what the series followed have brought: over every choice of which
 * needed ladders begin when, under the most new ladders an episode may have. The series' own episodes are left aside.
 */
export function earliest(studio: SeriesStudio, series: Series, goal: RungEntry): Earliest {
  const { earliest: first, path, atMost } = wayTo(studio, series, [goal]);
  const brought = new Set(
    series.episodes.flatMap(({ class: id }) => {
      const plan = studio.classOf(id);
      return plan ? [...doingsOf(plan).blocks.keys()] : [];
    }),
  );
  const missing = path.map(({ rung }) => rung).filter((rung) => !brought.has(rung));
  return { rung: goal.key, earliest: first, path, missing, ...(atMost ? { atMost: true as const } : {}) };
}

/** The way to several rungs at once: the first episode in which all of them are open, and what is taught when. */
export function wayTo(
  studio: SeriesStudio,
  series: Series,
  goals: readonly RungEntry[],
): Pick<Earliest, 'earliest' | 'path'> & { readonly atMost: boolean } {
  const before = broughtBefore(studio, series);
  const needed = neededFor(studio.catalog, goals, before);
  if (needed === null) return { earliest: null, path: [], atMost: false };
  const found = search(needed, series, followedBy(studio, series).length > 0, before);
  const path = found.taught
    .flatMap((episode, i): PathStep[] => {
      const rung = needed[i]?.entry.key;
      return rung === undefined || episode === 0 ? [] : [{ rung, episode, as: 'taught' }];
    })
    .sort((a, b) => a.episode - b.episode);
  return { earliest: found.episode, path, atMost: found.atMost };
}

/** All that must still be earned before some rungs are open, what is needed before what needs it; `null` where that is a ring. */
function neededFor(catalog: Catalog, goals: readonly RungEntry[], before: Learnt): readonly Needed[] | null {
  const order: RungEntry[] = [];
  const state = new Map<RungEntry, 'open' | 'done'>();
  let ring = false;
  const visit = (entry: RungEntry) => {
    const stands = state.get(entry);
    if (stands === 'open') ring = true;
    if (stands !== undefined) return;
    state.set(entry, 'open');
    for (const need of needsOf(catalog, entry)) if (!before.earned(need.key)) visit(need);
    state.set(entry, 'done');
    order.push(entry);
  };
  for (const goal of goals) {
    for (const need of needsOf(catalog, goal)) if (!before.earned(need.key)) visit(need);
  }
  if (ring) return null;
  const places = new Map(order.map((entry, i) => [entry, i]));
  const ladders = [...new Set(order.map(({ exercise }) => exercise.id))];
  return order.map((entry) => ({
    entry,
    ladder: ladders.indexOf(entry.exercise.id),
    needs: needsOf(catalog, entry).flatMap((need) => places.get(need) ?? []),
  }));
}

/** Episode by episode, every choice at once: beginning a ladder earlier never makes anything later. */
function search(needed: readonly Needed[], series: Series, follows: boolean, before: Learnt) {
  const { newLadders } = rulesOf(series);
  const ladders = Math.max(0, ...needed.map(({ ladder }) => ladder + 1));
  const known = new Set(needed.filter(({ entry }) => before.met(entry.exercise.id)).map(({ ladder }) => ladder));
  let begun = 0n;
  for (const ladder of known) begun |= 1n << BigInt(ladder);
  let states: State[] = [
    { lacks: needed.map(({ entry }) => before.lacks(entry.key)), taught: needed.map(() => 0), begun },
  ];
  let looked = 0;
  let atMost = false;
  for (let episode = 1; ; episode++) {
    const done = states.find(({ lacks }) => lacks.every((each) => each === 0));
    if (done) return { episode, taught: done.taught, atMost };
    // No ladder may ever begin: what is not begun by then never is.
    if (newLadders === 0 && (episode > 1 || follows) && states.every((state) => stands(needed, state))) {
      return { episode: null, taught: [], atMost: false };
    }
    const most = episode === 1 && !follows ? ladders : newLadders;
    const next = new Map<string, State>();
    for (const state of states) {
      for (const after of taughtIn(needed, state, episode, most)) {
        const key = `${after.begun}:${after.lacks.join()}`;
        if (!next.has(key)) next.set(key, after);
        looked++;
        if (looked >= MOST_STATES) break;
      }
      if (looked >= MOST_STATES) break;
    }
    states = [...next.values()];
    if (looked >= MOST_STATES && !atMost) {
      atMost = true;
      states = states.slice(0, 1);
    } else if (atMost) states = states.slice(0, 1);
  }
}

/** Whether nothing more can be taught without another ladder begun. */
const stands = (needed: readonly Needed[], { lacks, begun }: State): boolean =>
  needed.every(({ ladder, needs }, i) => {
    const open = needs.every((need) => lacks[need] === 0);
    return lacks[i] === 0 || !open || (begun & (1n << BigInt(ladder))) === 0n;
  });

/** A state after an episode, for every choice of as many ladders as may begin in it. */
function* taughtIn(needed: readonly Needed[], state: State, episode: number, most: number): Generator<State> {
  const open = needed.map(({ needs }, i) => state.lacks[i] !== 0 && needs.every((need) => state.lacks[need] === 0));
  const waiting = [...new Set(needed.flatMap(({ ladder }, i) => (open[i] ? [ladder] : [])))].filter(
    (ladder) => (state.begun & (1n << BigInt(ladder))) === 0n,
  );
  for (const begins of choices(waiting, Math.min(most, waiting.length))) {
    let { begun } = state;
    for (const ladder of begins) begun |= 1n << BigInt(ladder);
    const goes = needed.map(({ ladder }, i) => open[i] === true && (begun & (1n << BigInt(ladder))) !== 0n);
    yield {
      begun,
      lacks: state.lacks.map((each, i) => (goes[i] ? each - 1 : each)),
      taught: state.taught.map((each, i) => (goes[i] && each === 0 ? episode : each)),
    };
  }
}

/** Every way to take so many of a list, in its order. */
function* choices(from: readonly number[], count: number): Generator<readonly number[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (let i = 0; i + count <= from.length; i++) {
    for (const rest of choices(from.slice(i + 1), count - 1)) yield [from[i] as number, ...rest];
  }
}
