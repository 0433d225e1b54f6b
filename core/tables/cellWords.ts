import type { Direction } from '../method';
import type { Exercise } from '../repertoire';
import type { BasePosition } from '../vocabulary/bodies/position';

/** What people write for the codes of a table, in small letters without marks; the codes themselves are read too. */
export const POSITION_CALLED: Readonly<Record<BasePosition, readonly string[]>> = {
  standing: ['stand', 'upright', 'on the feet', 'on your feet'],
  kneeling: ['kneel', 'on the knees', 'high kneeling', 'tall kneeling', 'half kneeling'],
  seated: ['sitting', 'sit', 'long sitting', 'sitting up'],
  'four-point': ['all fours', 'on all fours', 'hands and knees', 'on hands and knees', 'quadruped', '4 point'],
  plank: ['front support', 'on the hands', 'push up position', 'press up position', 'forearm plank'],
  'side-lying': ['side', 'on the side', 'on one side', 'lying on the side', 'on your side'],
  prone: ['front', 'on the front', 'face down', 'lying on the front', 'on the stomach', 'on the belly', 'stomach'],
  supine: ['back', 'on the back', 'on your back', 'face up', 'lying on the back', 'lying on back', 'lying'],
};

export const DIRECTION_CALLED: Readonly<Record<Direction, readonly string[]>> = {
  neutral: ['neutral spine', 'stable', 'stability', 'still', 'none', 'held'],
  flexion: ['flex', 'forward', 'forward bend', 'bend forward', 'curl', 'rounding', 'round'],
  extension: ['extend', 'back bend', 'backbend', 'arch', 'backward', 'bend back'],
  rotation: ['rotate', 'twist', 'turn', 'twisting', 'turning'],
  'lateral-flexion': ['side bend', 'side bending', 'lateral', 'sideways bend'],
  articulation: ['articulate', 'roll', 'rolling', 'segmental', 'bone by bone'],
};

export const SIDES_CALLED: Readonly<Record<Exercise['sides'], readonly string[]>> = {
  both: ['no', 'none', 'bilateral', 'n', 'together', 'both together'],
  each: ['yes', 'y', 'each side', 'per side', 'one side', 'unilateral', 'left right', 'l r', 'left and right'],
  alternate: ['alternating', 'alternately', 'alt', 'switch', 'in turn'],
};

/** What is written where nothing is fetched. */
export const NO_PROP: ReadonlySet<string> = new Set(['', 'none', 'no', 'nothing', 'mat', 'mat only', 'a mat', 'n a']);
