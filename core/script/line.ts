import type { CueKind, Phase } from '../repertoire';

export interface ScriptLine {
  readonly kind: CueKind;
  readonly text: string;
  /** Whether the rung carries these words; otherwise they were drafted from its figures and want writing. */
  readonly written: boolean;
  /** For an action: the phase it is spoken on. */
  readonly phase?: Phase;
  /** For a fault: what is seen. */
  readonly sign?: string;
}
