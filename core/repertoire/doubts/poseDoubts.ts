import {
  add,
  anglesOf,
  between,
  cross,
  depthsOf,
  dot,
  eachOf,
  FLESH,
  type FleshyPart,
  type Gap,
  type Limb,
  type Point,
  type Pose,
  restingPoint,
  type Settled,
  SIDES,
  type Side,
  type Surfaces,
  settled,
} from '../../body';
import type { RungEntry } from '../catalog';
import { gapBetween, pressedAcross } from '../features/pressed';
import { carrierOf, propShape, surfacesOf } from '../measuring/propShape';

/** Metres by which a support may lie off what carries it, and a hand off what it holds: flesh gives. */
const CONTACT_M = 0.01;
const HAND_M = 0.03;

/** What a pose of a rung says and its body can't do, as sentences. */
export function poseDoubts(entry: RungEntry, heightM: number): string[] {
  const surfaces = surfacesOf(entry);
  return Object.entries(entry.rung.poses).flatMap(([id, pose]) => {
    const body = settled(pose, entry.like, anglesOf(pose), heightM, surfaces);
    const where = `In “${entry.rung.name}”, pose “${id}”,`;
    return [
      ...body.gaps.flatMap((gap) => offContact(gap, pose)),
      ...body.bent.map(
        ({ joint, degrees }) =>
          `the ${spoken(joint)} has to turn by ${Math.abs(Math.round(degrees))}° for everything to rest as it is said to; write it so, or let it hang.`,
      ),
      ...notPressed(entry, pose, body, heightM),
      ...throughFloor(body, heightM, surfaces),
      ...throughTrunk(body, heightM),
      ...throughWall(entry, body, heightM),
      ...throughCarrier(entry, body, heightM, surfaces),
    ].map((what) => `${where} ${what}`);
  });
}

const JOINT_OF: Readonly<Record<string, string>> = {
  foot: 'hip or knee',
  heel: 'hip or knee',
  toe: 'hip or knee',
  shin: 'knee',
  knee: 'hip',
  thigh: 'hip',
  hand: 'shoulder or elbow',
  fist: 'shoulder or elbow',
  forearm: 'shoulder or elbow',
  elbow: 'shoulder',
  head: 'neck',
};

const spoken = (support: string): string => {
  const [part = '', side] = support.split('.');
  return side ? `${side} ${part}` : part;
};

function offContact({ support, metres }: Gap, { holds }: Pose): string[] {
  const cm = Math.round(Math.abs(metres) * 100);
  const held = support.startsWith('hand.') ? holds?.[support as 'hand.left'] : undefined;
  if (held !== undefined) {
    if (Math.abs(metres) <= HAND_M) return [];
    return [`the ${spoken(support)} stays ${cm} cm from what it is said to hold, however the arm is bent.`];
  }
  if (Math.abs(metres) <= CONTACT_M) return [];
  const joint = JOINT_OF[support.split('.')[0] ?? ''] ?? 'back';
  const way = metres > 0 ? 'above' : 'below';
  return [
    `the ${spoken(support)} is said to rest and stays ${cm} cm ${way} what carries it; bend the ${joint}, or let it hang.`,
  ];
}

/** Metres by which two parts may stand farther apart than what is pressed between them. */
const LOOSE_M = 0.08;

function notPressed(
  { props }: RungEntry,
  { between: pressed = [] }: Pose,
  { bones }: Settled,
  heightM: number,
): string[] {
  return pressed.flatMap(({ prop: id, parts }) => {
    const prop = props.find((each) => each.id === id);
    if (!prop) return [];
    const [gap, across] = [gapBetween(bones, parts, heightM), pressedAcross(prop)];
    if (gap <= across + LOOSE_M) return [];
    const [cm, own] = [gap, across].map((metres) => Math.round(metres * 100));
    return [
      `“${prop.name}” is said to be pressed between the ${spoken(parts[0])} and the ${spoken(parts[1])}, which stand ${cm} cm apart; it is ${own} cm across.`,
    ];
  });
}

function throughFloor(body: Settled, heightM: number, surfaces: Surfaces): string[] {
  if (surfaces('floor') === null) return [];
  return depthsOf(body, heightM).flatMap(([limb, metres]) => {
    if (metres <= CONTACT_M) return [];
    const [part, side] = limb.split('.');
    return [`the ${side} ${part} goes ${Math.round(metres * 100)} cm through the floor.`];
  });
}

/** A limb nearer to the middle line of the trunk than this share of height is in it. */
const INSIDE = 0.035;

/** Points of limbs that must stay outside the trunk. */
const outer = ({ middle, end, tip }: Limb): Point[] => [middle, between(middle, end, 0.5), end, between(end, tip, 0.5)];

function throughTrunk({ bones }: Settled, heightM: number): string[] {
  const spine = [bones.hip, bones.waist, between(bones.ribs, bones.shoulder, 0.6)] as const;
  const near = (point: Point) =>
    Math.min(distance(point, spine[0], spine[1]), distance(point, spine[1], spine[2])) < INSIDE * heightM;
  return SIDES.flatMap((side) => [
    ...(outer(bones.arm[side]).some(near) ? [`the ${side} arm goes through the trunk.`] : []),
    ...(outer(bones.leg[side]).some(near) ? [`the ${side} leg goes through the trunk.`] : []),
  ]);
}

function distance(point: Point, a: Point, b: Point): number {
  const line = add(b, a, -1);
  const way = add(point, a, -1);
  const share = Math.max(0, Math.min(1, dot(way, line) / dot(line, line)));
  const gap = add(way, line, -share);
  return Math.hypot(gap.x, gap.y, gap.z);
}

/** Metres by which a limb may press into a wall. */
const PRESSED_M = 0.03;

/** A limb beyond the wall that hands, feet or a back rest on. */
function throughWall({ rung, props }: RungEntry, { bones, ground }: Settled, heightM: number): string[] {
  if (!props.some((prop) => propShape(prop) === 'wall')) return [];
  const across = (point: Point) => dot(point, ground.along);
  const middle = across(bones.hip);
  const met = Object.keys(rung.on ?? {}).filter((support) => {
    const carrier = carrierOf(rung, support, props);
    return carrier !== undefined && propShape(carrier) === 'wall';
  });
  const limb = met.some((support) => !['pelvis', 'ribs', 'shoulders', 'head'].includes(support));
  const [first] = met;
  if (first === undefined) return [];
  const points = { pelvis: bones.hip, ribs: bones.ribs, shoulders: bones.shoulder, head: bones.head } as const;
  // A back leans on a wall behind; hands reach one in front.
  const front = limb ? 1 : -1;
  const ends = limb
    ? SIDES.map((side) => front * across(bones.arm[side].tip))
    : met.map(
        (support) => front * across(points[support as keyof typeof points]) + FLESH[support as FleshyPart] * heightM,
      );
  const wall = Math.max(...ends, front * middle);
  return SIDES.flatMap((side) => [
    ...(outer(bones.arm[side]).some((point) => front * across(point) > wall + PRESSED_M)
      ? [`the ${side} arm goes through the wall.`]
      : []),
    ...(outer(bones.leg[side]).some((point) => front * across(point) > wall + PRESSED_M)
      ? [`the ${side} leg goes through the wall.`]
      : []),
  ]);
}

/** Half of a block, a roller or a ball along the mat and across it, as shares of height: about as they are drawn. */
const BLOCK = { along: 0.09, across: 0.11 } as const;
/** Lower than this, in metres, something soft gives way. */
const FIRM_M = 0.06;

/** A limb inside a firm thing that carries another part of the body. */
function throughCarrier(
  { rung, props }: RungEntry,
  { bones, ground, floor }: Settled,
  heightM: number,
  surfaces: Surfaces,
): string[] {
  const side = cross(ground.up, ground.along);
  return Object.keys(rung.on ?? {})
    .flatMap(eachOf)
    .flatMap((support) => {
      const carrier = carrierOf(rung, support, props);
      const top = surfaces(support);
      const [part, own] = support.split('.') as [string, Side | undefined];
      const place = restingPoint(bones, part as FleshyPart, own ?? 'left');
      // A seat stands on legs: feet may go under it.
      if (!carrier || top === null || top < FIRM_M || !place || propShape(carrier) === 'chair') return [];
      const inside = (point: Point): boolean => {
        const way = add(point, place, -1);
        return (
          dot(point, ground.up) - floor < top - PRESSED_M &&
          Math.abs(dot(way, ground.along)) < BLOCK.along * heightM &&
          Math.abs(dot(way, side)) < BLOCK.across * heightM
        );
      };
      const carried = (limb: 'arm' | 'leg', each: Side) =>
        LIMB_PARTS[limb].some((name) => carrierOf(rung, `${name}.${each}`, props) === carrier);
      return SIDES.flatMap((each) =>
        (['arm', 'leg'] as const).flatMap((limb) =>
          !carried(limb, each) && outer(bones[limb][each]).some(inside)
            ? [`the ${each} ${limb} goes through “${carrier.name}”.`]
            : [],
        ),
      );
    })
    .filter((line, i, all) => all.indexOf(line) === i);
}
const LIMB_PARTS = {
  arm: ['hand', 'fist', 'forearm', 'elbow'],
  leg: ['foot', 'heel', 'toe', 'shin', 'knee', 'thigh'],
} as const;
