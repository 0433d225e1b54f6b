import type { Angles, Side } from './pose';

/**
 * Published proportions of the body.
 * Masses: Winter, Biomechanics and Motor Control of Human Movement (share of body mass; each side's limb by itself).
 * Lengths and breadths: Drillis & Contini (share of height).
 * Centre of mass of a segment: Winter, share of its length from the proximal end.
 */
export const MASS = {
  head: 0.081,
  thorax: 0.216,
  abdomen: 0.139,
  pelvis: 0.142,
  upperArm: 0.028,
  forearm: 0.016,
  hand: 0.006,
  thigh: 0.1,
  shank: 0.0465,
  foot: 0.0145,
} as const;
export const LENGTH = {
  trunk: 0.288,
  thigh: 0.245,
  shank: 0.246,
  upperArm: 0.186,
  forearm: 0.146,
  /** From the ankle to the toes along the sole. */
  foot: 0.11,
  hand: 0.108,
  /** From the shoulder line to the middle of the head, its centre of mass. */
  headCentre: 0.1,
  /** Half of the distance between the hip joints, not of the hips' breadth: 72 % of that between the hip spines (Bell et al. 1990). */
  halfHips: 0.0505,
  halfShoulders: 0.129,
} as const;
export const CENTRE = { thigh: 0.433, shank: 0.433, upperArm: 0.436, forearm: 0.43 } as const;

/**
 * Where the spine bends in this model, as shares of the line from hip to shoulder: between pelvis and abdomen
 * (the lumbar point of the load), between abdomen and thorax, and in the middle of the thorax. Our own division
 * of the trunk, after the vertebral levels that bound Winter's three trunk segments.
 */
const SPINE = { lumbar: 0.22, waist: 0.48, ribs: 0.74 } as const;

export interface Point {
  /** Along the pelvis, towards the head. */
  readonly x: number;
  /** Towards the front of the pelvis. */
  readonly y: number;
  /** Towards the body's right. */
  readonly z: number;
}

export const add = (a: Point, b: Point, scale = 1): Point => ({
  x: a.x + b.x * scale,
  y: a.y + b.y * scale,
  z: a.z + b.z * scale,
});
/** The same direction with a length of its own. */
export function unit(p: Point, length = 1): Point {
  const by = length / Math.hypot(p.x, p.y, p.z);
  return { x: p.x * by, y: p.y * by, z: p.z * by };
}
export const cross = (a: Point, b: Point): Point => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const apart = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
export const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
  z: a.z + (b.z - a.z) * share,
});

/** A local frame: up the segment, out of its front, to its right. */
export interface Frame {
  readonly up: Point;
  readonly front: Point;
  readonly right: Point;
}

const mixed = (p: Point, q: Point, cp: number, cq: number): Point => ({
  x: p.x * cp + q.x * cq,
  y: p.y * cp + q.y * cq,
  z: p.z * cp + q.z * cq,
});

/** Turns two directions in their plane, the first towards the second. */
function turn(a: Point, b: Point, degrees: number): [Point, Point] {
  if (degrees === 0) return [a, b];
  const c = Math.cos((degrees * Math.PI) / 180);
  const s = Math.sin((degrees * Math.PI) / 180);
  return [mixed(a, b, c, s), mixed(a, b, -s, c)];
}

/** Bends a frame forward (+), sideways to the right (+) and turns it to the right (+). */
function bend(frame: Frame, forward: number, sideways: number, twist: number): Frame {
  let { up, front, right } = frame;
  [front, right] = turn(front, right, twist);
  [up, front] = turn(up, front, forward);
  [up, right] = turn(up, right, sideways);
  return { up, front, right };
}

export interface Limb {
  /** The way the far half goes as the knee or the elbow folds, of length 1. */
  readonly fold: Point;
  readonly root: Point;
  readonly middle: Point;
  readonly end: Point;
  readonly tip: Point;
}

/** Joint positions in metres, in the pelvis's own frame, the middle of the hips at the origin. */
export interface Skeleton {
  readonly hip: Point;
  readonly lumbar: Point;
  readonly waist: Point;
  readonly ribs: Point;
  readonly shoulder: Point;
  readonly head: Point;
  /** How the pelvis, the upper ribs and the skull are turned. */
  readonly pelvis: Frame;
  readonly chest: Frame;
  readonly skull: Frame;
  readonly arm: Readonly<Record<Side, Limb>>;
  readonly leg: Readonly<Record<Side, Limb>>;
}

const ORIGIN: Point = { x: 0, y: 0, z: 0 };
const PELVIS: Frame = { up: { x: 1, y: 0, z: 0 }, front: { x: 0, y: 1, z: 0 }, right: { x: 0, y: 0, z: 1 } };

/**
 * Forward kinematics.
 * @param angles degrees, as `anglesOf` gives them
 * @param height metres
 */
export function skeletonOf(angles: Angles, height: number): Skeleton {
  const trunk = LENGTH.trunk * height;
  const { lumbar: low, thoracic: high, neck, twist, sideBend } = angles;
  const abdomen = bend(PELVIS, low * 0.6, sideBend * 0.4, twist * 0.2);
  const lowerRibs = bend(abdomen, low * 0.4 + high * 0.4, sideBend * 0.4, twist * 0.4);
  const upperRibs = bend(lowerRibs, high * 0.6, sideBend * 0.2, twist * 0.4);
  const skull = bend(upperRibs, neck, 0, 0);

  const lumbar = add(ORIGIN, PELVIS.up, SPINE.lumbar * trunk);
  const waist = add(lumbar, abdomen.up, (SPINE.waist - SPINE.lumbar) * trunk);
  const ribs = add(waist, lowerRibs.up, (SPINE.ribs - SPINE.waist) * trunk);
  const shoulder = add(ribs, upperRibs.up, (1 - SPINE.ribs) * trunk);
  const head = add(shoulder, skull.up, LENGTH.headCentre * height);

  return {
    hip: ORIGIN,
    lumbar,
    waist,
    ribs,
    shoulder,
    head,
    pelvis: PELVIS,
    chest: upperRibs,
    skull,
    arm: {
      left: armOf('left', angles, upperRibs, shoulder, height),
      right: armOf('right', angles, upperRibs, shoulder, height),
    },
    leg: { left: legOf('left', angles, height), right: legOf('right', angles, height) },
  };
}

// Functions of their own and not closures: they run four times for every moment of every rung.
export function legOf(side: Side, angles: Angles, height: number): Limb {
  const out = side === 'right' ? 1 : -1;
  const root = add(ORIGIN, PELVIS.right, out * LENGTH.halfHips * height);
  let down = opposite(PELVIS.up);
  let { front, right } = PELVIS;
  [down, front] = turn(down, front, angles.hip[side]);
  [down, right] = turn(down, right, out * angles.hipAbduction[side]);
  [front, right] = turn(front, right, out * angles.hipRotation[side]);
  const middle = add(root, down, LENGTH.thigh * height);
  const fold = opposite(front);
  [down, front] = turn(down, front, -angles.knee[side]);
  const end = add(middle, down, LENGTH.shank * height);
  const [sole] = turn(front, down, angles.ankle[side]);
  return { fold, root, middle, end, tip: add(end, sole, LENGTH.foot * height) };
}

export function armOf(side: Side, angles: Angles, upperRibs: Frame, shoulder: Point, height: number): Limb {
  const out = side === 'right' ? 1 : -1;
  const root = add(shoulder, upperRibs.right, out * LENGTH.halfShoulders * height);
  let down = opposite(upperRibs.up);
  let { front, right } = upperRibs;
  [down, front] = turn(down, front, angles.shoulder[side]);
  [down, right] = turn(down, right, out * angles.shoulderAbduction[side]);
  [front, right] = turn(front, right, -out * angles.armTurn[side]);
  const middle = add(root, down, LENGTH.upperArm * height);
  const fold = front;
  [down, front] = turn(down, front, angles.elbow[side]);
  const end = add(middle, down, LENGTH.forearm * height);
  return { fold, root, middle, end, tip: add(end, down, LENGTH.hand * 0.8 * height) };
}

const opposite = (p: Point): Point => ({ x: -p.x, y: -p.y, z: -p.z });
