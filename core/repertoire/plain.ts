import type { BasePosition, Pose } from '../body';
import type { Exercise, Rung } from './exercise';

/** The plain way of being in each position: where a new drawing begins. */
const POSES: Readonly<Record<BasePosition, Pose>> = {
  standing: { supports: ['feet'] },
  kneeling: { knee: 90, supports: ['knees', 'feet'] },
  seated: { hip: 130, knee: 80, supports: ['pelvis', 'feet'] },
  'four-point': { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
  plank: { shoulder: 90, supports: ['hands', 'feet'] },
  'side-lying': { hip: 30, knee: 45, shoulder: { left: 160, right: 20 }, supports: ['head', 'ribs', 'pelvis', 'feet'] },
  prone: { shoulder: 160, elbow: 15, supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] },
  supine: { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] },
};

/**
 * The shape a way in begins from: the plain one its way out ends in, else that of its position (docs/repertoire.md);
 * `null` where there is no way in.
 */
export const entersFrom = ({ entry, exit, poses }: Rung, like: BasePosition): Pose | null =>
  entry ? (poses[exit?.at(-1)?.pose ?? ''] ?? POSES[like]) : null;

/** A fresh copy, to be changed. */
export const plainPose = (like: BasePosition): Pose => structuredClone(POSES[like]);

/** What a rung is drawn with until someone draws it: lying, sitting or standing there, breathing. */
export const plainRung = (like: BasePosition): Omit<Rung, 'id' | 'name'> => ({
  setupSeconds: 20,
  dose: { sets: 1, reps: 6 },
  poses: { home: plainPose(like) },
  start: 'home',
  phases: [
    { id: 'p1', breath: 'in', counts: 2, pose: 'home' },
    { id: 'p2', breath: 'out', counts: 2, pose: 'home', effort: true },
  ],
});

/** A ladder with its first rung still to be drawn. */
export const plainExercise = (id: string, name: string, position: string, like: BasePosition): Exercise => ({
  id,
  name,
  position,
  directions: ['neutral'],
  sides: 'both',
  rungs: [{ id: 'first', name: 'First rung', ...plainRung(like) }],
});
