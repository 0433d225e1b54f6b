/** What words say of the low back, the seat and the pelvic floor. */
export type Says = 'press-back' | 'keep-gap' | 'squeeze-seat' | 'draw-up' | 'soft-seat';

/** “Press back over the heels” goes back; it presses no back. */
const BACK = String.raw`\b(?:low(?:er)? back|(?:your|the) back|waist|spine)\b`;
/** The bottom leg of two is no seat. */
const SEAT = String.raw`\b(?:seat|bottom(?! (?:knee|leg|arm|foot|heel|hand|ribs?|shin|thigh|hip|elbow|of|shoulder))|bum|buttocks?|glutes?|backside|cheeks|sit(?:ting|z)? bones)\b`;
/** What is pressed or squeezed instead of it: a ball between the knees is another thing. */
const NO_OBJECT = String.raw`(?:(?!\b(?:ball|cushion|ring|block|roller|band|heels?|knees?|thighs?|legs?|feet|hands?|elbows?|shoulder)\b)[^.,;:?!])`;

/**
 * Within one sentence, the verb and what it acts on near each other. Pressing a heel or squeezing a ball is another
 * thing, and so is a question: “Seat gripping?” looks for it and does not ask for it.
 */
const WORDS: Readonly<Record<Says, readonly RegExp[]>> = {
  'press-back': [
    new RegExp(String.raw`\b(?:press|push|flatten|imprint|glue|lay)\b[^.;?!]{0,24}${BACK}`, 'i'),
    new RegExp(String.raw`${BACK}[^.;?!]{0,16}\b(?:pressed|flat|imprinted|heavy and down)\b`, 'i'),
  ],
  'keep-gap': [
    /\b(?:keep|leave|hold|mind)\b[^.;?!]{0,24}\b(?:gap|small space|natural (?:curve|arch))\b/i,
    /\bneutral (?:back|spine|pelvis)\b|\b(?:back|spine|pelvis) (?:stays |in )?neutral\b/i,
  ],
  'squeeze-seat': [
    new RegExp(
      String.raw`\b(?:squeeze|clench|grip|tighten|tense|pinch|contract|engage|fire|activate|harden|firm up|brace|switch on|turn on)\b${NO_OBJECT}{0,20}${SEAT}`,
      'i',
    ),
    /\b(?:hug|wrap|pull|draw) (?:your|the|both) (?:seat|glutes|buttocks|cheeks|sit(?:ting|z)? bones) (?:together|tight|in)\b/i,
    new RegExp(String.raw`${SEAT}[^.,;:?!]{0,12}\b(?:squeezed|clenched|tight|tense|firm|hard|gripped)\b`, 'i'),
    /\bglutes (?:switched |turned )?on\b/i,
    /\b(?:coin|penny|card|pencil|stamp)\b[^.;?!]{0,16}\bbetween\b[^.;?!]{0,10}\b(?:buttocks|cheeks|glutes|sit(?:ting|z)? bones)\b/i,
  ],
  'draw-up': [
    /\b(?:draw|lift|zip)\b[^.;?!]{0,16}\b(?:pelvic floor|up inside|from inside|within)\b/i,
    /\bpelvic floor\b[^.;?!]{0,10}\b(?:up|lifted|drawn|on)\b/i,
  ],
  'soft-seat': [
    new RegExp(String.raw`(?:${SEAT}|\b(?:sit bones|pelvic floor)\b)[^.;?!]{0,16}\b(?:soft|wide|loose)\b`, 'i'),
    new RegExp(
      String.raw`\b(?:soften|widen|melt|let go of)\b[^.;?!]{0,16}(?:${SEAT}|\b(?:sit bones|pelvic floor)\b)`,
      'i',
    ),
  ],
};

/** “Don’t press the back” asks for the opposite. */
const REFUSED = /\b(?:don[’']t|do not|never|without|avoid|no|not|un|instead of)\b/i;

/** Whether words ask for something, and do not refuse it. */
export const asksFor = (text: string, says: Says): boolean =>
  text
    .split(/(?<=[.;?!])\s+/)
    .filter((sentence) => !sentence.trimEnd().endsWith('?') && !REFUSED.test(sentence))
    .some((sentence) => WORDS[says].some((words) => words.test(sentence)));
