import Papa from 'papaparse';
import { type BlockField, type ClassPlan, type RungBlock, timeClass } from '../plan';
import type { Exercise } from '../repertoire';
import { describeBlock } from '../script';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { type Handout, oneSheet, roomCardHandout, scriptHandout } from './handout';
import { markdownOf } from './markdown';
import { planCsv } from './planCsv';
import { spokenClass } from './spokenClass';

const gate = { ready: ['three are clean'], stay: ['the pelvis rocks'], stop: ['a sharp pull'] };
const RICH: Exercise[] = [
  exercise('pull', {
    position: 'four-point',
    sides: 'each',
    rungs: [
      rung('low'),
      rung('mid', {
        gate,
        props: ['ball'],
        spring: { newtons: 120, at: 'feet', does: 'resist' },
        settings: [{ name: 'foot bar', value: 'high' }],
        dose: { sets: 2, reps: 8, repsTo: 10 },
        entry: [{ id: 'e1', breath: 'in', counts: 2, pose: 'home' }],
        exit: [{ id: 'x1', breath: 'out', counts: 2, pose: 'home' }],
        cues: [
          { id: 'c1', kind: 'action', phase: 'e1', text: 'Step one foot back.' },
          { id: 'c2', kind: 'action', phase: 'x1', text: 'Set the knee down.' },
        ],
      }),
      rung('forearms', { branchOf: 'mid' }),
      rung('high'),
    ],
  }),
  exercise('turn', { position: 'four-point', sides: 'each' }),
  exercise('march', { sides: 'alternate' }),
  exercise('learn', {
    sides: 'each',
    rungs: [rung('low', { dose: { sets: 3, reps: 10, days: 4, daysTo: 5 } })],
  }),
];
const PROPS = [{ id: 'ball', name: 'Ball', standIn: 'a rolled towel' }];
const catalog = new (catalogOf().constructor as new (source: object) => ReturnType<typeof catalogOf>)({
  props: PROPS,
  exercises: RICH,
});
const plan: ClassPlan = classOf(
  [
    block('pull/mid', { mode: 'teach', run: 'a', firstSide: 'right', options: ['low', 'forearms', 'high'] }),
    block('turn', { mode: 'teach', run: 'a' }),
    block('march', { mode: 'teach' }),
    block('learn', { mode: 'show' }),
    block('turn/high', { side: 'left', range: 0.5 }),
  ],
  { firstSide: 'left' },
);
const own = spokenClass(catalog, plan);
const papers: Readonly<Record<string, string>> = {
  script: textOf(scriptHandout(own)),
  'room card': textOf(roomCardHandout(own)),
  'one sheet': textOf(oneSheet(own)),
  markdown: markdownOf(scriptHandout(own)).replaceAll('\\', ''),
  csv: planCsv(own),
};
function textOf({ about, parts }: Handout): string {
  return [
    about,
    ...parts.flatMap((part) => {
      if (part.kind === 'table') return part.rows.flatMap((row) => row.map(({ text }) => text));
      if (part.kind === 'block')
        return [part.title, part.note, ...part.lines.map(({ label, text }) => `${label}: ${text}`)];
      return [part.text];
    }),
  ].join('\n');
}

test.each(Object.keys(papers))(
  '%s says how often a side, which side first, runs, springs, settings, what is beside',
  (name) => {
    const paper = papers[name] as string;
    for (const words of [
      '2 × 8–10 a side',
      '5 a side',
      'right first',
      'left only',
      'half the range',
      'run A, 1 of 2',
      'run A, 2 of 2',
      'spring 120 N at the feet, resisting',
      'foot bar high',
      '3 sets of 10 on each side, 4 to 5 days a week',
      'forearms',
      'high',
    ]) {
      expect(paper).toContain(words);
    }
  },
);

test.each(['script', 'room card', 'markdown', 'csv'])(
  '%s says the ways in and out, the gate, and what can stand in',
  (name) => {
    const paper = papers[name] as string;
    for (const words of [
      'Step one foot back.',
      'Set the knee down.',
      'three are clean',
      'the pelvis rocks',
      'a sharp pull',
      'a rolled towel',
    ]) {
      expect(paper).toContain(words);
    }
  },
);

test('a side that does less than the other says so; a way that nobody takes is not told', () => {
  const told = (change: Parameters<typeof block>[1], next?: Parameters<typeof block>[1]) => {
    const timed = timeClass(
      catalog,
      classOf([block('pull/mid', { mode: 'teach', ...change }), ...(next ? [block('pull/mid', next)] : [])]),
    );
    return timed.blocks.map((part) => describeBlock(timed, part));
  };
  expect(must(told({ dose: { reps: 8 }, secondDose: { reps: 6 } })[0]).dose).toBe('8 left, 6 right');
  const [first, second] = told({}, { carry: true });
  expect([must(first).wayOut, must(second).wayIn]).toEqual([null, null]);
});

test('the plan as CSV can be read back, column by column', () => {
  const { data, errors } = Papa.parse<Record<string, string>>(papers.csv as string, {
    header: true,
    skipEmptyLines: true,
  });
  expect(errors).toEqual([]);
  expect(data[0]).toMatchObject({
    dose: '2 × 8–10 a side',
    side: 'right first',
    lower: 'low',
    beside: 'forearms',
    higher: 'high',
  });
});

/**
 * A change of each field of a block, and what the papers then say. A new field of a block does not compile without its
 * row; `null`: it is for the desk alone.
 */
const CHANGES: Readonly<Record<BlockField, readonly [Partial<RungBlock>, RegExp] | null>> = {
  exercise: [{ exercise: 'pull', rung: 'low' }, /pull, low/],
  rung: [{ rung: 'high' }, /turn, high/],
  mode: [{ mode: 'show' }, /shown 2/],
  dose: [{ dose: { reps: 7, repsTo: 9, until: 'tired' } }, /7–9 a side, or until tired/],
  secondDose: [{ secondDose: { reps: 3 } }, /5 left, 3 right/],
  options: [{ options: ['high'] }, /high; 5 a side/],
  range: [{ range: 0.5 }, /half the range/],
  side: [{ side: 'right' }, /right only/],
  firstSide: [{ firstSide: 'right' }, /right first/],
  carry: [{ carry: false }, /2,2:20,72,turn/],
  setupSeconds: [{ setupSeconds: 95 }, /2,2:20,147,turn/],
  shown: [{ mode: 'show', shown: 4 }, /shown 4/],
  run: [{ run: 'a' }, /run A, 2 of 2/],
  restAfterSeconds: [{ restAfterSeconds: 95 }, /then rest 1 min 35 s/],
  give: [{ give: 1 }, /may go first/],
  locked: null,
  notes: [{ notes: 'Mind the stove.' }, /Mind the stove\./],
  lines: [{ lines: [{ id: 'l1', kind: 'feel', text: 'Feel the floor.' }] }, /Feel the floor\./],
};

test.each(Object.entries(CHANGES))('the %s of a block is told on paper', (_, told) => {
  if (told === null) return;
  const [change, says] = told;
  const first = block('turn', { mode: 'teach', run: 'a' });
  const printed = (more: Partial<RungBlock>) => {
    const blocks = [first, { ...block('turn', { mode: 'teach' }), ...more }, block('march', { mode: 'teach' })];
    const spoken = spokenClass(catalog, classOf(blocks, { firstSide: 'left' }));
    const handouts = [scriptHandout(spoken), roomCardHandout(spoken), oneSheet(spoken)].map(textOf);
    return [...handouts, planCsv(spoken)].join('\n');
  };
  expect(printed(change)).toMatch(says);
  expect(printed({})).not.toMatch(says);
});
