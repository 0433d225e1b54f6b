import fc from 'fast-check';
import { Catalog, type Exercise } from '../../repertoire';
import { anyClass } from '../../testing/arbitraries';
import { block, catalogOf, classOf, EXERCISES, exercise, must, PROPS, rung, type Unnamed } from '../../testing/studio';
import { checkCarries } from '../checks/checkCarries';
import { checkClass } from '../checks/checkClass';
import type { Audience, Block, ClassPlan } from '../class';
import { PlanError, type Taught, timeClass } from './timeClass';

const LYING = { supports: ['head', 'ribs', 'pelvis', 'feet'], hip: 45, knee: 90 } as const;
/** Two counts in, three counts out, around four counts of repetition; ends where it starts. */
const wayInAndOut = {
  entry: [{ id: 'e1', breath: 'out', counts: 2, pose: 'home' }],
  exit: [{ id: 'x1', breath: 'in', counts: 3, pose: 'away' }],
} as const;

const MORE: Exercise[] = [
  exercise('enter', {
    rungs: [rung('low', { ...wayInAndOut, entry: [...wayInAndOut.entry], exit: [...wayInAndOut.exit] })],
  }),
  exercise('enter-each', {
    position: 'four-point',
    sides: 'each',
    rungs: [
      rung('low', { entry: [...wayInAndOut.entry], exit: [...wayInAndOut.exit] }),
      rung('wall', { guided: true }),
    ],
  }),
  exercise('afar', {
    rungs: [
      rung('low', {
        poses: {
          home: { ...LYING, supports: [...LYING.supports], hip: 90 },
          away: { ...LYING, supports: [...LYING.supports], hip: 60 },
        },
      }),
    ],
  }),
  exercise('ends-away', {
    rungs: [
      rung('low', {
        phases: [{ id: 'p1', breath: 'out', counts: 4, pose: 'away' }],
        poses: {
          home: { ...LYING, supports: [...LYING.supports] },
          away: { ...LYING, supports: [...LYING.supports], hip: 100 },
        },
      }),
    ],
  }),
  exercise('one-leg', {
    position: 'four-point',
    sides: 'each',
    rungs: [
      rung('low', {
        poses: {
          home: { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] },
          away: {
            hip: { left: 90, right: 0 },
            knee: { left: 90, right: 0 },
            shoulder: 90,
            supports: ['hands', 'knee.left', 'foot.left'],
          },
        },
        phases: [{ id: 'p1', breath: 'out', counts: 4, pose: 'away' }],
      }),
      rung('high', {
        start: 'away',
        poses: {
          away: {
            hip: { left: 90, right: 0 },
            knee: { left: 90, right: 0 },
            shoulder: 90,
            supports: ['hands', 'knee.left', 'foot.left'],
          },
        },
        phases: [{ id: 'p1', breath: 'out', counts: 4, pose: 'away' }],
      }),
    ],
  }),
  exercise('sit', { position: 'seated' }),
];
const catalog = catalogOf([...EXERCISES, ...MORE]);
const plans = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}) => classOf(blocks, change);
const time = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}, taught: Taught = {}) =>
  timeClass(catalog, plans(blocks, change), taught);
const audience = (change: Partial<Audience>): Audience => ({ id: 'a', name: 'A', ...change });

describe('one block, by hand (20 s set-up, 5 reps of 4 s)', () => {
  test.each([
    ['both, flow: 0.4 × 20 set-up + 20 work', block('hold'), 28],
    ['both, teach: 20 + 20, no repetition shown apart', block('hold', { mode: 'teach' }), 40],
    ['alternate: twice the reps', block('march'), 48],
    ['alternate on one side: once', block('march', { side: 'left' }), 28],
    ['two sets rest between them', block('hold', { dose: { sets: 2 } }), 63],
    ['alternate in two sets rests once', block('march', { dose: { sets: 2 } }), 103],
    ['each: both sides and the change of side, no second set-up', block('reach'), 8 + 40 + 12],
    ['each beside a wall is set up twice', block('enter-each/wall'), 8 + 40 + 12 + 8],
    ['each in side-lying turns over and is set up twice', block('side-leg'), 8 + 40 + 8 + 12],
    ['a run of one is set up twice', block('reach', { run: 'a' }), 8 + 40 + 12 + 8],
    ['one side only: no change of side, no second set-up', block('side-leg', { side: 'left' }), 28],
    ['the second side has its own repetitions', block('reach', { secondDose: { reps: 3 } }), 8 + 20 + 12 + 12],
    ['options and rest are added', block('hold', { options: ['high'], restAfterSeconds: 10 }), 46],
    [
      'an option with its own dose costs no more words',
      block('hold', { options: [{ rung: 'high', holdSeconds: 9 }] }),
      36,
    ],
    ['a slower count', block('hold', { dose: { secondsPerCount: 2 } }), 48],
    ['a range: the middle counts', block('hold', { dose: { reps: 8, repsTo: 10 } }), 8 + 36],
    ['its own set-up seconds are not shortened by flow', block('hold', { setupSeconds: 12 }), 32],
    ['way in and way out, once a set', block('enter', { dose: { sets: 2 } }), 8 + 2 * (2 + 20 + 3) + 15],
    ['way in and way out, once a side', block('enter-each'), 8 + 2 * (2 + 20 + 3) + 12],
    ['show: set-up as teach, two repetitions, no way in or out', block('enter', { mode: 'show' }), 20 + 8],
    ['show: as many as said, one side, no change of side', block('enter-each', { mode: 'show', shown: 3 }), 20 + 12],
    ['show on one side of an alternate one', block('march', { mode: 'show', shown: 4 }), 20 + 16],
  ])('%s', (_name, each, seconds) => {
    expect(time([each]).blocks[0]?.seconds).toBeCloseTo(seconds, 9);
  });

  test('the rung’s own range goes where the block says repetitions, and stays where it does not', () => {
    const ranged = catalogOf([exercise('hold', { rungs: [rung('low', { dose: { sets: 1, reps: 4, repsTo: 8 } })] })]);
    const work = (change: Partial<Parameters<typeof block>[1]>) =>
      timeClass(ranged, classOf([block('hold', change)])).blocks[0]?.work;
    expect(work({})).toBe(24);
    expect(work({ dose: { sets: 1 } })).toBe(24);
    expect(work({ dose: { reps: 4 } })).toBe(16);
  });

  test('repetitions shown before people join in belong to teaching a new shape', () => {
    const shown = catalogOf(EXERCISES, { shownReps: 2 });
    const setups = timeClass(
      shown,
      classOf([block('hold', { mode: 'teach' }), block('curl', { mode: 'teach' })]),
    ).blocks;
    expect(setups.map(({ setup }) => setup)).toEqual([28, 8]);
  });

  test('tempo of audience and teacher multiplies every count, pace every way', () => {
    const taught: Taught = { audience: audience({ tempo: 1.5, pace: 2 }), teacher: { id: 't', name: 'T', tempo: 2 } };
    const timed = time([block('enter', { mode: 'teach' }), block('arch')], {}, taught);
    expect(timed.blocks[0]).toMatchObject({ setup: 20, work: (2 + 20 + 3) * 3 });
    expect(timed.blocks[1]?.change.seconds).toBe(9 * 2 + 4);
  });
});

describe('carrying on', () => {
  const carries = (...blocks: Array<Unnamed<Block>>) => time(blocks).blocks.map((each) => each.carries);

  test('is seen from the poses: the same position and props, and the shape the last one ended in within 30°', () => {
    expect(carries(block('hold'), block('curl'))).toEqual([false, true]);
    expect(carries(block('hold'), block('afar'))).toEqual([false, false]);
    expect(carries(block('ends-away'), block('afar'))).toEqual([false, true]);
    expect(carries(block('ends-away'), block('hold'))).toEqual([false, false]);
    expect(carries(block('hold'), block('roll'))).toEqual([false, false]);
    expect(carries(block('hold'), block('arch'))).toEqual([false, false]);
  });
  test('is said otherwise by the block', () => {
    expect(carries(block('hold'), block('curl', { carry: false }))).toEqual([false, false]);
    expect(carries(block('hold'), block('afar', { carry: true }))).toEqual([false, true]);
  });
  test('sees each shape on the side it is done on', () => {
    // Ends with the leg long on the second side; begins with it long on the first.
    expect(carries(block('one-leg'), block('one-leg/high'))).toEqual([false, false]);
    expect(carries(block('one-leg'), block('one-leg/high', { firstSide: 'right' }))).toEqual([false, true]);
    expect(carries(block('one-leg', { run: 'a' }), block('one-leg/high', { run: 'a' }))).toEqual([false, true]);
    expect(carries(block('one-leg', { side: 'left' }), block('one-leg/high', { side: 'left' }))).toEqual([false, true]);
    expect(carries(block('one-leg', { side: 'left' }), block('one-leg/high', { side: 'right' }))).toEqual([
      false,
      false,
    ]);
  });
  test('costs the carry seconds, leaves out the way in here and the way out there, and the first offer is its set-up', () => {
    const [first, second] = time([
      block('enter', { mode: 'teach' }),
      block('enter', { mode: 'teach', carry: true, options: [] }),
    ]).blocks;
    expect(first).toMatchObject({ setup: 20, work: 2 + 20, carried: true });
    expect(second).toMatchObject({ setup: 8, work: 20 + 3, carries: true });
    const offered = (count: number) =>
      time([
        block('hold'),
        block('roll', { options: count > 0 ? ['high'] : [] }),
        block('roll', { carry: true, options: count > 1 ? ['high'] : [] }),
      ]).blocks.map(({ options }) => options);
    expect(offered(2)).toEqual([0, 8, 0]);
    expect(time([block('hold'), block('curl')]).blocks[1]?.setup).toBeCloseTo(0.4 * 8, 9);
    expect(time([block('hold'), block('curl', { setupSeconds: 11 })]).blocks[1]?.setup).toBe(11);
  });
  test('is lost after a change of position or props, and on a first block: timed as a new shape, and told', () => {
    const lost = (blocks: Array<Unnamed<Block>>) =>
      time(blocks).blocks.map(({ carryLost, carries: goes }) => [carryLost, goes]);
    expect(lost([block('hold', { carry: true })])).toEqual([[true, false]]);
    expect(lost([block('hold'), block('arch', { carry: true })])[1]).toEqual([true, false]);
    expect(lost([block('hold'), block('roll', { carry: true })])[1]).toEqual([true, false]);
    expect(checkCarries(catalog, plans([block('hold'), block('arch', { carry: true })]))[0]).toMatchObject({
      path: ['blocks', 1, 'carry'],
      message: expect.stringMatching(/can’t carry on here; expected a block before it in the same position/),
    });
  });
  test('layers of one shape cost their carry seconds only', () => {
    const one = time([block('hold', { mode: 'teach' })]).seconds;
    const layered = time([
      block('hold', { mode: 'teach' }),
      block('curl', { mode: 'teach' }),
      block('hold/high', { mode: 'teach' }),
    ]);
    expect(layered.seconds - one).toBe(2 * (8 + 20));
  });
});

describe('between blocks', () => {
  const changes = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}, taught: Taught = {}) =>
    time(blocks, change, taught).blocks.map(({ change: { seconds } }) => seconds);

  test('the shortest way, settling, and nothing inside one position', () => {
    expect(changes([block('hold'), block('curl'), block('arch')])).toEqual([0, 0, 13]);
  });
  test('the class starts at the first position unless it names another, with nothing in hand', () => {
    expect(changes([block('hold')], { openingPosition: 'standing' })).toEqual([19]);
  });
  test('props are fetched and put away; onto what is large and unstable one has to get, and off it again', () => {
    expect(changes([block('roll/high'), block('roll'), block('hold')])).toEqual([12 + 30 + 6, 6, 12 + 8]);
  });
  test('where sitting straight up is no good, the way from the back goes by the side', () => {
    const sore = { audience: audience({ cautions: ['low-back-pain'] }) };
    expect(changes([block('hold'), block('sit')])).toEqual([0, 10]);
    expect(changes([block('hold'), block('sit')], {}, sore)).toEqual([0, 14]);
    expect(time([block('hold'), block('sit')], { cautions: ['pregnancy-second'] }).blocks[1]?.change.places).toEqual([
      'supine',
      'side-left',
      'seated',
    ]);
    expect(changes([block('sit'), block('hold')], {}, sore)).toEqual([0, 10]);
  });
});

describe('which side is first', () => {
  const sides = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}) =>
    time(blocks, change).blocks.map(({ firstSide }) => firstSide);

  test('the block’s, else the run’s first, else the class’s, else the house’s; none for a symmetrical one', () => {
    expect(sides([block('reach'), block('hold'), block('march')])).toEqual(['left', null, 'left']);
    expect(sides([block('reach'), block('march')], { firstSide: 'right' })).toEqual(['right', 'right']);
    expect(sides([block('reach', { firstSide: 'left' })], { firstSide: 'right' })).toEqual(['left']);
    expect(sides([block('reach', { side: 'right' })])).toEqual(['right']);
    expect(sides([block('reach', { run: 'a', firstSide: 'right' }), block('reach/high', { run: 'a' })])).toEqual([
      'right',
      'right',
    ]);
    const right = new Catalog({ method: { firstSide: 'right' }, props: PROPS, exercises: EXERCISES });
    expect(timeClass(right, classOf([block('reach')])).blocks[0]?.firstSide).toBe('right');
  });
  test('side-lying starts where people already lie, unless the block says otherwise', () => {
    const timed = time([block('side-leg'), block('side-lift')], { firstSide: 'left' });
    expect(timed.blocks.map(({ firstSide }) => firstSide)).toEqual(['left', 'right']);
    expect(timed.blocks[1]?.change.seconds).toBe(0);
    expect(sides([block('side-leg'), block('side-lift', { firstSide: 'left' })])).toEqual(['left', 'left']);
    expect(sides([block('side-leg')], { openingPosition: 'side-lying', firstSide: 'right' })).toEqual(['right']);
  });
});

test('a run does first sides in order, one change of side, second sides in order', () => {
  const { blocks, parts } = time([
    block('reach', { run: 'a', restAfterSeconds: 5 }),
    block('reach/high', { run: 'a' }),
  ]);
  const slots = blocks.map(({ slots: each }) => each.map(({ side, startSeconds }) => [side, startSeconds]));
  // 8 + 20, then 3.2 + 20; 12 for the change of side; the second set-up of 8 is the run's first block's.
  expect(slots).toEqual([
    [
      ['left', 60],
      ['right', 60 + 28 + 23.2 + 12],
    ],
    [
      ['left', 88],
      ['right', 60 + 28 + 23.2 + 12 + 28 + 5],
    ],
  ]);
  expect(blocks.map(({ sideChange }) => sideChange)).toEqual([0, 12]);
  expect(parts.setup).toBeCloseTo(8 + 8 + 3.2, 9);
  expect(parts).toMatchObject({ sideChanges: 12, work: 80, rest: 5 });
});

describe('interludes', () => {
  const rest: Unnamed<Block> = { interlude: 'recover', name: 'Knees hugged', seconds: 20 };
  test('last their seconds, a talk at least its words at the teacher’s rate', () => {
    const talk: Unnamed<Block> = {
      interlude: 'talk',
      name: 'Why',
      seconds: 10,
      words: ['one two three four – five, 6 seven'],
    };
    expect(time([rest, block('hold')]).parts.interludes).toBe(20);
    expect(time([talk, block('hold')]).parts.interludes).toBe(10);
    const slow = catalogOf(EXERCISES, { wordsPerMinute: 60 });
    expect(timeClass(slow, classOf([{ ...talk, seconds: 3 }, block('hold')])).parts.interludes).toBe(7);
    const taught = { teacher: { id: 't', name: 'T', wordsPerMinute: 84 } };
    expect(timeClass(slow, classOf([{ ...talk, seconds: 3 }, block('hold')]), taught).parts.interludes).toBe(5);
  });
  test('move to their position, keep the props, count to where they are, and what follows carries on only if it says so', () => {
    const standing: Unnamed<Block> = { interlude: 'check', name: 'Posture', seconds: 30, position: 'standing' };
    const timed = time([block('roll'), standing, block('roll')]);
    expect(timed.sequence.map(({ change: { seconds } }) => seconds)).toEqual([42, 19, 19]);
    expect(timed.positions).toEqual({ supine: 56, standing: 30 });
    const long = { ...rest, seconds: 21 };
    expect(time([block('hold'), long, block('curl')]).blocks[1]).toMatchObject({ carries: false, setup: 8 });
    const said = time([block('enter'), long, block('enter', { carry: true })]);
    expect(said.blocks.map(({ work }) => work)).toEqual([22, 23]);
    expect(said.blocks[1]?.carries).toBe(true);
  });
  test('before anything says where people are, they are where the first block is', () => {
    const timed = time([rest, block('arch')]);
    expect(timed.sequence.map(({ position, change: { seconds } }) => [position, seconds])).toEqual([
      ['prone', 0],
      ['prone', 0],
    ]);
  });
});

test('practice length counts shown blocks as done, the class’s own length does not', () => {
  const timed = time([block('hold', { mode: 'teach' }), block('reach', { mode: 'show' })]);
  const done = time([block('hold', { mode: 'teach' }), block('reach', { mode: 'teach' })]);
  expect(timed.practiceSeconds).toBe(done.seconds);
  expect(timed.seconds).toBe(done.seconds - (40 + 12) + 8);
  expect(timed.sides).toEqual({ left: 8, right: 0 });
});

describe('laws of any class', () => {
  const law = (name: string, holds: (plan: ClassPlan) => void) =>
    test(name, () => fc.assert(fc.property(anyClass, holds)));

  law('parts sum to the class, and blocks with their changes too', (plan) => {
    const timed = timeClass(catalog, plan);
    const sum = Object.values(timed.parts).reduce((a, b) => a + b, 0);
    expect(sum).toBeCloseTo(timed.seconds, 9);
    const walked = timed.sequence.reduce((total, { seconds, change }) => total + seconds + change.seconds, 0);
    expect(walked + plan.openingSeconds + plan.closingSeconds).toBeCloseTo(timed.seconds, 9);
    const placed = Object.values(timed.positions).reduce((a, b) => a + b, 0);
    expect(placed + timed.parts.transitions + plan.openingSeconds + plan.closingSeconds).toBeCloseTo(timed.seconds, 6);
  });
  law('passes do not overlap and fill the class but for changes', (plan) => {
    const timed = timeClass(catalog, plan);
    const passes = [...timed.blocks.flatMap((each) => each.slots), ...timed.interludes];
    let clock = plan.openingSeconds;
    for (const pass of passes.sort((a, b) => a.startSeconds - b.startSeconds)) {
      expect(pass.startSeconds).toBeGreaterThanOrEqual(clock - 1e-9);
      clock = pass.startSeconds + pass.seconds;
    }
    expect(clock + plan.closingSeconds).toBeCloseTo(timed.seconds, 6);
  });
  law('a class without one-sided limits works both sides alike', (plan) => {
    const { sides } = timeClass(catalog, plan);
    expect(sides.left).toBeCloseTo(sides.right, 9);
  });
  law('the tempo stretches work and nothing else, in proportion', (plan) => {
    const [usual, slow] = [1, 1.5].map((tempo) => timeClass(catalog, plan, { audience: audience({ tempo }) }).parts);
    const rests = plan.blocks.reduce((sum, each) => {
      const sets = 'exercise' in each ? (each.dose?.sets ?? 1) : 1;
      const twice = 'exercise' in each && ['side-leg', 'side-lift', 'reach'].includes(each.exercise);
      return sum + (sets - 1) * 15 * (twice ? 2 : 1);
    }, 0);
    expect((must(slow).work - rests) / 1.5).toBeCloseTo(must(usual).work - rests, 6);
    expect({ ...slow, work: 0 }).toEqual({ ...usual, work: 0 });
  });
  law('one more rep is never shorter, and the range holds the expected length', (plan) => {
    const timed = timeClass(catalog, plan);
    const longer = plan.blocks.map((each) =>
      'exercise' in each ? { ...each, dose: { ...each.dose, reps: (each.dose?.reps ?? 5) + 1 } } : each,
    );
    const more = timeClass(catalog, { ...plan, blocks: longer });
    expect(more.seconds).toBeGreaterThanOrEqual(timed.seconds);
    expect(more.range.overChance).toBeGreaterThanOrEqual(timed.range.overChance - 1e-9);
    expect(timed.range.p10).toBeLessThanOrEqual(timed.seconds);
    expect(timed.range.p90).toBeGreaterThanOrEqual(timed.seconds);
  });
});

test('work on each side: half of what alternates, each side’s own of what is done one after the other', () => {
  expect(time([block('march'), block('hold')]).sides).toEqual({ left: 20, right: 20 });
  expect(time([block('reach', { secondDose: { reps: 3 }, firstSide: 'right' })]).sides).toEqual({
    left: 12,
    right: 20,
  });
});

test('the range follows from independent parts and from the teacher’s pace over all of them', () => {
  // Work 20 (sd 3), talk guessed 8 (4), opening 60 (12), closing 30 (6), the teacher 28 (2.24): sd √210.02.
  const { range, seconds } = time([block('hold')]);
  expect(seconds).toBe(118);
  expect(range.p90 - seconds).toBeCloseTo(1.28155 * Math.sqrt(205 + 2.24 ** 2), 3);
  expect(time([block('hold')], { targetMinutes: 118 / 60 }).range.overChance).toBeCloseTo(0.5, 6);
  // What is said of an option varies as talk does: 8 and 8 (8) in place of 8 (4), and the teacher 36 (2.88).
  const offered = time([block('hold', { options: ['high'] })]);
  expect(offered.range.p90 - offered.seconds).toBeCloseTo(1.28155 * Math.sqrt(205 - 4 ** 2 + 8 ** 2 + 2.88 ** 2), 3);
  // A rest of 10 s (2) and an interlude of 20 s as rest (4), reached by a change of 13 s (4.55).
  const more = time([
    block('hold', { restAfterSeconds: 10 }),
    { interlude: 'talk', name: 'Why', seconds: 20, position: 'prone' },
  ]);
  const teacher = 0.08 * (more.seconds - 90);
  const variance = 205 + 2 ** 2 + 4 ** 2 + 4.55 ** 2 + teacher ** 2;
  expect(more.range.p90 - more.seconds).toBeCloseTo(1.28155 * Math.sqrt(variance), 3);
});

describe('what does not fit the repertoire is refused with its path, every reason at once', () => {
  const problems = (blocks: ReadonlyArray<Unnamed<Block>>, change: Partial<ClassPlan> = {}) =>
    checkClass(catalog, plans(blocks, change)).map(({ path, message }) => `${path.join('.')}: ${message}`);
  const interlude: Unnamed<Block> = { interlude: 'talk', name: 'A word', seconds: 5 };
  test.each<[string, Array<Unnamed<Block>>, RegExp]>([
    ['missing exercise', [block('nothing')], /^blocks\.0\.exercise: There is no exercise “nothing”/],
    ['missing rung', [block('hold/top')], /^blocks\.0\.rung: “hold” has no rung “top”; its rungs are low, high/],
    ['missing option', [block('hold', { options: ['top'] })], /^blocks\.0\.options\.0: .*no rung “top”/],
    ['side of a symmetrical exercise', [block('hold', { side: 'left' })], /^blocks\.0\.side: .*both sides at once/],
    [
      'second dose of a symmetrical exercise',
      [block('hold', { secondDose: { reps: 3 } })],
      /^blocks\.0\.secondDose: “hold\/low” is not done on one side and then the other/,
    ],
    [
      'second dose beside one side',
      [block('reach', { side: 'left', secondDose: { reps: 3 } })],
      /^blocks\.0\.secondDose: .*is done on the left alone/,
    ],
    [
      'a range that falls',
      [block('hold', { dose: { reps: 8, repsTo: 6 } })],
      /^blocks\.0\.dose\.repsTo: The range goes from 8 to 6; expected 8 or more/,
    ],
    [
      'run over two positions',
      [block('reach', { run: 'a' }), block('side-leg', { run: 'a' })],
      /from four-point to side-lying/,
    ],
    ['run torn apart', [block('reach', { run: 'a' }), block('hold'), block('reach', { run: 'a' })], /not neighbours/],
    ['run of a symmetrical exercise', [block('hold', { run: 'a' })], /each of its blocks must be done on each side/],
    [
      'an interlude in a run',
      [block('reach', { run: 'a' }), interlude, block('reach', { run: 'a' })],
      /^blocks\.2\.run: “A word” stands inside run “a”/,
    ],
    [
      'a second first side in a run',
      [block('reach', { run: 'a' }), block('reach', { run: 'a', firstSide: 'right' })],
      /^blocks\.1\.firstSide: .*said by its first block/,
    ],
    [
      'an interlude of a rung nobody knows',
      [{ ...interlude, rung: 'hold/top' }],
      /^blocks\.0\.rung: There is no rung “hold\/top”/,
    ],
    [
      'an interlude nowhere',
      [{ ...interlude, position: 'ceiling' }],
      /^blocks\.0\.position: “ceiling” is not a position/,
    ],
    ['an id twice', [{ ...block('hold'), id: 'b2' }, block('curl')], /^blocks\.1\.id: The id “b2” stands twice/],
  ])('%s', (_name, blocks, sentence) => {
    expect(problems(blocks).join('\n')).toMatch(sentence);
  });
  test('an opening position nobody knows', () => {
    expect(problems([], { openingPosition: 'ceiling' }).join()).toMatch(/expected one of standing/);
  });
  test('two faults give two reasons, and nothing that is not there is timed', () => {
    expect(problems([block('nothing'), block('hold/top')])).toHaveLength(2);
    expect(() => time([block('nothing'), block('hold/top')])).toThrow(PlanError);
  });
});

test("a studio's own position needs nothing but its edges", () => {
  const positions = [{ id: 'carriage', name: 'Carriage', like: 'supine' as const, edges: { seated: 5 } }];
  const exercises = [exercise('push', { position: 'carriage', rungs: [rung('low')] }), exercise('hold')];
  const own = new Catalog({ positions, exercises });
  const timed = timeClass(own, classOf([block('push'), block('hold')]));
  expect(timed.blocks[1]?.change).toMatchObject({ seconds: 15, places: ['carriage', 'seated', 'supine'] });
  expect(timed.positions).toEqual({ carriage: 28, supine: 28 });
});
