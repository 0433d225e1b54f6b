import { armBears, bears, headBears, legBears, type Pose, ribsBear, SIDES, type Side, supportsOf } from '../poses/pose';
import { between, dot, type Limb, type Point, type Skeleton } from '../poses/skeleton';

/** Toes lower than the ankle by this many metres carry the foot: the sole does not lie. */
const TIPTOE = 0.03;

/** Where the upper and the lower body rest; `null` for a half that rests on nothing. */
export interface Contacts {
  readonly upper: Point | null;
  readonly lower: Point | null;
}

/**
 * The bearing points of a body held off the floor: hands or forearms (or ribs) above, knees or feet below.
 * @param up straight up for a level trunk, to tell a sole from toes
 */
export function contactsOf(pose: Pose, bones: Skeleton, up: Point): Contacts {
  const arms = SIDES.filter((side) => armBears(pose, side)).map((side) => armContact(pose, bones.arm[side], side));
  const lying = supportsOf(pose).has('ribs') ? bones.ribs : between(bones.ribs, bones.shoulder, 0.7);
  const trunk = ribsBear(pose) ? [lying] : [];
  // Arms that lie beside a trunk that rests carry themselves.
  const bearing = trunk.length > 0 ? trunk : arms;
  const legs = SIDES.filter((side) => legBears(pose, side)).map((side) => legContact(pose, bones.leg[side], side, up));
  return {
    upper: middle(bearing.length === 0 && headBears(pose) ? [bones.head] : bearing),
    lower: nearest(legs, up),
  };
}

const middle = ([first, ...rest]: readonly Point[]): Point | null =>
  first === undefined ? null : rest.reduce((sum, point, i) => between(sum, point, 1 / (i + 2)), first);

/** Contacts nearer than this, in metres, are one. */
const TOGETHER = 0.05;

/** Where a leg bears, and on what part of it. */
interface LegContact {
  readonly part: 'thigh' | 'knee' | 'shin' | 'foot';
  readonly at: Point;
}

/**
 * The leg contact nearest the trunk carries it: a foot slid back beside a bearing knee only rests. Two knees, or two
 * feet, share; but of two above each other, lying on a side, the lower carries the upper.
 */
function nearest(contacts: readonly LegContact[], up: Point): Point | null {
  const [first, second] = [...contacts].sort((a, b) => b.at.x - a.at.x);
  if (!first) return null;
  if (!second || (second.part !== first.part && first.at.x - second.at.x >= TOGETHER)) return first.at;
  const [one, two] = [dot(first.at, up), dot(second.at, up)];
  if (Math.abs(one - two) >= TOGETHER) return one < two ? first.at : second.at;
  return between(first.at, second.at, 0.5);
}

function armContact(pose: Pose, { middle: elbow, end }: Limb, side: Side): Point {
  if (bears(pose, 'hands', side) && !bears(pose, 'forearms', side)) return end;
  return bears(pose, 'elbows', side) ? elbow : between(elbow, end, 0.5);
}

function legContact(pose: Pose, { root, middle: knee, end, tip }: Limb, side: Side, up: Point): LegContact {
  if (bears(pose, 'thighs', side)) return { part: 'thigh', at: between(root, knee, 0.6) };
  if (bears(pose, 'knees', side)) return { part: 'knee', at: knee };
  if (bears(pose, 'shins', side)) return { part: 'shin', at: between(knee, end, 0.4) };
  const tiptoe = bears(pose, 'toes', side) || dot(tip, up) < dot(end, up) - TIPTOE;
  return { part: 'foot', at: tiptoe ? tip : end };
}
