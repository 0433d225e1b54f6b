import { CONDITION_IDS, type Condition } from '../caution';
import type { Method, Order } from '../method';
import { type Audience, type ClassPlan, type Pacing, type Purpose, pacingOf, type Teacher } from '../plan';
import type { Catalog } from '../repertoire';

export type Limits = Method['limits'];

/** Who a class is for, what for, and by what it is held: the same object for the same people, so that what is judged for them is kept. */
export interface Room {
  readonly catalog: Catalog;
  readonly audience: Audience | undefined;
  readonly conditions: readonly Condition[];
  /** The method's, with the audience's own in their place. */
  readonly limits: Limits;
  readonly pacing: Pacing;
  readonly purpose: Purpose;
  readonly order: Order;
}

type Taught = Pick<ClassPlan, 'cautions' | 'purpose' | 'order'>;

/** Who is in the room and who teaches, as a class and its review are asked for. */
interface People {
  readonly audience?: Audience | undefined;
  readonly teacher?: Teacher | undefined;
}
const NOBODY = {};

const rooms = new WeakMap<Catalog, WeakMap<object, Map<string, Room>>>();

/** The room a class is taught to. */
export function roomOf(catalog: Catalog, plan: Taught, { audience, teacher }: People): Room {
  const { purpose = 'class', order = catalog.method.order } = plan;
  let own = rooms.get(catalog);
  if (!own) {
    own = new WeakMap();
    rooms.set(catalog, own);
  }
  const who = audience ?? NOBODY;
  let known = own.get(who);
  if (!known) {
    known = new Map();
    own.set(who, known);
  }
  const taughtBy = teacher ? `${teacher.tempo} ${teacher.wordsPerMinute}` : '';
  const key = `${purpose} ${order} ${taughtBy}/${plan.cautions?.join(' ') ?? ''}`;
  let room = known.get(key);
  if (!room) {
    room = {
      catalog,
      audience,
      conditions: conditionsOf(plan, audience),
      limits: limitsOf(catalog.method, audience),
      pacing: pacingOf(catalog.method, { audience, teacher }),
      purpose,
      order,
    };
    known.set(key, room);
  }
  return room;
}

/** Conditions of a class: its audience's and its own, each once, in the table's order. */
export function conditionsOf(plan: Pick<ClassPlan, 'cautions'>, audience?: Audience): readonly Condition[] {
  const present = new Set([...(audience?.cautions ?? []), ...(plan.cautions ?? [])]);
  return CONDITION_IDS.filter((condition) => present.has(condition));
}

/** The limits of a class: the method's, with the audience's own in their place. */
export function limitsOf(method: Method, audience: Audience | undefined): Limits {
  if (!audience) return method.limits;
  const { limits = {}, homeHeat, floorTrips } = audience;
  const said = Object.entries({
    ...limits,
    homeHeat: homeHeat ?? limits.homeHeat,
    floorTrips: floorTrips ?? limits.floorTrips,
  });
  const own = Object.fromEntries(said.filter(([, value]) => value !== undefined)) as Partial<Limits>;
  return { ...method.limits, ...own };
}
