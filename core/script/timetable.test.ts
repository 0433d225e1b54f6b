import fc from 'fast-check';
import { timeClass } from '../plan';
import { phaseCounts, type Rung } from '../repertoire';
import { anyClass } from '../testing/arbitraries';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { draftScript } from './draftScript';
import { type Moment, momentIn } from './passTimes';
import { timetableOf, wordsAt } from './timetable';

/** In for two counts, two repetitions’ phases of two and three, out for four: two sets of three. */
const ways: Partial<Rung> = {
  dose: { sets: 2, reps: 3 },
  entry: [{ id: 'e1', breath: 'in', counts: 2, pose: 'home' }],
  phases: [
    { id: 'p1', breath: 'out', counts: 2, pose: 'away', effort: true },
    { id: 'p2', breath: 'in', counts: 3, pose: 'home' },
  ],
  exit: [{ id: 'x1', breath: 'out', counts: 4, pose: 'home' }],
  cues: [
    { id: 'c1', kind: 'setup', text: 'Lie on your back.' },
    { id: 'c2', kind: 'action', phase: 'e1', text: 'Draw one knee in.' },
    { id: 'c3', kind: 'action', phase: 'p1', text: 'Reach.' },
    { id: 'c4', kind: 'action', phase: 'p2', text: 'Return.' },
    { id: 'c5', kind: 'action', phase: 'p1', at: 'last', text: 'Farthest now.' },
    { id: 'c6', kind: 'alignment', text: 'Ribs heavy.' },
    { id: 'c7', kind: 'action', phase: 'x1', text: 'Set the foot down.' },
    { id: 'c8', kind: 'note', text: 'Walk round the room.' },
  ],
};
const catalog = catalogOf([
  exercise('ways', { rungs: [rung('low', ways)] }),
  exercise('sided', { sides: 'each', position: 'four-point', rungs: [rung('low', ways)] }),
  exercise('hold'),
]);
const scriptOf = (blocks: Parameters<typeof classOf>[0]) => {
  const timed = timeClass(catalog, classOf(blocks));
  return draftScript(catalog, timed);
};
const heard = (...blocks: Array<ReturnType<typeof block>>) => {
  const script = scriptOf(blocks);
  return timetableOf(script).map(({ from, text, section }) => [
    text,
    Math.round((from - must(script.sections[section]).startSeconds) * 10) / 10,
  ]);
};

test('each line on its second: the way in, repetitions, the last of them, the way out', () => {
  // Set-up 20; two sets of 2 + 3 × 5 + 4 with 15 between.
  const said = new Map(heard(block('ways', { mode: 'teach' })) as Array<[string, number]>);
  expect(said.get('Lie on your back.')).toBe(0);
  expect(said.get('Draw one knee in.')).toBe(20);
  expect(said.get('Reach.')).toBe(22);
  expect(said.get('Return.')).toBe(24);
  expect(said.get('Ribs heavy.')).toBe(27);
  expect(said.get('Farthest now.')).toBe(32);
  expect(said.get('Set the foot down.')).toBe(20 + 21 + 15 + 17);
  expect(said.has('Walk round the room.')).toBe(false);
});

test('a way that nobody takes is not said, and both sides say theirs', () => {
  const carried = heard(block('ways', { mode: 'teach' }), block('ways', { mode: 'teach', carry: true }));
  const times = (text: string) => carried.filter(([said]) => said === text).length;
  expect([times('Draw one knee in.'), times('Set the foot down.')]).toEqual([1, 1]);
  const shown = heard(block('ways', { mode: 'show' })).map(([text]) => text);
  expect(shown).not.toContain('Draw one knee in.');
  expect(shown).toContain('Reach.');
  const sided = heard(block('sided', { mode: 'teach' })).filter(([text]) => text === 'Draw one knee in.');
  expect(sided.map(([, at]) => at)).toEqual([20, 0]);
  expect(heard(block('sided')).filter(([text]) => text === 'Change sides: right side now.')).toEqual([
    ['Change sides: right side now.', -12],
  ]);
});

test('an action that comes too late for its phase waits for the next repetition', () => {
  // 28 words of the class fill 12 s of a set-up of 5: the first two repetitions have gone by.
  const lines = [{ id: 'l1', kind: 'setup' as const, text: Array.from({ length: 28 }, () => 'Lie').join(' ') }];
  const said = new Map(heard(block('ways', { mode: 'teach', setupSeconds: 5, lines })) as Array<[string, number]>);
  expect(((said.get('Reach.') as number) - 7) % 5).toBe(0);
  expect(said.get('Reach.')).toBeGreaterThan(12);
  // And the one that follows it waits with it.
  expect(said.get('Return.')).toBeGreaterThan(said.get('Reach.') as number);
});

test('stages are said where they begin, and add words to nothing else', () => {
  const dose = {
    sets: 1,
    reps: 6,
    stages: [
      { reps: 4, text: 'The first four stay level.' },
      { reps: 2, text: 'Two more, farther.' },
    ],
  };
  const said = new Map(heard(block('ways', { mode: 'teach', dose })) as Array<[string, number]>);
  expect(said.get('Two more, farther.')).toBe(22 + 4 * 5);
  // Those of the class are the class's own words, those of the rung are the rung's.
  const sourcesOf = (rungs: Parameters<typeof catalogOf>[0], written: Parameters<typeof block>[1]) => {
    const catalog = catalogOf(rungs);
    const timed = timeClass(catalog, classOf([block('staged', { mode: 'teach', ...written })]));
    const lines = draftScript(catalog, timed).sections.flatMap((section) => section.lines);
    return lines.filter(({ text }) => /level|farther/.test(text)).map(({ source }) => source);
  };
  expect(sourcesOf([exercise('staged')], { dose })).toEqual(['class', 'class']);
  expect(sourcesOf([exercise('staged', { rungs: [rung('low', { dose })] })], {})).toEqual(['rung', 'rung']);
});

test('in any class nothing is said over another, before it begins or after it ends', () => {
  const whole = catalogOf();
  fc.assert(
    fc.property(anyClass, (plan) => {
      const script = draftScript(whole, timeClass(whole, plan));
      let clock = 0;
      for (const { from, to } of timetableOf(script)) {
        expect(from).toBeGreaterThanOrEqual(clock - 1e-6);
        expect(to).toBeGreaterThanOrEqual(from);
        clock = to;
      }
      expect(clock).toBeLessThanOrEqual(script.seconds + 1e-6);
    }),
  );
});

test('the moment of a pass: each part in its turn, each phase as long as it lasts', () => {
  const times = must(must(scriptOf([block('ways', { mode: 'teach' })]).sections[1]).times ?? undefined);
  const at = (seconds: number): [Moment['doing'], string?, number?] => {
    const moment = momentIn(times, seconds);
    return 'phase' in moment ? [moment.doing, moment.phase.id, moment.rep] : [moment.doing];
  };
  expect(at(19.9)).toEqual(['setup']);
  expect(at(20)).toEqual(['entry', 'e1', 0]);
  expect(at(22)).toEqual(['rep', 'p1', 0]);
  expect(at(24)).toEqual(['rep', 'p2', 0]);
  expect(at(33)).toEqual(['rep', 'p1', 2]);
  expect(at(37)).toEqual(['exit', 'x1', 0]);
  expect(at(41)).toEqual(['rest']);
  expect(at(56)).toEqual(['entry', 'e1', 0]);
  expect(at(77)).toEqual(['rest']);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 90, noNaN: true }), (seconds) => {
      const moment = momentIn(times, seconds);
      if (!('phase' in moment)) return;
      expect(moment.left).toBeLessThanOrEqual(phaseCounts(moment.phase) * times.count + 1e-9);
      expect(moment.left).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('what is said now is heard again on the second repetition of a first pass', () => {
  const script = scriptOf([block('ways', { mode: 'teach' })]);
  const section = must(script.sections[1]);
  const spoken = timetableOf(script).filter((each) => each.section === 1);
  const now = (seconds: number) => wordsAt(spoken, section, seconds);
  expect(now(22.1)).toBe('Reach.');
  expect(now(28.5)).toBe('Reach.');
  expect(now(33.9)).toBe(null);
});
