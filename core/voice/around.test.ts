import type { MethodFile } from '../method';
import { applyEdits, type Block, type ClassPlan, timeClass } from '../plan';
import { draftScript } from '../script';
import { block, catalogOf, classOf, exercise, must, rung, type Unnamed } from '../testing/studio';
import { reviewVoice, voiceOf } from '.';

const EXERCISES = [
  exercise('hold'),
  exercise('legs', {
    rungs: [
      rung('low', {
        poses: {
          home: { supports: ['head', 'shoulders', 'ribs', 'pelvis'], hip: 90, knee: 0 },
          away: { supports: ['head', 'shoulders', 'ribs', 'pelvis'], hip: 50, knee: 0 },
        },
      }),
    ],
  }),
];
const METHOD: MethodFile = { terms: [{ use: 'pelvis still', not: ['hips still'] }] };

const heard = (plan: ClassPlan, method = METHOD) => {
  const catalog = catalogOf(EXERCISES, method);
  const timed = timeClass(catalog, plan);
  return { catalog, findings: reviewVoice(voiceOf(catalog, timed, draftScript(catalog, timed))) };
};
/** Every place beside the blocks at which words are said, with the path of the words. */
const PLACES: Readonly<Record<string, (text: string) => ClassPlan>> = {
  'an opening': (text) => classOf([block('hold')], { openingWords: [text] }),
  'a closing': (text) => classOf([block('hold')], { closingWords: [text] }),
  'a talk': (text) => classOf([talk({ words: [text] }), block('hold')]),
  'a check': (text) => classOf([talk({ interlude: 'check', words: [text] }), block('hold')]),
  'what a check finds': (text) => classOf([talk({ interlude: 'check', words: ['Feel.'], finds: text }), block('hold')]),
  'words of its own': (text) =>
    classOf([talk({ words: ['Feel.'], lines: [{ id: 'l1', kind: 'setup', text }] }), block('hold')]),
};
const talk = (more: object): Unnamed<Block> =>
  ({ interlude: 'talk', name: 'Why', seconds: 30, ...more }) as Unnamed<Block>;

const FAULTS = {
  PROMISE: 'This closes the gap.',
  TERM_REFUSED: 'Keep the hips still.',
  SCHOOL_SEAT: 'Squeeze your seat all the way.',
  SCHOOL_BACK: 'Press your low back into the floor.',
  STOP_OFFERED: 'If it hurts, go half as far.',
} as const;

describe.each(Object.entries(PLACES))('in %s', (_place, planned) => {
  test.each(Object.entries(FAULTS))('%s is found', (code, text) => {
    expect(heard(planned(text)).findings.map((each) => each.code)).toContain(code);
    expect(
      heard(planned('Breathe out, and let the shoulders be heavy.')).findings.map((each) => each.code),
    ).not.toContain(code);
  });

  test.each(['PROMISE', 'TERM_REFUSED', 'STOP_OFFERED'] as const)(
    '%s is gone when what is offered is taken',
    (code) => {
      const plan = planned(FAULTS[code]);
      const { catalog, findings } = heard(plan);
      const found = must(findings.find((each) => each.code === code));
      const mended = applyEdits(catalog, plan, must(found.remedies[0]).edits);
      expect(heard(mended).findings.map((each) => each.code)).not.toContain(code);
    },
  );
});

test('an opening of don’ts, and one that asks for too much school, are found', () => {
  const donts = ['Do not hold your breath.', 'Never rush.', 'Lie down.'];
  expect(heard(classOf([block('hold')], { openingWords: donts })).findings.map(({ code }) => code)).toContain(
    'DONTS_MANY',
  );
  const hard = [
    'Simultaneously coordinating abdominal musculature necessitates proprioceptive individuality, accommodating intercostal articulation throughout unilateral oscillation of extremities with considerable neuromuscular sophistication and uninterrupted concentration.',
  ];
  expect(heard(classOf([block('hold')], { openingWords: hard })).findings.map(({ code }) => code)).toContain(
    'READING_HARD',
  );
});

test('words of a class are held to the schools as the rung’s are, by what is chosen there', () => {
  const plan = (choices?: ClassPlan['choices']) =>
    classOf(
      [block('legs', { mode: 'teach', lines: [{ id: 'l1', kind: 'alignment', text: 'Press your low back down.' }] })],
      choices ? { choices } : {},
    );
  const codes = (choices?: ClassPlan['choices']) => heard(plan(choices)).findings.map(({ code }) => code);
  expect(codes()).toContain('SCHOOL_BACK');
  expect(codes({ lowBack: 'imprint' })).not.toContain('SCHOOL_BACK');
});
