import type { Side } from '../body';
import { tidy } from '../formats/file/tidy';
import type { CueKind } from '../repertoire';
import type { Finding } from '../review';
import type { LineSource } from '../script';
import { reviewVoice, silenceOf, type VoiceCode, wordsOf } from '../voice';
import type { SpokenClass } from './spokenClass';

/** A script as data (contract: `script --as json`). Seconds, and shares from 0 to 1. */
export interface ScriptDocument {
  readonly seconds: number;
  readonly words: number;
  readonly wordsPerMinute: number;
  /** The share of the work in which nobody speaks. */
  readonly silenceShare: number;
  readonly sections: ReadonlyArray<{
    readonly kind: 'opening' | 'block' | 'interlude' | 'closing';
    /** Index in the class, `null` for the opening and the closing. */
    readonly block: number | null;
    readonly pass: 1 | 2;
    readonly side: Side | null;
    readonly title: string;
    readonly startSeconds: number;
    readonly seconds: number;
    /** Seconds of the way there, just before it. */
    readonly leadSeconds: number;
    readonly lead: string | null;
    readonly lines: ReadonlyArray<{
      readonly id: string;
      readonly kind: CueKind;
      readonly text: string;
      readonly phase?: string;
      readonly source: LineSource;
      readonly said: boolean;
    }>;
  }>;
  readonly findings: ReadonlyArray<
    Omit<Finding, 'code'> & { readonly code: VoiceCode; readonly lines: readonly string[] }
  >;
}

export function scriptDocument({ script, voice }: SpokenClass): ScriptDocument {
  return tidy({
    seconds: script.seconds,
    words: wordsOf(script),
    wordsPerMinute: script.wordsPerMinute,
    silenceShare: silenceOf(voice),
    sections: script.sections.map(
      ({ kind, block, pass, side, title, startSeconds, seconds, leadSeconds, lead, lines }) => ({
        kind,
        block,
        pass,
        side,
        title,
        startSeconds,
        seconds,
        leadSeconds,
        lead,
        lines: lines.map(({ id, kind: of, text, phase, source, said }) => ({
          id,
          kind: of,
          text,
          ...(phase ? { phase: phase.id } : {}),
          source,
          said,
        })),
      }),
    ),
    findings: reviewVoice(voice).map(({ remedies: _remedies, ...finding }) => finding),
  });
}
