import { isInterlude } from '../plan';
import type { Remedy } from '../review';
import type { ScriptLine, ScriptSection } from '../script';
import { isOver } from '../vocabulary/measure';
import { answersByLess, saidAsStop } from '../vocabulary/words/stopSigns';
import { HERE, type Heard, type VoiceCode, type VoiceFinding } from './rule';
import { promises } from './rules/promises';
import { dontsIn, refusedIn, tooHard } from './rules/wordRules';
import { wordsAgainst } from './schoolFindings';
import type { Voice } from './spoken';

/** What an opening, a closing, a talk, a check or a small rest is called at the head of a sentence. */
const headOf = ({ kind, title }: ScriptSection): string => (kind === 'interlude' ? title : `The ${kind}`);

/** Lines from which a share of don’ts says anything. */
const ENOUGH_LINES = 3;

/**
 * What is said around the blocks, held against the rules that everything said keeps: a stop sign is answered by
 * stopping, nothing is promised, the house's words are used and its schools kept, more is said of what to do than of
 * what not to do, and in words the room knows. In openings, closings, talks, checks and small rests as in cues.
 */
export const aroundFindings = (voice: Voice): VoiceFinding[] =>
  voice.script.sections.flatMap((section) => (section.kind === 'block' ? [] : findingsIn(voice, section)));

function findingsIn(voice: Voice, section: ScriptSection): VoiceFinding[] {
  const { method } = voice.catalog;
  const block = section.block === null ? undefined : voice.timed.plan.blocks[section.block];
  const found = (
    code: VoiceCode,
    severity: VoiceFinding['severity'],
    heard: Omit<Heard, 'remedies'>,
    better?: Better,
  ): VoiceFinding => ({
    code,
    severity,
    blocks: section.block === null ? [] : [section.block],
    ids: block ? [block.id] : [],
    value: heard.value,
    limit: heard.limit,
    unit: heard.unit,
    message: `${headOf(section)}: ${heard.sentence}`,
    lines: heard.lines ?? [],
    remedies: better ? said(voice, section, better) : [],
  });
  const written = section.lines.filter(({ source }) => source !== 'drafted');
  const lines = written.flatMap(({ id, text }): VoiceFinding[] => {
    const at = { ...HERE, lines: [id] };
    const stops = answersByLess(text, method.stopSigns);
    return [
      ...(stops
        ? [
            found(
              'STOP_OFFERED',
              'fix',
              {
                ...at,
                sentence: `“${text}” answers a sign to stop by something else than stopping. Say it as a stop.`,
              },
              {
                label: 'Say it as a stop',
                of: (each) => (answersByLess(each, method.stopSigns) ? saidAsStop(each, method.stopSigns) : each),
              },
            ),
          ]
        : []),
      ...(promises(text)
        ? [
            found(
              'PROMISE',
              'look',
              { ...at, sentence: `“${text}” promises what the work can’t keep. Say what it should feel like instead.` },
              // What a check finds stands in the script behind a word of its own.
              { label: 'Leave it out', of: (each) => (promises(each) && text.endsWith(each) ? null : each) },
            ),
          ]
        : []),
      ...refusedIn(text, method.terms).map(({ sentence, better }) =>
        found(
          'TERM_REFUSED',
          'look',
          { ...at, sentence },
          {
            label: `Say “${better}”`,
            of: (each) => (text.endsWith(each) ? (refusedIn(each, method.terms)[0]?.better ?? each) : each),
          },
        ),
      ),
      // Around the blocks nobody's legs load the back: only a house that always asks for one thing is held to it.
      ...wordsAgainst(text, voice.script.choices, ALWAYS[voice.script.choices.lowBack]).map(({ code, sentence }) =>
        found(code, 'look', { ...at, sentence }),
      ),
    ];
  });
  return [...lines, ...whole(voice, written).map(({ code, ...heard }) => found(code, 'look', heard))];
}

const ALWAYS = { neutral: 'keep-gap', imprint: 'press-back', 'by-load': null } as const;

/** What is found in a section as a whole. */
function whole(
  { catalog, audience }: Voice,
  written: readonly ScriptLine[],
): Array<Heard & { readonly code: VoiceCode }> {
  const said = written.filter((line) => line.said);
  const { dontShare } = catalog.method.limits;
  const { donts, of } = dontsIn(said);
  const share = of > 0 ? donts.length / of : 0;
  const many = of >= ENOUGH_LINES && isOver(share, dontShare, '');
  return [
    ...(many
      ? [
          {
            code: 'DONTS_MANY' as const,
            value: share,
            limit: dontShare,
            unit: '' as const,
            sentence: `${donts.length} of ${of} sentences say what not to do, such as “${donts[0]?.text}”. Say what to do instead.`,
            lines: donts.map(({ id }) => id),
          },
        ]
      : []),
    ...tooHard(
      said.map(({ text }) => text),
      audience,
    ).map((heard) => ({ ...heard, code: 'READING_HARD' as const, sentence: `the ${heard.sentence}` })),
  ];
}

/** Sentences said otherwise; `null` leaves one out. */
interface Better {
  readonly label: string;
  readonly of: (text: string) => string | null;
}

/** The words of a section said otherwise, as an edit of the class. */
function said(
  { timed: { plan } }: Voice,
  { kind, block: index }: ScriptSection,
  { label, of: better }: Better,
): Remedy[] {
  const all = (words: readonly string[] = []) => words.flatMap((text) => better(text) ?? []);
  if (kind === 'opening') {
    return [{ label, edits: [{ kind: 'class', change: { openingWords: all(plan.openingWords) } }] }];
  }
  if (kind === 'closing') {
    return [{ label, edits: [{ kind: 'class', change: { closingWords: all(plan.closingWords) } }] }];
  }
  const block = index === null ? undefined : plan.blocks[index];
  if (!block || !isInterlude(block)) return [];
  const { words, finds, otherwise, lines } = block;
  const change = {
    ...(words ? { words: all(words) } : {}),
    ...(finds ? { finds: better(finds) } : {}),
    ...(otherwise ? { otherwise: better(otherwise) } : {}),
    ...(lines ? { lines: lines.map((line) => ({ ...line, text: better(line.text) ?? '' })) } : {}),
  };
  return [{ label, edits: [{ kind: 'interlude', id: block.id, change }] }];
}
