import fc from 'fast-check';
import { type Facing, facingBetween, facingTurned } from '../poses/facing';
import { anglesOf, type Pose } from '../poses/pose';
import { apart, cross, dot, type Point, type Skeleton } from '../poses/skeleton';
import type { BasePosition } from '../position';
import { type Passage, passageBetween } from './passage';
import { inTheRoom, type Placed } from './placed';
import { placedAfter, placedAlone } from './placing';
import { type Footing, STRAYS } from './plants';
import { FLOOR } from './resting';
import { settled } from './settle';

/** The way between two poses of a body a metre tall: all that is measured here is a share of height. */
function way(from: Pose, to: Pose, like: BasePosition, slides: Footing['slides'] = () => false): Passage {
  const footing: Footing = { like, heightM: 1, surfaces: FLOOR, slides };
  const alone = (pose: Pose) => settled(pose, like, anglesOf(pose), 1);
  const begins = placedAlone(alone(from), from, footing);
  return passageBetween(begins, from, placedAfter(begins, from, alone(to), to, footing), to, footing);
}
const SHARES = Array.from({ length: 21 }, (_, i) => i / 20);
const along = (passage: Passage, point: (bones: Skeleton) => Point): Point[] =>
  SHARES.map((share) => {
    const body = passage.at(share);
    return inTheRoom(body, point(body.bones));
  });
/** How far a point gets from where it began. */
const farthest = ([first, ...rest]: readonly Point[]): number =>
  Math.max(...rest.map((point) => (first ? apart(point, first) : Number.POSITIVE_INFINITY)));

const FOUR: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };

test('what is planted at both ends stays where it bears, though the poses were written by eye', () => {
  const round: Pose = { ...FOUR, lumbar: 26, thoracic: 24, neck: 20, shoulder: 122 };
  const passage = way(FOUR, round, 'four-point');
  const planted: Array<(bones: Skeleton) => Point> = [
    ({ arm }) => arm.left.end,
    ({ arm }) => arm.right.end,
    ({ leg }) => leg.left.middle,
    ({ leg }) => leg.right.end,
  ];
  for (const point of planted) expect(farthest(along(passage, point))).toBeLessThan(STRAYS);
  expect(passage.steps).toEqual([]);
  // The back still does what was written.
  expect(passage.at(1).angles.lumbar).toBeGreaterThan(18);
  expect(farthest(along(passage, ({ ribs }) => ribs))).toBeGreaterThan(0.03);
});

test('a plank whose hips rise keeps hands and feet: the hips fold as far as both allow', () => {
  const plank: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
  const pike: Pose = { hip: 70, shoulder: 150, supports: ['hands', 'feet'] };
  const passage = way(plank, pike, 'plank');
  for (const side of ['left', 'right'] as const) {
    expect(farthest(along(passage, ({ arm }) => arm[side].end))).toBeLessThan(STRAYS);
    expect(farthest(along(passage, ({ leg }) => leg[side].tip))).toBeLessThan(STRAYS);
  }
  const hips = along(passage, ({ hip }) => hip).map(({ y }) => y);
  expect(hips).toEqual([...hips].sort((a, b) => a - b));
  expect((hips.at(-1) ?? 0) - (hips[0] ?? 0)).toBeGreaterThan(0.1);
});

test('arms go from the hips to overhead round by the side in prone, for the floor is in the way', () => {
  const supports: Pose['supports'] = ['head', 'ribs', 'pelvis', 'thighs', 'feet'];
  const passage = way({ shoulder: -5, supports }, { shoulder: 175, supports }, 'prone');
  for (const side of ['left', 'right'] as const) {
    const wrist = along(passage, ({ arm }) => arm[side].end);
    expect(Math.min(...wrist.map(({ y }) => y))).toBeGreaterThan(0.01);
    expect(Math.abs(wrist[10]?.z ?? 0)).toBeGreaterThan(0.35);
  }
});

test('a foot that is set down farther off is lifted on its way, and slides where its words say so', () => {
  const near: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
  const far: Pose = { ...near, hip: { left: 45, right: 12 }, knee: { left: 90, right: 22 } };
  const ankle = (passage: Passage) => along(passage, ({ leg }) => leg.right.end).map(({ y }) => y);
  const [lifted, slid] = [way(near, far, 'supine'), way(near, far, 'supine', (support) => support === 'foot.right')];
  expect(lifted.steps).toEqual([{ support: 'foot.right', metres: expect.closeTo(0.135, 2) }]);
  expect(Math.max(...ankle(lifted)) - Math.min(...ankle(lifted))).toBeGreaterThan(0.04);
  expect(slid.steps).toEqual([]);
  expect(Math.max(...ankle(slid)) - Math.min(...ankle(slid))).toBeLessThan(0.012);
  for (const passage of [lifted, slid]) {
    expect(farthest(along(passage, ({ leg }) => leg.left.end))).toBeLessThan(0.004);
    expect(farthest(along(passage, ({ hip }) => hip))).toBeLessThan(0.01);
  }
});

test('a way begins and ends in its poses and leaps nowhere between', () => {
  const low: Pose = { hip: 15, knee: 5, supports: ['head', 'ribs', 'pelvis'] };
  const passage = way({ hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis'] }, low, 'supine');
  const toes = along(passage, ({ leg }) => leg.left.tip);
  const steps = toes.slice(1).map((toe, i) => apart(toe, toes[i] as Point));
  expect(Math.max(...steps)).toBeLessThan(3 * Math.min(...steps));
  const end: Placed = passage.at(1);
  expect(end.angles.hip.left).toBeCloseTo(15, 0);
});

test('a body turns from one facing to another evenly, and stays square', () => {
  const LEVEL: Facing = { up: { x: 0, y: 1, z: 0 }, along: { x: 1, y: 0, z: 0 } };
  const turn = fc.double({ min: -1.2, max: 1.2, noNaN: true });
  fc.assert(
    fc.property(turn, turn, turn, fc.double({ min: 0, max: 1, noNaN: true }), (pitch, roll, yaw, share) => {
      const other = facingTurned(LEVEL, pitch, roll, yaw);
      const { up, along: ahead } = facingBetween(LEVEL, other, share);
      expect(dot(up, ahead)).toBeCloseTo(0, 9);
      expect([dot(up, up), dot(ahead, ahead)]).toEqual([expect.closeTo(1, 9), expect.closeTo(1, 9)]);
      const angle = (a: Facing, b: Facing) => {
        const same = dot(a.up, b.up) + dot(a.along, b.along) + dot(cross(a.up, a.along), cross(b.up, b.along));
        return Math.acos(Math.max(-1, Math.min(1, (same - 1) / 2)));
      };
      expect(angle(LEVEL, { up, along: ahead })).toBeCloseTo(share * angle(LEVEL, other), 5);
    }),
  );
});
