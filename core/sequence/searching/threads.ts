import type { Direction } from '../../method';
import type { RungEntry } from '../../repertoire';
import { isStanding } from '../../vocabulary/bodies/position';
import type { Chance } from '../../vocabulary/chance';
import type { Search } from '../briefs/aims';
import { stageOf } from './orders';

/** A ladder a class may grow by: its rungs up to the one it leads to, and what those require that nobody knows yet. */
export interface ThreadPlan {
  readonly exercise: string;
  readonly position: string;
  /** Of the ladder, easiest first. */
  readonly rungs: readonly RungEntry[];
  /** In an order in which each can be taught. */
  readonly required: readonly RungEntry[];
  readonly heat: number;
}

/** Fewer rungs than this do not grow. */
export const FEWEST = 3;
/** More are not told apart. */
const MOST = 5;

/** What has to be taught before a rung, in order; `null` where something of it can't be. */
export function closureOf(
  search: Search,
  entry: RungEntry,
  done: ReadonlySet<RungEntry> = new Set(),
): RungEntry[] | null {
  const found: RungEntry[] = [];
  const seen = new Set<RungEntry>();
  const visit = (each: RungEntry): boolean => {
    for (const required of each.rung.requires ?? []) {
      const need = search.catalog.rung(required);
      if (!need) return false;
      if (isMet(search, need, done) || seen.has(need)) continue;
      seen.add(need);
      if (!search.allowed.has(need) || !visit(need)) return false;
      found.push(need);
    }
    return true;
  };
  return visit(entry) ? found : null;
}

/** Whether a requirement is known, or done already: by itself or by a higher rung of its ladder. */
function isMet({ catalog, known }: Search, need: RungEntry, done: ReadonlySet<RungEntry>): boolean {
  for (const each of catalog.ladder(need.exercise.id)) {
    if (each.step >= need.step && (known.has(each.key) || done.has(each))) return true;
  }
  return false;
}

/** Every ladder the room could grow by, up to each of its rungs that leaves enough below it. */
function threadPlans(search: Search): ThreadPlan[] {
  const { catalog, allowed, wantedThread } = search;
  return catalog.exercises.flatMap(({ id }): ThreadPlan[] => {
    if (wantedThread !== undefined && id !== wantedThread) return [];
    const main = catalog.ladder(id).filter((entry) => entry.rung.branchOf === undefined && allowed.has(entry));
    const plans: ThreadPlan[] = [];
    for (let end = main.length; end >= FEWEST; end--) {
      const top = main[end - 1] as RungEntry;
      const window = main.slice(Math.max(0, end - MOST), end).filter(({ position }) => position === top.position);
      if (window.length < FEWEST) continue;
      const closures = window.map((entry) => closureOf(search, entry));
      if (closures.some((each) => each === null)) continue;
      const required = [...new Set(closures.flatMap((each) => each ?? []))].filter((entry) => !window.includes(entry));
      plans.push({ exercise: id, position: top.position, rungs: window, required, heat: catalog.heat(top) });
      break;
    }
    return plans;
  });
}

const planned = new WeakMap<Search, readonly ThreadPlan[]>();
function threadsFor(search: Search): readonly ThreadPlan[] {
  let known = planned.get(search);
  if (!known) {
    known = threadPlans(search);
    planned.set(search, known);
  }
  return known;
}

/** How much likelier a ladder of the focus is taken, and how much less likely one with props, or one taken before. */
const [OF_FOCUS, PROPPED, TAKEN, LONG_WAY, UPRIGHT] = [12, 0.2, 0.02, 0.4, 0.05];

/** The stage of the customary order from which a peak comes late enough, and how much less likely an earlier one is taken. */
const [LATER, EARLY] = [4, 0.3];

/** A ladder to grow by, by chance: likelier one that leads to what the room can feel, is about the focus and needs little. */
export function chooseThread(search: Search, chance: Chance): ThreadPlan | null {
  const { frame, othersThreads, peakHeat, order } = search;
  const weights = threadsFor(search).map((plan): [ThreadPlan, number] => {
    const [first] = plan.rungs as [RungEntry];
    let weight = Math.min(1, plan.heat / Math.max(1, peakHeat)) ** 12;
    const { directions } = first.exercise;
    if (frame.focus !== undefined) weight *= directions.includes(frame.focus as Direction) ? OF_FOCUS : 1;
    if (plan.rungs.some(({ props }) => props.length > 0)) weight *= PROPPED;
    if (othersThreads.has(plan.exercise)) weight *= TAKEN;
    if (isStanding(first.like)) weight *= UPRIGHT;
    if (plan.required.length > MOST) weight *= LONG_WAY;
    // In the customary order a peak on the back or rolling comes before the class is half over.
    if (order === 'customary') weight *= plan.rungs.every((entry) => stageOf({ entry }) >= LATER) ? 1 : EARLY;
    return [plan, weight];
  });
  const all = weights.reduce((sum, [, weight]) => sum + weight, 0);
  let left = chance.share() * all;
  for (const [plan, weight] of weights) {
    left -= weight;
    if (left <= 0) return plan;
  }
  return weights.at(-1)?.[0] ?? null;
}
