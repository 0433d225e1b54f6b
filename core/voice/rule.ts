import { type Finding, type Remedy, rungTitle, type Severity } from '../review';
import type { SchoolCode } from '../school';
import type { Unit } from '../vocabulary/measure';
import type { SpokenBlock, Voice } from './spoken';

export const VOICE_CODES = [
  'SETUP_UNSAID',
  'ACTION_UNSAID',
  'ALIGNMENT_UNSAID',
  'COUNT_UNSAID',
  'TRANSITION_UNSAID',
  'OPTION_UNSAID',
  'SIDE_UNSAID',
  'SAFETY_UNSAID',
  'CUE_LONG',
  'SILENCE_SHORT',
  'DONTS_MANY',
  'IMAGE_TWICE',
  'READING_HARD',
  'TERM_REFUSED',
  'PROMISE',
  'EXIT_UNSAFE',
  'STOP_OFFERED',
  'SIDE_OTHER',
] as const;
export type VoiceCode = (typeof VOICE_CODES)[number] | SchoolCode;

/** A finding about what is said: data, like every finding. None of them counts in the score of a class. */
export interface VoiceFinding extends Omit<Finding, 'code'> {
  readonly code: VoiceCode;
  /** Ids of the lines it is about. */
  readonly lines: readonly string[];
  /** What might mend it, as edits of the class. */
  readonly remedies: readonly Remedy[];
}

/** What a rule finds in what is said on one block. */
export interface Heard {
  readonly value: number;
  readonly limit: number;
  readonly unit: Unit;
  /** After the name of the block: what, how much, and what to do. */
  readonly sentence: string;
  readonly lines?: readonly string[];
  readonly remedies?: readonly Remedy[];
}

/** One question the language review asks of each block. */
export interface VoiceRule {
  readonly code: VoiceCode;
  readonly severity: Severity;
  /** What it is held against, and what it says, in words for the docs. */
  readonly limit: string;
  readonly says: string;
  readonly find: (block: SpokenBlock, voice: Voice) => readonly Heard[];
}

/** Something that is there or not. */
export const HERE = { value: 1, limit: 0, unit: 'times' } as const;

/** A rule of presence: one sentence, or none. */
export const missing = (absent: boolean, sentence: string): readonly Heard[] => (absent ? [{ ...HERE, sentence }] : []);

export function told(rule: VoiceRule, { part }: SpokenBlock, heard: Heard): VoiceFinding {
  return {
    code: rule.code,
    severity: rule.severity,
    blocks: [part.index],
    ids: [part.block.id],
    value: heard.value,
    limit: heard.limit,
    unit: heard.unit,
    message: `${rungTitle(part.entry)}: ${heard.sentence}`,
    lines: heard.lines ?? [],
    remedies: heard.remedies ?? [],
  };
}
