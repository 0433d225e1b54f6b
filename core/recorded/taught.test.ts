import { paceOf, replan } from '../taught';
import { learntOf } from '../taught/learnt';
import { habitsSchema, speak } from '../taught/speak';
import { draftPlan, readTake } from '../taught/take';
import { must } from '../testing/studio';
import { bundle, line, lines, planOf, rows, studio } from './recorded';

// What is heard in takes, learnt from logs and left out on the day, held by value: see judgement.test.ts.

const { catalog } = studio;
const logs = bundle.logs ?? [];
const teachers = bundle.teachers ?? [];
const DATE = '2027-01-11';

test('a class is taught by the stand-in, read back from its captions, and drafted from them without a plan', () => {
  const plan = planOf('rowers-balance');
  const context = studio.contextOf(plan);
  const habits = habitsSchema.parse({
    tempo: 1.08,
    setup: 1.2,
    misheard: 0.1,
    fillers: 0.05,
    paraphrase: 0.3,
    scatter: 0.1,
    skips: ['b4'],
    moves: [['b7', 12]],
    adds: [{ after: 'b9', rung: must(catalog.rungs[40]).key }],
  });
  const { cues, log } = speak(catalog, plan, context, habits, { seed: 4, date: DATE });
  const heard = cues.map((cue, at) => ({ ...cue, line: at }));
  const take = readTake(catalog, plan, context, heard, DATE);
  const { blocks, log: read, ...whole } = take;
  expect(
    lines([
      ...cues.slice(0, 60),
      ...rows(log),
      ...rows(whole),
      ...blocks.map((block) => line(block)),
      ...rows(read),
      ...draftPlan(catalog, heard, 'drafted').blocks,
    ]),
  ).toMatchSnapshot();
});

test('what may be left out or added, late and early, in the middle of two classes', () => {
  const record = ['open-evening', 'mixed-curl'].flatMap((id) => {
    const plan = planOf(id);
    const block = must(plan.blocks[8]).id;
    return [-200, 0, 150, 400].map((beside) => {
      const moment = { block, pass: 1, elapsed: 900 + beside, late: Math.max(0, Math.min(120, beside)) } as const;
      const { plan: _, ...told } = replan(catalog, plan, studio.contextOf(plan), moment);
      return `${id} ${beside} ${line(told)}`;
    });
  });
  expect(lines(record)).toMatchSnapshot();
});

test('the pace of each teacher, and what was learnt of the rungs they taught', () => {
  const paces = teachers.flatMap((teacher) => rows(paceOf(logs, teacher, catalog.method)));
  const audiences = bundle.audiences ?? [];
  const learnt = catalog.rungs
    .map(({ key }) => [key, learntOf(key, logs, { catalog, teachers, audiences })] as const)
    .filter(([, { classes }]) => classes > 0)
    .map(([key, told]) => `${key} ${line(told)}`);
  expect(lines([...paces, ...learnt])).toMatchSnapshot();
});
