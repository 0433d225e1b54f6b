import { CONDITION_IDS, type Condition, type Graded, readChecks, WITHIN } from '../../caution';
import type { Method, Order } from '../../method';
import {
  type Audience,
  type ClassPlan,
  type OwnPace,
  type PacedTeacher,
  type Pacing,
  type Purpose,
  pacingOf,
} from '../../plan';
import type { Catalog } from '../../repertoire';

export type Limits = Method['limits'];

/** Who a class is for, what for, and by what it is held: the same object for the same people, so that what is judged for them is kept. */
export interface Room {
  readonly catalog: Catalog;
  readonly audience: Audience | undefined;
  readonly conditions: readonly Condition[];
  /** The same, each by how far a check lets people go: what rungs are held against. */
  readonly graded: readonly Graded[];
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
  readonly teacher?: PacedTeacher | undefined;
  readonly today?: string | undefined;
}
const NOBODY = {};

/** A room with what it was asked for by. */
interface Asked {
  readonly room: Room;
  readonly cautions: ClassPlan['cautions'];
  readonly tempo: number | undefined;
  readonly wordsPerMinute: number | undefined;
  readonly pace: OwnPace | undefined;
  readonly today: string | undefined;
}

/** Rooms kept of an audience, the last that were asked for: looking through few costs less than a key. */
const KEPT = 64;
const rooms = new WeakMap<Catalog, WeakMap<object, Asked[]>>();

/** The room a class is taught to. */
export function roomOf(catalog: Catalog, plan: Taught, { audience, teacher, today }: People): Room {
  const { purpose = 'class', order = catalog.method.order, cautions } = plan;
  let own = rooms.get(catalog);
  if (!own) {
    own = new WeakMap();
    rooms.set(catalog, own);
  }
  const who = audience ?? NOBODY;
  let known = own.get(who);
  if (!known) {
    known = [];
    own.set(who, known);
  }
  const { tempo, wordsPerMinute, pace } = teacher ?? NO_TEACHER;
  for (const asked of known) {
    const alike = asked.room.purpose === purpose && asked.room.order === order;
    const taught = asked.tempo === tempo && asked.wordsPerMinute === wordsPerMinute && asked.pace === pace;
    if (asked.today !== today) continue;
    if (alike && taught && sameList(asked.cautions, cautions)) return asked.room;
  }
  const conditions = conditionsOf(plan, audience);
  const limits = limitsOf(catalog.method, audience);
  const room: Room = {
    catalog,
    audience,
    conditions,
    graded: gradedBy(conditions, audience, limits, today),
    limits,
    pacing: pacingOf(catalog.method, { audience, teacher }, purpose),
    purpose,
    order,
  };
  known.push({ room, cautions, tempo, wordsPerMinute, pace, today });
  if (known.length > KEPT) known.shift();
  return room;
}

const NO_TEACHER: Partial<Pick<PacedTeacher, 'tempo' | 'wordsPerMinute' | 'pace'>> = {};

function sameList(a: readonly string[] = [], b: readonly string[] = []): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** Conditions of a class: its audience's and its own, each once, in the table's order. */
export function conditionsOf(plan: Pick<ClassPlan, 'cautions'>, audience?: Audience): readonly Condition[] {
  const present = new Set([...(audience?.cautions ?? []), ...(plan.cautions ?? [])]);
  return CONDITION_IDS.filter((condition) => present.has(condition));
}

/** Conditions by how far the record of checks lets people go. @param today as in `readChecks` */
function gradedBy(
  conditions: readonly Condition[],
  audience: Audience | undefined,
  limits: Limits,
  today: string | undefined,
): readonly Graded[] {
  if (!conditions.includes('abdominal-separation')) return conditions;
  return readChecks(audience?.abdominalChecks ?? [], limits, today).clear ? [...conditions, WITHIN] : conditions;
}

/** What a class is held against: conditions of its audience and its own, graded by the audience's checks. */
export const broughtBy = (
  method: Method,
  plan: Pick<ClassPlan, 'cautions'>,
  audience?: Audience,
  today?: string,
): readonly Graded[] => gradedBy(conditionsOf(plan, audience), audience, limitsOf(method, audience), today);

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
