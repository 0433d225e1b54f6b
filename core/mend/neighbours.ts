import { judge } from '../caution';
import {
  type Block,
  type ClassPlan,
  doseOf,
  freeBlockId,
  type PlanEdit,
  type RungBlock,
  type RungBlockChange,
  repsOf,
  repsRangeOf,
  type TimedBlock,
} from '../plan';
import { laneOf, type RungEntry, substitutesFor } from '../repertoire';
import { type ClassMeasure, lackingOf, passes, type Remedy, rungTitle, type Subject, titleOf } from '../review';

/** A small change that might help. */
export interface Neighbour extends Remedy {
  /** People stay in the position they are in. */
  readonly stays: boolean;
  /** It takes a block away. */
  readonly leavesOut?: true;
}

/** How many rungs from elsewhere in the repertoire are tried in a block's place. */
const SUBSTITUTES = 12;
/** Places tried for a block where people are in another position before and after: the nearest ones. */
const PLACES = 6;

/** As a share. */
const HALF = 0.5;

type Part = ClassMeasure['timed']['sequence'][number];

/** What a part is called: its exercise and rung, or its own name. */

/**
 * What can be done about one part of a class, whatever is wrong with it.
 * @param moves whether its place is of any matter
 */
export function neighboursAt(measure: ClassMeasure, index: number, moves = true): Neighbour[] {
  const part = measure.timed.sequence[index];
  if (!part || part.block.locked) return [];
  const own = part.kind === 'block' ? [...otherRungs(measure, part), ...otherWays(measure, part)] : [];
  return [...own, ...(moves ? otherPlaces(measure, part) : []), leaveOut(part)];
}

/** What can stand in the place of a part, or nothing: other rungs, and leaving it out. */
export function insteadOf(measure: ClassMeasure, index: number): Neighbour[] {
  const part = measure.timed.sequence[index];
  if (!part || part.block.locked) return [];
  return [...(part.kind === 'block' ? otherRungs(measure, part) : []), leaveOut(part)];
}

const leaveOut = (part: Part): Neighbour => ({
  label: `Leave out ${titleOf(part)}`,
  edits: [{ kind: 'remove', id: part.block.id }],
  stays: false,
  leavesOut: true,
});

/** Whether a rung may be put into the class at all: nobody in the room must leave it, and its props are at hand. */
export const fitsRoom = (subject: Subject, entry: RungEntry): boolean =>
  passes(subject, entry) && lackingOf(entry, subject.audience?.equipment).length === 0;

/** Rungs the class does already; doing one again is no way to mend. */
const doneIn = ({ blocks }: ClassMeasure['timed']): Set<RungEntry> => new Set(blocks.map(({ entry }) => entry));

/** The other rungs of its ladder, and rungs from elsewhere that can stand in its place. */
function otherRungs({ subject, timed }: ClassMeasure, { entry, block }: TimedBlock): Neighbour[] {
  const { catalog } = subject;
  const swapTo = (to: RungEntry): Neighbour => ({
    label: `${rungTitle(to)} instead of ${rungTitle(entry)}`,
    edits: [{ kind: 'swap', id: block.id, to: { exercise: to.exercise.id, rung: to.rung.id } }],
    stays: to.position === entry.position,
  });
  const allowed = (other: RungEntry) => fitsRoom(subject, other);
  const ladder = catalog.ladder(entry.exercise.id).filter((other) => other !== entry && allowed(other));
  const done = doneIn(timed);
  const others = substitutesFor(catalog, entry, { allowed: (other) => !done.has(other) && allowed(other) })
    .filter((each) => each.entry.exercise !== entry.exercise)
    .slice(0, SUBSTITUTES);
  return [...ladder, ...others.map((each) => each.entry)].map(swapTo);
}

/** The same rung done otherwise: more or less often, taught or run, going on, run together, rested after, offered less or more. */
function otherWays({ timed, subject }: ClassMeasure, part: TimedBlock): Neighbour[] {
  const { block, entry, index } = part;
  const title = rungTitle(entry);
  const found: Neighbour[] = [];
  const stays = (label: string, ...edits: PlanEdit[]) => found.push({ label, edits, stays: true });
  const set = (change: RungBlockChange): PlanEdit => ({ kind: 'set', id: block.id, change });

  // What someone in the room must take care with is tried through half its range: the body's own way to do less.
  if (block.range === undefined && judge(subject.catalog, entry, subject.graded).verdict !== 'fine') {
    stays(`${title}: half the range`, set({ range: HALF }));
  }
  const reps = repsOf(doseOf(entry, block));
  for (const each of dosesNear(entry, reps)) {
    stays(`${title}: ${each} instead of ${reps}`, { kind: 'dose', id: block.id, dose: { reps: each } });
  }
  if (block.mode === 'flow') stays(`Teach ${title}`, set({ mode: 'teach' }));
  const known = timed.blocks.some((other) => other.index < index && other.entry === entry);
  if (block.mode === 'teach' && known) stays(`Run ${title}: it was taught before`, set({ mode: 'flow' }));

  const before = timed.sequence[index - 1];
  const joins = before?.kind === 'block' && before.position === part.position && !part.carries;
  if (joins && part.change.taken.length + part.change.putAway.length === 0 && block.carry === undefined) {
    stays(`${title}: go on in the same shape`, set({ carry: true }));
  }
  if (joins && together(before.block, block)) {
    const run = before.block.run ?? freeRun(timed.plan);
    const first: PlanEdit = { kind: 'set', id: before.block.id, change: { run } };
    stays(`${rungTitle(before.entry)} and ${title}: one side, then the other`, first, set({ run }));
  }
  if (part.rest === 0) stays(`Rest 10 s after ${title}`, set({ restAfterSeconds: 10 }));
  else stays(`No rest after ${title}`, set({ restAfterSeconds: null }));

  const lower = subject.catalog.ladder(entry.exercise.id).findLast((other) => laneOf(entry, other) === 'lower');
  const offered = block.options ?? [];
  if (lower && offered.length === 0 && fitsRoom(subject, lower)) {
    stays(`Offer “${lower.rung.name}” in ${title}`, set({ options: [lower.rung.id] }));
  }
  if (offered.length > 0) stays(`Offer nothing else in ${title}`, set({ options: null }));
  return found;

  function together(first: RungBlock, second: RungBlock): boolean {
    const sided = (each: RungBlock) =>
      subject.catalog.rung(each)?.sides === 'each' && each.side === undefined && !each.locked;
    return second.run === undefined && sided(first) && sided(second);
  }
}

/** Repetitions worth trying: one more and one less, half-way to either end of the range, and the ends. */
function dosesNear(entry: RungEntry, reps: number): number[] {
  const [least, most] = repsRangeOf(entry.rung);
  const tried = [reps - 1, reps + 1, Math.round((reps + least) / 2), Math.round((reps + most) / 2), least, most];
  return [...new Set(tried)].filter((each) => each >= least && each <= most && each !== reps);
}

/** A name for a run that no block has. */
function freeRun({ blocks }: ClassPlan): string {
  const taken = new Set(blocks.map((block) => ('run' in block ? block.run : undefined)));
  for (let number = 1; ; number++) if (!taken.has(`run-${number}`)) return `run-${number}`;
}

/** The same part elsewhere; its whole run goes with it. */
function otherPlaces({ timed }: ClassMeasure, part: Part): Neighbour[] {
  const { sequence } = timed;
  const run = part.kind === 'block' ? part.block.run : undefined;
  const moved = run === undefined ? [part] : timed.blocks.filter((each) => each.block.run === run);
  if (moved.some((each) => each.block.locked)) return [];
  const [first, last] = [moved[0]?.index ?? part.index, moved.at(-1)?.index ?? part.index];
  const open = Array.from({ length: sequence.length + 1 }, (_, at) => at)
    .filter((at) => (at < first || at > last + 1) && !splitsRun(sequence, at))
    .sort((a, b) => Math.abs(a - part.index) - Math.abs(b - part.index));
  const stays = (at: number) =>
    sequence[at - 1]?.position === part.position || sequence[at]?.position === part.position;
  const ends = [0, sequence.length];
  const others = open.filter((at) => !stays(at) && !ends.includes(at)).slice(0, PLACES);
  return open
    .filter((at) => stays(at) || ends.includes(at) || others.includes(at))
    .map((at): Neighbour => {
      const after = sequence[at - 1];
      const where = after ? `after ${titleOf(after)}` : 'first';
      const before = sequence[at]?.block.id ?? null;
      return {
        label: `Do ${titleOf(part)}${moved.length > 1 ? ` and ${moved.length - 1} more` : ''} ${where}`,
        edits: moved.map((each) => ({ kind: 'move', id: each.block.id, before })),
        stays: stays(at),
      };
    });
}

function splitsRun(sequence: readonly Part[], at: number): boolean {
  const [before, after] = [sequence[at - 1], sequence[at]];
  const runOf = (part: Part | undefined) => (part?.kind === 'block' ? part.block.run : undefined);
  return runOf(before) !== undefined && runOf(before) === runOf(after);
}

/**
 * Rungs put into the class, each where it costs the least: after the last part in its own position before the class
 * leaves it, or at the end of the first such stay.
 * @param wanted which of those that fit the room are worth trying
 */
export function insertions(measure: ClassMeasure, wanted: (entry: RungEntry) => boolean): Neighbour[] {
  const { timed, subject } = measure;
  const { sequence, plan } = timed;
  const ends = staysEnding(sequence);
  const done = doneIn(timed);
  return subject.catalog.rungs.flatMap((entry): Neighbour[] => {
    if (done.has(entry) || !wanted(entry) || !fitsRoom(subject, entry)) return [];
    const places = ends.get(entry.position) ?? [];
    return places.slice(0, 2).map((at): Neighbour => {
      const after = sequence[at - 1] as Part;
      const block: Block = { id: freeBlockId(plan), exercise: entry.exercise.id, rung: entry.rung.id, mode: 'teach' };
      return {
        label: `Add ${rungTitle(entry)} after ${titleOf(after)}`,
        edits: [{ kind: 'insert', before: sequence[at]?.block.id ?? null, block }],
        stays: true,
      };
    });
  });
}

/** Where each position is about to be left, by position. */
function staysEnding(sequence: readonly Part[]): Map<string, number[]> {
  const ends = new Map<string, number[]>();
  sequence.forEach((part, i) => {
    if (sequence[i + 1]?.position === part.position) return;
    ends.set(part.position, [...(ends.get(part.position) ?? []), i + 1]);
  });
  return ends;
}
