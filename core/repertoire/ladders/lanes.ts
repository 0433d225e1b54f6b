import { namesStopSign } from '../../vocabulary/words/stopSigns';
import type { RungEntry } from '../catalog';
import type { Rung } from '../exercise';

/** Where an offered rung stands to the main version of the same ladder. */
export type Lane = 'lower' | 'sideways' | 'upper';

/** What each lane is called. */
export const LANE_WORDS: Readonly<Record<Lane, string>> = { lower: 'lower', sideways: 'beside it', upper: 'upper' };

const standsAt = ({ id, branchOf }: Rung): string => branchOf ?? id;

/** The sign of a main version that tells who should take another lane; one that means stop never does. */
export const signFor = ({ gate }: Rung, lane: Lane): string | undefined =>
  (lane === 'upper' ? gate?.ready : gate?.stay)?.find((sign) => lane === 'upper' || !namesStopSign(sign, gate?.stop));

/** Lower and upper follow the ladder's order; a branch stands beside the rung it names, and beside its other branches. */
export function laneOf(main: RungEntry, offered: RungEntry): Lane {
  const [own, other] = [standsAt(main.rung), standsAt(offered.rung)];
  if (own === other) return 'sideways';
  const place = (id: string) => main.exercise.rungs.findIndex((rung) => rung.id === id);
  return place(other) < place(own) ? 'lower' : 'upper';
}
