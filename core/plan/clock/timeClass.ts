import type { Method } from '../../method';
import type { Catalog } from '../../repertoire/catalog';
import { DIRECTIONS, type Direction } from '../../vocabulary/bodies/direction';
import type { Side } from '../../vocabulary/bodies/side';
import { CONDITIONS } from '../../vocabulary/words/condition';
import { speechSeconds } from '../../vocabulary/words/words';
import { checkClass } from '../checks/checkClass';
import type { Problem } from '../checks/problem';
import { type Audience, type ClassPlan, isInterlude, type Purpose } from '../class';
import { wordsInAll } from '../spokenWords';
import type { Teacher } from '../teacherSchema';
import type { Pacing } from './blockTime';
import { type Ground, groundFor } from './ground';
import type { LaidBlock, LaidInterlude } from './laid';
import { NotLaid } from './laying';
import { type LaidOut, layOut } from './layOut';
import type { OwnPace, PaceFactors } from './pace';
import { TimedBlock, type TimedInterlude } from './timedBlock';
import { runningOver, type TimeRange } from './uncertainty';

/** Seconds of a class by what they are spent on; they sum to the class. */
export interface TimeParts {
  opening: number;
  /** Second set-ups among them. */
  setup: number;
  work: number;
  sideChanges: number;
  options: number;
  rest: number;
  interludes: number;
  transitions: number;
  closing: number;
}

export interface TimedClass {
  readonly plan: ClassPlan;
  readonly seconds: number;
  /** The same with every shown block done at its prescribed dose. */
  readonly practiceSeconds: number;
  readonly parts: TimeParts;
  readonly range: TimeRange;
  /** Every part in order: at `sequence[i]` is what became of `plan.blocks[i]`. */
  readonly sequence: ReadonlyArray<TimedBlock | TimedInterlude>;
  readonly blocks: readonly TimedBlock[];
  readonly interludes: readonly TimedInterlude[];
  /** Each part's own seconds, by position. */
  readonly positions: Readonly<Record<string, number>>;
  /** Work shared out among each exercise's directions. */
  readonly directions: Readonly<Partial<Record<Direction, number>>>;
  /** Work on each side; work on both at once counts to neither. */
  readonly sides: Readonly<Record<Side, number>>;
}

/** A class that can't be timed, with every reason. */
export class PlanError extends Error {
  readonly problems: readonly Problem[];
  constructor(problems: readonly Problem[]) {
    super(problems.map(({ message }) => message).join(' '));
    this.name = 'PlanError';
    this.problems = problems;
  }
}

/** Who is in the room, who teaches. */
export interface Taught {
  readonly audience?: Audience | undefined;
  /** Asked for by name: a class's own length is without one. */
  readonly teacher?: PacedTeacher | undefined;
}

/** A teacher, with their own pace where their logs tell one. */
export type PacedTeacher = Teacher & { readonly pace?: OwnPace };

/** What is explained takes longer to do: lessons and workshops. */
export const isLesson = (purpose: Purpose = 'class'): boolean => purpose === 'lesson' || purpose === 'workshop';

/** How fast things go with who is in the room and who teaches. */
export const pacingOf = (method: Method, { audience, teacher }: Taught, purpose: Purpose = 'class'): Pacing => ({
  pace: audience?.pace ?? 1,
  tempo:
    Math.max(audience?.tempo ?? 1, isLesson(purpose) ? method.lessonTempo : 0) *
    (teacher?.pace?.factors.work === undefined ? (teacher?.tempo ?? 1) : 1),
  wordsPerMinute: teacher?.wordsPerMinute ?? method.wordsPerMinute,
  factors: teacher?.pace?.factors ?? NO_FACTORS,
});
const NO_FACTORS: PaceFactors = {};

/** Whether the room gets up from the back by the side. Source: docs/timing.md, "Changing position". */
export const getsUpOverSide = (plan: Pick<ClassPlan, 'cautions'>, audience?: Audience): boolean =>
  [...(plan.cautions ?? []), ...(audience?.cautions ?? [])].some((condition) => CONDITIONS[condition].overSide);

/**
 * Times a whole class: every block, everything between, the range, and what the time is spent on.
 * The one source of a class's length; the stairs, the script, the review and the exports all read it.
 * @throws PlanError when the class does not fit the repertoire (see `checkClass`)
 */
export function timeClass(catalog: Catalog, plan: ClassPlan, taught: Taught = {}): TimedClass {
  const ground = groundFor(
    catalog,
    pacingOf(catalog.method, taught, plan.purpose),
    getsUpOverSide(plan, taught.audience),
    plan.firstSide,
  );
  const last = timedLast.get(ground);
  const out = laidOut();
  const { laid } = out;
  const { method } = catalog;
  const ends = endsOf(method, plan, ground.pacing);
  const day = taught.teacher?.pace?.day;
  const uncertainty = day === undefined ? method.uncertainty : { ...method.uncertainty, teacher: day };
  const { sequence, blocks, interludes } = onTheClock(ends.opening, laid, last?.sequence);
  timedLast.set(ground, { out, sequence });
  const spending = spent(uncertainty, plan, ends, laid);
  const shows = blocks.some(({ shown }) => shown);
  const given = overIfGiven();
  return {
    plan,
    seconds: spending.seconds,
    practiceSeconds: shows
      ? spent(uncertainty, plan, ends, layOut(ground, practised(plan), out).laid).seconds
      : spending.seconds,
    parts: spending.parts,
    range: given === undefined ? spending.range : { ...spending.range, overIfGiven: given },
    sequence,
    blocks,
    interludes,
    positions: spending.positions,
    directions: spending.directions,
    sides: spending.sides,
  };

  /** What may go is left out, and what carried on from it is set up anew. */
  function overIfGiven(): number | undefined {
    const kept = plan.blocks.filter(({ give }) => give === undefined);
    if (kept.length === plan.blocks.length) return undefined;
    return spent(uncertainty, plan, ends, layOut(ground, { ...plan, blocks: kept }, out).laid).range.overChance;
  }

  function laidOut() {
    try {
      return layOut(ground, plan, last?.out);
    } catch (error) {
      throw error instanceof NotLaid ? new PlanError(checkClass(catalog, plan)) : error;
    }
  }
}

/** The class timed last on each ground: the next is most often the same with one thing changed. */
const timedLast = new WeakMap<Ground, { readonly out: LaidOut; readonly sequence: TimedClass['sequence'] }>();

/** The class as it is practised: every shown block done. */
const practised = (plan: ClassPlan): ClassPlan => ({
  ...plan,
  blocks: plan.blocks.map((block) =>
    !isInterlude(block) && block.mode === 'show' ? { ...block, mode: 'teach' } : block,
  ),
});

/** Seconds of what frames a class. */
type Ends = Pick<TimeParts, 'opening' | 'closing'>;

/** The opening and the closing: as typed, and at least their words. */
const endsOf = (
  method: Method,
  { openingSeconds, openingWords, closingSeconds, closingWords }: ClassPlan,
  { wordsPerMinute, factors: { opening } }: Pacing,
): Ends => ({
  opening:
    Math.max(
      openingSeconds,
      speechSeconds(wordsInAll(openingWords), opening === undefined ? wordsPerMinute : method.wordsPerMinute),
    ) * (opening ?? 1),
  closing: Math.max(closingSeconds, speechSeconds(wordsInAll(closingWords), wordsPerMinute)),
});

/** @param known a class timed before, whose blocks are taken over where they stand as they stood */
function onTheClock(
  opening: number,
  laid: ReadonlyArray<LaidBlock | LaidInterlude>,
  known: TimedClass['sequence'] = [],
): Pick<TimedClass, 'sequence' | 'blocks' | 'interludes'> {
  const sequence: Array<TimedBlock | TimedInterlude> = [];
  const blocks: TimedBlock[] = [];
  const interludes: TimedInterlude[] = [];
  let clock = opening;
  for (let first = 0; first < laid.length; ) {
    const here = laid[first] as LaidBlock | LaidInterlude;
    if (here.kind === 'interlude') {
      const start = clock + here.change.seconds;
      const before = known[first];
      const stands = before?.kind === 'interlude' && before.laid === here && before.startSeconds === start;
      const timed = stands ? before : timedInterlude(here, first, start);
      clock = start + here.seconds;
      sequence.push(timed);
      interludes.push(timed);
      first++;
      continue;
    }
    let end = first + 1;
    while ((laid[end - 1] as LaidBlock).runsOn) end++;
    // First sides one after another, a change of side, then the second sides.
    let firstStart = clock;
    let secondStart = clock;
    for (let i = first; i < end; i++) {
      const { change, passes, sideChange } = laid[i] as LaidBlock;
      secondStart += change.seconds + (passes[0] as number) + sideChange;
    }
    for (let i = first; i < end; i++) {
      const each = laid[i] as LaidBlock;
      const start = firstStart + each.change.seconds;
      const before = known[i];
      const timed =
        before?.kind === 'block' && before.stands(each, start, secondStart)
          ? before
          : new TimedBlock(each, i, start, secondStart);
      firstStart = start + (each.passes[0] as number);
      secondStart += each.passes[1] ?? 0;
      sequence.push(timed);
      blocks.push(timed);
    }
    clock = secondStart;
    first = end;
  }
  return { sequence, blocks, interludes };
}

/** Written out: a spread costs more than all the rest of timing one. */
function timedInterlude(laid: LaidInterlude, index: number, startSeconds: number): TimedInterlude {
  const { kind, block, props, entry, change, seconds, position, uncertain } = laid;
  return { kind, block, props, entry, change, seconds, position, uncertain, laid, index, startSeconds };
}

/** What the seconds of a class are spent on, and how far they vary. */
function spent(
  uncertainty: Method['uncertainty'],
  { targetMinutes }: ClassPlan,
  { opening, closing }: Ends,
  laid: ReadonlyArray<LaidBlock | LaidInterlude>,
): Pick<TimedClass, 'seconds' | 'parts' | 'range' | 'positions' | 'directions' | 'sides'> {
  let [setup, work, sideChanges, options, rest, interludes, transitions] = [0, 0, 0, 0, 0, 0, 0];
  let [left, right] = [0, 0];
  const positions: Record<string, number> = {};
  const byDirection: number[] = new Array(DIRECTIONS.length).fill(0);
  // Neighbours are most often in one position: it is looked up where it changes.
  let position = laid[0]?.position ?? '';
  let inPosition = 0;
  const leave = () => {
    positions[position] = (positions[position] ?? 0) + inPosition;
  };
  for (const each of laid) {
    transitions += each.change.seconds;
    if (each.position !== position) {
      leave();
      position = each.position;
      inPosition = 0;
    }
    inPosition += each.seconds;
    if (each.kind === 'interlude') {
      interludes += each.seconds;
      continue;
    }
    setup += each.setup;
    work += each.work;
    options += each.options;
    rest += each.rest;
    sideChanges += each.sideChange;
    const shared = each.entry.exercise.directions;
    for (const direction of shared) {
      const place = DIRECTIONS.indexOf(direction);
      byDirection[place] = (byDirection[place] as number) + each.work / shared.length;
    }
    left += each.sides.left;
    right += each.sides.right;
  }
  if (laid.length > 0) leave();
  const parts: TimeParts = { opening, setup, work, sideChanges, options, rest, interludes, transitions, closing };
  const seconds = opening + setup + work + sideChanges + options + rest + interludes + transitions + closing;
  const range = runningOver({ seconds, opening, closing, target: targetMinutes * 60 }, laid, uncertainty);
  const directions: Partial<Record<Direction, number>> = {};
  for (let place = 0; place < DIRECTIONS.length; place++) {
    const own = byDirection[place] as number;
    if (own > 0) directions[DIRECTIONS[place] as Direction] = own;
  }
  return { seconds, parts, range, positions, directions, sides: { left, right } };
}
