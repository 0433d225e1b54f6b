import { CONDITIONS, type Graded, judge } from '../caution';
import type { Audience } from '../plan';
import { type Catalog, type RungEntry, type RungRef, rungKey } from '../repertoire';
import { lackingOf, rungTitle } from '../review';

/** An exercise, or one of its rungs. */
export interface Wish {
  readonly exercise: string;
  readonly rung?: string | undefined;
}

/** What rungs are chosen for: who is in the room, and what stands ready. */
export interface Wanted {
  readonly audience: Audience | undefined;
  readonly graded: readonly Graded[];
  /** Ids of the props at hand; all when unsaid. */
  readonly props?: readonly string[] | undefined;
  readonly mustNot?: readonly Wish[] | undefined;
  /** The heat of a main version that everyone can take. */
  readonly homeHeat: number;
  /** Keys of rungs met in earlier episodes. */
  readonly earlier: ReadonlySet<string>;
}

/** The rungs that a class may be made of, and for each of the others why not. */
export interface Pool {
  readonly fit: readonly RungEntry[];
  /** Those of them that ask nothing of anybody in the room. */
  readonly fine: readonly RungEntry[];
  readonly unfit: ReadonlyMap<RungEntry, Unfit>;
}

/** Why a rung does not fit, in a sentence, and whether nobody can ask for it all the same. */
interface Unfit {
  readonly why: string;
  readonly forbids: boolean;
}

const unfitFor = (why: string): Unfit => ({ why, forbids: true });

/** Whether a wish names a rung. */
export const names = ({ exercise, rung }: Wish, entry: RungEntry): boolean =>
  entry.exercise.id === exercise && (rung === undefined || entry.rung.id === rung);

/**
 * Sorts the repertoire by what a room can do: nothing a condition rules out, no prop that is not there, nothing hotter
 * than a main version may be, nothing whose requirements can't be met in the class or before it.
 */
export function poolOf(catalog: Catalog, wanted: Wanted): Pool {
  const unfit = new Map<RungEntry, Unfit>();
  for (const entry of catalog.rungs) {
    const why = reasonAgainst(catalog, entry, wanted);
    if (why) unfit.set(entry, why);
  }
  leaveOutUnmet(catalog, wanted, unfit);
  const fit = catalog.rungs.filter((entry) => !unfit.has(entry));
  const asking = new Map(unfit);
  for (const entry of fit) {
    if (judge(catalog, entry, wanted.graded).verdict !== 'fine') asking.set(entry, unfitFor('It has to be adapted.'));
  }
  leaveOutUnmet(catalog, wanted, asking);
  return { fit, fine: fit.filter((entry) => !asking.has(entry)), unfit };
}

/** What can't be learnt is left out: a rung is reached when all it requires was reached before it, in this class or earlier. */
function leaveOutUnmet(catalog: Catalog, { earlier }: Wanted, unfit: Map<RungEntry, Unfit>): void {
  const reached = new Set<RungEntry>();
  const isMet = (required: RungRef): boolean => {
    const need = catalog.rung(required);
    if (!need) return earlier.has(rungKey(required));
    const higher = catalog.ladder(need.exercise.id).slice(need.step);
    return higher.some((each) => reached.has(each) || earlier.has(each.key));
  };
  let left = catalog.rungs.filter((entry) => !unfit.has(entry));
  for (let more = true; more; ) {
    const next = left.filter(({ rung: { requires = [] } }) => requires.every(isMet));
    for (const entry of next) reached.add(entry);
    left = left.filter((entry) => !reached.has(entry));
    more = next.length > 0;
  }
  for (const entry of left) {
    const missing = entry.rung.requires?.find((required) => !isMet(required)) as RungRef;
    const need = catalog.rung(missing);
    const why = `It requires ${need ? rungTitle(need) : rungKey(missing)}, which can’t be in this class.`;
    unfit.set(entry, { why, forbids: false });
  }
}

/** Why nobody can ask a room for a rung, in a sentence; `null` when somebody can. */
export function ruledOut(
  catalog: Catalog,
  entry: RungEntry,
  { props, audience, graded }: Pick<Wanted, 'props' | 'audience' | 'graded'>,
): string | null {
  const [lacking] = lackingOf(entry, props ?? audience?.equipment);
  if (lacking) return `It needs “${lacking.name}”, which is not at hand.`;
  const { verdict, cautions } = judge(catalog, entry, graded);
  const ruling = cautions.find((each) => each.verdict === verdict);
  return ruling && verdict !== 'adapt' ? `${CONDITIONS[ruling.condition].name}: ${ruling.why}` : null;
}

function reasonAgainst(catalog: Catalog, entry: RungEntry, wanted: Wanted): Unfit | null {
  if (wanted.mustNot?.some((wish) => names(wish, entry))) return unfitFor('It is not wanted.');
  const why = ruledOut(catalog, entry, wanted);
  if (why) return unfitFor(why);
  const heat = catalog.heat(entry);
  if (heat <= wanted.homeHeat) return null;
  return { why: `Its heat, ${Math.round(heat)}, is above ${Math.round(wanted.homeHeat)}.`, forbids: false };
}

/**
 * What a rung requires that nothing has brought yet.
 * @param done the rungs done before it
 * @param earlier keys of the rungs met in earlier episodes
 */
export function unmetBy(
  catalog: Catalog,
  { rung: { requires = [] } }: RungEntry,
  done: Iterable<RungEntry>,
  earlier: ReadonlySet<string> | undefined,
): RungEntry[] {
  if (requires.length === 0) return [];
  const all = [...done];
  return requires.flatMap((required) => {
    const need = catalog.rung(required);
    if (!need || earlier?.has(need.key)) return [];
    return all.some((each) => each.exercise === need.exercise && each.step >= need.step) ? [] : [need];
  });
}
