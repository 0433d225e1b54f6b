import type { Condition } from '../../caution';
import { timeClass } from '../../plan';
import type { Cue } from '../../repertoire';
import { block, catalogOf, classOf, exercise, rung } from '../../testing/studio';
import { draftScript } from '../draftScript';
import { exitFits, leadsTo } from './exits';
import { forWhom } from './safety';

test.each<[string, readonly Condition[] | null]>([
  ['Neck tires: head down.', ['neck-pain', 'neck-injury']],
  ['Hip replaced? Keep the leg above the midline.', ['hip-replacement']],
  ['With a troublesome knee, fold the mat under it.', ['knee']],
  ['High pressure, glaucoma or vertigo: stay half way.', ['high-blood-pressure', 'glaucoma', 'vertigo']],
  ['Stay small with a disc history or low bone density.', ['low-back-pain', 'low-bone-density']],
  ['With troublesome ribs, bend half as far.', []],
  ['Always within reach of a wall.', null],
  ['Keep the feet well forward.', null],
  ['Nothing should hurt; slide a cushion under the belly.', null],
])('whom a line of safety is for: %s', (text, whom) => {
  expect(forWhom(text)).toEqual(whom);
});

const cue = (id: string, text: string): Cue => ({ id, kind: 'safety', text });
const LADDER = exercise('lift', {
  rungs: ['low', 'high'].map((id) =>
    rung(id, {
      cues: [
        cue('c1', 'With a troublesome knee, fold the mat under it.'),
        cue('c2', 'Within reach of a wall.'),
        cue('c3', 'If your back pinches, stop and lie flat.'),
      ],
      gate: { stop: ['the low back pinches', 'dizziness'] },
    }),
  ),
});
const catalog = catalogOf([LADDER, exercise('hold')]);
const safety = (conditions: readonly Condition[]) => {
  const plan = classOf(['lift', 'lift/high'].map((name) => block(name, { mode: 'teach', carry: false })));
  const script = draftScript(catalog, timeClass(catalog, plan), { conditions });
  return script.sections
    .filter(({ kind }) => kind === 'block')
    .map(({ lines }) => lines.filter(({ kind, said }) => kind === 'safety' && said).map(({ text }) => text));
};

test('what is for nobody in the room is to know; signs to stop are said once a ladder', () => {
  expect(safety([])).toEqual([
    [
      'Within reach of a wall.',
      'If your back pinches, stop and lie flat.',
      'Stop altogether if the low back pinches, or with dizziness.',
    ],
    [],
  ]);
  expect(safety(['knee']).map((lines) => lines[0])).toEqual([
    'With a troublesome knee, fold the mat under it.',
    'With a troublesome knee, fold the mat under it.',
  ]);
});

const PLACES = catalogOf();
const between = (...names: string[]) => {
  const timed = timeClass(PLACES, classOf(names.map((name) => block(name, { mode: 'teach', carry: false }))));
  return [timed.blocks[0], timed.sequence[1]] as const;
};
test.each<[string, string, string, boolean]>([
  ['Both feet down.', 'hold', 'curl', true],
  ['Roll to your side and push up to sit.', 'hold', 'stand', true],
  ['Stand up slowly.', 'hold', 'stand', true],
  ['Stand up slowly.', 'hold', 'curl', false],
  ['Roll onto your front.', 'hold', 'arch', true],
  ['Roll onto your front.', 'side-leg', 'reach', true],
  ['Sit up.', 'hold', 'curl', false],
  ['Sit back over the heels for a breath.', 'arch', 'arch/high', false],
  ['Sit back over the heels for a breath.', 'arch', 'reach', true],
  ['Ball aside.', 'roll/high', 'roll', false],
  ['Roller out, lie flat.', 'roll', 'hold', false],
])('“%s” after %s and before %s is true: %s', (text, from, to, fits) => {
  const [part, next] = between(from, to);
  expect(part && exitFits(PLACES, text, part, next)).toBe(fits);
});

test('at the end of a class people leave as they like', () => {
  const [part] = between('hold', 'curl');
  expect(part && exitFits(PLACES, 'Stand up.', part, undefined)).toBe(true);
  expect(leadsTo('Roll to the side, then sit up.')).toEqual(['side-lying', 'seated']);
});
