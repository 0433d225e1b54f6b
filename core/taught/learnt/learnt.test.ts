import { timeClass } from '../../plan';
import type { Rung } from '../../repertoire';
import { block, catalogOf, classOf, exercise, rung } from '../../testing/studio';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import { learntOf } from '.';

/** A ladder whose second rung reaches farther; set-ups of 20 s, five repetitions of four seconds. */
const far: Rung['poses'][string] = { supports: ['head', 'ribs', 'pelvis'], hip: 90, knee: 0 };
const catalog = catalogOf([
  exercise('hold', {
    rungs: [rung('low'), rung('high', { poses: { home: far, away: { ...far, hip: 30 } } })],
  }),
]);
const plan = classOf([block('hold/high', { mode: 'teach', carry: false })]);
const planned = plannedDay(timeClass(catalog, plan));
const studio = { catalog, teachers: [], audiences: [] };

type Block = NonNullable<Log['blocks']>[number];
interface Day extends Pick<Log, 'teacher' | 'present' | 'audience'> {
  readonly setup?: number;
  readonly work?: number;
  readonly reps?: number;
  readonly block?: Partial<Block>;
  readonly source?: Log['source'];
}

let days = 0;
const logOf = ({ setup, work, reps, block: more, source = 'live', ...rest }: Day): Log => ({
  id: `log-${++days}`,
  class: plan.id,
  date: '2027-01-11',
  source,
  plan: planned,
  ...rest,
  blocks: [
    {
      id: 'b1',
      did: 'planned',
      passes: [
        {
          startSeconds: 60,
          ...(setup === undefined ? {} : { setupSeconds: setup }),
          ...(work === undefined ? {} : { workSeconds: work }),
          ...(reps === undefined ? {} : { reps }),
        },
      ],
      ...more,
    },
  ],
});
const of = (...logs: Log[]) => learntOf('hold/high', logs, studio);

test('from three classes on the median of what was measured is offered as the rung’s own seconds', () => {
  const two = [logOf({ setup: 40, work: 20 }), logOf({ setup: 30, work: 20 })];
  expect(of(...two)).toMatchObject({ classes: 2, setup: null, work: null });
  // Twice, one and a half times and twice as long as planned.
  expect(of(...two, logOf({ setup: 40, work: 20 })).setup).toEqual({ classes: 3, share: 2, seconds: 20, offered: 40 });
  // A rehearsal is no class.
  expect(of(...two, logOf({ setup: 40, source: 'rehearsal' })).setup).toBeNull();
  // Between four fifths and five quarters of the plan nothing is offered.
  expect(of(logOf({ setup: 24 }), logOf({ setup: 25 }), logOf({ setup: 17 })).setup).toBeNull();
});

test('a count is told by the work for the repetitions that were done', () => {
  // Three of five repetitions in 24 s, planned in 12: twice as slow.
  const slow = [1, 2, 3].map(() => logOf({ work: 24, reps: 3 }));
  expect(of(...slow).work).toEqual({ classes: 3, share: 2, seconds: 1, offered: 2 });
});

test('what the rung has taken over since is offered no more', () => {
  const logs = [1, 2, 3].map(() => logOf({ setup: 40, work: 40 }));
  const since = (change: Partial<Rung>) =>
    learntOf('hold/high', logs, {
      ...studio,
      catalog: catalogOf([
        exercise('hold', {
          rungs: [rung('low'), rung('high', { poses: { home: far, away: { ...far, hip: 30 } }, ...change })],
        }),
      ]),
    });
  expect(since({})).toMatchObject({ setup: { offered: 40 }, work: { offered: 2 } });
  expect(since({ setupSeconds: 40 })).toMatchObject({ setup: null, work: { offered: 2 } });
  expect(since({ dose: { sets: 1, reps: 5, secondsPerCount: 2 } })).toMatchObject({
    setup: { offered: 40 },
    work: null,
  });
});

test('a teacher’s own pace is taken out first', () => {
  const logs = ['a', 'b', 'c'].map((teacher) => logOf({ setup: 40, teacher }));
  // One class of theirs, 20 s planned and 40 taken: by a third of a weight beside three, 2 ^ (1/3 ÷ 10/3) as slow.
  const own = 2 ** 0.1;
  expect(of(...logs).setup?.share).toBeCloseTo(2 / own, 6);
  expect(of(...logs).setup?.offered).toBe(35);
});

test('a lower option that half of those present take, and a fault in half of the classes, are said', () => {
  const day = (low: number, faults: string[], audience = 'choir') =>
    logOf({ present: 10, audience, block: { options: { low }, faults } });
  const found = of(day(5, ['c7']), day(6, []), day(4, ['c7']), day(9, [], 'rowers'));
  expect(found.options).toEqual([{ option: 'low', audience: 'choir', classes: 3, taken: 15, present: 30 }]);
  expect(found.faults).toEqual([{ cue: 'c7', seen: 2, classes: 4 }]);
  expect(of(day(5, ['c7']), day(4, []), day(4, [])).options).toEqual([]);
  expect(of(day(5, ['c7']), day(5, []), day(5, [])).faults).toEqual([]);
  // A harder option is none to go down to.
  const up = [1, 2, 3].map(() => logOf({ present: 10, block: { options: { high: 9 } } }));
  expect(of(...up).options).toEqual([]);
});
