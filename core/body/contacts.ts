import { armBears, bears, legBears, type Pose, ribsBear, SIDES, type Side } from './pose';
import { between, type Limb, type Point, type Skeleton } from './skeleton';

/** Where the upper and the lower body rest; `null` for a half that rests on nothing. */
export interface Contacts {
  readonly upper: Point | null;
  readonly lower: Point | null;
}

/** The bearing points of a body held off the floor: hands or forearms (or ribs) above, knees or feet below. */
export function contactsOf(pose: Pose, bones: Skeleton): Contacts {
  const arms = SIDES.filter((side) => armBears(pose, side)).map((side) => armContact(pose, bones.arm[side], side));
  const lying = pose.supports.includes('ribs') ? bones.ribs : between(bones.ribs, bones.shoulder, 0.7);
  const trunk = ribsBear(pose) ? [lying] : [];
  const bearing = [...arms, ...trunk];
  const legs = SIDES.filter((side) => legBears(pose, side)).map((side) => legContact(pose, bones.leg[side], side));
  return {
    upper: middle(bearing.length === 0 && pose.supports.includes('head') ? [bones.head] : bearing),
    lower: nearest(legs),
  };
}

const middle = ([first, ...rest]: readonly Point[]): Point | null =>
  first === undefined ? null : rest.reduce((sum, point, i) => between(sum, point, 1 / (i + 2)), first);

/** The leg contact nearest the trunk carries it: a foot slid back beside a bearing knee only rests. */
function nearest(points: readonly Point[]): Point | null {
  const x = Math.max(...points.map((point) => point.x));
  return middle(points.filter((point) => x - point.x < 0.05));
}

function armContact(pose: Pose, { middle: elbow, end }: Limb, side: Side): Point {
  if (bears(pose, 'hands', side) && !bears(pose, 'forearms', side)) return end;
  return bears(pose, 'elbows', side) ? elbow : between(elbow, end, 0.5);
}

function legContact(pose: Pose, { root, middle: knee, end, tip }: Limb, side: Side): Point {
  if (bears(pose, 'thighs', side)) return between(root, knee, 0.6);
  if (bears(pose, 'knees', side)) return knee;
  if (bears(pose, 'shins', side)) return between(knee, end, 0.4);
  return bears(pose, 'toes', side) ? tip : end;
}
