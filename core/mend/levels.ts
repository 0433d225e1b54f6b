import { judge } from '../caution';
import {
  applyEdits,
  doseOf,
  type Option,
  optionOf,
  type PlanEdit,
  repsOf,
  repsRangeOf,
  type TimedBlock,
} from '../plan';
import { type Catalog, laneOf, type RungEntry } from '../repertoire';
import { type ClassMeasure, measureClass, Offer, type ReviewContext, rungTitle, type Subject } from '../review';
import { countText } from '../vocabulary';

/** Why blocks are offered nothing more, as it is said of so many. */
const LEFT_ALONE = {
  offering: 'with all there is for this room already',
  none: 'with nothing above or below in their position, with what is in the hand',
  untaken: 'with only what this room must not take, or what another block does anyway',
  locked: 'locked, or only shown',
} as const;
type LeftAlone = keyof typeof LEFT_ALONE;

/** A level offered beside a block, and what it costs. */
export interface Levelled {
  readonly edits: readonly PlanEdit[];
  /** What is offered where, in words. */
  readonly told: readonly string[];
  /** Where nothing is offered, why, in a sentence; else `null`. */
  readonly why: string | null;
  readonly measure: ClassMeasure;
  /** Seconds that saying it adds to the class. */
  readonly seconds: number;
}

/** How many blocks have a level beside their main version. */
export const offeringIn = ({ timed }: ClassMeasure): number =>
  timed.blocks.filter(({ block }) => (block.options ?? []).length > 0).length;

/**
 * One lower and one higher rung offered beside every block, where the review has nothing against it: rungs that share
 * position and props, with as many repetitions as the main version's time holds and a pause for the rest.
 * @param least so many blocks are to offer one, though it be what another block does anyway
 */
export function levelled(catalog: Catalog, measure: ClassMeasure, context: ReviewContext, least = 0): Levelled {
  const edits: PlanEdit[] = [];
  const told: string[] = [];
  const left: Record<LeftAlone, number> = { locked: 0, offering: 0, none: 0, untaken: 0 };
  let now = measure;
  for (const { block } of measure.timed.blocks) {
    if (block.locked || block.mode === 'show') {
      left.locked += 1;
      continue;
    }
    const before = edits.length;
    for (const lane of ['lower', 'upper'] as const) {
      const part = now.timed.blocks.find((each) => each.block.id === block.id) as TimedBlock;
      const offered = part.block.options ?? [];
      if (offered.some((each) => laneIn(catalog, part.entry, optionOf(each)) === lane)) continue;
      const found = levelFor(now.subject, part, lane, offered.length === 0 && offeringIn(now) < least);
      if (!found) continue;
      const options = lane === 'lower' ? [found.option, ...offered] : [...offered, found.option];
      const edit: PlanEdit = { kind: 'set', id: block.id, change: { options } };
      const after = measureClass(catalog, applyEdits(catalog, now.timed.plan, [edit]), context);
      if (complaints(after) > complaints(now) + 1e-9) continue;
      edits.push(edit);
      told.push(`${rungTitle(part.entry)}: ${found.told}`);
      now = after;
    }
    if (edits.length === before) left[whyLeft(catalog, now, block.id)] += 1;
  }
  const why = edits.length > 0 ? null : whyNone(left);
  return { edits, told, why, measure: now, seconds: now.timed.seconds - measure.timed.seconds };
}

function whyNone(left: Readonly<Record<LeftAlone, number>>): string {
  const kinds = (Object.keys(LEFT_ALONE) as LeftAlone[]).filter((each) => left[each] > 0);
  if (kinds.length === 0) return 'There is no block to offer a level beside.';
  return `Nothing more to offer: ${kinds.map((each) => `${countText(left[each], 'block')} ${LEFT_ALONE[each]}`).join('; ')}.`;
}

/** Why a block was left as it is. */
function whyLeft(catalog: Catalog, { timed }: ClassMeasure, id: string): LeftAlone {
  const part = timed.blocks.find((each) => each.block.id === id) as TimedBlock;
  if ((part.block.options ?? []).length > 0) return 'offering';
  const beside = catalog
    .ladder(part.entry.exercise.id)
    .some((each) => each !== part.entry && sharesRoom(part.entry, each));
  return beside ? 'untaken' : 'none';
}

/** Whether two rungs are done in one position with the same props. */
const sharesRoom = (home: RungEntry, each: RungEntry): boolean =>
  each.position === home.position && each.props.every((prop) => home.props.includes(prop));

/** What the review has against options, time aside. */
const complaints = ({ score: { parts } }: ClassMeasure): number =>
  parts.options + parts.cautions + parts.exposure + parts.ladders + parts.props;

function laneIn(catalog: Catalog, home: RungEntry, option: Option) {
  const entry = catalog.rung({ exercise: home.exercise.id, rung: option.rung });
  return entry && laneOf(home, entry);
}

/** Seconds by which an option may end before the main version without a pause being said. */
const TOGETHER = 8;

/** Whether a rung is what another block does anyway, and was not done before in the stay of this one. */
function isDouble({ timed }: Subject, { index, position }: TimedBlock, entry: RungEntry): boolean {
  if (!timed.blocks.some((block) => block.entry === entry)) return false;
  for (let at = index - 1; at >= 0 && timed.sequence[at]?.position === position; at--) {
    const part = timed.sequence[at];
    if (part?.kind === 'block' && part.entry === entry) return false;
  }
  return true;
}

/** The nearest rung of a lane that the room can take, dosed to the main version's time; and that in words. */
function levelFor(subject: Subject, part: TimedBlock, lane: 'lower' | 'upper', doubles = false) {
  const { catalog, graded } = subject;
  const { entry, block } = part;
  const ladder = catalog.ladder(entry.exercise.id).filter((each) => laneOf(entry, each) === lane);
  const fits = (each: RungEntry) =>
    (doubles || !isDouble(subject, part, each)) &&
    sharesRoom(entry, each) &&
    judge(catalog, each, graded).verdict === 'fine';
  const chosen = lane === 'lower' ? ladder.findLast(fits) : ladder.find(fits);
  if (!chosen) return null;
  const option = timedTo(subject, part, { rung: chosen.rung.id }, chosen);
  const [reps, home] = [repsOf(doseOf(chosen, option)), repsOf(doseOf(entry, block))];
  const how = [
    reps < home ? 'fewer repetitions' : reps > home ? 'more repetitions' : 'as many repetitions',
    ...(option.pauseSeconds ? [`a pause of ${option.pauseSeconds} s`] : []),
  ];
  return { option, told: `“${chosen.rung.name}” ${lane === 'lower' ? 'below' : 'above'} it, ${how.join(' and ')}` };
}

/** An option with as many repetitions as the main version's time holds, within its range, and a pause for the rest. */
function timedTo({ room }: Subject, { laid }: TimedBlock, { rung, sign }: Option, entry: RungEntry): Option {
  const own = repsOf(entry.rung.dose);
  const [, most] = repsRangeOf(entry.rung);
  const seconds = (reps: number) => {
    const option = { rung, dose: { reps } };
    return new Offer(room, laid, option, entry).seconds(option);
  };
  let reps = Math.round(own);
  while (reps > 1 && seconds(reps) > laid.work) reps -= 1;
  while (reps < most && seconds(reps + 1) <= laid.work) reps += 1;
  const left = Math.floor((laid.work - seconds(reps)) / Math.max(1, laid.passes.length));
  return {
    rung,
    ...(sign === undefined ? {} : { sign }),
    ...(reps === own ? {} : { dose: { reps } }),
    ...(left > TOGETHER ? { pauseSeconds: left } : {}),
  };
}

/** Seconds of what a block offers, held and paused as it says, beside the main version's work. */
export const offerSeconds = ({ room, catalog }: Subject, { block, laid }: TimedBlock): ReadonlyMap<string, number> =>
  new Map(
    (block.options ?? []).flatMap((each): Array<[string, number]> => {
      const option = optionOf(each);
      const entry = catalog.rung({ exercise: block.exercise, rung: option.rung });
      return entry ? [[option.rung, new Offer(room, laid, option, entry).seconds()]] : [];
    }),
  );

/**
 * A rung of its ladder offered beside a block, dosed to the main version's time, or offered no more; what else is offered
 * stays as it is, all in the order of the ladder.
 */
export function offering(subject: Subject, part: TimedBlock, rung: string, on: boolean): PlanEdit {
  const { block } = part;
  const options = subject.catalog.ladder(block.exercise).flatMap((entry): Array<string | Option> => {
    const { id } = entry.rung;
    if (id === rung) return on ? [timedTo(subject, part, { rung }, entry)] : [];
    return block.options?.filter((each) => optionOf(each).rung === id) ?? [];
  });
  return { kind: 'set', id: block.id, change: { options: options.length > 0 ? options : null } };
}

/** The offered rungs of blocks, dosed anew to what the main version lasts now; nothing for blocks that offer none. */
export function retimed({ subject, timed }: ClassMeasure, ids: ReadonlySet<string>): PlanEdit[] {
  return timed.blocks.flatMap((part): PlanEdit[] => {
    const { id, options, exercise } = part.block;
    if (!options?.length || !ids.has(id)) return [];
    const again = options.map((each) => {
      const option = optionOf(each);
      const entry = subject.catalog.rung({ exercise, rung: option.rung });
      return entry ? timedTo(subject, part, option, entry) : each;
    });
    return [{ kind: 'set', id, change: { options: again } }];
  });
}
