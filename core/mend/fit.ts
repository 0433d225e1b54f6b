import {
  applyEdits,
  doseOf,
  optionOf,
  type PlanEdit,
  repsOf,
  repsRangeOf,
  type TimedBlock,
  type TimedClass,
} from '../plan';
import { type Catalog, laneOf } from '../repertoire';
import { type Limits, measureClass, rungTitle } from '../review';
import { retimed } from './levels';
import { standingOf } from './standing';
import type { Ground, Outcome } from './trial';

/** What of a block can give or take time. */
interface Room {
  readonly id: string;
  readonly reps: number;
  readonly least: number;
  readonly most: number;
}

/**
 * Edits that bring a class to its target length, spread over its blocks: repetitions within each rung's sensible range,
 * then, where that is not enough, teaching once what is taught twice, resting less and offering fewer upper levels, or
 * resting more after what is hottest. Both sides stay equal, nothing locked changes, a rung above the audience is never given more, and no repetition is added that an exposure or a
 * caution speaks of.
 * @returns no edits where the class fits already or nothing can move
 */
export function fitEdits(ground: Ground): PlanEdit[] {
  return fitted(ground)?.edits ?? [];
}

export interface Fitted extends Outcome {
  readonly edits: PlanEdit[];
  /** What each edit changes, in words. */
  readonly told: readonly string[];
}

/** The same with the class it leads to; `null` where nothing can move. */
export function fitted(ground: Ground): Fitted | null {
  const { measure } = ground;
  const aim = aimOf(ground.measure.timed, ground.measure.subject.limits);
  const short = aim - measure.timed.seconds;
  if (Math.abs(short) < CLOSE) return null;
  const rooms = measure.timed.blocks.flatMap((block) => roomOf(ground, block));
  let edits = dosedTo(ground, rooms, aim);
  if (lengthWith(ground, edits) > aim) edits = [...edits, ...spared(ground, edits, aim)];
  else edits = [...edits, ...rested(ground, edits, aim)];
  if (edits.length === 0) return null;
  const dosed = measureClass(ground.catalog, applyEdits(ground.catalog, measure.timed.plan, edits), ground.context);
  // Whoever takes another rung works as long as before with the others: saying so takes no time.
  const lanes = retimed(dosed, new Set(edits.flatMap((edit) => (edit.kind === 'dose' ? edit.id : []))));
  const plan = applyEdits(ground.catalog, dosed.timed.plan, lanes);
  const after = measureClass(ground.catalog, plan, ground.context);
  const told = edits.flatMap((edit) => tell(measure, edit) ?? []);
  return { plan, measure: after, standing: standingOf(after), edits: [...edits, ...lanes], told };
}

/** A change of time in words: “Plank, Knees down: 10 instead of 8”. */
function tell({ timed }: Ground['measure'], edit: PlanEdit): string | null {
  const part = 'id' in edit ? timed.blocks.find(({ block }) => block.id === edit.id) : undefined;
  if (!part) return null;
  const title = rungTitle(part.entry);
  if (edit.kind === 'dose') return `${title}: ${edit.dose.reps} instead of ${repsOf(doseOf(part.entry, part.block))}`;
  if (edit.kind !== 'set') return null;
  const { mode, restAfterSeconds, options } = edit.change;
  if (mode === 'flow') return `${title}: run, as it was taught before`;
  if (restAfterSeconds) return `${title}: ${restAfterSeconds} s of rest after it`;
  if (restAfterSeconds === null) return `${title}: no rest after it`;
  return options === undefined ? null : `${title}: one level fewer offered`;
}

/** A class nearer to its aim than this is left as it is, in seconds. */
const CLOSE = 5;

/**
 * The length to aim at, in seconds: a little under the target, as far as the chance of running late is to be within
 * the method's limit, and never so far that a part of the class is left empty (4 % under; contract of the review).
 */
export function aimOf(timed: TimedClass, { overChance }: Pick<Limits, 'overChance'>): number {
  const target = timed.plan.targetMinutes * 60;
  const spread = (timed.range.p90 - timed.range.p10) / (2 * NORMAL_P90);
  const under = -quantile(overChance) * spread;
  return target - Math.min(MOST_UNDER * target, Math.max(LEAST_UNDER * target, under + 1));
}
const NORMAL_P90 = 1.2816;
const [LEAST_UNDER, MOST_UNDER] = [0.012, 0.034];

/** The normal quantile, by the logistic that comes within a hundredth of it between 0.1 and 0.9. */
const quantile = (share: number): number => Math.log(share / (1 - share)) / 1.65;

function roomOf({ catalog, measure }: Ground, { block, entry, shown }: TimedBlock): Room[] {
  if (block.locked || shown || block.secondDose) return [];
  const reps = repsOf(doseOf(entry, block));
  const [least, most] = repsRangeOf(entry.rung);
  const above = catalog.heat(entry) > measure.subject.limits.homeHeat;
  return [{ id: block.id, reps, least: Math.min(least, reps), most: above ? reps : Math.max(most, reps) }];
}

const doseEdits = (rooms: readonly Room[], repsAt: (room: Room) => number): PlanEdit[] =>
  rooms.flatMap((room): PlanEdit[] => {
    const reps = repsAt(room);
    return reps === room.reps ? [] : [{ kind: 'dose', id: room.id, dose: { reps } }];
  });

function lengthWith({ catalog, measure, context }: Ground, edits: readonly PlanEdit[]): number {
  return measureClass(catalog, applyEdits(catalog, measure.timed.plan, edits), context).timed.seconds;
}

/** Steps by which a spread over the ranges is narrowed down: a thousandth of every range. */
const HALVINGS = 10;

/** Repetitions moved evenly through each block's range as far as the target asks, then one by one. */
function dosedTo(ground: Ground, rooms: readonly Room[], aim: number): PlanEdit[] {
  const more = ground.measure.timed.seconds < aim;
  // What has to get shorter gets no longer anywhere.
  const capped = rooms.map((room) => (more ? withoutHarm(ground, room) : { ...room, most: room.reps }));
  const at = (share: number) => (room: Room) =>
    Math.round(room.reps + share * ((more ? room.most : room.least) - room.reps));
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const seconds = lengthWith(ground, doseEdits(capped, at(middle)));
    if (more ? seconds <= aim : seconds > aim) low = middle;
    else high = middle;
  }
  // More: the most that still fits. Less: the least that fits; all there is when nothing does.
  const chosen = new Map(capped.map((room) => [room.id, at(more ? low : high)(room)]));
  return doseEdits(capped, topUp(ground, capped, chosen, aim));
}

/** One repetition more here and there while the class is still short of its aim. */
function topUp(ground: Ground, rooms: readonly Room[], chosen: Map<string, number>, aim: number) {
  const repsAt = (room: Room) => chosen.get(room.id) ?? room.reps;
  const { catalog, measure, context } = ground;
  const now = () => measureClass(catalog, applyEdits(catalog, measure.timed.plan, doseEdits(rooms, repsAt)), context);
  const first = now();
  let { seconds } = first.timed;
  const harm = Math.max(costOfHarm(first.score.parts), costOfHarm(measure.score.parts));
  for (const room of [...rooms].sort((a, b) => share(a, repsAt(a)) - share(b, repsAt(b)))) {
    const reps = repsAt(room);
    if (aim - seconds < CLOSE || reps >= room.most) continue;
    chosen.set(room.id, reps + 1);
    const longer = now();
    // Blocks that ask nothing each may, one after another.
    if (longer.timed.seconds > aim || costOfHarm(longer.score.parts) > harm + 1e-9) chosen.set(room.id, reps);
    else ({ seconds } = longer.timed);
  }
  return repsAt;
}

const share = ({ least, most }: Room, reps: number): number => (most > least ? (reps - least) / (most - least) : 1);

/** The range of a block as far as more of it raises no finding of its own: exposure and cautions stay silent. */
function withoutHarm(ground: Ground, room: Room): Room {
  const { catalog, measure, context } = ground;
  const costs = costOfHarm(measure.score.parts);
  let { most } = room;
  while (most > room.reps) {
    const plan = applyEdits(
      catalog,
      measure.timed.plan,
      doseEdits([room], () => most),
    );
    if (costOfHarm(measureClass(catalog, plan, context).score.parts) <= costs + 1e-9) break;
    most -= 1;
  }
  return { ...room, most };
}

const costOfHarm = ({ exposure, cautions, options, directions }: Ground['measure']['score']['parts']): number =>
  exposure + cautions + options + directions;

/** Seconds of rest added after a block at most, and by how many at a time. */
const [MOST_REST, REST_STEP] = [20, 5];

/** From this share of the hardest a block is work, after which a rest is welcome. */
const WORK = 0.6;

/** What else takes up time that is wanted: rests after the hottest blocks. */
function rested(ground: Ground, edits: readonly PlanEdit[], aim: number): PlanEdit[] {
  const { catalog, measure } = ground;
  const hottest = measure.timed.blocks
    .filter(({ block, rest, shown }) => !block.locked && !shown && rest === 0)
    .sort((a, b) => catalog.heat(b.entry) - catalog.heat(a.entry));
  const taken: PlanEdit[] = [];
  let short = aim - lengthWith(ground, edits);
  for (const { block, entry } of hottest) {
    if (short < REST_STEP || catalog.heat(entry) < WORK * measure.subject.hottest) break;
    const seconds = Math.min(MOST_REST, Math.floor(short / REST_STEP) * REST_STEP);
    taken.push({ kind: 'set', id: block.id, change: { restAfterSeconds: seconds } });
    short -= seconds;
  }
  return taken;
}

/** What else gives time back: rests, set-ups spoken twice, upper levels offered; late blocks first. */
function spared(ground: Ground, edits: readonly PlanEdit[], aim: number): PlanEdit[] {
  const { timed } = ground.measure;
  const taken: PlanEdit[] = [];
  for (const part of [...timed.blocks].reverse()) {
    if (lengthWith(ground, [...edits, ...taken]) <= aim) break;
    const { block, entry, index } = part;
    if (block.locked) continue;
    const known = timed.blocks.some((other) => other.index < index && other.entry === entry);
    if (part.rest > 0) taken.push({ kind: 'set', id: block.id, change: { restAfterSeconds: null } });
    if (block.mode === 'teach' && known) taken.push({ kind: 'set', id: block.id, change: { mode: 'flow' } });
    const lower = block.options?.filter((each) => !isUpper(ground.catalog, part, optionOf(each).rung));
    if (lower && lower.length < (block.options?.length ?? 0)) {
      taken.push({ kind: 'set', id: block.id, change: { options: lower.length > 0 ? lower : null } });
    }
  }
  return taken;
}

function isUpper(catalog: Catalog, { entry, block }: TimedBlock, rung: string): boolean {
  const offered = catalog.rung({ exercise: block.exercise, rung });
  return offered !== undefined && laneOf(entry, offered) === 'upper';
}
