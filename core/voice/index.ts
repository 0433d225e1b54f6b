export { reviewVoice } from './reviewVoice';
export { VOICE_CODES, type VoiceCode, type VoiceFinding } from './rule';
export { VOICE_RULES } from './rules';
export { schoolFindings } from './schoolFindings';
export { wordsOf } from './speech';
export { silenceOf, type Voice, voiceOf } from './spoken';
export { voiceTable } from './voiceTable';
