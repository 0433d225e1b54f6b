import { CAUTION_RULES, CONDITIONS } from '../caution';
import { studioOf } from '../formats';
import { type SpokenClass, spokenIn } from '../handouts';
import { applyEdits, type Block, type ClassPlan, timeClass } from '../plan';
import { ladderDoubts, type Rung } from '../repertoire';
import { draftScript, GENERAL_ADVICE, roomCard } from '../script';
import { demoBundle } from '../testing/demo';
import { block, catalogOf, classOf, exercise, must, rung, type Unnamed } from '../testing/studio';
import { answersByLess } from '../vocabulary/words/stopSigns';
import { reviewVoice } from './reviewVoice';
import { voiceOf } from './spoken';

const cue = (kind: 'safety' | 'fault' | 'option' | 'action', text: string, sign?: string) => ({
  id: `c-${kind}`,
  kind,
  text,
  ...(sign ? { sign } : {}),
});
const catalogWith = (change: Partial<Rung>) =>
  catalogOf([exercise('curl', { rungs: [rung('low'), rung('high', change)] })]);
const heard = (
  catalog: ReturnType<typeof catalogOf>,
  blocks: ReadonlyArray<Unnamed<Block>>,
  change: Partial<ClassPlan> = {},
) => {
  const plan = classOf(blocks, change);
  const timed = timeClass(catalog, plan);
  const findings = reviewVoice(voiceOf(catalog, timed, draftScript(catalog, timed)));
  return { plan, found: findings.filter(({ code }) => code === 'STOP_OFFERED') };
};
const TAUGHT = [block('curl/high', { mode: 'teach' })];

test.each([
  ['a safety line', cue('safety', 'Dizzy? Come half way.')],
  ['an action', cue('action', 'Lift, and smaller if it hurts.')],
  ['a fault by its sign', cue('fault', 'Bend the knees.', 'Their back hurts')],
])('%s that answers a stop sign by less is found, and the fix writes the line', (_name, line) => {
  const catalog = catalogWith({ cues: [line] });
  const { plan, found } = heard(catalog, TAUGHT);
  expect(found).toMatchObject([{ severity: 'fix', ids: ['b1'] }]);
  const [remedy] = must(found[0]).remedies;
  const mended = applyEdits(catalog, plan, must(remedy).edits);
  expect(heard(catalog, mended.blocks).found).toEqual([]);
  expect(
    must(mended.blocks[0])
      .lines?.map(({ text }) => text)
      .join(' '),
  ).toMatch(/stop and rest/);
  expect(ladderDoubts(catalog, must(catalog.exercise('curl'))).map(({ code }) => code)).toContain('STOP_ANSWERED');
});

test.each<[string, ReadonlyArray<Unnamed<Block>>, Partial<ClassPlan>]>([
  ['the opening', TAUGHT, { openingWords: ['Welcome.', 'If anything hurts, just make it smaller.'] }],
  ['the closing', TAUGHT, { closingWords: ['Light-headed? Come up more slowly.'] }],
  ['a talk', [...TAUGHT, { interlude: 'talk', name: 'Why', seconds: 9, words: ['Numb hands? Use your fists.'] }], {}],
  [
    'a check',
    [...TAUGHT, { interlude: 'check', name: 'Level', seconds: 9, otherwise: 'If it hurts, press less.' }],
    {},
  ],
])('%s is held to the same, with a fix', (_name, blocks, change) => {
  const catalog = catalogWith({});
  const { plan, found } = heard(catalog, blocks, change);
  expect(found).toHaveLength(1);
  expect(must(found[0]).message).toMatch(/answers a sign to stop by something else than stopping/);
  const mended = applyEdits(catalog, plan, must(must(found[0]).remedies[0]).edits);
  expect(heard(catalog, mended.blocks, mended).found).toEqual([]);
});

test('a stop sign among the signs to stay is never printed for an option, and is told', () => {
  const gate = { stay: ['the back pinches', 'the belly domes'] };
  const catalog = catalogWith({ gate });
  const blocks = [block('curl/high', { mode: 'teach', options: ['low'] })];
  const timed = timeClass(catalog, classOf(blocks));
  expect(must(roomCard(catalog, timed, {}).rows[0]).lower).toMatchObject({ sign: 'the belly domes' });
  const said = draftScript(catalog, timed).sections.flatMap(({ lines }) => lines.map(({ text }) => text));
  expect(said.filter((text) => /pinches/.test(text))).toEqual([]);
  const [found] = heard(catalog, blocks).found;
  expect(must(found).message).toMatch(/“the back pinches” is a sign to stop/);
  // It is the rung's own sign: nothing in the class would take it away.
  expect(must(found).remedies).toEqual([]);
});

test('an option’s own sign that means stop is taken out by its fix', () => {
  const catalog = catalogWith({});
  const { plan, found } = heard(catalog, [
    block('curl/high', { mode: 'teach', options: [{ rung: 'low', sign: 'the knee hurts' }] }),
  ]);
  const mended = applyEdits(catalog, plan, must(must(found[0]).remedies[0]).edits);
  expect(must(mended.blocks[0])).toMatchObject({ options: [{ rung: 'low' }] });
  expect(heard(catalog, mended.blocks).found).toEqual([]);
});

test('nothing of the house, of the demo, drafted or advised answers a stop sign by less', () => {
  const bundle = demoBundle();
  const studio = studioOf(bundle, {});
  const texts = [
    GENERAL_ADVICE,
    ...Object.values(CONDITIONS).flatMap(({ always, spoken }) => [always, `${spoken}: ${always}`]),
    ...CAUTION_RULES.flatMap(({ condition, how, why, already = [] }) => [
      `${CONDITIONS[condition].spoken}: ${how}`,
      why,
      ...already.map(([, other]) => other),
    ]),
    ...studio.catalog.rungs.flatMap(({ rung: { cues = [] } }) =>
      cues.flatMap(({ text, sign, alternatives = [] }) => [sign ? `${sign}: ${text}` : text, ...alternatives]),
    ),
    ...(bundle.classes ?? []).flatMap(({ id }) =>
      (spokenIn(studio, id) as SpokenClass).script.sections.flatMap(({ lines }) => lines.map(({ text }) => text)),
    ),
    ...(bundle.series ?? []).flatMap(({ forWhom = '', seeFirst = '' }) => [forWhom, seeFirst]),
  ];
  expect(texts.length).toBeGreaterThan(4000);
  expect(texts.filter((text) => answersByLess(text))).toEqual([]);
});
