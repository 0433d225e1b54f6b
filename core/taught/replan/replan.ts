import { applyEdits, type ClassPlan, type PlanEdit, type TimedClass, timeClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import { type ClassMeasure, clock, measureTimed, type ReviewContext, spell, titleOf } from '../../review';
import { type Cut, type CutKind, leavings, lengthenings, shortenings, spares } from './cuts';
import { endsAt, leftAt, type Moment, type Stand, standAt, startOf } from './moment';

/** Seconds around its target that a class under way is brought to, and within which it still ends well enough. */
const [AIM_FROM, AIM_TO, LEAST] = [-60, 30, -90];

export interface ReplanEdit {
  readonly kind: CutKind;
  readonly block: string;
  readonly to?: { readonly reps: number };
  readonly label: string;
  /** Seconds at the day’s own pace; below 0 where it makes the class longer. */
  readonly saves: number;
  /** What becomes of the class. */
  readonly edits: readonly PlanEdit[];
}

export interface Replan {
  /** Seconds after it should have begun. */
  readonly target: number;
  readonly endsAt: { readonly asPlanned: number; readonly replanned: number };
  readonly edits: readonly ReplanEdit[];
  /** What is left, with when it begins. */
  readonly blocks: ReadonlyArray<{ readonly id: string; readonly startSeconds: number; readonly seconds: number }>;
  readonly keeps: {
    readonly peak: string | null;
    readonly ease: string | null;
    readonly secondSides: readonly string[];
  };
  readonly why: readonly string[];
  /** Whether it ends well enough. */
  readonly ends: boolean;
  readonly plan: ClassPlan;
}

/**
 * What to leave out, shorten or add from here on so that a class under way still ends on time: the blocks marked to give
 * first, in their order, then what costs least of its arc, its directions and its sides. Never the hardest moment left,
 * the last block, a second side whose first was done, what a later block requires, or what is locked.
 * @throws NoMoment for a moment that can’t be
 */
export function replan(catalog: Catalog, plan: ClassPlan, context: ReviewContext, moment: Moment): Replan {
  const stand = standAt(catalog, plan, context, moment);
  const search = new Search(catalog, context, stand);
  const taken =
    search.asPlanned > search.target + AIM_TO
      ? search.shorter()
      : search.asPlanned < search.target + LEAST
        ? search.longer()
        : [];
  return told(search, taken);
}

/** A class with some cuts taken, and when it ends then. */
interface Tried {
  readonly cuts: readonly Cut[];
  readonly timed: TimedClass;
  readonly end: number;
}

class Search {
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

  /** The class with cuts; `null` where they don’t go together. */
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

/** What was found, told. */
function told(search: Search, cuts: readonly Cut[]): Replan {
  const { stand, target, asPlanned, catalog } = search;
  const { moment, pace } = stand;
  const final = search.with(cuts);
  const left = leftAt(catalog, stand, final.timed);
  const edits: ReplanEdit[] = [];
  let before = asPlanned;
  cuts.forEach((cut, i) => {
    const { end } = search.with(cuts.slice(0, i + 1));
    cut.ids.forEach((id, of) => {
      edits.push({
        kind: cut.kind,
        block: id,
        ...(cut.reps === undefined ? {} : { to: { reps: cut.reps } }),
        label: cut.labels[of] as string,
        // What a run saves is said by its first block: it goes whole.
        saves: of === 0 ? Math.round(before - end) : 0,
        edits: cut.edits.filter((edit) => ('id' in edit ? edit.id === id : of === 0)),
      });
    });
    before = end;
  });
  const at = startOf(final.timed, moment.block, moment.pass);
  const when = (seconds: number) => Math.round(moment.elapsed + pace * (seconds - at));
  const blocks = final.timed.sequence.flatMap((part) => {
    const second = left.second.find((each) => each === part);
    if (!second && !left.whole.includes(part)) return [];
    const slot = second?.slots[1];
    const startSeconds = when(slot?.startSeconds ?? part.startSeconds);
    return [{ id: part.block.id, startSeconds, seconds: Math.round(pace * (slot?.seconds ?? part.seconds)) }];
  });
  const ends = final.end >= target + LEAST && final.end <= target + AIM_TO;
  return {
    target,
    endsAt: { asPlanned: Math.round(asPlanned), replanned: Math.round(final.end) },
    edits,
    blocks: blocks.sort((a, b) => a.startSeconds - b.startSeconds),
    keeps: {
      peak: left.peak?.block.id ?? null,
      ease: left.ease?.block.id ?? null,
      secondSides: left.second.map(({ block }) => block.id),
    },
    why: whyOf(search, final, left, ends),
    ends,
    plan: final.timed.plan,
  };
}

function whyOf(
  { target, asPlanned, stand }: Search,
  { end, cuts }: Tried,
  { peak, second }: ReturnType<typeof leftAt>,
  ends: boolean,
): string[] {
  const apart = (seconds: number) => {
    const off = Math.round(seconds - target);
    return off === 0 ? 'on time' : `${spell(Math.abs(off))} ${off > 0 ? 'late' : 'early'}`;
  };
  const slower = Math.round((stand.pace - 1) * 100);
  const day = slower === 0 ? '' : ` Today goes ${Math.abs(slower)} % ${slower > 0 ? 'slower' : 'faster'} than planned.`;
  const as = `As planned it ends at ${clock(asPlanned)}, ${apart(asPlanned)}.${day}`;
  if (cuts.length === 0) return [as, ...(ends ? [] : ['Nothing that may change is left to bring it to time.'])];
  return [
    as,
    `Then it ends at ${clock(end)}, ${apart(end)}${ends ? '' : ', the nearest there is: the rest has to stay'}.`,
    ...(peak ? [`Its hardest moment, ${titleOf(peak)}, and its last block stay as they are.`] : []),
    ...(second.length > 0 ? [`Second sides stay: ${second.map((block) => titleOf(block)).join('; ')}.`] : []),
  ];
}
