import { type Angles, anglesOf, LIMB_JOINTS, type Pose, type Posed, SIDES, TRUNK_JOINTS } from '../../body';
import type { Rung } from '../exercise';

// A repetition told as a body does it: a movement broken into several breaths is still one movement, and a breath in
// which nothing moves is a stay.

/** One movement of a repetition, or one stay, however many phases it is told in. */
export interface Movement {
  readonly from: Posed;
  readonly to: Posed;
  /** Nothing moves that anybody would see. */
  readonly still: boolean;
  /** Counts of each of its phases, in order; those in which it pauses on its way among them. */
  readonly counts: readonly number[];
}

/** Degrees by which a joint must travel for a body to be seen to move: a breath moves ribs by less. */
export const SEEN_TO_MOVE = 5;

/** The cosine from which two steps of a repetition lead the same way. */
const SAME_WAY = 0.7;

/**
 * The movements and stays of one repetition. Steps that go on the same way are one movement, a pause between them
 * included; what moves less than anybody sees is a stay, and stays that follow one another are one.
 * @param course the body at the start of a repetition and where each phase arrives, one more than there are phases
 */
export function movementsOf({ phases }: Pick<Rung, 'phases'>, course: readonly Posed[]): readonly Movement[] {
  const steps: Movement[] = [];
  phases.forEach((phase, i) => {
    const [from, to] = [course[i], course[i + 1]];
    if (from && to) add(steps, { from, to, still: travelled(from, to) === 0, counts: [phase.counts] });
  });
  const found: Movement[] = [];
  for (const step of steps) {
    const next = { ...step, still: travelled(step.from, step.to) <= SEEN_TO_MOVE };
    if (next.still && found.at(-1)?.still) join(found, 1, next);
    else found.push(next);
  }
  return found;
}

function add(found: Movement[], next: Movement): void {
  const last = found.at(-1);
  const before = found.at(-2);
  if (last && !next.still && !last.still && goesOn(last, next)) join(found, 1, next);
  else if (last?.still && before && !next.still && goesOn(before, next)) join(found, 2, next);
  else if (last?.still && next.still) join(found, 1, next);
  else found.push(next);
}

/** Makes one of the last few and the next. */
function join(found: Movement[], last: number, next: Movement): void {
  const parts = [...found.splice(-last), next];
  const [first] = parts;
  if (!first) return;
  found.push({ ...first, to: next.to, counts: parts.flatMap(({ counts }) => counts) });
}

const written = new WeakMap<Pose, Angles>();

/** The angles as a pose says them: what settling adds so that it rests is nobody's movement. */
function writtenAngles(pose: Pose): Angles {
  const known = written.get(pose) ?? anglesOf(pose);
  written.set(pose, known);
  return known;
}

/** Degrees of the joint that travels farthest from one body to another. */
function travelled(from: Posed, to: Posed): number {
  const [a, b] = [writtenAngles(from.pose), writtenAngles(to.pose)];
  let most = 0;
  for (const joint of LIMB_JOINTS) {
    for (const side of SIDES) most = Math.max(most, Math.abs(a[joint][side] - b[joint][side]));
  }
  for (const joint of TRUNK_JOINTS) most = Math.max(most, Math.abs(a[joint] - b[joint]));
  return most;
}

/** Whether a second movement leads on where the first led. */
function goesOn(first: Movement, second: Movement): boolean {
  let [dot, a2, b2] = [0, 0, 0];
  const step = (a: number, b: number, c: number, d: number) => {
    const [one, other] = [b - a, d - c];
    dot += one * other;
    a2 += one * one;
    b2 += other * other;
  };
  const [a, b, c, d] = [first.from, first.to, second.from, second.to].map(({ pose }) => writtenAngles(pose));
  if (!a || !b || !c || !d) return false;
  for (const joint of LIMB_JOINTS) {
    for (const side of SIDES) step(a[joint][side], b[joint][side], c[joint][side], d[joint][side]);
  }
  for (const joint of TRUNK_JOINTS) step(a[joint], b[joint], c[joint], d[joint]);
  return dot > SAME_WAY * Math.sqrt(a2 * b2);
}

/** What a movement may grow by for being broken into breaths: a fifth of its longest. */
const BROKEN = 0.2;

/**
 * Counts a movement or a stay is worked for. A movement broken into breaths is slow, not longer work: it counts its
 * longest breath and up to a fifth more. A stay counts whole.
 */
export function workedCounts({ still, counts }: Movement): number {
  const all = counts.reduce((sum, each) => sum + each, 0);
  if (still || all === 0) return all;
  const longest = Math.max(...counts);
  return longest * (1 + BROKEN * (1 - longest / all));
}

/** Counts of the longest stay of a repetition. */
export const longestStay = (movements: readonly Movement[]): number =>
  Math.max(0, ...movements.filter(({ still }) => still).map(workedCounts));
