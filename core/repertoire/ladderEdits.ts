import type { Pose } from '../body';
import { allPhases, type Exercise, type Phase, type Rung } from './exercise';

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

export const withPhase = (rung: Rung, index: number, change: Partial<Phase>): Rung => ({
  ...rung,
  phases: rung.phases.map((phase, i) => (i === index ? { ...phase, ...change } : phase)),
});

/** A phase more at the end, going back to where the repetition starts. */
export const addPhase = (rung: Rung): Rung => ({
  ...rung,
  phases: [
    ...rung.phases,
    {
      id: freeIdAmong(allPhases(rung), 'p'),
      breath: rung.phases.at(-1)?.breath === 'in' ? 'out' : 'in',
      counts: 2,
      pose: rung.start,
    },
  ],
});

/** An id of a letter and a number that none of a list has. @example freeIdAmong([{ id: 'p1' }], 'p') // 'p2' */
export function freeIdAmong(list: ReadonlyArray<{ readonly id: string }>, letter: string): string {
  const taken = new Set(list.map(({ id }) => id));
  for (let number = list.length + 1; ; number++) {
    if (!taken.has(`${letter}${number}`)) return `${letter}${number}`;
  }
}

/** A phase less; what was said on it goes with it. */
export function removePhase(rung: Rung, index: number): Rung {
  const gone = rung.phases[index];
  const phases = rung.phases.toSpliced(index, 1);
  if (!rung.cues || !gone) return { ...rung, phases };
  return { ...rung, phases, cues: rung.cues.filter(({ phase }) => phase !== gone.id) };
}

/** Two neighbouring phases changed about, each with what is said on it; itself when there is no next one. */
export function swapPhases(rung: Rung, index: number): Rung {
  const [first, second] = [rung.phases[index], rung.phases[index + 1]];
  if (!first || !second) return rung;
  return { ...rung, phases: rung.phases.with(index, second).with(index + 1, first) };
}
