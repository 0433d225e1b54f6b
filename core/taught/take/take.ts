import type { Side } from '../../vocabulary/bodies/side';
import type { CueKind } from '../../vocabulary/words/cue';
import type { Log } from '../logSchema';
import type { Found } from './aligning/align';
import type { Difference } from './aligning/difference';

/** A block as it was found in a take: seconds. */
export interface TakenBlock {
  readonly id: string;
  readonly startSeconds: number;
  readonly setupSeconds: number;
  readonly workSeconds: number;
  readonly endSeconds: number;
  /** How sure it is that it was this one, from 0 to 1. */
  readonly confidence: number;
  /** Of one set; `null` where nothing was counted. */
  readonly reps: Readonly<Partial<Record<Side | 'both', number>>> | null;
  readonly firstSide: Side | null;
  readonly wordsPerMinute: number;
  readonly silenceShare: number;
  readonly said: readonly CueKind[];
  readonly unsaid: readonly CueKind[];
  readonly effortBreath: { readonly with: number; readonly against: number };
  readonly passes: ReadonlyArray<
    { readonly side: Side | null; readonly reps: number | null } & Omit<Found, 'section' | 'evidence'>
  >;
}

/** Something that was done and not planned. */
export interface Added {
  readonly startSeconds: number;
  readonly endSeconds: number;
  /** What it most likely was. */
  readonly rung: string | null;
  readonly confidence: number;
}

export interface Take {
  readonly class: string;
  readonly seconds: number;
  /** The share of blocks that were found with a confidence of a half or more. */
  readonly matched: number;
  readonly blocks: readonly TakenBlock[];
  readonly missed: readonly string[];
  readonly moved: readonly string[];
  readonly added: readonly Added[];
  readonly words: number;
  readonly wordsPerMinute: number;
  readonly silenceShare: number;
  readonly differences: readonly Difference[];
  readonly log: Log;
}
