import fc from 'fast-check';
import { applyEdit, type PlanEdit, timeClass } from '../plan';
import type { Cue } from '../repertoire';
import { anyClass, anyEdit } from '../testing/arbitraries';
import { block, catalogOf, classOf, exercise, rung } from '../testing/studio';
import { draftScript } from './draftScript';
import { wantsWords } from './lines/line';

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
    'Left side first.',
    '5 times on the left.',
    'If the pelvis rocks, take low.',
    'Breathe out on the effort.',
    'Float the knee.',
    'Breathe in.',
    'Pelvis quiet.',
    'Go half as far.',
  ]);
  expect(second).toMatchObject({ side: 'right', pass: 2, lead: null });
  expect(said(second)?.slice(0, 2)).toEqual(['Change sides: right side now.', '5 times on the right.']);
  expect(said(second)?.at(-1)).toBe('Rest the feet.');
});

test('flowing names what comes, and knows the rest; words drafted from figures are marked', () => {
  const [, first] = sections(block('float/high'));
  const aloud = first?.lines.filter((line) => line.said).map(({ text }) => text);
  expect(aloud?.[0]).toBe('Next, float, high, on hands and knees.');
  expect(said(first)).toContain('Feet under the knees.');
  expect(aloud).not.toContain('Feet under the knees.');
  expect(said(first)).not.toContain('Go half as far.');
  expect(first?.lines.filter(wantsWords).map(({ text }) => text)).toEqual([
    'Next, float, high, on hands and knees.',
    'Breathe in.',
  ]);
});

test('the way between positions names every place and prop', () => {
  const props = catalogOf();
  const script = draftScript(props, timeClass(props, classOf([block('arch'), block('roll')])));
  expect(script.sections[2]?.lead).toBe('Take the roller. Roll onto your left side, then roll onto your back.');
});

describe('words of the class', () => {
  const line = (id: string, kind: Cue['kind'], text: string, more: { phase?: string; pass?: 1 | 2 } = {}) => ({
    id,
    kind,
    text,
    ...more,
  });
  const spoken = (...lines: ReturnType<typeof line>[]) => {
    const [, first, second] = sections(block('float/high', { mode: 'teach', lines }), block('hold'));
    return [said(first), said(second)] as const;
  };

  test('replace every line of their kind, in its place, and know where they come from', () => {
    const own = [line('l1', 'setup', 'Come onto hands and knees.')];
    const [, first] = sections(block('float/high', { mode: 'teach', lines: own }));
    expect(said(first)?.slice(0, 2)).toEqual(['Come onto hands and knees.', 'Left side first.']);
    expect(first?.lines[0]).toMatchObject({ id: 'l1', source: 'class', said: true });
    expect(first?.lines.find(({ text }) => text === 'Float the knee.')).toMatchObject({ source: 'rung', cue: 'c3' });
    expect(first?.lines.find(({ kind }) => kind === 'count')).toMatchObject({ source: 'drafted' });
  });

  test('of a phase replace that phase alone, on both passes; of a pass, that pass alone', () => {
    const [first, second] = spoken(line('l1', 'action', 'Sink.', { phase: 'p2' }));
    expect(first).toEqual(expect.arrayContaining(['Float the knee.', 'Sink.']));
    expect(second).toEqual(expect.arrayContaining(['Float the knee.', 'Sink.']));
    const [third, fourth] = spoken(line('l1', 'action', 'Only breathe.', { pass: 2 }));
    expect(third).toEqual(expect.arrayContaining(['Float the knee.']));
    expect(fourth).toContain('Only breathe.');
    expect(fourth).not.toContain('Float the knee.');
  });

  test('that are empty silence, and what was not there is said once, in its usual place', () => {
    const [first, second] = spoken(line('l1', 'alignment', ''), line('l2', 'image', 'Like a heron.'));
    expect(first).not.toContain('Pelvis quiet.');
    expect(second).not.toContain('Pelvis quiet.');
    expect(first?.indexOf('Like a heron.')).toBe((first?.indexOf('Go half as far.') ?? 0) - 1);
    expect(second).not.toContain('Like a heron.');
  });

  test('of the staff are known and not said, and so is what always holds for the room', () => {
    const plan = classOf([block('hold', { notes: 'Watch the left knee.' })]);
    const script = draftScript(catalog, timeClass(catalog, plan), { conditions: ['neck-pain'] });
    const notSaid = script.sections.flatMap(({ lines }) => lines.filter((each) => !each.said).map(({ text }) => text));
    expect(notSaid).toContain('Watch the left knee.');
    expect(notSaid.some((text) => text.startsWith('With a troublesome neck: '))).toBe(true);
  });

  test('every line of a section has an id of its own', () => {
    for (const { lines } of sections(block('float/high', { mode: 'teach', options: ['low'] }), block('hold'))) {
      expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length);
    }
  });
});

test('after any edit a script reads as one drafted from nothing', () => {
  const whole = catalogOf();
  const edited = anyClass
    .filter(({ blocks }) => blocks.length > 0)
    .chain((plan) => anyEdit(plan).map((edit) => ({ plan, edit })));
  const drafted = (plan: Parameters<typeof timeClass>[1], conditions: Parameters<typeof draftScript>[2]) =>
    draftScript(whole, timeClass(whole, plan), conditions);
  fc.assert(
    fc.property(
      edited,
      fc.constantFrom({}, { conditions: ['neck-pain', 'pregnancy-third', 'low-bone-density'] } as const),
      ({ plan, edit }, spokenTo) => {
        drafted(plan, {});
        const after = applyEdit(whole, plan, edit);
        // Blocks that were never laid have no lines kept with them.
        expect(drafted(after, spokenTo)).toEqual(drafted(structuredClone(after), spokenTo));
      },
    ),
  );
});

test('a word changed in one block leaves the lines of the others the same objects', () => {
  const plan = classOf([block('float/high'), block('hold/low')]);
  const before = draftScript(catalog, timeClass(catalog, plan)).sections;
  const lines = [{ id: 'l1', kind: 'image' as const, text: 'Like a lid.' }];
  const edit: PlanEdit = { kind: 'set', id: plan.blocks[0]?.id ?? '', change: { lines } };
  const after = draftScript(catalog, timeClass(catalog, applyEdit(catalog, plan, edit))).sections;
  const at = after.findIndex(({ block: index }) => index === 1);
  expect(after[at]?.lines).toBe(before[at]?.lines);
  expect(after[1]?.lines).not.toBe(before[1]?.lines);
});
