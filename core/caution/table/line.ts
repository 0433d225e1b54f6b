import type { Feature } from '../../vocabulary/bodies/features';
import {
  bearsOnHands,
  isInPlank,
  isOnAllFours,
  isSeated,
  isTall,
  isUpright,
  liesOnBack,
  liesOnFront,
  liesOnSide,
  positionsWhere,
} from '../../vocabulary/bodies/position';
import type { CautionRule } from '../rule';

/** What a line says beside its condition, its feature and its advice. */
export type Told = Pick<CautionRule, 'positions' | 'footDown' | 'grade' | 'already' | 'unless'>;
/** A feature, the limit it speaks above, how grave it is, how to do it, and why. */
export type Line = readonly [Feature, number, CautionRule['verdict'], string, string, Told?];

/** Where the front is down and hands or forearms bear. */
export const ON_HANDS: Told = { positions: positionsWhere(bearsOnHands) };
export const ON_BACK: Told = { positions: positionsWhere((each) => liesOnBack(each) || isSeated(each)) };
export const ON_FRONT: Told = { positions: positionsWhere(liesOnFront) };
export const ON_SIDE: Told = { positions: positionsWhere(liesOnSide) };
export const UPRIGHT: Told = { positions: positionsWhere(isTall) };
export const IN_PLANK: Told = { positions: positionsWhere(isInPlank) };
export const ON_ALL_FOURS: Told = { positions: positionsWhere(isOnAllFours) };

/** Where people fold from the hips, and where it is the hips that go up. */
export const FOLDING: Told = { positions: positionsWhere(isUpright) };
const HIPS_UP: Told = { positions: positionsWhere((each) => !isUpright(each)) };

/** The head below the heart: with the hips lifted, or folded over. */
export const headLow = (
  over: number,
  verdict: CautionRule['verdict'],
  why: string,
  lifted: string,
  folded: string,
): readonly Line[] => [
  ['inversion', over, verdict, lifted, why, HIPS_UP],
  ['inversion', over, verdict, folded, why, FOLDING],
];

/** One leg of two that lower is told by the rule on both. */
export const ONE_LEG: Told = { ...ON_BACK, unless: 'doubleLegLever' };

/** Degrees a second from which a turn of the trunk is fast. Our estimate (docs/cautions.md). */
export const FAST = 45;
