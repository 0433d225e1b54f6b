import { CONDITION_IDS, type Condition } from '../caution';
import type { Method, Order } from '../method';
import {
  type Audience,
  type ClassPlan,
  type Pacing,
  type Purpose,
  pacingOf,
  type Teacher,
  type TimedBlock,
  type TimedClass,
} from '../plan';
import type { Catalog } from '../repertoire';
import { type Arc, arcOf } from './arc';
import { type Fired, firedIn } from './fired';
import { type Offered, offersOf } from './offers';
import { Stretches } from './stretches';

export interface ReviewContext {
  readonly audience?: Audience | undefined;
  /** Asked for by name: a class's own review is without one. */
  readonly teacher?: Teacher | undefined;
  /** Keys of rungs met before this class (see `earlierInSeries`). */
  readonly earlier?: ReadonlySet<string>;
  /** The day it is, `YYYY-MM-DD`: the core has no calendar of its own. */
  readonly today?: string | undefined;
}

export type Limits = Method['limits'];

const NOTHING_MET: ReadonlySet<string> = new Set();

/** What every rule of the review reads; what several ask for is worked out when the first one does. */
export class Subject {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly audience: Audience | undefined;
  readonly conditions: readonly Condition[];
  /** The method's, with the audience's own in their place. */
  readonly limits: Limits;
  readonly purpose: Purpose;
  readonly order: Order;
  readonly pacing: Pacing;
  /** Keys of rungs the audience has met before this class, in the series it belongs to. */
  readonly earlier: ReadonlySet<string>;
  /** The day it is; without it nothing is judged by its age. */
  readonly today: string | undefined;
  /** Blocks that are done and not only shown: what sides, arc and exposure in all are judged by. */
  readonly done: readonly TimedBlock[];
  /** How long parts of the body are loaded at a stretch. */
  readonly stretches: Stretches;
  #arc: Arc | null | undefined;
  #fired: readonly Fired[] | undefined;
  #offers: readonly Offered[] | undefined;

  constructor(catalog: Catalog, timed: TimedClass, context: ReviewContext) {
    const { audience, teacher, earlier = NOTHING_MET, today } = context;
    const { plan } = timed;
    this.catalog = catalog;
    this.timed = timed;
    this.audience = audience;
    this.conditions = conditionsOf(plan, audience);
    this.limits = limitsOf(catalog.method, audience);
    this.purpose = plan.purpose ?? 'class';
    this.order = plan.order ?? catalog.method.order;
    this.pacing = pacingOf(catalog.method, { audience, teacher });
    this.earlier = earlier;
    this.today = today;
    const shows = timed.blocks.some(({ block }) => block.mode === 'show');
    this.done = shows ? timed.blocks.filter(({ block }) => block.mode !== 'show') : timed.blocks;
    this.stretches = new Stretches(catalog, timed);
  }

  /** How the class rises and falls in heat. */
  get arc(): Arc | null {
    if (this.#arc === undefined) this.#arc = arcOf(this);
    return this.#arc;
  }

  /** What the conditions in the room ask of it. */
  get fired(): readonly Fired[] {
    this.#fired ??= firedIn(this);
    return this.#fired;
  }

  /** Every rung offered beside a main version. */
  get offers(): readonly Offered[] {
    this.#offers ??= offersOf(this);
    return this.#offers;
  }
}

const rooms = new Map<string, readonly Condition[]>();

/** Conditions of a class: its audience's and its own, each once, in the table's order; the same list for the same room. */
export function conditionsOf(plan: Pick<ClassPlan, 'cautions'>, audience?: Audience): readonly Condition[] {
  const present = [...(audience?.cautions ?? []), ...(plan.cautions ?? [])];
  const key = present.join(' ');
  const known = rooms.get(key);
  if (known) return known;
  const found = CONDITION_IDS.filter((condition) => present.includes(condition));
  rooms.set(key, found);
  return found;
}

const merged = new WeakMap<Method, WeakMap<Audience, Limits>>();

/** The limits of a class: the method's, with the audience's own in their place. */
export function limitsOf(method: Method, audience: Audience | undefined): Limits {
  if (!audience) return method.limits;
  const known = merged.get(method) ?? new WeakMap<Audience, Limits>();
  merged.set(method, known);
  const found = known.get(audience);
  if (found) return found;
  const { limits = {}, homeHeat, floorTrips } = audience;
  const said = Object.entries({
    ...limits,
    homeHeat: homeHeat ?? limits.homeHeat,
    floorTrips: floorTrips ?? limits.floorTrips,
  });
  const own = Object.fromEntries(said.filter(([, value]) => value !== undefined)) as Partial<Limits>;
  const all: Limits = { ...method.limits, ...own };
  known.set(audience, all);
  return all;
}
