import { catalogOf, exercise, must, rung } from '../../testing/studio';
import type { Cue, Rung } from '../exercise';
import { breathDoubts, countDoubts, neverChanges } from './wordDoubts';

/** Out for two counts, in for three. */
const entryOf = (change: Partial<Rung>, sides: 'both' | 'each' | 'alternate' = 'both') =>
  must(
    catalogOf([
      exercise('e', {
        sides,
        rungs: [
          rung('r', {
            phases: [
              { id: 'p1', breath: 'out', counts: 2, pose: 'away' },
              { id: 'p2', breath: 'in', counts: 3, pose: 'home' },
            ],
            ...change,
          }),
        ],
      }),
    ]).rungs[0],
  );
const saying = (phase: string, text: string) => {
  const cue: Cue = { id: 'c1', kind: 'action', phase, text };
  return entryOf({ cues: [cue] });
};

test.each([
  ['p1', 'Lower for four.', true],
  ['p2', 'Lower for three.', false],
  ['p1', 'Reach, 4 counts.', true],
  ['p1', 'Reach for two counts and stay.', false],
  ['p2', 'Lift over five, slowly.', true],
  ['p1', 'Reach for one heel.', false],
  ['p1', 'Hold for four breaths.', false],
  ['p2', 'Three counts down.', false],
])('numbers of counts are held against the phase: %s “%s”', (phase, text, doubted) => {
  expect(countDoubts(saying(phase, text)).length > 0).toBe(doubted);
});

test('a range of counts holds all its numbers', () => {
  const cues: Cue[] = [{ id: 'c1', kind: 'action', text: 'Hold for twelve.' }];
  const held = (text: string) =>
    countDoubts(
      entryOf({
        phases: [{ id: 'p1', breath: 'free', counts: 8, countsTo: 10, pose: 'home' }],
        cues: cues.map((cue) => ({ ...cue, text })),
      }),
    );
  expect(held('Hold for nine.')).toEqual([]);
  expect(held('Hold for seven.')).toHaveLength(1);
});

test.each([
  ['p1', 'Breathe in and lift.', true],
  ['p1', 'Breathe out and lift.', false],
  ['p2', 'Lower on the out-breath.', true],
  ['p2', 'Breathe in, then out.', false],
  ['p1', 'Lift.', false],
])('breath words are held against the phase: %s “%s”', (phase, text, doubted) => {
  expect(breathDoubts(saying(phase, text)).length > 0).toBe(doubted);
});

const LYING = { supports: ['head' as const, 'ribs' as const, 'pelvis' as const, 'feet' as const], hip: 45, knee: 90 };
const left = { ...LYING, hip: { left: 90, right: 45 } };
const right = { ...LYING, hip: { left: 45, right: 90 } };
test('what works one side and never changes is no rung for both', () => {
  const one = { poses: { home: LYING, away: left } };
  expect(neverChanges(entryOf(one))).toBe(true);
  expect(neverChanges(entryOf(one, 'each'))).toBe(false);
  expect(neverChanges(entryOf(one, 'alternate'))).toBe(false);
  expect(neverChanges(entryOf({}))).toBe(false);
  const both: Partial<Rung> = {
    poses: { home: LYING, away: left, other: right },
    phases: [
      { id: 'p1', breath: 'out', counts: 2, pose: 'away' },
      { id: 'p2', breath: 'in', counts: 2, pose: 'home' },
      { id: 'p3', breath: 'out', counts: 2, pose: 'other' },
      { id: 'p4', breath: 'in', counts: 2, pose: 'home' },
    ],
  };
  expect(neverChanges(entryOf(both))).toBe(false);
});
