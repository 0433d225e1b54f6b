import fc from 'fast-check';
import { timeClass } from '../plan';
import type { Cue } from '../repertoire';
import { anyClass } from '../testing/arbitraries';
import { block, catalogOf, classOf, exercise, rung } from '../testing/studio';
import { draftScript } from './draftScript';

const cues: Cue[] = [
  { id: 'c1', kind: 'setup', text: 'Lie down.' },
  { id: 'c2', kind: 'setup', text: 'Feet under the knees.' },
  { id: 'c3', kind: 'action', phase: 'p1', text: 'Float the knee.' },
  { id: 'c4', kind: 'alignment', text: 'Pelvis quiet.' },
  { id: 'c5', kind: 'fault', sign: 'The pelvis rocks.', text: 'Go half as far.' },
  { id: 'c6', kind: 'transition', text: 'Rest the feet.' },
];
const gate = { ready: ['three are clean'], stay: ['the pelvis rocks'] };
const catalog = catalogOf([
  exercise('float', { sides: 'each', position: 'four-point', rungs: [rung('low'), rung('high', { cues, gate })] }),
  exercise('hold'),
]);
const sections = (...blocks: Parameters<typeof classOf>[0]) =>
  draftScript(catalog, timeClass(catalog, classOf(blocks))).sections;
const said = (section: ReturnType<typeof sections>[number] | undefined) => section?.lines.map(({ text }) => text);

test('the running time of any script is the class to the second, without gaps', () => {
  const whole = catalogOf();
  fc.assert(
    fc.property(anyClass, (plan) => {
      const timed = timeClass(whole, plan);
      const script = draftScript(whole, timed);
      expect(script.seconds).toBeCloseTo(timed.seconds, 6);
      let clock = 0;
      for (const section of script.sections) {
        expect(section.startSeconds - section.leadSeconds).toBeCloseTo(clock, 6);
        clock = section.startSeconds + section.seconds;
      }
    }),
  );
});

test('teaching says all, in the order it is spoken; the way out comes after the second side', () => {
  const [, first, second] = sections(block('float/high', { mode: 'teach', options: ['low'] }), block('hold'));
  expect(said(first)).toEqual([
    'Lie down.',
    'Feet under the knees.',
    'Breathe out on the effort.',
    'Float the knee.',
    'Breathe in for 2.',
    'Pelvis quiet.',
    'Go half as far.',
    'If the pelvis rocks: low.',
    '5 each side, left first. Say the last one.',
  ]);
  expect(second).toMatchObject({ side: 'right', pass: 'second', lead: 'Change sides: right side now.' });
  expect(said(second)?.at(-1)).toBe('Rest the feet.');
});

test('flowing says one line of set-up and no fault; words drafted from figures are marked', () => {
  const [, first] = sections(block('float/high'));
  expect(said(first)).not.toContain('Feet under the knees.');
  expect(said(first)).not.toContain('Go half as far.');
  expect(first?.lines.filter(({ written }) => !written).map(({ text }) => text)).toEqual(['Breathe in for 2.']);
});

test('the way between positions names every place and prop', () => {
  const props = catalogOf();
  const script = draftScript(props, timeClass(props, classOf([block('arch'), block('roll')])));
  expect(script.sections[2]?.lead).toBe('Take the roller, go through the left side to the back.');
});
