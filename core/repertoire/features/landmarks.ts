import {
  add,
  anglesOf,
  apart,
  armBears,
  cross,
  dot,
  FLESH,
  legBears,
  type Point,
  type Pose,
  type Settled,
  SIDES,
  type Side,
  settled,
  unit,
} from '../../body';
import { LANDMARKS, type Landmark } from '../../vocabulary/bodies/landmarks';
import type { RungEntry } from '../catalog';
import { surfacesOf } from '../measuring/propShape';

const DEGREES = 180 / Math.PI;

/** A settled body, of which a mark is read on one side, or between both. */
interface Marked {
  readonly body: Settled;
  readonly heightM: number;
}
type OfSide = (marked: Marked, side: Side) => number;

const height = ({ ground }: Settled, point: Point): number => dot(point, ground.up);
/** How far two points are apart along the floor, metres. */
function level({ ground: { up, along } }: Settled, a: Point, b: Point): number {
  const way = add(a, b, -1);
  return Math.hypot(dot(way, along), dot(way, cross(up, along)));
}
/** Degrees of a line over the floor: 90 straight up. */
const rise = ({ ground }: Settled, from: Point, to: Point): number =>
  Math.asin(Math.max(-1, Math.min(1, dot(unit(add(to, from, -1)), ground.up)))) * DEGREES;
const cm = (metres: number): number => metres * 100;
/** How far two parts of the same name are from each other, their flesh aside, cm. */
const together = (a: Point, b: Point, flesh: number, heightM: number): number =>
  cm(Math.max(0, apart(a, b) - 2 * flesh * heightM));

const legTo =
  (degrees: number): OfSide =>
  ({ body }, side) => {
    const { root, end } = body.bones.leg[side];
    return Math.abs(rise(body, root, end) - degrees);
  };

/** By how much a pose misses each mark on one side: cm or degrees, 0 where it is met. */
const MISSES: Readonly<Record<Landmark, OfSide>> = {
  'heels-at-hips': ({ body }, side) => {
    const { root, end } = body.bones.leg[side];
    return cm(Math.abs(height(body, end) - height(body, root)));
  },
  'feet-hip-wide': ({ body: { bones } }) => {
    const { left, right } = bones.leg;
    const wide = (a: Point, b: Point) => Math.abs(dot(add(a, b, -1), bones.pelvis.right));
    return cm(Math.abs(wide(left.end, right.end) - wide(left.root, right.root)));
  },
  'heels-together': ({ body: { bones }, heightM }) =>
    together(bones.leg.left.end, bones.leg.right.end, FLESH.heel, heightM),
  'knees-over-hips': ({ body }, side) => cm(level(body, body.bones.leg[side].middle, body.bones.leg[side].root)),
  'knees-under-hips': ({ body }, side) => cm(level(body, body.bones.leg[side].middle, body.bones.leg[side].root)),
  'knees-over-ankles': ({ body }, side) => cm(level(body, body.bones.leg[side].middle, body.bones.leg[side].end)),
  'knees-together': ({ body: { bones }, heightM }) =>
    together(bones.leg.left.middle, bones.leg.right.middle, FLESH.knee, heightM),
  'hands-under-shoulders': ({ body }, side) => cm(level(body, body.bones.arm[side].end, body.bones.arm[side].root)),
  'elbows-under-shoulders': ({ body }, side) => cm(level(body, body.bones.arm[side].middle, body.bones.arm[side].root)),
  'hands-beside-ribs': ({ body: { bones } }, side) =>
    cm(Math.abs(dot(add(bones.arm[side].end, bones.ribs, -1), bones.chest.up))),
  'hands-at-shoulder-height': ({ body }, side) => {
    const { root, end } = body.bones.arm[side];
    return cm(Math.abs(height(body, end) - height(body, root)));
  },
  'shins-level': ({ body }, side) => Math.abs(rise(body, body.bones.leg[side].middle, body.bones.leg[side].end)),
  'legs-45': legTo(45),
  'legs-60': legTo(60),
  'legs-to-ceiling': legTo(90),
  'arms-to-ceiling': ({ body }, side) => 90 - rise(body, body.bones.arm[side].root, body.bones.arm[side].end),
  'arms-45-aside': ({ body: { bones } }, side) => {
    const { root, end } = bones.arm[side];
    const down = -dot(unit(add(end, root, -1)), bones.chest.up);
    return Math.abs(Math.acos(Math.max(-1, Math.min(1, down))) * DEGREES - 45);
  },
};

/** Marks of what bears; the others are of what is free, where anything is. */
const OF_BEARING: ReadonlySet<Landmark> = new Set<Landmark>([
  'knees-under-hips',
  'knees-over-ankles',
  'hands-under-shoulders',
  'elbows-under-shoulders',
]);

/** The sides a mark is of: one leg to the ceiling is not two. */
function sidesOf(mark: Landmark, pose: Pose): readonly Side[] {
  const bears = /hand|elbow|arm/.test(mark) ? armBears : legBears;
  const own = SIDES.filter((side) => bears(pose, side) === OF_BEARING.has(mark));
  return own.length > 0 ? own : SIDES;
}

/**
 * By how much a pose misses a mark, on the side that misses it more.
 * @returns cm or degrees, as the mark has it; 0 where it is met
 */
export const missOf = (mark: Landmark, pose: Pose, body: Settled, heightM: number): number =>
  Math.max(...sidesOf(mark, pose).map((side) => MISSES[mark]({ body, heightM }, side)));

/** A mark a pose is held to, and by how much it misses it: cm or degrees, as the mark has it. */
export interface MarkRead {
  readonly mark: Landmark;
  readonly within: number;
  readonly miss: number;
}

/** The marks a pose of a rung is held to, measured on its settled body. */
export function marksOf(entry: Drawn, pose: Pose, heightM: number): MarkRead[] {
  if (!pose.landmarks) return [];
  const body = settled(pose, entry.like, anglesOf(pose), heightM, surfacesOf(entry));
  return pose.landmarks.map(({ mark, within }) => ({ mark, within, miss: missOf(mark, pose, body, heightM) }));
}
type Drawn = Pick<RungEntry, 'rung' | 'props' | 'position' | 'like'>;

/** An amount of a mark in words. @example markText('shins-level', 12.4) // '12°' */
export function markText(mark: Landmark, amount: number): string {
  const { unit: own } = LANDMARKS[mark];
  return `${Math.round(amount)}${own === '°' ? '' : ' '}${own}`;
}

/** The joint a mark is seen at. */
export const markJoint = (mark: Landmark): 'wrist' | 'elbow' | 'knee' | 'ankle' => {
  if (mark.startsWith('hands') || mark.startsWith('arms')) return 'wrist';
  if (mark.startsWith('elbows')) return 'elbow';
  return mark.startsWith('knees') ? 'knee' : 'ankle';
};

/** Marks that poses are held to and miss, as sentences. */
export function landmarkDoubts(entry: RungEntry, heightM: number): string[] {
  const { rung } = entry;
  return Object.entries(rung.poses).flatMap(([id, pose]) =>
    marksOf(entry, pose, heightM)
      .filter(({ within, miss }) => miss > within)
      .map(
        ({ mark, within, miss }) =>
          `In “${rung.name}”, pose “${id}”, “${LANDMARKS[mark].words}” is missed by ${markText(mark, miss)} (within ${markText(mark, within)}). Write the pose so, or give the mark more room.`,
      ),
  );
}
