import { CUE_KINDS, type CueKind, type Rung } from '../exercise';

/** What a teacher would still have to find words for. */
export interface CueGaps {
  /** Kinds with no cue at all. */
  readonly kinds: readonly CueKind[];
  /** Phases on which nothing is said, by the part they are in and their place in it, from 0. */
  readonly phases: ReadonlyArray<readonly [part: 'entry' | 'phases' | 'exit', place: number]>;
}

/** Kinds that not every rung has words for: a check where there is one to make, an image of its own or none, a feel, a side and a count, which are computed, a note. */
const OPTIONAL: ReadonlySet<CueKind> = new Set<CueKind>(['check', 'image', 'feel', 'side', 'count', 'note']);

/** Which kinds of cue a rung lacks, and on which phases nothing is said. A cue of action without a phase is the first's. */
export function cueGaps({ cues = [], entry = [], phases, exit = [] }: Rung): CueGaps {
  const spoken = new Set(cues.flatMap(({ kind, phase = phases[0]?.id }) => (kind === 'action' ? [phase] : [])));
  return {
    kinds: CUE_KINDS.filter((kind) => !OPTIONAL.has(kind) && !cues.some((cue) => cue.kind === kind)),
    phases: Object.entries({ entry, phases, exit }).flatMap(([part, all]) =>
      all.flatMap(({ id }, i) => (spoken.has(id) ? [] : [[part as 'entry' | 'phases' | 'exit', i] as const])),
    ),
  };
}
