import type { Pose } from '../body';
import type { Cue, Exercise, Phase, Rung } from './exercise';

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

export const removeRung = (exercise: Exercise, step: number): Exercise => ({
  ...exercise,
  rungs: exercise.rungs.toSpliced(step, 1),
});

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
  return {
    ...rung,
    poses: Object.fromEntries(Object.entries(rung.poses).map(([id, pose]) => [called(id), pose])),
    start: called(rung.start),
    phases: rung.phases.map((phase) => ({ ...phase, pose: called(phase.pose) })),
  };
}

/** Whether the rung starts in a pose or moves to it: such a pose can't be taken out. */
export const poseInUse = ({ start, phases }: Rung, id: string): boolean =>
  start === id || phases.some(({ pose }) => pose === id);

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
  phases: [...rung.phases, { breath: rung.phases.at(-1)?.breath === 'in' ? 'out' : 'in', counts: 2, pose: rung.start }],
});

/** A phase less; what was said on it goes, and what was said on the later ones stays with them. */
export const removePhase = (rung: Rung, index: number): Rung =>
  withCuesMoved({ ...rung, phases: rung.phases.toSpliced(index, 1) }, (phase) =>
    phase === index ? null : phase > index ? phase - 1 : phase,
  );

/** Two neighbouring phases changed about, each with what is said on it; itself when there is no next one. */
export const swapPhases = (rung: Rung, index: number): Rung => {
  const [first, second] = [rung.phases[index], rung.phases[index + 1]];
  if (!first || !second) return rung;
  return withCuesMoved({ ...rung, phases: rung.phases.with(index, second).with(index + 1, first) }, (phase) =>
    phase === index ? index + 1 : phase === index + 1 ? index : phase,
  );
};

function withCuesMoved(rung: Rung, to: (phase: number) => number | null): Rung {
  if (!rung.cues) return rung;
  const cues = rung.cues.flatMap((cue): Cue[] => {
    if (cue.phase === undefined) return [cue];
    const phase = to(cue.phase);
    return phase === null ? [] : [{ ...cue, phase }];
  });
  return { ...rung, cues };
}
