import { remembering } from '../../vocabulary/remember';

/** What is promised lost, and where it is promised smaller. */
const MASS = `(?:weight|body fat|fat|inches|centimetres|kilos?|pounds?|calories|(?:dress |jeans )?sizes?)`;
const PLACE = `(?:waist(?:line)?s?|belly|bellies|tummy|tummies|stomachs?|midriff|thighs?|bums?|buttocks|love handles|figure|silhouette)`;

/** Trouble that is promised away. */
const TROUBLE = `(?:(?:back|neck|knee|hip|shoulder|pelvic|joint|period|low[- ]back) )?(?:pains?|aches?|troubles?|problems?|injur(?:y|ies)|symptoms?|incontinence|leaks?|leaking|prolapse|hernias?|diastasis|arthritis|sciatica|scoliosis|slipped discs?|headaches?|migraines?|tension|stress|bad posture|poor posture)`;

/**
 * What no exercise can promise: bodies reshaped, troubles cured, gaps closed, and that it will surely work. An inch as a
 * distance is none, and neither is what to feel.
 */
const PROMISES: readonly RegExp[] = [
  /\b(?:guarantee[sd]?|definitely|for sure|without fail|miracles?|scientifically proven|works every time|instant(?:ly)? (?:results?|relief))\b/,
  /\bwill (?:certainly|surely|never again)\b|\b(?:i|we) promise\b/,
  /\b(?:cures?|cured|curing|heals|healed|rehabilitat\w*|remed(?:y|ies)|detox\w*)\b|\breverses (?:your|the|ageing|aging|damage)\b/,
  /\b(?:repairs?|fix(?:es|ed)?|corrects|realigns|straightens out|sorts out|mends?) (?:your|the|a|any) (?:\w+ )?(?:back|spine|posture|pelvic floor|pelvis|knees?|necks?|hips?|shoulders?|discs?|alignment|abs|core|separation)\b/,
  new RegExp(
    String.raw`\b(?:get(?:s|ting)? rid of|ends|takes? away|removes|banish(?:es)?|eliminates?|prevents|stops|relieves (?:all|any)|says? goodbye to|goodbye to) (?:your |the |any |all |every |of )?${TROUBLE}\b`,
  ),
  new RegExp(
    String.raw`\b(?:no more|free of|never (?:have|feel|get)) (?:your |any )?${TROUBLE}\b|\bpain[- ]free (?:back|neck|life|knees|for)\b|\bnever (?:have|feel|hurt|get|be) [^.;!?]{0,40}\bagain\b`,
  ),
  new RegExp(
    String.raw`\b(?:los(?:e|es|ing)|drop(?:s|ping)?|shed(?:s|ding)?|burn(?:s|ing)?(?: off)?|melt(?:s|ing)?(?: away| off)?|blast(?:s|ing)?|torch(?:es|ing)?) (?:your |the |that |those |a |some |off |away )?(?:\w+ )?${MASS}\b`,
  ),
  new RegExp(
    String.raw`\b(?:lose|loses|losing|melts|melting|blasts?|blasting|trims|trimming|slims?|slimming|shrinks?|shrinking|whittles?|whittling|sculpts?|sculpting) (?:off |away |down )?(?:your |the |that |those )(?:\w+ )?${PLACE}\b`,
  ),
  new RegExp(
    String.raw`\b(?:smaller|slimmer|flatter|tighter|tinier|thinner|narrower|leaner|toned|sculpted) (?:\w+ )?(?:${PLACE}|hips|abs|body)\b`,
  ),
  new RegExp(
    String.raw`\b(?:for|gets? (?:you )?|gives? you|build|want|wanted) (?:a |your |that )?(?:flat|tiny) (?:\w+ )?${PLACE}\b`,
  ),
  new RegExp(
    String.raw`\b${PLACE} (?:gets?|becomes?|will (?:be|get|become)|looks?) (?:\w+ )?(?:smaller|slimmer|flatter|tighter|tiny|thinner|narrower|toned)\b`,
  ),
  new RegExp(
    String.raw`\b(?:flattens|flattening|tightens|tightening|tones|toning|firms|firming)(?: up)? (?:your|the|that) (?:\w+ )?(?:${PLACE}|bottom|abs)\b`,
  ),
  /\b(?:inches|centimetres|kilos|pounds|a (?:dress |jeans )?size|sizes) (?:off|from|around|lost|less) (?:your|the|that|those) (?:\w+ )?(?:waist\w*|belly|tummy|hips|thighs|bum|body|scales?)\b|\btakes? (?:years|inches|kilos|pounds) off\b|\binches (?:lost|gone)\b/,
  /\b(?:clos(?:e|es|ed|ing)|knits?|knitting|heal(?:s|ing)?|zip(?:s|ped)? up|shuts?) (?:the|your|that|any) (?:\w+ )?(?:gap|separation|diastasis)\b(?! (?:between|under|beneath|behind)\b)/,
  /\b(?:gap|separation|diastasis) (?:\w+ )?(?:clos(?:es|ed|ing)|knits|disappears?|vanish(?:es)?|goes away|gone|heals)\b|\b(?:gap|separation|diastasis) will close\b/,
  /\b(?:six[- ]pack|bikini|beach body|thigh gap|hourglass (?:waist|figure))\b|\b(?:makes?|gets?) you (?:slimmer|thinner|younger|leaner|skinny)\b|\b(?:boosts?|speeds? up) (?:your |the )?metabolism\b/,
  /\b(?:sculpts|tones up)\b/,
];

/** Said not to be so: “no promise of a flat belly”, “this cures nothing”. */
const DENIED =
  /\b(?:no|not|never|don[’']t|nothing|won[’']t|can[’']?t|cannot|doesn[’']t|isn[’']t|without|nobody)\b[^.;!?]{0,30}$/;
const DENIED_AFTER = /^[^.;!?]{0,12}\b(?:nothing|nobody|no one)\b/;

/** Whether a text promises what the work can’t keep. @example promises('This melts inches off your waist.') // true */
export const promises = remembering((text: string): boolean => {
  const small = text.toLowerCase();
  return PROMISES.some((words) => {
    const found = words.exec(small);
    if (!found) return false;
    return !DENIED.test(small.slice(0, found.index)) && !DENIED_AFTER.test(small.slice(found.index + found[0].length));
  });
});
