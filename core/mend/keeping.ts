import { type ClassPlan, isInterlude, type PlanEdit, type RungBlock } from '../plan';
import type { Catalog } from '../repertoire';
import type { ClassMeasure } from '../review';

/** What a change takes from the class that was given, in points of the score. Source: docs/mending.md, "Keeping". */
const PAYS = { otherwise: 0.5, place: 1, rung: 1, ladder: 4, out: 4, ownAdded: 1, otherAdded: 2 } as const;
/** What is hottest, or of the idea the class grows by, pays double; the only exercise of a lesson ten times. */
const [LEADING, ONLY] = [2, 10];

/** What a class is kept by, worked out once for many tries. */
export interface Kept {
  readonly plan: ClassPlan;
  readonly leading: ReadonlySet<string>;
  readonly exercises: ReadonlySet<string>;
  /** A lesson of one exercise. */
  readonly only: boolean;
}

export function keptOf({ timed, subject }: ClassMeasure): Kept {
  const { plan, blocks } = timed;
  const { arc, thread, done, heats, hottest } = subject;
  const peak = arc?.peak ?? done[heats.lastIndexOf(hottest)];
  const leading = new Set([...(peak ? [peak] : []), ...(thread?.blocks ?? [])].map(({ block }) => block.id));
  const exercises = new Set(blocks.map(({ entry }) => entry.exercise.id));
  const lesson = plan.purpose === 'lesson' || plan.purpose === 'workshop';
  return { plan, leading, exercises, only: lesson && exercises.size === 1 };
}

/**
 * What edits pay for what they change of a class: nothing of it is worth less than what it is kept for.
 * @param fitted they bring the class to its length, all of them as one
 */
export function payOf(catalog: Catalog, kept: Kept, edits: readonly PlanEdit[], fitted = false): number {
  if (fitted) return 1;
  let pay = 0;
  // Going on in one shape, and one side of several before the other, is one change however many blocks it names.
  let joined = false;
  for (const edit of edits) {
    if (isJoining(edit)) {
      if (!joined) pay += PAYS.otherwise;
      joined = true;
    } else pay += payFor(catalog, kept, edit);
  }
  return pay;
}

const isJoining = (edit: PlanEdit): boolean =>
  edit.kind === 'set' &&
  Object.keys(edit.change).every((key) => key === 'carry' || key === 'run' || key === 'firstSide');

function payFor(catalog: Catalog, { plan, leading, exercises, only }: Kept, edit: PlanEdit): number {
  if (edit.kind === 'class' || edit.kind === 'interlude') return PAYS.otherwise;
  if (edit.kind === 'insert') {
    if (isInterlude(edit.block)) return PAYS.otherwise;
    return exercises.has(edit.block.exercise) ? PAYS.ownAdded : PAYS.otherAdded;
  }
  const block = plan.blocks.find(({ id }) => id === edit.id);
  // What was put in on the way is nobody's yet.
  if (!block) return PAYS.otherwise;
  const times = (leading.has(edit.id) ? LEADING : 1) * (only ? ONLY : 1);
  if (isInterlude(block)) return edit.kind === 'remove' ? PAYS.rung : PAYS.otherwise;
  switch (edit.kind) {
    case 'dose':
      return PAYS.otherwise * (only ? ONLY : 1);
    case 'move':
      return staysWithin(catalog, plan, block, edit.before) ? PAYS.otherwise : PAYS.place;
    case 'remove':
      return PAYS.out * times;
    case 'swap':
      return (edit.to.exercise === block.exercise ? PAYS.rung : PAYS.ladder) * times;
    case 'set':
      return (edit.change.rung === undefined ? PAYS.otherwise : PAYS.rung) * times;
  }
}

/** Whether a block moved before another is still among those of its position that it was among. */
function staysWithin(catalog: Catalog, { blocks }: ClassPlan, block: RungBlock, before: string | null): boolean {
  const position = (at: number) => {
    const each = blocks[at];
    return each && !isInterlude(each) ? catalog.rung(each)?.position : undefined;
  };
  const from = blocks.indexOf(block);
  const own = position(from);
  const to = before === null ? blocks.length : blocks.findIndex(({ id }) => id === before);
  const [low, high] = [Math.min(from, to), Math.max(from, to - 1)];
  for (let at = low; at <= high; at++) {
    const each = blocks[at];
    if (each && !isInterlude(each) && position(at) !== own) return false;
  }
  return true;
}
