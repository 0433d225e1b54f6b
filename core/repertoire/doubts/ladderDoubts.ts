import { DIRECTION_WORDS } from '../../vocabulary/bodies/direction';
import type { Catalog } from '../catalog';
import type { Exercise } from '../exercise';
import { directionDoubts } from '../features/directions';
import { heldAgainst, type LadderFault, ladderFaults, ladderFaultText } from '../ladders/ladder';
import { rungDoubts } from './rungDoubts';

/** Something about a ladder that a director should look at. */
export interface LadderDoubt {
  readonly code:
    | 'LADDER_FALLS'
    | 'LADDER_GAP'
    | 'LADDER_SINGLE'
    | 'LADDER_BRANCH'
    | 'DIRECTION_UNSEEN'
    | 'DIRECTION_UNDECLARED'
    | 'SIDES_DOUBLED'
    | 'SIDES_HALF'
    | 'COUNT_OTHER'
    | 'BREATH_OTHER'
    | 'NOTHING_DONE'
    | 'POSE_UNSETTLED'
    | 'WAY_BROKEN'
    | 'MARK_MISSED'
    | 'PLACE_UNSEEN'
    | 'TOUCH_UNSEEN'
    | 'STOP_ANSWERED';
  /** Ids of the rungs it concerns; empty when it is about the ladder as a whole. */
  readonly rungs: readonly string[];
  readonly message: string;
}

const CODE: Readonly<Record<LadderFault['kind'], LadderDoubt['code']>> = {
  falls: 'LADDER_FALLS',
  gap: 'LADDER_GAP',
  single: 'LADDER_SINGLE',
  branch: 'LADDER_BRANCH',
};

/** Where a ladder is not sound, and where its poses show something other than was declared, in sentences. */
export function ladderDoubts(catalog: Catalog, exercise: Exercise): LadderDoubt[] {
  const { unseen, undeclared } = directionDoubts(catalog, exercise);
  const idsAt = (step: number) => [heldAgainst(exercise, step), step].flatMap((at) => exercise.rungs[at]?.id ?? []);
  const nameOf = (rung: string) => exercise.rungs.find(({ id }) => id === rung)?.name ?? rung;
  return [
    ...ladderFaults(catalog, exercise).map((fault) => ({
      code: CODE[fault.kind],
      rungs: idsAt(fault.step),
      message: ladderFaultText(exercise, fault),
    })),
    ...unseen.map((direction) => ({
      code: 'DIRECTION_UNSEEN' as const,
      rungs: [],
      message: `Declared ${DIRECTION_WORDS[direction]}, but no rung’s poses show it.`,
    })),
    ...undeclared.map(({ direction, rung }) => ({
      code: 'DIRECTION_UNDECLARED' as const,
      rungs: [rung],
      message: `“${nameOf(rung)}” shows ${DIRECTION_WORDS[direction]}, which is not declared.`,
    })),
    ...catalog.ladder(exercise.id).flatMap((entry) => rungDoubts(catalog, entry)),
  ];
}
