import { eachOf, type Pose, paired } from '../../body';
import { allPhases, type Exercise, type Phase, type Rung } from '../exercise';

/** The exercise with one rung changed; itself when there is no such step. */
export const withRung = (exercise: Exercise, step: number, change: (rung: Rung) => Rung): Exercise => {
  const rung = exercise.rungs[step];
  return rung ? { ...exercise, rungs: exercise.rungs.with(step, change(rung)) } : exercise;
};

/** A copy of a rung put above it, to be made harder. @param id free among the ladder's rungs */
export const addRungAbove = (exercise: Exercise, step: number, id: string, name: string): Exercise => {
  const below = exercise.rungs[step];
  if (!below) return exercise;
  const { heatOverride: _its, ...copied } = structuredClone(below);
  return { ...exercise, rungs: exercise.rungs.toSpliced(step + 1, 0, { ...copied, id, name }) };
};

/** A rung less; what stood beside it stands in the ladder by itself. */
export function removeRung(exercise: Exercise, step: number): Exercise {
  const gone = exercise.rungs[step];
  const rungs = exercise.rungs.toSpliced(step, 1).map((rung) => {
    if (rung.branchOf === undefined || rung.branchOf !== gone?.id) return rung;
    const { branchOf: _beside, ...alone } = rung;
    return alone;
  });
  return { ...exercise, rungs };
}

/** A rung put at another place in its ladder; itself when there is no such place. */
export const moveRung = (exercise: Exercise, step: number, to: number): Exercise => {
  const rung = exercise.rungs[step];
  if (!rung || to < 0 || to >= exercise.rungs.length) return exercise;
  return { ...exercise, rungs: exercise.rungs.toSpliced(step, 1).toSpliced(to, 0, rung) };
};

export const withPose = (rung: Rung, id: string, pose: Pose): Rung => ({
  ...rung,
  poses: { ...rung.poses, [id]: pose },
});

/** A pose called something else, wherever the rung speaks of it; itself when the new name is taken. */
export function renamePose(rung: Rung, from: string, to: string): Rung {
  if (from === to || to in rung.poses) return rung;
  const called = (id: string) => (id === from ? to : id);
  const reaching = (phase: Phase): Phase => ({ ...phase, pose: called(phase.pose) });
  return {
    ...rung,
    poses: Object.fromEntries(Object.entries(rung.poses).map(([id, pose]) => [called(id), pose])),
    start: called(rung.start),
    ...(rung.entry ? { entry: rung.entry.map(reaching) } : {}),
    phases: rung.phases.map(reaching),
    ...(rung.exit ? { exit: rung.exit.map(reaching) } : {}),
  };
}

/** Whether the rung starts in a pose or moves to it: such a pose can't be taken out. */
export const poseInUse = (rung: Rung, id: string): boolean =>
  rung.start === id || allPhases(rung).some(({ pose }) => pose === id);

export function removePose(rung: Rung, id: string): Rung {
  const { [id]: _gone, ...poses } = rung.poses;
  return { ...rung, poses };
}

/** Where phases stand: on the way into the shape, in the repetition, on the way out. */
export const PHASE_PARTS = ['entry', 'phases', 'exit'] as const;
export type PhasePart = (typeof PHASE_PARTS)[number];

/** A rung with other phases in one part; a way in or out without any is none. */
function withPhases(rung: Rung, part: PhasePart, phases: readonly Phase[]): Rung {
  if (part === 'phases' || phases.length > 0) return { ...rung, [part]: phases };
  const { [part]: _none, ...rest } = rung;
  return rest;
}

/** The part a phase stands in, and its place there; `null` when the rung has no such phase. */
function placeOf(rung: Rung, phase: string): { part: PhasePart; phases: readonly Phase[]; index: number } | null {
  for (const part of PHASE_PARTS) {
    const phases = rung[part] ?? [];
    const index = phases.findIndex(({ id }) => id === phase);
    if (index >= 0) return { part, phases, index };
  }
  return null;
}

/** @param phase its id; a rung without it stays as it is */
export function withPhase(rung: Rung, phase: string, change: Partial<Phase>): Rung {
  const place = placeOf(rung, phase);
  if (!place) return rung;
  const { part, phases, index } = place;
  return withPhases(rung, part, phases.with(index, { ...(phases[index] as Phase), ...change }));
}

/** A phase more at the end of a part; unless said otherwise it goes back to where the repetition starts. */
export function addPhase(rung: Rung, part: PhasePart = 'phases', pose: string = rung.start): Rung {
  const before = rung[part] ?? [];
  const breath = before.at(-1)?.breath === 'in' ? 'out' : 'in';
  return withPhases(rung, part, [...before, { id: freeIdAmong(allPhases(rung), 'p'), breath, counts: 2, pose }]);
}

/** An id of a letter and a number that none of a list has. @example freeIdAmong([{ id: 'p1' }], 'p') // 'p2' */
export function freeIdAmong(list: ReadonlyArray<{ readonly id: string }>, letter: string): string {
  const taken = new Set(list.map(({ id }) => id));
  for (let number = list.length + 1; ; number++) {
    if (!taken.has(`${letter}${number}`)) return `${letter}${number}`;
  }
}

/** A phase less; what was said on it goes with it. */
export function removePhase(rung: Rung, phase: string): Rung {
  const place = placeOf(rung, phase);
  if (!place) return rung;
  const left = withPhases(rung, place.part, place.phases.toSpliced(place.index, 1));
  return left.cues ? { ...left, cues: left.cues.filter((cue) => cue.phase !== phase) } : left;
}

/** A phase changed about with the next one of its part, each with what is said on it; itself when there is none. */
export function swapPhases(rung: Rung, phase: string): Rung {
  const place = placeOf(rung, phase);
  const [first, second] = [place?.phases[place.index], place?.phases[place.index + 1]];
  if (!place || !first || !second) return rung;
  return withPhases(rung, place.part, place.phases.with(place.index, second).with(place.index + 1, first));
}

/**
 * A rung with some parts lying on a prop, or with none on what carries the rest of the body.
 * @param parts one side at a time: `foot.left`, `pelvis`; two sides on one prop are written as their pair
 */
export function withCarrier(rung: Rung, parts: readonly string[], prop: string | null): Rung {
  const { on = {}, ...rest } = rung;
  const lying = new Map(Object.entries(on).flatMap(([support, id]) => eachOf(support).map((part) => [part, id])));
  for (const part of parts) {
    if (prop === null) lying.delete(part);
    else lying.set(part, prop);
  }
  const props = [...new Set(lying.values())];
  const next = props.flatMap((id) => {
    const own = new Set([...lying].flatMap(([part, its]) => (its === id ? [part] : [])));
    return paired(own).map((support) => [support, id]);
  });
  return next.length > 0 ? { ...rest, on: Object.fromEntries(next) } : rest;
}
