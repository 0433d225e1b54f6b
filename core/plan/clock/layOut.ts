import { type Block, type ClassPlan, isInterlude } from '../class';
import type { Ground } from './ground';
import type { LaidBlock, LaidInterlude } from './laid';
import { layInterlude, stanceAfter } from './layInterlude';
import { atTheStart, type LaidRun, type Laying, type Stance, sameStance } from './laying';
import { laidAs, layRun } from './layRun';

/** A class laid out, with all that the next one can take over from it. */
export interface LaidOut {
  readonly opening: string | undefined;
  readonly blocks: readonly Block[];
  readonly laid: ReadonlyArray<LaidBlock | LaidInterlude>;
  readonly laying: ReadonlyArray<Laying | LaidInterlude>;
  /** Where the walk stands before each run and each interlude, and at the end; inside a run there is none. */
  readonly stances: ReadonlyArray<Stance | undefined>;
}

/**
 * Every part of a class in order, before the clock is asked when it begins.
 * @param known a class laid on the same ground: most often the same with one thing changed, so that this one is laid
 *   from the first change on, until the walk stands where it stood
 * @throws NotLaid when a rung is not in the repertoire, or a run changes position
 */
export function layOut(ground: Ground, plan: ClassPlan, known?: LaidOut): LaidOut {
  const { blocks, openingPosition: opening } = plan;
  const last = known?.opening === opening ? known : undefined;
  const from = last ? firstChange(last, blocks) : 0;
  const tail = last ? sameTail(last, blocks, from) : blocks.length;
  const laying = last ? last.laying.slice(0, from) : [];
  const stances = last ? last.stances.slice(0, from) : [];
  let stance = last?.stances[from] ?? atTheStart(ground, opening);
  for (let first = from; first < blocks.length; ) {
    if (last && first >= tail) {
      const before = first - blocks.length + last.blocks.length;
      const stood = last.stances[before];
      // Where nobody knows yet where people are, what comes later says so.
      if (stood && sameStance(stood, stance) && stance.place !== null) {
        for (let i = before; i < last.blocks.length; i++) {
          laying.push(last.laying[i] as Laying | LaidInterlude);
          stances.push(last.stances[i]);
        }
        stance = last.stances.at(-1) as Stance;
        break;
      }
    }
    stances.push(stance);
    const block = blocks[first] as Block;
    if (isInterlude(block)) {
      const laid = layInterlude(ground, plan, block, first, stance);
      stance = stanceAfter(laid, stance);
      laying.push(laid);
      first++;
      continue;
    }
    const end = endOfRun(blocks, first);
    const run = (last && laidBefore(last, blocks, first, end, stance)) ?? layRun(ground, blocks, first, end, stance);
    for (const each of run.laying) {
      if (laying.length > first) stances.push(undefined);
      laying.push(each);
    }
    stance = run.to;
    first = end;
  }
  stances.push(stance);
  return { opening, blocks, laying, stances, laid: closed(ground, laying) };
}

/** The first part that has to be laid anew: the head of the run in which the classes first differ. */
function firstChange({ blocks: before, stances }: LaidOut, blocks: readonly Block[]): number {
  const shorter = Math.min(before.length, blocks.length);
  let from = 0;
  while (from < shorter && before[from] === blocks[from]) from++;
  // A run may have become longer or shorter: it is laid from its head.
  while (from > 0 && (stances[from] === undefined || goesOnInRun(blocks, from))) from--;
  return stances[from]?.place === null ? 0 : from;
}

const goesOnInRun = (blocks: readonly Block[], at: number): boolean => {
  const run = runOf(blocks[at]);
  return run !== undefined && runOf(blocks[at - 1]) === run;
};

/** From where on both classes have the same blocks to their ends. */
function sameTail({ blocks: before }: LaidOut, blocks: readonly Block[], from: number): number {
  const shift = before.length - blocks.length;
  let tail = blocks.length;
  while (tail > from && tail + shift > from && before[tail - 1 + shift] === blocks[tail - 1]) tail--;
  return tail;
}

/** Each block as the next one with a rung leaves it: interludes between do not let go. */
function closed(ground: Ground, laying: ReadonlyArray<Laying | LaidInterlude>): Array<LaidBlock | LaidInterlude> {
  const laid = new Array<LaidBlock | LaidInterlude>(laying.length);
  let carried = false;
  for (let i = laying.length - 1; i >= 0; i--) {
    const each = laying[i] as Laying | LaidInterlude;
    if ('kind' in each) {
      laid[i] = each;
      continue;
    }
    const as = carried ? 1 : 0;
    each.laid[as] ??= laidAs(ground, each, carried);
    laid[i] = each.laid[as] as LaidBlock;
    carried = each.carries;
  }
  return laid;
}

/** Past the last of neighbours that share a run; a block by itself is a run of one. */
function endOfRun(blocks: readonly Block[], first: number): number {
  const run = runOf(blocks[first]);
  let end = first + 1;
  while (run !== undefined && runOf(blocks[end]) === run) end++;
  return end;
}
const runOf = (block: Block | undefined): string | undefined =>
  block === undefined || isInterlude(block) ? undefined : block.run;

/**
 * The run from `first` to `end` as the class before has it, wherever it stood there: blocks are never changed in place,
 * so the same ones from the same stance are laid the same.
 */
function laidBefore(
  { blocks: before, laying, stances }: LaidOut,
  blocks: readonly Block[],
  first: number,
  end: number,
  from: Stance,
): LaidRun | undefined {
  const at = before.indexOf(blocks[first] as Block);
  const stood = stances[at];
  const to = stances[at + end - first];
  if (!stood || !to || !sameStance(stood, from)) return undefined;
  for (let i = first + 1; i < end; i++) if (before[at + i - first] !== blocks[i]) return undefined;
  return { laying: laying.slice(at, at + end - first) as Laying[], to };
}
