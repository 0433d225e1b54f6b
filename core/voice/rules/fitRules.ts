import { isLesson } from '../../plan';
import { phaseCounts } from '../../repertoire';
import type { Remedy } from '../../review';
import type { ScriptLine, ScriptSection } from '../../script';
import { isUnder } from '../../vocabulary/measure';
import { speechSeconds, wordsIn } from '../../vocabulary/words/words';
import { saidInstead } from '../mending';
import type { VoiceRule } from '../rule';
import type { SpokenBlock, Voice } from '../spoken';

const cueLong: VoiceRule = {
  code: 'CUE_LONG',
  severity: 'look',
  limit: 'the seconds of the phase it is spoken on; under a second one word',
  says: 'an action takes longer to say than its phase lasts',
  find: (block, voice) => {
    const [first] = block.passes;
    return (first?.lines ?? []).flatMap((line) => {
      if (line.kind !== 'action' || !line.said || !line.phase) return [];
      const seconds = phaseCounts(line.phase) * block.part.count;
      const spoken = speechSeconds(wordsIn(line.text), voice.script.wordsPerMinute);
      // Under a second there is time for a word, whatever it takes.
      const fits = seconds < 1 ? 1 : Math.floor((seconds * voice.script.wordsPerMinute) / 60);
      if (spoken <= seconds + 1e-9 || wordsIn(line.text) <= fits) return [];
      return [
        {
          value: spoken,
          limit: seconds,
          unit: 's' as const,
          sentence: `“${line.text}” takes ${tenths(spoken)} s to say, and its breath lasts ${tenths(seconds)} s: ${fits === 1 ? 'one word fits' : `${fits} words fit`}.`,
          lines: [line.id],
          remedies: shorter(block, first as ScriptSection, line, fits),
        },
      ];
    });
  },
};

const tenths = (seconds: number): string => String(Math.round(seconds * 10) / 10);

/** Other words of the rung for the same, where they fit. */
function shorter({ part }: SpokenBlock, section: ScriptSection, line: ScriptLine, words: number): Remedy[] {
  const cue = part.entry.rung.cues?.find(({ id }) => id === line.cue);
  return (cue?.alternatives ?? [])
    .filter((text) => wordsIn(text) <= words)
    .map((text) => saidInstead(part, section, line, text));
}

const silenceShort: VoiceRule = {
  code: 'SILENCE_SHORT',
  severity: 'look',
  limit: '`limits.silenceShare` of the seconds people work',
  says: 'speech fills the work, and nobody can feel anything',
  find: ({ work, speech }, { catalog, timed }: Voice) => {
    const { silenceShare } = catalog.method.limits;
    if (work <= 0) return [];
    const silence = Math.max(0, 1 - speech / work);
    // What is explained is no reason to do more of it.
    const explains = isLesson(timed.plan.purpose);
    if (!isUnder(silence, silenceShare, '')) return [];
    const over = Math.ceil(speech - (1 - silenceShare) * work);
    return [
      {
        value: silence,
        limit: silenceShare,
        unit: '' as const,
        sentence: `${Math.round((1 - silence) * 100)} % of the work is spoken over. Say ${over} s less${explains ? '' : ', or do more repetitions'}.`,
      },
    ];
  },
};

export const FIT_RULES: readonly VoiceRule[] = [cueLong, silenceShort];
