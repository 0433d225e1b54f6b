import type { Pose } from '../body';
import type { BasePosition } from '../body/position';

/** The plain way of being in each position: where a new drawing begins. */
const PLAIN: Readonly<Record<BasePosition, Pose>> = {
  standing: { supports: ['feet'] },
  kneeling: { knee: 90, supports: ['knees', 'feet'] },
  seated: { hip: 130, knee: 80, supports: ['pelvis', 'feet'] },
  'four-point': { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
  plank: { shoulder: 90, supports: ['hands', 'feet'] },
  'side-lying': { hip: 30, knee: 45, shoulder: { left: 160, right: 20 }, supports: ['head', 'ribs', 'pelvis', 'feet'] },
  prone: { shoulder: 160, elbow: 15, supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] },
  supine: { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] },
};

/** A fresh copy, to be changed. */
export const plainPose = (like: BasePosition): Pose => structuredClone(PLAIN[like] ?? PLAIN.standing);
