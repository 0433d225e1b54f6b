import {
  type Angles,
  add,
  anglesOf,
  type BasePosition,
  between,
  cross,
  dot,
  FLESH,
  type FleshyPart,
  isPropped,
  type Limb,
  type Placed,
  type Point,
  type Pose,
  restingPoint,
  type Settled,
  SIDES,
  type Side,
  type Skeleton,
  type Surfaces,
  settled,
  supportsOf,
  unit,
} from '../body';
import { isStanding, isUpright, liesOnSide } from '../vocabulary/bodies/position';
import { type Camera, cameraFor, type Spot, type Spot3, type View } from './camera';
import { type Box, depthOf, ellipsoid, emptyBox, flat, hull, taper, widen } from './shapes';

/**
 * How a part is toned: away from who looks, the trunk, its face, towards who looks; an arm before the trunk is set off from it; a
 * thing, a thing drawn as a line, and the way something moves.
 */
export type Tone = 'far' | 'trunk' | 'face' | 'near' | 'arm' | 'prop' | 'line' | 'way';

/** A part of the drawing: outlines that are filled together, or for `line` and `way` a path that is stroked. */
export interface Layer {
  readonly tone: Tone;
  readonly path: string;
}

export type JointName = 'knee' | 'ankle' | 'elbow' | 'wrist' | 'toe' | 'hipJoint' | 'shoulderJoint';
export type TrunkPoint = 'hip' | 'lumbar' | 'ribs' | 'shoulder' | 'head';

/** A body as it is seen, in body heights, from the back to the front. */
export interface Drawing {
  readonly layers: readonly Layer[];
  /** Where its joints are on the page. */
  readonly joints: Readonly<Record<JointName, Readonly<Record<Side, Spot>>>> & Readonly<Record<TrunkPoint, Spot>>;
  readonly box: Readonly<Box>;
}

/** Where the parts of a settled body are in the room. */
export interface RoomBody {
  readonly like: BasePosition;
  readonly angles: Angles;
  readonly bones: Skeleton;
  readonly toRoom: (point: Point) => Spot3;
  readonly turnToRoom: (way: Point) => Spot3;
}

/** The body of a pose where it stands in the room, for a body one high; its floor at 0. */
export const bodyInRoom = (pose: Pose, like: BasePosition, surfaces?: Surfaces, planted?: string | null): RoomBody =>
  inRoom(pose, like, settled(pose, like, anglesOf(pose), 1, surfaces), planted);

/** What stays where it is through several poses: the first of these that bears in all of them. */
const PLANTED: readonly string[] = [
  ...['foot', 'toe', 'hand', 'forearm', 'knee'].flatMap((part) => SIDES.map((side) => `${part}.${side}`)),
  ...['pelvis', 'shoulders', 'ribs', 'head'],
];

export const plantedIn = (poses: readonly Pose[]): string | null =>
  PLANTED.find((part) => poses.every((pose) => supportsOf(pose).has(part))) ?? null;

/**
 * A settled body in the room.
 * @param planted the support it stands at, so that several poses drawn together share it
 */
export function inRoom(
  pose: Pose,
  like: BasePosition,
  { angles, bones, ground, floor }: Pick<Settled, 'angles' | 'bones' | 'ground' | 'floor'>,
  planted: string | null = null,
): RoomBody {
  const at = planted === null ? null : pointOf(bones, planted);
  const rests = isStanding(like) || isPropped(pose, like) ? ground.contacts.lower : null;
  return inItsPlace({ angles, bones, ground, floor, x: -dot(at ?? rests ?? bones.hip, ground.along), z: 0 }, like);
}

/** A body where it is in the room. */
export function inItsPlace(
  { angles, bones, ground: { up, along }, floor, x, z }: Placed,
  like: BasePosition,
): RoomBody {
  // The pelvis's own axes (head, front, right) are left-handed: in the room this is what lies towards who looks.
  const side = cross(up, along);
  const turnToRoom = (way: Point): Spot3 => ({ x: dot(way, along), y: dot(way, up), z: dot(way, side) });
  const toRoom = (point: Point): Spot3 => {
    const turned = turnToRoom(point);
    return { x: turned.x + x, y: turned.y - floor, z: turned.z + z };
  };
  return { like, angles, bones, toRoom, turnToRoom };
}

/** Where a part of the body is in the room that rests on something, or has something under it, and its flesh. */
export function roomPlace({ bones, toRoom }: RoomBody, support: string): { at: Spot3; flesh: number } | null {
  const place = pointOf(bones, support);
  return place ? { at: toRoom(place), flesh: FLESH[support.split('.')[0] as FleshyPart] } : null;
}

function pointOf(bones: Skeleton, support: string): Point | null {
  const [part, side = 'left'] = support.split('.') as [FleshyPart, Side?];
  return restingPoint(bones, part, side);
}

/** Half breadths of the body's masses and limbs, in body heights; our own, quiet and a little slender. */
const R = {
  neck: 0.03,
  abdomen: 0.044,
  shoulder: 0.036,
  upperArm: [0.031, 0.025],
  forearm: [0.025, 0.017],
  hand: [0.018, 0.012],
  thigh: [0.052, 0.036],
  shin: [0.036, 0.021],
  foot: [0.022, 0.013],
} as const;
const RIBCAGE = { up: 0.1, front: 0.058, right: 0.082 } as const;
const PELVIS = { up: 0.062, front: 0.058, right: 0.08 } as const;
const HEAD = { up: 0.066, front: 0.056, right: 0.046 } as const;

/** Nearer or farther than the trunk by less than this, a limb is beside it. */
const BESIDE = 0.03;

/** The drawn body of a pose, seen from somewhere. */
export function drawingOf(pose: Pose, like: BasePosition, view: View = 'side', surfaces?: Surfaces): Drawing {
  return drawn(bodyInRoom(pose, like, surfaces), cameraFor(view, like));
}

/** Where points of a body are on the page: what is turned and moved into the room and then seen, in one step. */
function seen({ toRoom }: Pick<RoomBody, 'toRoom'>, camera: Camera): (point: Point) => Spot {
  const spot = (x: number, y: number, z: number) => flat(camera, toRoom({ x, y, z }));
  const o = spot(0, 0, 0);
  const [a, b, c] = [spot(1, 0, 0), spot(0, 1, 0), spot(0, 0, 1)];
  const [ax, ay, bx, by, cx, cy] = [a.x - o.x, a.y - o.y, b.x - o.x, b.y - o.y, c.x - o.x, c.y - o.y];
  return ({ x, y, z }) => ({ x: o.x + x * ax + y * bx + z * cx, y: o.y + x * ay + y * by + z * cy });
}

export function drawn(body: RoomBody, camera: Camera): Drawing {
  const { like, bones, toRoom, turnToRoom } = body;
  const box = emptyBox();
  const see = seen(body, camera);
  const stick = (a: Point, ra: number, b: Point, rb: number): string => {
    const [one, two] = [see(a), see(b)];
    widen(box, one, ra);
    widen(box, two, rb);
    return taper(one, ra, two, rb);
  };
  const mass = (
    centre: Point,
    frame: Skeleton['chest'],
    size: typeof HEAD | typeof RIBCAGE | typeof PELVIS,
  ): string => {
    const spot = see(centre);
    widen(box, spot, size.front);
    return ellipsoid(
      camera,
      spot,
      (['up', 'front', 'right'] as const).map((axis) => turnToRoom(scaled(frame[axis], size[axis]))),
    );
  };
  // Upright, seen a little from above, what is low is no farther.
  const upright = isUpright(like);
  const depth = (point: Point): number => {
    const at = toRoom(point);
    return depthOf(camera, upright ? { ...at, y: 0 } : at);
  };
  // Lying on a side, one leg lies on the other: the lower one is toned as the far one, wherever they go.
  const stacked = liesOnSide(like) && camera.view === 'side';
  const legDepth = (leg: Limb): number => (stacked ? toRoom(leg.root).y : depth(limbMiddle(leg)));
  const limbs = SIDES.flatMap(
    (side): Array<Layer & { readonly depth: number }> => [
      { tone: 'near', depth: legDepth(bones.leg[side]), path: legPath(bones.leg[side], stick) },
      { tone: 'arm', depth: depth(limbMiddle(bones.arm[side])), path: armPath(bones.arm[side], stick) },
    ],
  );
  const middle = between(bones.hip, bones.shoulder, 0.5);
  const centre = depth(middle);
  const level = stacked ? toRoom(bones.hip).y : centre;
  // From just beside, one flank hides the other.
  const across = [bones.pelvis.right, bones.chest.right].map((right) => flat(camera, turnToRoom(right)));
  const flanks = across.every(({ x, y }) => Math.abs(x) + Math.abs(y) < HIDES) ? ONE_FLANK : BOTH_FLANKS;
  const trunk = trunkPath(bones, flanks, stick, mass);
  const inOrder = limbs.sort((a, b) => a.depth - b.depth);
  const isFar = ({ tone, depth: own }: (typeof limbs)[number]) => own < (tone === 'arm' ? centre : level) - BESIDE;
  const layers = merged([
    ...inOrder.filter(isFar).map(({ path }): Layer => ({ tone: 'far', path })),
    { tone: 'trunk', path: trunk },
    ...faceOf(body, camera, see),
    ...inOrder.filter((limb) => !isFar(limb)),
  ]);
  return { layers, joints: jointsSeen(bones, see), box };
}

/** How far the face looks towards who looks before it is seen, as a cosine. */
const FACES = -0.25;
const FACE = { up: 0.04, front: 0.012, right: 0.033 } as const;

/** The face, where it is turned to who looks: a head seen from the front is told from one seen from behind. */
function faceOf({ bones, turnToRoom }: RoomBody, camera: Camera, see: (point: Point) => Spot): Layer[] {
  const { head, skull } = bones;
  const front = turnToRoom(skull.front);
  if (front.x * camera.near.x + front.y * camera.near.y + front.z * camera.near.z < FACES) return [];
  const axes = (['up', 'front', 'right'] as const).map((axis) => turnToRoom(scaled(skull[axis], FACE[axis])));
  return [
    {
      tone: 'face',
      path: ellipsoid(camera, see(add(add(head, skull.front, HEAD.front - 0.014), skull.up, -0.008)), axes),
    },
  ];
}

/** Where the joints of a body are on the page. */
export const jointsOf = (body: RoomBody, camera: Camera): Drawing['joints'] =>
  jointsSeen(body.bones, seen(body, camera));

function jointsSeen(bones: Skeleton, see: (point: Point) => Spot): Drawing['joints'] {
  const both = (read: (side: Side) => Point) => ({ left: see(read('left')), right: see(read('right')) });
  return {
    knee: both((side) => bones.leg[side].middle),
    ankle: both((side) => bones.leg[side].end),
    toe: both((side) => bones.leg[side].tip),
    hipJoint: both((side) => bones.leg[side].root),
    elbow: both((side) => bones.arm[side].middle),
    wrist: both((side) => bones.arm[side].end),
    shoulderJoint: both((side) => bones.arm[side].root),
    hip: see(bones.hip),
    lumbar: see(bones.lumbar),
    ribs: see(bones.ribs),
    shoulder: see(bones.shoulder),
    head: see(bones.head),
  };
}

/** Neighbours of one tone as one outline: a page of figures is paid for by the outline. */
function merged(layers: readonly Layer[]): Layer[] {
  const found: Layer[] = [];
  for (const { tone, path } of layers) {
    const last = found.at(-1);
    if (last?.tone === tone) found[found.length - 1] = { tone, path: [last.path, path].join('') };
    else found.push({ tone, path });
  }
  return found;
}

type Stick = (a: Point, ra: number, b: Point, rb: number) => string;

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by, z: p.z * by });

const limbMiddle = ({ middle, end }: Limb): Point => between(middle, end, 0.3);

// Joined and not added: what is added is kept as a tree of all its pieces, for as long as the drawing is.
function legPath({ root, middle, end, tip }: Limb, stick: Stick): string {
  const shin = unit(add(end, middle, -1));
  const heel = add(add(end, shin, 0.018), unit(add(tip, end, -1)), -0.014);
  return [
    stick(root, R.thigh[0], middle, R.thigh[1]),
    stick(middle, R.shin[0], end, R.shin[1]),
    stick(heel, R.foot[0], add(tip, shin, 0.004), R.foot[1]),
  ].join('');
}

const armPath = ({ root, middle, end, tip }: Limb, stick: Stick): string =>
  [
    stick(root, R.upperArm[0], middle, R.upperArm[1]),
    stick(middle, R.forearm[0], end, R.forearm[1]),
    stick(end, R.hand[0], tip, R.hand[1]),
  ].join('');

/** How far the flanks lie from the spine, in body heights, and how far apart on the page one still hides the other. */
const BOTH_FLANKS = [-0.034, 0.034] as const;
const ONE_FLANK = [0] as const;
const HIDES = 0.02;

/** Pelvis and ribcage as two masses, the waist between them, shoulders, neck and a head that faces somewhere. */
function trunkPath(
  bones: Skeleton,
  flanksAt: readonly number[],
  stick: Stick,
  mass: (centre: Point, frame: Skeleton['chest'], size: typeof HEAD | typeof RIBCAGE | typeof PELVIS) => string,
): string {
  const { hip, lumbar, waist, ribs, shoulder, head, chest, skull, pelvis, arm } = bones;
  const beside = (point: Point, frame: Skeleton['chest'], by: number) => add(point, frame.right, by);
  const flanks = flanksAt.flatMap((by) => [
    stick(beside(hip, pelvis, by), R.abdomen, beside(lumbar, pelvis, by), R.abdomen),
    stick(beside(lumbar, pelvis, by), R.abdomen, beside(waist, chest, by), R.abdomen),
    stick(beside(waist, chest, by), R.abdomen, beside(ribs, chest, by), R.abdomen),
  ]);
  const face = add(add(head, skull.front, HEAD.front - 0.012), skull.up, -0.01);
  return [
    mass(add(hip, pelvis.up, 0.012), pelvis, PELVIS),
    ...flanks,
    mass(between(waist, shoulder, 0.52), chest, RIBCAGE),
    stick(between(shoulder, arm.left.root, 0.85), R.shoulder, between(shoulder, arm.right.root, 0.85), R.shoulder),
    stick(shoulder, R.neck, between(shoulder, head, 0.7), R.neck - 0.004),
    mass(head, skull, HEAD),
    stick(face, 0.014, add(add(face, skull.front, 0.02), skull.up, -0.01), 0.008),
  ].join('');
}

/** Room around a drawing, in body heights. */
const AIR = 0.05;
/** Frames are no smaller than this, so that figures side by side are drawn to one scale. */
const LEAST_WIDTH = 1.3;
const LEAST_HEIGHT = 0.5;

/** The window of a drawing: left edge, width, top above the floor's line and bottom, in body heights. */
export interface Frame {
  readonly x: number;
  readonly width: number;
  readonly top: number;
  readonly bottom: number;
  /** How high the floor stands: at 0, but under an apparatus that the body lies on. */
  readonly floor: number;
}

/**
 * The window that shows several drawings of one body without cutting any.
 * @param onFloor whether the body is on the floor, and not on an apparatus that stands there
 */
export function frameOf(
  drawings: ReadonlyArray<{ readonly box: Readonly<Box> }>,
  view: View = 'side',
  onFloor = true,
): Frame {
  const all = emptyBox();
  for (const { box } of drawings) {
    widen(all, { x: box.left, y: box.top });
    widen(all, { x: box.right, y: box.bottom });
  }
  const spare = Math.max(0, LEAST_WIDTH - (all.right - all.left + 2 * AIR)) / 2;
  const level = view === 'side' || view === 'front';
  const bottom = level ? Math.min(0, all.bottom) : all.bottom - AIR;
  return {
    x: all.left - AIR - spare,
    width: all.right - all.left + 2 * (AIR + spare),
    top: Math.max(all.top + AIR, bottom + LEAST_HEIGHT),
    bottom,
    floor: onFloor ? 0 : Math.min(0, bottom),
  };
}

/** Half the breadth of a mat, and what it reaches beyond the body. */
const MAT = { half: 0.2, beyond: 0.06 } as const;

/** The mat under a body that is seen from above or from between. */
export function matUnder(bodies: readonly RoomBody[], view: View): string {
  const camera = cameraFor(view, bodies[0]?.like);
  let [from, to] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { bones, toRoom } of bodies) {
    const points = [bones.hip, bones.head, ...SIDES.flatMap((side) => [bones.leg[side].middle, bones.leg[side].end])];
    for (const point of points) {
      const { x } = toRoom(point);
      from = Math.min(from, x);
      to = Math.max(to, x);
    }
  }
  const least = Math.max(0, 0.9 - (to - from)) / 2;
  const corners = [from - MAT.beyond - least, to + MAT.beyond + least].flatMap((x) =>
    [-MAT.half, MAT.half].map((z) => flat(camera, { x, y: 0, z })),
  );
  return hull(corners);
}
