import type { TimedBlock } from '../../plan';
import type { Known } from '../subject/known';

/** Blocks that bend forward until something releases them, with what does. */
interface FlexionStretch {
  readonly blocks: readonly TimedBlock[];
  /** Seconds of it in each of them, and in all. */
  readonly own: readonly number[];
  readonly seconds: number;
  readonly release: TimedBlock | undefined;
}

/**
 * Stretches of bending forward.
 * @param known of each of the blocks
 */
export function flexionStretches(done: readonly TimedBlock[], known: readonly Known[]): FlexionStretch[] {
  const stretches: FlexionStretch[] = [];
  let blocks: TimedBlock[] = [];
  let own: number[] = [];
  let seconds = 0;
  const close = (release: TimedBlock | undefined) => {
    if (blocks.length === 0) return;
    stretches.push({ blocks, own, seconds, release });
    [blocks, own, seconds] = [[], [], 0];
  };
  for (let i = 0; i < done.length; i++) {
    const { releases, flexion } = known[i] as Known;
    if (releases) close(done[i]);
    if (flexion === 0) continue;
    blocks.push(done[i] as TimedBlock);
    own.push(flexion);
    seconds += flexion;
  }
  close(undefined);
  return stretches;
}
