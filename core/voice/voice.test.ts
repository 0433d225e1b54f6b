import type { Condition } from '../caution';
import type { MethodFile } from '../method';
import { type Audience, type Block, type ClassPlan, type Line, type RungBlock, timeClass } from '../plan';
import type { Cue, Rung } from '../repertoire';
import { SCHOOL_CODES } from '../school';
import { draftScript } from '../script';
import { block, catalogOf, classOf, exercise, must, rung, type Unnamed } from '../testing/studio';
import { speechSeconds, wordsIn } from '../vocabulary/words/words';
import { reviewVoice, silenceOf, VOICE_CODES, VOICE_RULES, type VoiceCode, voiceOf, wordsOf } from '.';

const cue = (id: string, kind: Cue['kind'], text: string, more: Partial<Cue> = {}): Cue => ({
  id,
  kind,
  text,
  ...more,
});
/** A rung of which everything is said, briefly. */
const SAID: Cue[] = [
  cue('s', 'setup', 'Lie on your back.'),
  cue('a1', 'action', 'Lift.', { phase: 'p1', alternatives: ['Up.'] }),
  cue('a2', 'action', 'Lower.', { phase: 'p2' }),
  cue('k', 'alignment', 'Hips still.'),
  cue('i', 'image', 'A lid on a jar.'),
];
const with_ = (...more: Cue[]): Rung['cues'] => [
  ...SAID.filter(({ id }) => !more.some((each) => each.id === id)),
  ...more,
];
const without = (...ids: string[]): Rung['cues'] => SAID.filter(({ id }) => !ids.includes(id));
const of = (id: string, cues: Rung['cues'], change: Partial<Parameters<typeof exercise>[1]> = {}) =>
  exercise(id, { rungs: [rung('low', { cues: cues ?? [] }), rung('high', { cues: cues ?? [] })], ...change });

const EXERCISES = [
  of('whole', SAID),
  of('again', SAID),
  of('sided', SAID, { sides: 'each', position: 'side-lying' }),
  of('fours', SAID, { sides: 'each', position: 'four-point' }),
  of('front', SAID, { position: 'prone' }),
  of('no-setup', without('s')),
  of('no-action', without('a2')),
  of('no-alignment', without('k')),
  of(
    'long',
    with_(cue('a1', 'action', 'Lift the whole leg up slowly now.', { phase: 'p1', alternatives: ['Lift the leg.'] })),
  ),
  of('fits', with_(cue('a1', 'action', 'Lift the leg up now.', { phase: 'p1' }))),
  of(
    'talky',
    with_(
      cue(
        'f',
        'feel',
        'You may feel the belly work and the breath go on and the legs grow long and the neck be easy all the while.',
      ),
    ),
  ),
  of(
    'donts',
    with_(
      cue('k', 'alignment', 'Don’t move the hips.'),
      cue('x', 'feel', 'Do not hold the breath.'),
      cue('y', 'fault', 'Never rush.'),
    ),
  ),
  of(
    'hard',
    with_(
      cue(
        's',
        'setup',
        'Simultaneously coordinate abdominal musculature, maintaining intercostal articulation throughout unilateral oscillation of extremities, accommodating proprioceptive individuality.',
      ),
    ),
  ),
  of('termed', with_(cue('k', 'alignment', 'Pelvis quiet, ship hips still.'))),
  of('promising', with_(cue('i', 'image', 'This melts fat off the belly.'))),
  of('inch', with_(cue('k', 'alignment', 'Lift it one inch.'))),
  of('sits-up', with_(cue('t', 'transition', 'Sit up and turn round.'))),
  of('by-side', with_(cue('t', 'transition', 'Roll to your side and sit up.'))),
  of('to-front', with_(cue('t', 'transition', 'Roll onto your front.'))),
  of('pained', with_(cue('o', 'option', 'If it hurts, bend the knees.'))),
  of('calm', with_(cue('o', 'option', 'If the hips rock, bend the knees.'))),
  of('turned', SAID, {
    position: 'seated',
    rungs: [
      rung('low', {
        cues: SAID,
        poses: {
          home: { supports: ['pelvis', 'feet'], hip: 90 },
          away: { supports: ['pelvis', 'feet'], hip: 90, twist: 50 },
        },
      }),
    ],
  }),
];

const METHOD: MethodFile = { terms: [{ use: 'pelvis still', not: ['hips still', 'hip still'] }] };
const HOUSE: MethodFile = {};

interface Said {
  readonly blocks: ReadonlyArray<Unnamed<Block>>;
  readonly conditions?: readonly Condition[];
  readonly audience?: Audience;
  readonly method?: MethodFile;
}
const teach = (name: string, change: Partial<RungBlock> = {}) => block(name, { mode: 'teach', ...change });
const heard = ({ blocks, conditions = [], audience, method = HOUSE }: Said) => {
  const catalog = catalogOf(EXERCISES, method);
  const plan: ClassPlan = classOf(blocks, { cautions: [...conditions] });
  const timed = timeClass(catalog, plan, { audience });
  const script = draftScript(catalog, timed, { conditions });
  const voice = voiceOf(catalog, timed, script, { conditions, audience });
  return { findings: reviewVoice(voice), voice, script, timed };
};
const codes = (said: Said) => heard(said).findings.map(({ code }) => code);
const silent = (kind: Line['kind'], more: Partial<Line> = {}): Line => ({ id: `l-${kind}`, kind, text: '', ...more });
const line = (kind: Line['kind'], text: string, more: Partial<Line> = {}): Line => ({
  id: `l-${kind}`,
  kind,
  text,
  ...more,
});
const only = (name: string, change: Partial<RungBlock> = {}): Said => ({ blocks: [teach(name, change)] });
const beginner: Audience = { id: 'b', name: 'Beginners', level: 'beginner' };

/** Each rule on a script that breaks it, and on one that does not. */
const CASES: Readonly<Record<(typeof VOICE_CODES)[number], { readonly breaks: Said; readonly keeps: Said }>> = {
  SETUP_UNSAID: { breaks: only('no-setup'), keeps: only('no-setup', { lines: [line('setup', 'Lie down.')] }) },
  ACTION_UNSAID: { breaks: only('no-action'), keeps: only('whole') },
  ALIGNMENT_UNSAID: { breaks: only('no-alignment'), keeps: only('whole') },
  COUNT_UNSAID: { breaks: only('whole', { lines: [silent('count')] }), keeps: only('whole') },
  TRANSITION_UNSAID: {
    breaks: { blocks: [teach('whole', { lines: [silent('transition')] }), teach('front')] },
    keeps: { blocks: [teach('whole', { lines: [silent('transition')] }), teach('again')] },
  },
  OPTION_UNSAID: {
    breaks: only('whole/high', { options: ['low'], lines: [silent('option')] }),
    keeps: only('whole/high', { options: ['low'] }),
  },
  SIDE_UNSAID: { breaks: only('sided', { lines: [silent('side'), silent('count')] }), keeps: only('sided') },
  SIDE_OTHER: {
    breaks: only('fours', { lines: [line('action', 'Right side first: lift.')] }),
    keeps: only('fours', { lines: [line('action', 'Left side first: lift.', { pass: 1 })] }),
  },
  SAFETY_UNSAID: {
    breaks: { ...only('turned', { lines: [silent('safety')] }), conditions: ['low-bone-density'] },
    keeps: { ...only('turned'), conditions: ['low-bone-density'] },
  },
  CUE_LONG: { breaks: only('long'), keeps: only('fits', { dose: { secondsPerCount: 1.1 } }) },
  SILENCE_SHORT: { breaks: only('talky', { dose: { reps: 3 } }), keeps: only('talky', { dose: { reps: 30 } }) },
  DONTS_MANY: { breaks: only('donts'), keeps: only('whole') },
  IMAGE_TWICE: {
    breaks: { blocks: [teach('whole'), teach('again')] },
    keeps: { blocks: [teach('whole'), teach('again', { lines: [line('image', 'A heron.')] })] },
  },
  READING_HARD: { breaks: { ...only('hard'), audience: beginner }, keeps: { ...only('talky'), audience: beginner } },
  TERM_REFUSED: { breaks: { ...only('whole'), method: METHOD }, keeps: { ...only('inch'), method: METHOD } },
  PROMISE: { breaks: only('promising'), keeps: only('inch') },
  EXIT_UNSAFE: {
    breaks: { blocks: [teach('sits-up'), teach('turned')], conditions: ['low-back-pain'] },
    keeps: { blocks: [teach('by-side'), teach('turned')], conditions: ['low-back-pain'] },
  },
  STOP_OFFERED: {
    breaks: { blocks: [teach('pained/high', { options: ['low'] })] },
    keeps: { blocks: [teach('calm/high', { options: ['low'] })] },
  },
};

describe.each(Object.entries(CASES))('%s', (code, { breaks, keeps }) => {
  test('is said of a script that breaks it, of its block and in a sentence', () => {
    const found = must(heard(breaks).findings.find((each) => each.code === code));
    expect(found.message).toMatch(/^[^:]+: .+[.?]$/);
    expect(found.ids).toHaveLength(1);
    expect(found.value).not.toBe(found.limit);
  });
  test('is silent where it is kept', () => {
    expect(codes(keeps)).not.toContain(code);
  });
});

test('a script of which everything is said and nothing is wrong has nothing to look at', () => {
  const said = heard({
    blocks: [
      teach('whole', { dose: { reps: 8 } }),
      teach('sided', { lines: [line('image', 'A gate.')], dose: { reps: 8 } }),
    ],
  });
  expect(said.findings.map(({ message }) => message)).toEqual([]);
});

test('the second of two blocks with one image is named, a way out that leads elsewhere is, and grave ones come first', () => {
  const { findings } = heard({ blocks: [teach('whole'), teach('to-front'), teach('turned')] });
  expect(findings.filter(({ code }) => code === 'IMAGE_TWICE').map(({ blocks }) => blocks)).toEqual([[1], [2]]);
  expect(findings[0]?.code).toBe('EXIT_UNSAFE');
  expect(codes({ blocks: [teach('to-front'), teach('front')] })).not.toContain('EXIT_UNSAFE');
  // Nothing comes after the last one, so that its way out leads nowhere else.
  expect(codes({ blocks: [teach('whole'), teach('to-front')] })).not.toContain('EXIT_UNSAFE');
});

test('a cue that fills its phase exactly fits; a slower room, and a faster teacher, have more room', () => {
  const seven = only('long');
  expect(codes(seven)).toContain('CUE_LONG');
  expect(codes({ ...seven, audience: { id: 'slow', name: 'Slow', tempo: 1.6 } })).not.toContain('CUE_LONG');
  // Seven words at 140 a minute last three seconds: 1.5 s a count of two is that exactly.
  expect(codes(only('long', { dose: { secondsPerCount: 1.5 } }))).not.toContain('CUE_LONG');
  expect(codes(only('long', { dose: { secondsPerCount: 1.49 } }))).toContain('CUE_LONG');
});

test('a word that is part of another word is not refused', () => {
  const { findings } = heard({ ...only('termed'), method: { terms: [{ use: 'seat', not: ['hip'] }] } });
  expect(findings.map(({ code }) => code)).not.toContain('TERM_REFUSED');
  expect(codes({ ...only('termed'), method: { terms: [{ use: 'seat', not: ['hips'] }] } })).toContain('TERM_REFUSED');
});

test('the house word is put in, the shorter cue taken, the image moved: each mends its own finding', () => {
  for (const [code, said] of [
    ['TERM_REFUSED', { ...only('whole'), method: METHOD }],
    ['CUE_LONG', only('long')],
    ['IMAGE_TWICE', { blocks: [teach('whole'), teach('again')] }],
    ['PROMISE', only('promising')],
  ] as ReadonlyArray<readonly [VoiceCode, Said]>) {
    const finding = must(heard(said).findings.find((each) => each.code === code));
    const [remedy] = finding.remedies;
    const edit = must(must(remedy).edits[0]);
    if (edit.kind !== 'set') throw new Error('expected the words of a block to change');
    const blocks = classOf(said.blocks).blocks.map((each) =>
      each.id === edit.id ? ({ ...each, ...edit.change } as Block) : each,
    );
    expect(codes({ ...said, blocks: blocks as ReadonlyArray<Unnamed<Block>> })).not.toContain(code);
  }
});

test('words are runs with a letter or a digit; seconds of speech agree with an independent count', () => {
  expect(wordsIn('Lift – and lower, 2 … times!')).toBe(5);
  expect(wordsIn('  ')).toBe(0);
  expect(speechSeconds(7, 140)).toBe(3);
  const { voice, script, timed } = heard(only('whole'));
  // Two actions of one word each on two repetitions, five words of the house's breath, two that keep, five of an image,
  // and a count for each of five.
  const words = 2 * 2 + 5 + 2 + 5 + 5;
  expect(silenceOf(voice)).toBeCloseTo(1 - (words * 60) / 140 / must(timed.blocks[0]).work, 9);
  const all = script.sections
    .flatMap(({ lines }) => lines.filter(({ said }) => said).map(({ text }) => text))
    .join(' ');
  expect(wordsOf(script)).toBe(all.split(' ').filter((run) => /\w/.test(run)).length);
});

test('a line of five thousand letters, markup, another script and emoji are read like any other', () => {
  const lines = [
    line('image', 'a '.repeat(2500)),
    line('setup', '<b>Lie</b> down & rest 🧘'),
    line('alignment', 'שמור על האגן'),
  ].map((each, i) => ({ ...each, id: `l${i}`, text: each.text.slice(0, 600) }));
  expect(() => heard(only('whole', { lines }))).not.toThrow();
  expect(wordsIn('שמור על האגן 🧘')).toBe(3);
});

test('every rule of the language review is listed once, and has its two scripts here', () => {
  const listed = VOICE_RULES.map(({ code }) => code);
  expect([...listed].sort()).toEqual([...VOICE_CODES].sort());
  expect(Object.keys(CASES).sort()).toEqual([...VOICE_CODES].sort());
  expect(listed.filter((code) => (SCHOOL_CODES as readonly string[]).includes(code))).toEqual([]);
});
