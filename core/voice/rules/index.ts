import type { VoiceRule } from '../rule';
import { COMPLETE_RULES } from './completeRules';
import { FIT_RULES } from './fitRules';
import { SAFE_RULES } from './safeRules';
import { WORD_RULES } from './wordRules';

/** Every rule of the language review but the schools’; their order is the order of findings of one severity. */
export const VOICE_RULES: readonly VoiceRule[] = [...SAFE_RULES, ...COMPLETE_RULES, ...FIT_RULES, ...WORD_RULES];
