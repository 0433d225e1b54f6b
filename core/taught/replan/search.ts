import { applyEdits, type TimedClass, timeClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import { type ClassMeasure, measureTimed, type ReviewContext } from '../../review';
import { type Cut, leavings, lengthenings, shortenings, spares } from './cuts';
import { endsAt, leftAt, type Stand } from './moment';

/** Seconds around its target that a class under way is brought to, and within which it still ends well enough. */
const AIM_FROM = -60;
export const [AIM_TO, LEAST] = [30, -90];

/** A class with some cuts taken, and when it ends then. */
export interface Tried {
  readonly cuts: readonly Cut[];
  readonly timed: TimedClass;
  readonly end: number;
}

export class Search {
  readonly catalog: Catalog;
  readonly stand: Stand;
  readonly target: number;
  readonly asPlanned: number;
  readonly #context: ReviewContext;
  readonly #stood: ReadonlyMap<string, number>;
  readonly #grave: number;
  readonly #costs = new WeakMap<TimedClass, number | null>();

  constructor(catalog: Catalog, context: ReviewContext, stand: Stand) {
    this.catalog = catalog;
    this.#context = context;
    this.stand = stand;
    this.target = stand.plan.targetMinutes * 60;
    this.asPlanned = endsAt(stand, stand.timed);
    const measure = measureTimed(catalog, stand.timed, context);
    this.#stood = costsOf(measure);
    this.#grave = gravelyIn(measure);
  }

  /** The class with cuts, one after another. */
  with(cuts: readonly Cut[]): Tried {
    const { plan } = this.stand;
    const after = applyEdits(
      this.catalog,
      plan,
      cuts.flatMap(({ edits }) => edits),
    );
    const timed = timeClass(this.catalog, after, this.#context);
    return { cuts, timed, end: endsAt(this.stand, timed) };
  }

  /**
   * What it costs of arc, directions and sides, beside what was found before and what its cuts take from the class;
   * `null` where it would be unsafe.
   */
  cost({ timed, cuts }: Tried): number | null {
    const known = this.#costs.get(timed);
    let own = known;
    if (own === undefined) {
      const measure = measureTimed(this.catalog, timed, this.#context);
      own = gravelyIn(measure) > this.#grave ? null : newly(costsOf(measure), this.#stood);
      this.#costs.set(timed, own);
    }
    return own === null ? null : own + cuts.reduce((sum, { weight }) => sum + weight, 0);
  }

  #asked({ timed }: Tried) {
    const { catalog, stand } = this;
    return { catalog, context: this.#context, timed, left: leftAt(catalog, stand, timed), at: stand.moment.block };
  }

  #cuts(now: Tried, seconds: number): Cut[] {
    const asked = this.#asked(now);
    return [...leavings(asked), ...shortenings(asked, seconds)];
  }

  /** In time, or as near to it as there is. */
  shorter(): readonly Cut[] {
    let now = this.#given();
    for (let steps = 0; now.end > this.target + AIM_TO && steps < MOST_STEPS; steps++) {
      const next = this.#next(now);
      if (!next) break;
      now = next;
    }
    return this.#polished(now).cuts;
  }

  /** The blocks that are marked for it, in their order; one that would end the class too soon is passed over. */
  #given(): Tried {
    let now = this.with([]);
    const numbers = new Map(this.stand.plan.blocks.map((block, i) => [block.id, { give: block.give, i }]));
    const place = ({ ids }: Cut) => {
      const { give = 0, i } = numbers.get(ids[0] as string) ?? { i: 0 };
      return give - i / 1000;
    };
    const marked = leavings(this.#asked(now))
      .filter(({ ids }) => ids.some((id) => numbers.get(id)?.give !== undefined))
      .sort((a, b) => place(a) - place(b));
    for (const { ids } of marked) {
      if (now.end <= this.target + AIM_TO) break;
      // What an earlier one leaves behind may need it no longer, or now.
      const cut = leavings(this.#asked(now)).find((each) => each.ids[0] === ids[0]);
      if (!cut) continue;
      const made = this.with([...now.cuts, { ...cut, weight: 0 }]);
      if (made.end >= this.target + AIM_FROM && this.cost(made) !== null) now = made;
    }
    return now;
  }

  /** One cut more: of those that bring it into time the cheapest, else the one that saves most for what it costs. */
  #next(now: Tried): Tried | null {
    const over = (now.end - this.target - (AIM_FROM + AIM_TO) / 2) / this.stand.pace;
    const made = this.#cuts(now, over)
      .map((cut) => this.with([...withoutThose(now.cuts, cut), cut]))
      .filter(({ end }) => end < now.end - 1);
    const landing = made.filter(({ end }) => this.#lands(end));
    const best = this.#cheapest(landing, () => 1);
    if (best) return best;
    const short = made.filter(({ end }) => end > this.target + AIM_TO);
    const rough = (tried: Tried) => (tried.cuts.at(-1)?.weight ?? 0) / (now.end - tried.end);
    const few = short.sort((a, b) => rough(a) - rough(b)).slice(0, LOOKED_AT);
    return (
      this.#cheapest(few, ({ end }) => now.end - end) ??
      // Nothing saves little enough: the one that ends it least too soon, and the others give back.
      made.filter((each) => this.cost(each) !== null).sort((a, b) => b.end - a.end)[0] ??
      null
    );
  }

  #lands = (end: number): boolean => end >= this.target + AIM_FROM && end <= this.target + AIM_TO;

  #cheapest(all: readonly Tried[], per: (tried: Tried) => number): Tried | null {
    let [best, least]: [Tried | null, number] = [null, Number.POSITIVE_INFINITY];
    for (const each of all) {
      const cost = this.cost(each);
      if (cost !== null && cost / per(each) < least) [best, least] = [each, cost / per(each)];
    }
    return best;
  }

  /** No cut that is not needed, and none for which another of its kind costs less. */
  #polished(found: Tried): Tried {
    let now = found;
    for (let rounds = 0; rounds < MOST_ROUNDS; rounds++) {
      const better = this.#dropped(now) ?? this.#exchanged(now);
      if (!better) break;
      now = better;
    }
    return now;
  }

  #dropped(now: Tried): Tried | null {
    const fewer = now.cuts
      .map((cut) => this.with(now.cuts.filter((each) => each !== cut)))
      .filter((each) => each.end <= this.target + AIM_TO);
    return this.#cheapest(fewer, () => 1);
  }

  #exchanged(now: Tried): Tried | null {
    const cost = this.cost(now);
    if (cost === null || !this.#lands(now.end)) return null;
    for (const cut of now.cuts) {
      if (cut.kind === 'leave-out' && cut.weight === 0) continue;
      const others = now.cuts.filter((each) => each !== cut);
      const base = this.with(others);
      const over = (base.end - this.target - (AIM_FROM + AIM_TO) / 2) / this.stand.pace;
      const made = this.#cuts(base, over)
        .filter(({ kind, ids }) => kind === cut.kind && ids[0] !== cut.ids[0])
        .map((each) => this.with([...withoutThose(others, each), each]))
        .filter(({ end }) => this.#lands(end));
      const best = this.#cheapest(made, () => 1);
      if (best && (this.cost(best) ?? cost) < cost - WORTH) return best;
    }
    return null;
  }

  /** What there is time for: blocks kept for it first, then repetitions within their ranges. */
  longer(): readonly Cut[] {
    let now = this.with([]);
    for (const spare of spares(this.#asked(now))) {
      if (now.end >= this.target + AIM_FROM) break;
      const made = this.with([...now.cuts, spare]);
      if (made.end <= this.target + AIM_TO && this.cost(made) !== null) now = made;
    }
    for (let steps = 0; now.end < this.target + AIM_FROM && steps < MOST_STEPS; steps++) {
      const room = (this.target + AIM_TO - now.end) / this.stand.pace;
      const raised = new Set(now.cuts.flatMap(({ ids }) => ids));
      const made = lengthenings(this.#asked(now), room)
        .filter(({ ids }) => !raised.has(ids[0] as string))
        .map((cut) => this.with([...now.cuts, cut]))
        .filter(({ end }) => end > now.end + 1 && end <= this.target + AIM_TO);
      const rough = (tried: Tried) => (tried.cuts.at(-1)?.weight ?? 0) / (tried.end - now.end);
      const few = made.sort((a, b) => rough(a) - rough(b)).slice(0, LOOKED_AT);
      const landing = this.#cheapest(
        few.filter(({ end }) => this.#lands(end)),
        () => 1,
      );
      const next = landing ?? this.#cheapest(few, ({ end }) => end - now.end);
      if (!next) break;
      now = next;
    }
    return now.cuts;
  }
}

/** Cuts taken one after another, and rounds of making them fewer and cheaper; cuts measured of those that only save. */
const [MOST_STEPS, MOST_ROUNDS, LOOKED_AT] = [24, 24, 8];
/** A cut is exchanged for one that costs less by so much. */
const WORTH = 0.01;

/** What is left out needs no other cut any more; of two numbers of repetitions the later one counts. */
const withoutThose = (cuts: readonly Cut[], { kind, ids }: Cut): Cut[] =>
  cuts.filter((each) => !each.ids.some((id) => ids.includes(id)) || (kind !== 'leave-out' && each.kind !== kind));

const gravelyIn = ({ raised }: ClassMeasure): number => raised.filter(({ severity }) => severity === 'stop').length;

/** What was found costs, kind by kind, so far as what is left out can change it for a room that is in the middle of it. */
function costsOf({ raised }: ClassMeasure): Map<string, number> {
  const costs = new Map<string, number>();
  for (const { rule, cost } of raised) {
    if (rule.part !== 'arc' && rule.part !== 'directions' && rule.part !== 'sides') continue;
    costs.set(rule.code, (costs.get(rule.code) ?? 0) + cost);
  }
  return costs;
}

function newly(now: ReadonlyMap<string, number>, before: ReadonlyMap<string, number>): number {
  let sum = 0;
  for (const [code, cost] of now) sum += Math.max(0, cost - (before.get(code) ?? 0));
  return sum;
}
