import { CUE_KINDS, type CueKind, type Rung } from './exercise';

/** What a teacher would still have to find words for. */
export interface CueGaps {
  /** Kinds with no cue at all. */
  readonly kinds: readonly CueKind[];
  /** Phases, from 0, on which nothing is said. */
  readonly phases: readonly number[];
}

/** Which kinds of cue a rung lacks, and on which phases nothing is said. */
export function cueGaps({ cues = [], phases }: Rung): CueGaps {
  const spoken = new Set(cues.flatMap(({ kind, phase = 0 }) => (kind === 'action' ? [phase] : [])));
  return {
    kinds: CUE_KINDS.filter((kind) => !cues.some((cue) => cue.kind === kind)),
    phases: phases.flatMap((_phase, i) => (spoken.has(i) ? [] : [i])),
  };
}
