import type { ClassPlan, PlanEdit } from '../plan';
import { measureClass } from '../review';
import { block, catalogOf, classOf, EXERCISES, exercise, rung } from '../testing/studio';
import { keptOf, payOf } from './keeping';

const hot = exercise('hot', { rungs: [rung('low', { heatOverride: { heat: 60, reason: 'For the test.' } })] });
const catalog = catalogOf([...EXERCISES, hot]);
// The hottest first, so that nothing grows to it; three of one position, one of another, a talk.
const plan = classOf([
  block('hot'),
  block('hold'),
  block('curl'),
  block('stand'),
  { interlude: 'talk', name: 'Why', seconds: 20 },
]);
const pays = (edits: readonly PlanEdit[], of: ClassPlan = plan) =>
  payOf(catalog, keptOf(measureClass(catalog, of)), edits);
const added = (name: string) => ({ ...block(name), id: 'new' });

test.each<[string, number, PlanEdit[]]>([
  ['another dose', 0.5, [{ kind: 'dose', id: 'b2', dose: { reps: 3 } }]],
  ['said otherwise', 0.5, [{ kind: 'set', id: 'b2', change: { mode: 'flow' } }]],
  ['something of the whole class', 0.5, [{ kind: 'class', change: { openingSeconds: 30 } }]],
  ['another rung of its ladder', 1, [{ kind: 'swap', id: 'b2', to: { exercise: 'hold', rung: 'high' } }]],
  ['another exercise', 4, [{ kind: 'swap', id: 'b2', to: { exercise: 'arch', rung: 'low' } }]],
  ['left out', 4, [{ kind: 'remove', id: 'b2' }]],
  ['a talk left out', 1, [{ kind: 'remove', id: 'b5' }]],
  ['a place among those of its position', 0.5, [{ kind: 'move', id: 'b2', before: 'b4' }]],
  ['a place among others', 1, [{ kind: 'move', id: 'b2', before: null }]],
  ['more of what is in it', 1, [{ kind: 'insert', before: 'b3', block: added('hold') }]],
  ['something new', 2, [{ kind: 'insert', before: 'b3', block: added('arch') }]],
  ['what was put in on the way', 0.5, [{ kind: 'remove', id: 'nobody' }]],
  ['the hottest, left out', 8, [{ kind: 'remove', id: 'b1' }]],
  [
    'going on in one shape, however many blocks it names',
    0.5,
    [
      { kind: 'set', id: 'b2', change: { carry: true } },
      { kind: 'set', id: 'b3', change: { carry: false } },
    ],
  ],
  [
    'two changes',
    5,
    [
      { kind: 'remove', id: 'b2' },
      { kind: 'swap', id: 'b3', to: { exercise: 'curl', rung: 'high' } },
    ],
  ],
])('%s pays %d', (_, pay, edits) => {
  expect(pays(edits)).toBe(pay);
});

test('the only exercise of a lesson pays ten times as much; of a lesson on two, or of a class, it does not', () => {
  const swap: PlanEdit[] = [{ kind: 'swap', id: 'b1', to: { exercise: 'arch', rung: 'low' } }];
  const [one, two] = [
    [block('hold'), block('hold')],
    [block('hold'), block('hot')],
  ];
  const [lesson, both, usual] = [
    classOf(one, { purpose: 'lesson' }),
    classOf(two, { purpose: 'lesson' }),
    classOf(two),
  ];
  expect(pays(swap, lesson) / pays(swap, usual)).toBeGreaterThanOrEqual(10);
  expect(pays(swap, both)).toBe(pays(swap, usual));
  // To its length it is brought as one change, whatever that names.
  expect(payOf(catalog, keptOf(measureClass(catalog, plan)), swap, true)).toBe(1);
});
