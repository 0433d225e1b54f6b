import { tableOf } from '../review';
import { VOICE_RULES } from './rules';

/** The table of docs/voice.md: every rule of the language review, in the order in which findings of one severity stand. */
export const voiceTable = (): string =>
  tableOf(
    ['code', 'severity', 'says', 'limit'],
    VOICE_RULES.map(({ code, severity, says, limit }) => [`\`${code}\``, severity, says, limit]),
  );
