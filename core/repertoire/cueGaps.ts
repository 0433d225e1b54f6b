import { CUE_KINDS, type CueKind, type Rung } from './exercise';

/** What a teacher would still have to find words for. */
export interface CueGaps {
  /** Kinds with no cue at all. */
  readonly kinds: readonly CueKind[];
  /** Phases, from 0, on which nothing is said. */
  readonly phases: readonly number[];
}

/** Kinds that not every rung has words for: a check where there is one to make, a feel, a side that is computed, a note. */
const OPTIONAL: ReadonlySet<CueKind> = new Set<CueKind>(['check', 'feel', 'side', 'note']);

/** Which kinds of cue a rung lacks, and on which phases nothing is said. A cue of action without a phase is the first's. */
export function cueGaps({ cues = [], phases }: Rung): CueGaps {
  const spoken = new Set(cues.flatMap(({ kind, phase = phases[0]?.id }) => (kind === 'action' ? [phase] : [])));
  return {
    kinds: CUE_KINDS.filter((kind) => !OPTIONAL.has(kind) && !cues.some((cue) => cue.kind === kind)),
    phases: phases.flatMap(({ id }, i) => (spoken.has(id) ? [] : [i])),
  };
}
