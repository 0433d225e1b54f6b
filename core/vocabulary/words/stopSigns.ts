import { remembering } from '../remember';

/**
 * A stop sign is answered by stopping, in whatever words it comes and wherever they are said or printed: never by an
 * easier version. One rule reads every text (docs/voice.md, "Stop means stop").
 */

/** What means stop, in the usual wordings. */
const SIGNS: readonly RegExp[] = [
  /\bpain(?:s|ful|fully)?\b/,
  /\b(?:hurt|hurts|hurting|sore)\b/,
  /\b(?:ache|aches|aching|achy)\b/,
  /\btwinges?\b/,
  /\bpinch(?:es|ing)?\b(?! (?:the|your|them|it)\b)/,
  /\b(?:stabbing|searing)\b|\bshoot(?:s|ing) (?:down|into|through|along)\b/,
  /\bdizz(?:y|iness)\b/,
  /\b(?:light|sick|heavy)[- ]?headed(?:ness)?\b/,
  /\b(?:faint|faints|faintness|fainting|woozy|giddy|giddiness|nauseous|nauseated|nausea|queasy)\b/,
  /\bfeel(?:s|ing)? (?:sick|unwell|ill)\b/,
  /\b(?:room|head|everything) (?:is )?(?:spin|spins|spinning|swims|swimming|turns)\b/,
  /\bsee(?:s|ing)? stars\b/,
  /\b(?:vision|sight|eyes?) (?:blurs?|goes|go|is|are|gets|get)? ?(?:blur(?:s|red|ry)?|dark|black)\b/,
  /\bblurred (?:vision|sight)\b/,
  /\bnumb(?:s|ness)?\b/,
  /\btingl(?:e|es|ing|y)\b/,
  /\bpins and needles\b/,
  /\b(?:gone|goes|go|going|falls?|fallen) (?:to sleep|asleep|dead)\b/,
  /\bleak(?:s|ing|age)?\b/,
  /\b(?:heav(?:y|iness)|dragging|bulg(?:e|es|ing)|bear(?:s|ing)? down|pressure)\b[^.;:!?]*\b(?:below|down below|down there|pelvi[cs]|pelvis|pelvic floor|vagina)\b/,
  /\bbulging\b(?! belly| middle)/,
  /\bbleed(?:s|ing)?\b/,
  /\bbreathless(?:ness)?\b/,
  /\b(?:short|out) of breath\b/,
  /\b(?:can|could)(?:no|[’']?n?[’']?)t (?:breathe|catch (?:your|the|their) breath|get (?:your|the|enough|any) (?:breath|air))\b/,
  /\bchest (?:tightens?|tightness|feels tight|is tight|pressure)\b/,
  /\b(?:tight|tightness|pressure) (?:in|on|across) (?:the|your) chest\b/,
  /\b(?:palpitations|heart (?:races|racing|pounds|flutters|skips))\b/,
  /\bheadaches?\b/,
  /\b(?:ringing|rushing) in (?:the|your) ears\b/,
];

/** Said not to be there, or as an end that is not reached. */
const DENIED =
  /\b(?:no|not|never|nothing|none|neither|nor|without|free (?:of|from)|rather than|instead of|in place of|short of|less than|before|isn[’']?t|aren[’']?t|doesn[’']?t|don[’']?t|shouldn[’']?t|mustn[’']?t|won[’']?t|should not|must not|does not|is not|below the|under the)\b(?:[ ,]+[\w’'-]+){0,3}[ ,]+$/;
const DENIED_AFTER = /^[- ]free\b/;

/** The name of what people came with, and what a thing is said to be good for: neither is a sign. */
const CAME_WITH =
  /\b(?:with|came with|come with|living with|history of|those with|anyone with|people with|for|against|eases?|easing|helps?|relieves?|after|since|troublesome)(?: (?:a|an|the|your|their|some|any|old|past|chronic|troublesome|tender|low|lower|upper|back|low-back|neck|knee|hip|wrist|shoulder|ankle|pelvic|joint|period|and|or))* $/;
/** “With pain” alone is a sign: what people came with has a place in the body. */
const PLACED = /\b(?:back|neck|knee|hip|wrist|shoulder|ankle|pelvic|joint|period)\b[^.;:!?]*$/;

/** Words that answer by stopping. */
const STOPS =
  /\b(?:stop|stops|stopped|come (?:all the way )?(?:out|down) (?:of it |and |to )?(?:rest|stop|lie)|leave (?:it|this|that) out|sit (?:it|this|that) out|that is the end|end it (?:here|there)|ask (?:a|your) (?:professional|doctor|midwife|physiotherapist)|see (?:a|your) (?:professional|doctor|midwife|physiotherapist)|doctor|midwife|physiotherapist|seek help|call for help)\b/;

/** Beside a stop: something less offered as well. */
const OR_LESS =
  /\bor\b[^.;:!?]*\b(?:easier|smaller|less|half|lower|higher|slower|softer|gentler|lighter|bend|modify|instead|option|version|forearms|fists|wall|knees down|head down|rest the head|fewer|reduce|ease off|back off|skip)\b/;

/** Somebody is told, and does not do something else. */
const TELLS = /^(?:please )?(?:tell|say|let .* know|call|raise|wave|ask|look out|watch|listen|mind|notice|check)\b/;

/** The sentences of a text, each with its end. */
const sentencesOf = remembering((text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/(?<=[.!?…])\s+/)
    .map((each) => each.trim())
    .filter((each) => each !== ''),
);

/** Whether a sentence leaves to the next one what is to be done: a question, or a word alone. */
const isOpen = (sentence: string, next: string | undefined): boolean =>
  sentence.endsWith('?') || (next !== undefined && sentence.split(/\s+/).length <= 3);

/** Where a sign stands in a sentence that is neither denied nor a name. */
function signIn(sentence: string, own: readonly string[]): { readonly at: number; readonly length: number } | null {
  for (const sign of own) {
    const at = sentence.indexOf(sign);
    if (at >= 0 && !isDenied(sentence, at, sign.length)) return { at, length: sign.length };
  }
  return usualSignIn(sentence);
}

/** The usual signs, each ready to be looked for again and again. */
const SOUGHT = SIGNS.map((sign) => new RegExp(sign, 'g'));

/** A sign in the usual wordings; the same sentences are read at every keystroke. */
const usualSignIn = remembering((sentence: string): { readonly at: number; readonly length: number } | null => {
  for (const sign of SOUGHT) {
    for (const { index, 0: found } of sentence.matchAll(sign)) {
      if (!isDenied(sentence, index, found.length) && !isName(sentence.slice(0, index))) {
        return { at: index, length: found.length };
      }
    }
  }
  return null;
});

const isDenied = (sentence: string, at: number, length: number): boolean =>
  DENIED.test(sentence.slice(Math.max(0, at - 60), at)) || DENIED_AFTER.test(sentence.slice(at + length));

const isName = (before: string): boolean => {
  const near = before.slice(-80);
  return CAME_WITH.test(near) && PLACED.test(near);
};

/** Whether words name a sign that means stop; a denied one, and what people came with, are none. */
export const namesStopSign = (text: string, own: readonly string[] = []): boolean =>
  sentencesOf(text).some((sentence) => signIn(sentence, own) !== null);

/**
 * Whether a text answers a stop sign by anything but stopping.
 * @param own further signs, as the house and the rung have them
 * @example answersByLess('Dizzy? Come half way.') // true
 * @example answersByLess('Stop if anything hurts.') // false
 */
export function answersByLess(text: string, own: readonly string[] = []): boolean {
  const signs = own.map((sign) => sign.toLowerCase()).filter((sign) => sign.length > 2);
  const sentences = sentencesOf(text);
  return sentences.some((sentence, i) => {
    if (signIn(sentence, signs) === null || !(isOpen(sentence, sentences[i + 1]) || ON_CONDITION.test(sentence)))
      return false;
    // A question, or a word alone, is answered by the next sentence.
    const unit = isOpen(sentence, sentences[i + 1]) ? `${sentence} ${sentences[i + 1] ?? ''}`.trim() : sentence;
    if (STOPS.test(unit)) return OR_LESS.test(unit);
    // Told in the sentence after it, as one thought.
    if (STOPS.test(sentences[i + 1] ?? '') && !OR_LESS.test(sentences[i + 1] ?? '')) return saysToDo(sentence, signs);
    return saysToDo(unit, signs);
  });
}

/** How words make doing something hang on a sign; a plain statement (“a fast turn brings pain”) answers nothing. */
const ON_CONDITION = /\b(?:if|when|once|whenever|as soon as|should|until|till|with|in case)\b|[?:,;–—]|\s-\s/;

/** Conditions and little words around a sign: what is left of a sentence without them is what people are told to do. */
const AROUND =
  /\b(?:if|when|once|whenever|as soon as|should|any|anything|anywhere|somebody|someone|anyone|anybody|you|your|it|they|them|their|there|feel|feels|feeling|felt|notice|get|gets|starts?|starting|begins?|becomes?|is|are|be|have|has|or|and|with|of|in|on|at|the|a|an|some|this|that|more|than|too|very|really|low|lower|upper|back|neck|knees?|hips?|wrists?|shoulders?|ankles?|head|elbows?|belly|spine|chest|side|joint|joints|sharp|here|now|still)\b/g;

function saysToDo(unit: string, own: readonly string[]): boolean {
  if (TELLS.test(unit)) return false;
  let left = unit;
  for (const sign of own) left = left.replaceAll(sign, ' ');
  for (const sign of SIGNS) left = left.replace(new RegExp(sign, 'g'), ' ');
  return /[a-zà-ž]/.test(left.replace(AROUND, ' ').replace(/[’']\w+/g, ' '));
}

/** What begins to say what is to be done, beside a sign. */
const PIECES = /(?<=[,:;?–—])\s*|\s(?=(?:if|when|once|whenever|as soon as)\b)/i;

/**
 * The same text with its stop sign answered by stopping; other sentences stay as they are.
 * @example saidAsStop('Dizzy? Come half way.') // 'Dizzy: stop and rest.'
 * @example saidAsStop('Breathe on. Bend the knee if it hurts.') // 'Breathe on. If it hurts, stop and rest.'
 */
export function saidAsStop(text: string, own: readonly string[] = []): string {
  const signs = own.map((sign) => sign.toLowerCase()).filter((sign) => sign.length > 2);
  const sentences = text.split(/(?<=[.!?…])\s+/);
  const kept: string[] = [];
  for (let i = 0; i < sentences.length; i++) {
    const sentence = sentences[i] as string;
    const named = signIn(sentence.toLowerCase(), signs) !== null;
    const whole = isOpen(sentence, sentences[i + 1]) ? `${sentence} ${sentences[i + 1] ?? ''}` : sentence;
    if (!named || !answersByLess(whole, own)) {
      kept.push(sentence);
      continue;
    }
    const pieces = sentence.split(PIECES).map((each) => each.replace(/[\s,:;.?!–—]+$/, '').trim());
    const piece = pieces.find((each) => signIn(each.toLowerCase(), signs) !== null) ?? 'If anything hurts';
    const sign = piece.charAt(0).toUpperCase() + piece.slice(1);
    kept.push(
      /^(?:if|when|once|whenever|as soon as)\b/i.test(sign) ? `${sign}, stop and rest.` : `${sign}: stop and rest.`,
    );
    // What answered a question goes with it.
    if (isOpen(sentence, sentences[i + 1])) i += 1;
  }
  return kept.join(' ');
}
