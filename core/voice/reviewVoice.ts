import { SEVERITIES } from '../review';
import { told, type VoiceFinding } from './rule';
import { VOICE_RULES } from './rules';
import { schoolFindings } from './schoolFindings';
import type { Voice } from './spoken';
import { aroundFindings } from './spokenAround';

/**
 * What is said, held against the rules of a good script; block by block, the gravest first. Measured when a script is
 * asked for, and never in the score of a class.
 */
export function reviewVoice(voice: Voice): VoiceFinding[] {
  const found = voice.blocks.flatMap((block) =>
    VOICE_RULES.flatMap((rule) => rule.find(block, voice).map((heard) => told(rule, block, heard))),
  );
  const all = [...found, ...aroundFindings(voice), ...schoolFindings(voice.catalog, voice.timed, voice.script.choices)];
  const graveness = ({ severity }: VoiceFinding) => SEVERITIES.indexOf(severity);
  return all.sort((a, b) => graveness(a) - graveness(b) || (a.blocks[0] ?? 0) - (b.blocks[0] ?? 0));
}
