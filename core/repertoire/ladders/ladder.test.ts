import fc from 'fast-check';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import { cueGaps } from '../doubts/cueGaps';
import { ladderDoubts } from '../doubts/ladderDoubts';
import type { Exercise, Rung } from '../exercise';
import { ladderTau } from './ladder';
import { RequirementGraph, requirementCycles } from './requirements';

const heated = (...heats: number[]): Exercise =>
  exercise('ladder', { rungs: heats.map((heat, i) => rung(`r${i}`, { heatOverride: { heat, reason: 'Set.' } })) });
const doubts = (ladder: Exercise) => ladderDoubts(catalogOf([ladder]), ladder);

describe('a ladder', () => {
  test('rising evenly is sound', () => {
    expect(doubts(heated(10, 14, 19, 23))).toEqual([]);
  });
  test('of one rung, falling, level, or with a step over twice the median is doubted, by name', () => {
    expect(doubts(heated(10))).toMatchObject([{ code: 'LADDER_SINGLE' }]);
    expect(doubts(heated(10, 15, 12))).toMatchObject([{ code: 'LADDER_FALLS', rungs: ['r1', 'r2'] }]);
    expect(doubts(heated(10, 10))[0]?.message).toContain('no harder than “r0”');
    expect(doubts(heated(10, 14, 18, 30))).toMatchObject([{ code: 'LADDER_GAP', rungs: ['r2', 'r3'] }]);
    expect(doubts(heated(10, 14, 18, 26))).toEqual([]);
  });
  test('has branches as hot as what they stand beside, or cooler where they spare a part', () => {
    const beside = (heat: number, own: Partial<Rung>) =>
      exercise('ladder', {
        rungs: [
          ...heated(10, 14).rungs,
          rung('branch', { branchOf: 'r1', heatOverride: { heat, reason: 'Set.' }, ...own }),
        ],
      });
    const codes = (heat: number, own: Partial<Rung> = {}) => doubts(beside(heat, own)).map(({ code }) => code);
    expect([11, 17].flatMap((heat) => codes(heat))).toEqual([]);
    expect(codes(10.5)).toEqual(['LADDER_BRANCH']);
    expect(codes(10.5, { spares: ['wrists'] })).toEqual([]);
    expect(codes(17.5, { spares: ['wrists'] })).toEqual(['LADDER_BRANCH']);
  });
  test('that declares what its poses do not show, or shows what it does not declare, is doubted', () => {
    const turned = (twist: number): Partial<Rung> => ({
      poses: {
        home: { hip: 130, knee: 80, supports: ['pelvis', 'feet'] },
        away: { hip: 130, knee: 80, twist, supports: ['pelvis', 'feet'] },
      },
    });
    const ladder = (directions: Exercise['directions'], twist: number) =>
      exercise('turn', {
        position: 'seated',
        directions,
        rungs: [rung('a', turned(twist)), rung('b', turned(twist + 5))],
      });
    const codes = (each: Exercise) => doubts(each).map(({ code }) => code);
    expect(codes(ladder(['rotation'], 30))).toEqual([]);
    expect(codes(ladder(['neutral', 'extension', 'rotation'], 30))).toEqual(['DIRECTION_UNSEEN']);
    expect(codes(ladder(['neutral'], 30))).toEqual(['DIRECTION_UNDECLARED', 'DIRECTION_UNDECLARED']);
    expect(codes(ladder(['neutral'], 2))).toEqual([]);
  });
});

test('tau is 1 for rising ladders, −1 for falling ones, and turns its sign when they are turned round', () => {
  const anyLadders = fc.array(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 }), {
    minLength: 1,
  });
  fc.assert(
    fc.property(anyLadders, (ladders) => {
      const turned = ladders.map((heats) => [...heats].reverse());
      expect(ladderTau(turned)).toBeCloseTo(-ladderTau(ladders), 9);
      expect(Math.abs(ladderTau(ladders))).toBeLessThanOrEqual(1);
    }),
  );
  expect(
    ladderTau([
      [1, 2, 3],
      [5, 9],
    ]),
  ).toBe(1);
});

test('what must come before a rung comes in a teachable order, with the longest chain; a self-requirement is a cycle', () => {
  const needs = (...keys: string[]): Partial<Rung> => ({
    requires: keys.map((key) => ({ exercise: key.split('/')[0] ?? '', rung: key.split('/')[1] ?? '' })),
  });
  const built = [
    exercise('a', { rungs: [rung('1'), rung('2', needs('a/1'))] }),
    exercise('b', { rungs: [rung('1', needs('a/2')), rung('2', needs('b/1', 'a/1'))] }),
  ];
  const graph = new RequirementGraph(built);
  expect(graph.before('b/2')).toEqual(['a/1', 'a/2', 'b/1']);
  expect(graph.chain('b/2')).toEqual(['a/1', 'a/2', 'b/1', 'b/2']);
  expect(graph.longestChain()).toEqual(graph.chain('b/2'));
  expect(graph.unlocks('a/1')).toEqual(['a/2', 'b/2']);
  expect(requirementCycles([exercise('s', { rungs: [rung('1', needs('s/1'))] })])).toEqual([['s/1', 's/1']]);
});

test('what a rung has no words for is named', () => {
  const said = rung('said', {
    cues: [
      { id: 'c1', kind: 'setup', text: 'Lie down.' },
      { id: 'c2', kind: 'action', text: 'Away.', phase: 'p1' },
    ],
  });
  expect(cueGaps(said).phases).toEqual([['phases', 1]]);
  const ways = { entry: [{ id: 'e1', breath: 'in' as const, counts: 2, pose: 'home' }] };
  expect(cueGaps({ ...said, ...ways }).phases).toEqual([
    ['entry', 0],
    ['phases', 1],
  ]);
  expect(cueGaps(said).kinds).toEqual(['option', 'safety', 'alignment', 'fault', 'transition']);
  expect(cueGaps(must(said)).kinds).not.toContain('action');
});
