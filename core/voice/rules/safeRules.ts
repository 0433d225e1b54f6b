import { getsUpOverSide, optionOf, type TimedBlock } from '../../plan';
import type { Remedy } from '../../review';
import { exitFits, leadsTo, type ScriptLine } from '../../script';
import { isStanding, liesOnBack, liesOnFront } from '../../vocabulary/bodies/position';
import { answersByLess, namesStopSign, saidAsStop } from '../../vocabulary/words/stopSigns';
import { saidInstead } from '../mending';
import { HERE, type Heard, type VoiceRule } from '../rule';

/** Straight up from the back, the way a room that rolls to the side must not take. */
const STRAIGHT_UP = /\b(?:sit|roll|curl|come|peel) (?:straight |right |yourself )?up\b|\bsit[- ]up\b/i;
/** Rounded, up or down, the way somebody with low bone density must not take. */
const ROUNDED =
  /\b(?:roll|curl|peel|unroll|uncurl) (?:yourself |slowly )?(?:up|down)\b|\b(?:bone by bone|vertebra by vertebra)\b/i;
const BY_THE_SIDE = /\bside\b/i;

/** Where a way out that the rung words, and the script leaves out as untrue, would still mislead whoever reads the rung. */
const isFar = (position: string): boolean => isStanding(position) || liesOnFront(position) || liesOnBack(position);

const exitUnsafe: VoiceRule = {
  code: 'EXIT_UNSAFE',
  severity: 'fix',
  limit: 'a way out that is safe for the room, and leads where the next block is',
  says: 'the way out sits people straight up who must roll to the side, rounds a back of low bone density, or leads elsewhere than the next block',
  find: ({ part, passes }, { catalog, timed, conditions }) => {
    const next = timed.sequence[part.index + 1];
    const said = passes.flatMap((pass) => pass.lines.filter((each) => each.said && each.kind === 'transition'));
    const lines: ReadonlyArray<Pick<ScriptLine, 'id' | 'text'>> = said.length > 0 ? said : unsaidWays(part);
    const overSide = getsUpOverSide({ cautions: [...conditions] });
    const lying = liesOnBack(catalog.graph.like(part.position));
    return lines.flatMap((line): Heard[] => {
      const about = (sentence: string): Heard[] => [
        { ...HERE, sentence: `“${line.text}” ${sentence}`, lines: [line.id] },
      ];
      if (overSide && lying && STRAIGHT_UP.test(line.text) && !BY_THE_SIDE.test(line.text)) {
        return about('sits people straight up; this room rolls to the side and pushes up with the hands.');
      }
      if (conditions.includes('low-bone-density') && lying && ROUNDED.test(line.text) && !BY_THE_SIDE.test(line.text)) {
        return about('rounds the back; with low bone density people roll to the side with a long spine.');
      }
      if (!next || part.carried) return [];
      const strays = said.length > 0 || leadsTo(line.text).some(isFar);
      if (!strays || exitFits(catalog, line.text, part, next)) return [];
      return about(
        next.position === part.position
          ? `leads elsewhere: the next block stays ${catalog.graph.name(next.position)}, with what is at hand.`
          : `leads elsewhere: the next block is ${catalog.graph.name(next.position)}.`,
      );
    });
  },
};

/** What the rung says of the way out, where the script has left it to the way there, and the class says nothing else. */
function unsaidWays({ block, entry }: TimedBlock): ReadonlyArray<{ readonly id: string; readonly text: string }> {
  if (block.lines?.some(({ kind }) => kind === 'transition')) return [];
  return (entry.rung.cues ?? []).filter(({ kind }) => kind === 'transition');
}

/** A sign that tells who should take another version: read as what is said of it. */
const offered = (sign: string): string => `If ${sign}: take another version.`;

/** What is answered by less than stopping, in a text or a sign; with what to say instead. */
const stopOffered: VoiceRule = {
  code: 'STOP_OFFERED',
  severity: 'fix',
  limit: 'never',
  says: 'a sign that means stop is answered by another version, in whatever is said or printed',
  find: ({ part, passes }, { catalog }) => {
    const { gate } = part.entry.rung;
    const own = [...catalog.method.stopSigns, ...(gate?.stop ?? [])];
    const lines = passes.flatMap((section) =>
      section.lines
        .filter((line) => answersByLess(line.sign ? `${line.sign}: ${line.text}` : line.text, own))
        .map((line): Heard => {
          const better = saidAsStop(line.sign ? `${line.sign}: ${line.text}` : line.text, own);
          return {
            ...HERE,
            sentence: `“${line.text}” answers a sign to stop by something else than stopping. Say it as a stop.`,
            lines: [line.id],
            remedies: [saidInstead(part, section, line, better)],
          };
        }),
    );
    const signs = [...(part.block.options ?? []).flatMap((each) => optionOf(each).sign ?? []), ...(gate?.stay ?? [])];
    const printed = signs.filter((sign) => namesStopSign(sign, own) || answersByLess(offered(sign), own));
    return [
      ...eachLineOnce(lines),
      ...printed.map(
        (sign): Heard => ({
          ...HERE,
          sentence: `“${sign}” is a sign to stop, and is offered as a reason to take another version. Move it to the signs to stop.`,
          remedies: withoutSign(part, sign),
        }),
      ),
    ];
  },
};

/** The second side says what the first has said. */
const eachLineOnce = (heard: readonly Heard[]): Heard[] =>
  heard.filter(({ sentence }, i) => heard.findIndex((other) => other.sentence === sentence) === i);

/** The options of a block without a sign that means stop. */
function withoutSign({ block }: TimedBlock, sign: string): Remedy[] {
  const options = block.options?.map((each) => {
    if (optionOf(each).sign !== sign) return each;
    const { sign: _sign, ...option } = optionOf(each);
    return option;
  });
  if (!options || options.every((each, i) => each === block.options?.[i])) return [];
  return [{ label: `Offer it without “${sign}”`, edits: [{ kind: 'set', id: block.id, change: { options } }] }];
}

export const SAFE_RULES: readonly VoiceRule[] = [exitUnsafe, stopOffered];
