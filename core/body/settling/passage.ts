import { endsPlaced, flatIn, handsHolding } from '../poses/hands';
import { type Angles, type Hand, JOINT_RANGES, type Pose, SIDES, type Side } from '../poses/pose';
import { add } from '../poses/skeleton';
import { Bringing, type Want } from './bringing';
import { isPropped } from './ground';
import { Meeting } from './meeting';
import { inTheRoom, type Placed, placedBetween } from './placed';
import { placedOf } from './placing';
import { type Footing, plantsOf, STRAYS, toesOver, wantOf } from './plants';
import { soleFlat } from './settle';

/** Share of height within which a sole lies level. */
const LEVEL = 0.02;
/** Steps at a moment on the way. */
const STEPS = 16;
/** How high a limb is lifted that is set down elsewhere: a share of how far, and at most a share of height. */
const LIFT = { share: 0.3, most: 0.05 } as const;

/** A body on its way from one pose to another: settled at every moment of it. */
export interface Passage {
  /** @param share 0 at the start, 1 on arrival */
  readonly at: (share: number) => Placed;
  /** What is set down elsewhere on the way, and how far off, metres. */
  readonly steps: ReadonlyArray<{ readonly support: string; readonly metres: number }>;
}

/** Moments solved on the way; what lies between two of them is mixed. */
const MOMENTS = 8;

/** The way between two placed bodies. Moments are worked out as they are asked for. */
export function passageBetween(from: Placed, fromPose: Pose, to: Placed, toPose: Pose, footing: Footing): Passage {
  if (fromPose === toPose) return { at: () => from, steps: [] };
  const { heightM, slides } = footing;
  const plants = plantsOf(fromPose, toPose, from, to, footing).map((plant) => {
    const [a, b] = [inTheRoom(from, plant.place(from.bones)), inTheRoom(to, plant.place(to.bones))];
    const metres = Math.hypot(b.x - a.x, b.z - a.z);
    const steps = plant.limb !== null && metres > 2 * STRAYS * heightM && !slides(plant.support);
    const side: Side = plant.limb?.endsWith('right') ? 'right' : 'left';
    const flat =
      plant.support.startsWith('foot') && [from, to].every((body) => Math.abs(toesOver(body, side)) < LEVEL * heightM);
    return { plant, a, b, metres, flat, lift: steps ? Math.min(LIFT.most * heightM, LIFT.share * metres) : 0 };
  });
  const propped = [fromPose, toPose].some((pose) => isPropped(pose, footing.like));
  const round = SIDES.filter(
    (side) => !plants.some(({ plant }) => plant.limb === `arm.${side}`) && sinks(from, to, side, footing),
  );
  const wantsAt = (share: number): Want[] =>
    plants.map(({ plant, a, b, lift }) => {
      const at = add(a, add(b, a, -1), share);
      return wantOf(plant, { ...at, y: at.y + lift * Math.sin(Math.PI * share) });
    });
  const holds = holdsOf(fromPose, toPose);
  const lies = plants.filter(({ plant }) => plant.limb === null).length > 1;
  const solved: Placed[] = [from];
  let last: Bringing | null = null;
  const brought = (mixed: Placed, share: number, before: Bringing | null): { body: Bringing; found: Placed } => {
    const body = new Bringing({ ...mixed, facing: mixed.ground }, heightM, lies);
    if (before) body.beginAs(before);
    const near = share < 0.5 ? fromPose : toPose;
    const meeting = new Meeting(near, wantsAt(share), footing);
    body.run(() => meeting.wants(body), STEPS);
    for (const { plant, flat } of plants) if (flat) levelSole(body, plant.limb === 'leg.left' ? 'left' : 'right');
    return { body, found: handsHolding(placedOf(body, near), holds, heightM, footing.surfaces) };
  };
  // One after another, each from the one before: a knee that has bent one way goes on so.
  const next = (): Placed => {
    const share = solved.length / MOMENTS;
    const mixed = placedBetween(from, to, share, heightM);
    const { body, found } = brought({ ...mixed, angles: goneRound(mixed.angles, round, propped, share) }, share, last);
    last = body;
    return found;
  };
  /** What is mixed lies where its neighbours lie, but for what sinks between them. */
  const clear = (mixed: Placed, share: number): Placed => {
    const body = new Bringing({ ...mixed, facing: mixed.ground }, heightM);
    const sunk =
      new Meeting(share < 0.5 ? fromPose : toPose, wantsAt(share), footing).wants(body).length > plants.length;
    return sunk ? brought(mixed, share, null).found : mixed;
  };
  const moment = (nth: number): Placed => {
    if (nth >= MOMENTS) return to;
    while (solved.length <= nth) solved.push(next());
    return solved[nth] ?? from;
  };
  const [flatFrom, flatTo] = [flatIn(fromPose), flatIn(toPose)];
  const flatAt = (side: Side, share: number) => flatFrom[side] + (flatTo[side] - flatFrom[side]) * share;
  return {
    at(share) {
      const at = Math.max(0, Math.min(1, share)) * MOMENTS;
      const nth = Math.floor(at);
      if (at === nth && (nth === 0 || nth >= MOMENTS)) return moment(nth);
      const between = clear(placedBetween(moment(nth), moment(nth + 1), at - nth, heightM), share);
      const flat = { left: flatAt('left', share), right: flatAt('right', share) };
      return endsPlaced(between, flat, heightM, footing.surfaces);
    },
    steps: plants.flatMap(({ plant: { support }, metres, lift }) => (lift > 0 ? [{ support, metres }] : [])),
  };
}

/** Metres under the floor, as a share of height, from which an arm does not go straight. */
const SINKS = 0.03;
/** Degrees by which it goes round, and how soon it is all the way out: at an eighth of its way. */
const ROUND = { shoulderAbduction: 85, elbow: 70 } as const;
const ROUND_BY = 8;

/** Whether an arm that goes the straight way would go through the floor: lying on the front, from the hips to overhead. */
function sinks(from: Placed, to: Placed, side: Side, { heightM, surfaces }: Footing): boolean {
  if (surfaces('floor') === null) return false;
  return [0.25, 0.5, 0.75].some((share) => {
    const body = placedBetween(from, to, share, heightM);
    const { middle, end } = body.bones.arm[side];
    return [middle, end].some((point) => inTheRoom(body, point).y < -SINKS * heightM);
  });
}

/** Arms that go round: out to the side, or under a body that is propped with the elbow bent. */
function goneRound(angles: Angles, sides: readonly Side[], propped: boolean, share: number): Angles {
  if (sides.length === 0) return angles;
  const joint = propped ? 'elbow' : 'shoulderAbduction';
  const turned = { ...angles[joint] };
  const by = ROUND[joint] * Math.min(1, ROUND_BY * share, ROUND_BY * (1 - share));
  for (const side of sides) turned[side] = Math.min(JOINT_RANGES[joint][1], turned[side] + by);
  return { ...angles, [joint]: turned };
}

/** A foot that stays flat keeps its sole level whatever its shin does. */
function levelSole(body: Bringing, side: Side): void {
  const before = body.angles.ankle[side];
  body.setAnkle(side, 0);
  body.setAnkle(side, soleFlat(body.bones.leg[side], body.facing.up) ?? before);
}

/** What hands hold at both ends. */
function holdsOf(from: Pose, to: Pose): Pose['holds'] {
  const both = Object.entries(from.holds ?? {}).filter(([hand, held]) => to.holds?.[hand as Hand] === held);
  return both.length > 0 ? Object.fromEntries(both) : undefined;
}
