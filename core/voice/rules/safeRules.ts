import { optionOf, type TimedBlock } from '../../plan';
import { HERE, type Heard, missing, type VoiceRule } from '../rule';

/** Straight up from the back, the way a room that rolls to the side must not take. */
const STRAIGHT_UP = /\b(?:sit|roll|curl|come|peel) (?:straight |right |yourself )?up\b|\bsit[- ]up\b/i;
const BY_THE_SIDE = /\bside\b/i;
const STANDS_UP = /\b(?:stand up|to standing|come to stand|onto your feet)\b/i;
const GOES_PRONE = /\b(?:onto|on) (?:your|the) (?:front|belly|stomach)\b/i;
const GOES_SUPINE = /\b(?:onto|on) (?:your|the) back\b/i;

const exitUnsafe: VoiceRule = {
  code: 'EXIT_UNSAFE',
  severity: 'fix',
  limit: 'a way out that is safe for the room, and leads where the next block is',
  says: 'the way out sits people straight up who must roll to the side, or leads elsewhere than the next block',
  find: ({ part, passes }, { catalog, timed, conditions }) => {
    const next = timed.sequence[part.index + 1];
    const said = passes.flatMap((pass) => pass.lines.filter((each) => each.said && each.kind === 'transition'));
    const leaves = next !== undefined && next.change.places.length > 1;
    const lines = said.length > 0 || !leaves ? said : unsaidWays(part);
    const overSide = ROLLS.some((condition) => conditions.includes(condition));
    const lying = catalog.graph.like(part.position) === 'supine';
    return lines.flatMap((line): Heard[] => {
      const about = (sentence: string): Heard => ({
        ...HERE,
        sentence: `“${line.text}” ${sentence}`,
        lines: [line.id],
      });
      if (overSide && lying && STRAIGHT_UP.test(line.text) && !BY_THE_SIDE.test(line.text)) {
        return [about('sits people straight up; this room rolls to the side and pushes up with the hands.')];
      }
      if (!next) return [];
      const to = catalog.graph.like(next.position);
      const leads = leadsTo(line.text);
      if (leads === null || leads === to || (leads === 'standing' && to === 'kneeling')) return [];
      return [about(`leads elsewhere: the next block is ${catalog.graph.name(next.position)}.`)];
    });
  },
};

/** What the rung says of the way out, where the script has left it to the way there, and the class says nothing else. */
function unsaidWays({ block, entry }: TimedBlock): ReadonlyArray<{ readonly id: string; readonly text: string }> {
  if (block.lines?.some(({ kind }) => kind === 'transition')) return [];
  return (entry.rung.cues ?? []).filter(({ kind }) => kind === 'transition');
}

/** Conditions with which people get up by the side. */
const ROLLS = [
  'abdominal-separation',
  'pregnancy-first',
  'pregnancy-second',
  'pregnancy-third',
  'low-back-pain',
] as const;

/** The position a way out names, where it names one. */
function leadsTo(text: string): 'standing' | 'prone' | 'supine' | null {
  if (STANDS_UP.test(text)) return 'standing';
  if (GOES_PRONE.test(text)) return 'prone';
  return GOES_SUPINE.test(text) ? 'supine' : null;
}

/** What means stop, and is never answered by an easier version. */
const STOPS =
  /\b(?:pain|painful|hurts?|dizz\w*|numb\w*|tingl\w*|leak\w*|bulg\w*|heav(?:y|iness) (?:below|down)|can[’']t breathe)\b/i;
/** Asked as the choice of another version, not said as a stop. */
const OFFERS = /^(?:if|once|when)\b|\?/i;

const stopOffered: VoiceRule = {
  code: 'STOP_OFFERED',
  severity: 'fix',
  limit: 'never',
  says: 'a sign that means stop is offered as a reason to take another version',
  find: ({ part, said }, { catalog }) => {
    const signs = [
      ...(part.block.options ?? []).flatMap((each) => optionOf(each).sign ?? []),
      ...said.filter(({ kind, text }) => kind === 'option' && OFFERS.test(text)).map(({ text }) => text),
    ];
    const own = catalog.method.stopSigns.map((sign) => sign.toLowerCase());
    const bad = signs.find((sign) => STOPS.test(sign) || own.some((stop) => sign.toLowerCase().includes(stop)));
    return missing(
      bad !== undefined,
      `“${bad}” is a sign to stop, and is offered as a reason to take another version. Say it as a stop.`,
    );
  },
};

export const SAFE_RULES: readonly VoiceRule[] = [exitUnsafe, stopOffered];
