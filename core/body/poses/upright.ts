import { isKneeling, isStanding } from '../../vocabulary/bodies/position';
import type { BasePosition } from '../position';
import { armBears, bears, legBears, type Pose, pelvisBears, ribsBear, SIDES } from './pose';
import { between, CENTRE, MASS, type Point, type Skeleton } from './skeleton';

/** Metres that the middle of the body may be in front of or behind what it stands on: a foot's length. */
const FOOTING = 0.14;

/**
 * Degrees a kneeling or standing body leans back (+) or forward when its pose says no pitch: kneeling, until the shin
 * that bears lies level; standing on the feet alone, until it would not fall over. So a hinge or a lean may be written
 * by its hips and knees. 0 where it stands well as it is.
 */
export function leanOf(pose: Pose, like: BasePosition, bones: Skeleton): number {
  if (pose.pitch !== undefined || pelvisBears(pose) || ribsBear(pose)) return 0;
  if (isKneeling(like)) return levelShin(pose, bones);
  const arms = SIDES.some((side) => armBears(pose, side));
  return isStanding(like) && !arms ? overTheFeet(pose, bones) : 0;
}

function levelShin(pose: Pose, { leg }: Skeleton): number {
  const side = SIDES.find(
    (each) => bears(pose, 'knees', each) && (bears(pose, 'feet', each) || bears(pose, 'shins', each)),
  );
  if (!side) return 0;
  const { middle, end } = leg[side];
  // The shin points straight back along the floor when the lean is a right angle past its own direction.
  const lean = (Math.atan2(end.y - middle.y, end.x - middle.x) * 180) / Math.PI + 90;
  return lean > 180 ? lean - 360 : lean;
}

function overTheFeet(pose: Pose, bones: Skeleton): number {
  const feet = SIDES.filter((side) => legBears(pose, side)).map((side) => bones.leg[side].end);
  const [first] = feet;
  if (!first) return 0;
  const middle = middleOf(bones);
  const gaps = feet.map((foot) => middle.y - foot.y);
  // Between two feet it stands; beyond both it falls.
  if (Math.min(...gaps) <= FOOTING && Math.max(...gaps) >= -FOOTING) return 0;
  const foot = feet.reduce(
    (near, each) => (Math.abs(middle.y - each.y) < Math.abs(middle.y - near.y) ? each : near),
    first,
  );
  // Back to the edge of its footing and no further: it leans a little where it stands a little off.
  const [forward, height] = [middle.y - foot.y, middle.x - foot.x];
  const tipped = Math.atan2(Math.abs(forward), height) - Math.asin(Math.min(1, FOOTING / Math.hypot(forward, height)));
  return (Math.sign(forward) * Math.max(0, tipped) * 180) / Math.PI;
}

/** The body's centre of mass in the pelvis's frame, by Winter's masses and centres. */
function middleOf({ hip, lumbar, waist, ribs, shoulder, head, arm, leg }: Skeleton): Point {
  let [kg, x, y] = [0, 0, 0];
  const put = (mass: number, at: Point) => {
    kg += mass;
    x += mass * at.x;
    y += mass * at.y;
  };
  put(MASS.pelvis, between(hip, lumbar, 0.5));
  put(MASS.abdomen, between(lumbar, waist, 0.5));
  put(MASS.thorax / 2, between(waist, ribs, 0.5));
  put(MASS.thorax / 2, between(ribs, shoulder, 0.5));
  put(MASS.head, head);
  for (const side of SIDES) {
    put(MASS.upperArm, between(arm[side].root, arm[side].middle, CENTRE.upperArm));
    put(MASS.forearm, between(arm[side].middle, arm[side].end, CENTRE.forearm));
    put(MASS.hand, arm[side].end);
    put(MASS.thigh, between(leg[side].root, leg[side].middle, CENTRE.thigh));
    put(MASS.shank, between(leg[side].middle, leg[side].end, CENTRE.shank));
    put(MASS.foot, leg[side].end);
  }
  return { x: x / kg, y: y / kg, z: 0 };
}
