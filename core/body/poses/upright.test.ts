import fc from 'fast-check';
import { loadOf } from '../loads/load';
import type { BasePosition } from '../position';
import { moveBetween } from '../settling/move';
import { asWritten } from '../settling/posed';
import { restsAbove } from '../settling/reach';
import type { Pose } from './pose';
import { dot, type Point } from './skeleton';

const BODY = { bodyMassKg: 70, bodyHeightM: 1.7 };
const posed = (pose: Pose, like: BasePosition) => asWritten(pose, like, BODY.bodyHeightM);
/** Degrees the trunk leans forward from upright. */
function lean(pose: Pose, like: BasePosition = 'standing'): number {
  const { bones, ground } = posed(pose, like);
  const trunk: Point = { x: bones.lumbar.x - bones.hip.x, y: bones.lumbar.y - bones.hip.y, z: 0 };
  return (Math.atan2(dot(trunk, ground.along), dot(trunk, ground.up)) * 180) / Math.PI;
}
const lumbar = (pose: Pose) => loadOf(posed(pose, 'standing'), BODY).lumbarMoment ?? 0;

test('standing well, nothing leans: tall, with arms raised, on one foot, in a split stance, and where pitch says so', () => {
  const feet: Pose['supports'] = ['feet'];
  expect(lean({ supports: feet })).toBeCloseTo(0, 9);
  expect(lean({ shoulder: 90, supports: feet })).toBeCloseTo(0, 9);
  expect(lean({ hip: { left: 0, right: 60 }, knee: { left: 0, right: 60 }, supports: ['foot.left'] })).toBeCloseTo(
    0,
    9,
  );
  expect(lean({ hip: { left: 35, right: -15 }, knee: { left: 35, right: 10 }, supports: feet })).toBeCloseTo(0, 9);
  expect(lean({ hip: 80, pitch: -30, supports: feet })).toBeCloseTo(30, 9);
  expect(lean({ hip: 80, pitch: 0, supports: feet })).toBeCloseTo(0, 9);
});

test('a hinge written by its hips alone leans forward, further the deeper it is, and loads the back more', () => {
  const hinge = (hip: number): Pose => ({ hip, knee: 10, supports: ['feet'] });
  const degrees = fc.tuple(fc.integer({ min: 30, max: 80 }), fc.integer({ min: 1, max: 25 }));
  fc.assert(
    fc.property(degrees, ([hip, deeper]) => {
      expect(lean(hinge(hip))).toBeGreaterThan(0);
      expect(lean(hinge(hip + deeper))).toBeGreaterThan(lean(hinge(hip)));
      expect(lumbar(hinge(hip + deeper))).toBeGreaterThan(lumbar(hinge(hip)));
    }),
  );
});

test('a body that bends a little more leans a little more, without a jump, and moves on the way as it stands', () => {
  for (let hip = 0; hip < 110; hip++) {
    const [now, next] = [hip, hip + 1].map((each) => lean({ hip: each, knee: 10, supports: ['feet'] }));
    expect(Math.abs((next ?? 0) - (now ?? 0))).toBeLessThan(2.5);
  }
  const [tall, bent]: Pose[] = [{ supports: ['feet'] }, { hip: 80, knee: 10, supports: ['feet'] }];
  if (!tall || !bent) throw new Error('two poses');
  expect(lean(moveBetween(tall, bent).at(0.999))).toBeCloseTo(lean(bent), 0);
});

test('kneeling, the shin lies level whatever hips and knees do', () => {
  const angles = fc.record({ hip: fc.integer({ min: 0, max: 130 }), knee: fc.integer({ min: 70, max: 160 }) });
  fc.assert(
    fc.property(angles, ({ hip, knee }) => {
      const { bones, ground } = posed({ hip, knee, supports: ['knees', 'shins', 'feet'] }, 'kneeling');
      const { middle, end } = bones.leg.left;
      expect(dot(end, ground.up)).toBeCloseTo(dot(middle, ground.up), 6);
      expect(dot(end, ground.along)).toBeLessThan(dot(middle, ground.along));
    }),
  );
  expect(lean({ knee: 90, supports: ['knees', 'feet'] }, 'kneeling')).toBeCloseTo(0, 9);
  // Sitting back on the heels with the trunk folded over: hands and head come down in front.
  expect(lean({ hip: 140, knee: 155, supports: ['knees', 'shins', 'feet'] }, 'kneeling')).toBeGreaterThan(60);
});

test('a bow over the heels can be, hands and head down', () => {
  const bow: Pose = { hip: 140, knee: 155, lumbar: 25, shoulder: 165, supports: ['knees', 'shins', 'feet', 'hands'] };
  expect(restsAbove(bow, 'kneeling', BODY.bodyHeightM)).toBe(false);
});
