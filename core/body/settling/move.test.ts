import fc from 'fast-check';
import { plainPose } from '../../repertoire';
import { anglesOf, LIMB_JOINTS, type Pose, supportsOf, TRUNK_JOINTS } from '../poses/pose';
import { POSITIONS } from '../position';
import { moveBetween } from './move';

const LYING: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
const TABLETOP: Pose = { hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis'] };

test('a move begins and ends in its poses and passes evenly between them', () => {
  const { at, still } = moveBetween(LYING, TABLETOP);
  expect(still).toBe(false);
  expect([at(0), at(1)]).toEqual([LYING, TABLETOP]);
  expect(anglesOf(at(0.5)).hip).toEqual({ left: 67.5, right: 67.5 });
});

test('a foot has left the floor as soon as it moves, and a pose kept is a hold', () => {
  expect(supportsOf(moveBetween(LYING, TABLETOP).at(0.01))).toEqual(new Set(['head', 'ribs', 'pelvis']));
  expect(moveBetween(LYING, { ...LYING }).still).toBe(true);
});

test('a half that would be left without rest keeps the nearer pose’s', () => {
  const hands: Pose = { shoulder: 90, supports: ['hands', 'feet'] };
  const forearms: Pose = { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] };
  const { at } = moveBetween(hands, forearms);
  expect(at(0.3).supports).toEqual(hands.supports);
  expect(at(0.7).supports).toEqual(forearms.supports);
});

test('no joint leaves the stretch between its two ends', () => {
  const degrees = fc.integer({ min: -30, max: 60 });
  const anyPose = fc
    .record({ hip: degrees, twist: degrees, lumbar: degrees, like: fc.constantFrom(...POSITIONS) })
    .map(({ like, ...angles }): Pose => ({ ...plainPose(like), ...angles }));
  fc.assert(
    fc.property(anyPose, anyPose, fc.double({ min: 0, max: 1, noNaN: true }), (from, to, share) => {
      const [a, b, m] = [from, to, moveBetween(from, to).at(share)].map(anglesOf);
      if (!a || !b || !m) throw new Error('three poses have three sets of angles');
      const between = (now: number, one: number, other: number) => {
        expect(now).toBeGreaterThanOrEqual(Math.min(one, other) - 1e-9);
        expect(now).toBeLessThanOrEqual(Math.max(one, other) + 1e-9);
      };
      for (const joint of TRUNK_JOINTS) between(m[joint], a[joint], b[joint]);
      for (const joint of LIMB_JOINTS) between(m[joint].left, a[joint].left, b[joint].left);
    }),
  );
});
