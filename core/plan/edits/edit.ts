import type { Catalog } from '../../repertoire/catalog';
import type { DoseChange, RungRef } from '../../repertoire/exercise';
import { type Block, type ClassPlan, type Interlude, isInterlude, optionOf, type RungBlock } from '../class';
import { timeClass } from '../clock/timeClass';
import { givesKept, reanchored } from './spare';

/**
 * Every way a class is changed, by hand or by a finding's remedy. One vocabulary, so that a remedy is an edit a
 * director could have made, undo is one thing, and no edit can leave a broken run behind. Blocks are named by id, so
 * that an edit means the same block after others were moved.
 */
export type PlanEdit =
  /** `before`: the id of the block it goes before; at the end when there is none. */
  | { readonly kind: 'insert'; readonly before: string | null; readonly block: Block }
  | { readonly kind: 'remove'; readonly id: string }
  | { readonly kind: 'move'; readonly id: string; readonly before: string | null }
  | { readonly kind: 'dose'; readonly id: string; readonly dose: Change<DoseChange> }
  | { readonly kind: 'set'; readonly id: string; readonly change: RungBlockChange }
  | { readonly kind: 'interlude'; readonly id: string; readonly change: InterludeChange }
  | { readonly kind: 'swap'; readonly id: string; readonly to: RungRef }
  | { readonly kind: 'class'; readonly change: ClassChange };

/** A key set to `null` (or, in the process, to `undefined`) is taken away; JSON carries `null` alone. */
type Change<T> = { readonly [K in keyof T]?: T[K] | null | undefined };
export type RungBlockChange = Change<Omit<RungBlock, 'id' | 'exercise' | 'dose'>>;
export type InterludeChange = Change<Omit<Interlude, 'id' | 'interlude'>>;
export type ClassChange = Change<Omit<ClassPlan, 'id' | 'blocks'>>;

/** What an edit took away besides, for its sentence. */
export interface EditOutcome {
  readonly plan: ClassPlan;
  /** Blocks that said they carry on and no longer can. */
  readonly carriesDropped: readonly string[];
}

/** An id that is not there: a fault of the caller, not of the plan. */
function placeOf({ blocks }: ClassPlan, id: string): number {
  const index = blocks.findIndex((block) => block.id === id);
  if (index < 0) throw new RangeError(`there is no block “${id}”`);
  return index;
}

const placeBefore = (plan: ClassPlan, before: string | null): number =>
  before === null ? plan.blocks.length : placeOf(plan, before);

const without = <T extends object>(value: object): T =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined && each !== null)) as T;

function rungBlockAt(plan: ClassPlan, id: string): RungBlock {
  const block = plan.blocks[placeOf(plan, id)] as Block;
  if (isInterlude(block)) throw new RangeError(`the block “${id}” is an interlude`);
  return block;
}

/**
 * The class after one edit; the given one is left as it was. Runs that no longer hold are taken apart, and a block that
 * said it carries on where it no longer can says so no more.
 * @throws RangeError for a block that is not there
 */
export const applyEdit = (catalog: Catalog, plan: ClassPlan, edit: PlanEdit): ClassPlan =>
  editClass(catalog, plan, edit).plan;

/** The same, with what was taken away on the way. */
export function editClass(catalog: Catalog, plan: ClassPlan, edit: PlanEdit): EditOutcome {
  const edited = reanchored(plan.blocks, withoutLost(changed(catalog, plan, edit)));
  const blocks = givesKept({ blocks: mendRuns(catalog, edited.blocks) });
  return dropLostCarries(catalog, { ...edited, blocks });
}

/** A short form leaves out no block that is gone. */
function withoutLost(plan: ClassPlan): ClassPlan {
  const { short, ...whole } = plan;
  if (!short) return plan;
  const leaveOut = short.leaveOut.filter((id) => plan.blocks.some((block) => block.id === id));
  if (leaveOut.length === short.leaveOut.length) return plan;
  return leaveOut.length > 0 ? { ...plan, short: { leaveOut } } : whole;
}

function changed(catalog: Catalog, plan: ClassPlan, edit: PlanEdit): ClassPlan {
  const { blocks } = plan;
  switch (edit.kind) {
    case 'class':
      return without({ ...plan, ...edit.change });
    case 'insert':
      return { ...plan, blocks: blocks.toSpliced(placeBefore(plan, edit.before), 0, edit.block) };
    case 'remove':
      return { ...plan, blocks: blocks.toSpliced(placeOf(plan, edit.id), 1) };
    case 'move': {
      if (edit.before === edit.id) return plan;
      const from = placeOf(plan, edit.id);
      const to = placeBefore(plan, edit.before);
      const moved = blocks[from] as Block;
      return { ...plan, blocks: blocks.toSpliced(from, 1).toSpliced(to > from ? to - 1 : to, 0, moved) };
    }
    case 'dose': {
      const { dose: old, ...rest } = rungBlockAt(plan, edit.id);
      const dose = without<DoseChange>({ ...old, ...edit.dose });
      return replace(plan, Object.keys(dose).length > 0 ? { ...rest, dose } : rest);
    }
    case 'swap':
      return replace(plan, swapped(catalog, rungBlockAt(plan, edit.id), edit.to));
    case 'interlude': {
      const block = blocks[placeOf(plan, edit.id)] as Block;
      if (!isInterlude(block)) throw new RangeError(`the block “${edit.id}” is no interlude`);
      return replace(plan, without<Interlude>({ ...block, ...edit.change }));
    }
    case 'set': {
      const block = without<RungBlock>({ ...rungBlockAt(plan, edit.id), ...edit.change });
      const options = block.options?.filter((option) => optionOf(option).rung !== block.rung);
      return replace(plan, without({ ...block, options: options && options.length > 0 ? options : undefined }));
    }
  }
}

/**
 * Another rung in a block's place. What was said of the old one (dose, options, side, words) does not carry over, save
 * what the new one can keep: the side where it has one.
 */
function swapped(catalog: Catalog, block: RungBlock, to: RungRef): RungBlock {
  const {
    dose: _dose,
    secondDose: _second,
    options: _options,
    lines: _lines,
    range: _range,
    side,
    carry: _carry,
    ...kept
  } = block;
  const stays = side !== undefined && catalog.rung(to)?.sides !== 'both' ? { side } : {};
  return { ...kept, ...stays, ...to };
}

const replace = (plan: ClassPlan, block: Block): ClassPlan => ({
  ...plan,
  blocks: plan.blocks.with(placeOf(plan, block.id), block),
});

/** Takes a block out of its run where the run no longer holds: moved away, limited to a side, or in another position. */
function mendRuns(catalog: Catalog, blocks: readonly Block[]): Block[] {
  const mended: Block[] = [];
  const closed = new Set<string>();
  for (const block of blocks) {
    const before = mended.at(-1);
    const last = before && !isInterlude(before) ? before : undefined;
    if (last?.run !== undefined && (isInterlude(block) || last.run !== block.run)) closed.add(last.run);
    mended.push(isInterlude(block) ? block : inItsRun(catalog, asSided(catalog, block), last, closed));
  }
  return mended;
}

/** What is said of sides goes where there are none: of a second dose, where there is no second side any more. */
function asSided(catalog: Catalog, block: RungBlock): RungBlock {
  if (block.side === undefined && block.firstSide === undefined && !block.secondDose) return block;
  const sides = catalog.rung(block)?.sides;
  const { secondDose: _second, ...once } = block;
  const { side: _side, firstSide: _first, ...both } = once;
  if (sides === 'both') return both;
  // The same block where nothing goes: what is kept is told from what changed by its identity.
  return block.secondDose === undefined || (block.side === undefined && sides === 'each') ? block : once;
}

function inItsRun(
  catalog: Catalog,
  block: RungBlock,
  last: RungBlock | undefined,
  closed: ReadonlySet<string>,
): RungBlock {
  if (block.run === undefined) return block;
  const entry = catalog.rung(block);
  const follows = last?.run === block.run;
  const holds =
    !closed.has(block.run) &&
    entry?.sides === 'each' &&
    block.side === undefined &&
    (!follows || catalog.rung(last)?.position === entry.position);
  const { run: _run, ...alone } = block;
  if (!holds) return alone;
  if (!follows || block.firstSide === undefined) return block;
  // The side that begins a run is said by its first block.
  const { firstSide: _side, ...inside } = block;
  return inside;
}

function dropLostCarries(catalog: Catalog, plan: ClassPlan): EditOutcome {
  if (!plan.blocks.some((block) => !isInterlude(block) && block.carry)) return { plan, carriesDropped: [] };
  const lost = timeClass(catalog, plan).blocks.filter(({ carryLost }) => carryLost);
  if (lost.length === 0) return { plan, carriesDropped: [] };
  const ids = new Set(lost.map(({ block }) => block.id));
  const blocks = plan.blocks.map((block) => {
    if (!ids.has(block.id) || isInterlude(block)) return block;
    const { carry: _carry, ...rest } = block;
    return rest;
  });
  return { plan: { ...plan, blocks }, carriesDropped: [...ids] };
}

/**
 * An id for a new block that no block of the class has.
 * @example freeBlockId(plan) // 'b7'
 */
export function freeBlockId({ blocks, spare = [] }: Pick<ClassPlan, 'blocks' | 'spare'>): string {
  const taken = new Set([...blocks, ...spare].map(({ id }) => id));
  for (let number = blocks.length + 1; ; number++) {
    const id = `b${number}`;
    if (!taken.has(id)) return id;
  }
}

/** The class after several edits. @throws RangeError when an edit names a block that is not there */
export const applyEdits = (catalog: Catalog, plan: ClassPlan, edits: readonly PlanEdit[]): ClassPlan =>
  edits.reduce((sofar, edit) => applyEdit(catalog, sofar, edit), plan);
