import { legBears, type Pose, type PressedPart, SIDES, type Side } from '../body';
import {
  carrierOf,
  type Prop,
  type PropShape,
  pressedAcross,
  propShape,
  type Rung,
  restingNameOf,
  SEAT_M,
} from '../repertoire';
import { type Camera, cameraFor, type Spot3, type View } from './camera';
import { type Drawing, type Layer, type RoomBody, roomPlace } from './drawing';
import { type Box, disc, flat, hull, line, taper, widen } from './shapes';

/** Height of the body everything is drawn for, metres: props are measured in metres, drawings in bodies. */
const BODY_M = 1.7;
const inBodies = (metres: number): number => metres / BODY_M;
const SEAT = inBodies(SEAT_M);

/** What a figure is drawn with beside its pose. */
export interface Equipment {
  readonly rung: Rung;
  /** Those of the rung. */
  readonly props: readonly Prop[];
}

/** A drawing with the props of its rung where they belong: what carries the body behind it, what is held before it. */
export function withThings(drawing: Drawing, body: RoomBody, pose: Pose, view: View, equipment: Equipment): Drawing {
  const { rung, props } = equipment;
  if (props.length === 0) return drawing;
  const table = new Table(body, pose, cameraFor(view, body.like), { ...drawing.box });
  for (const prop of props) {
    const pressed = pose.between?.find((each) => each.prop === prop.id);
    if (pressed) table.press(prop, pressed.parts);
    else table.place(prop, placesOf(rung, prop, props, pose), handsWith(pose, prop));
  }
  return { ...drawing, layers: [...table.behind, ...drawing.layers, ...table.before], box: table.box };
}

/**
 * The parts of the body a prop is at: what it carries, as the rung says; else what it is by its kind with. A ball that is
 * squeezed is between the knees; a band is round the foot that hands draw it to, or round the legs it loads; straps hold
 * the feet that rest on nothing.
 */
function placesOf(rung: Rung, prop: Prop, props: readonly Prop[], pose: Pose): readonly string[] {
  const said = Object.keys(rung.on ?? {}).flatMap((support) => BOTH[support] ?? [support]);
  const carried = said.filter((support) => carrierOf(rung, support, props)?.id === prop.id);
  if (carried.length > 0) return carried;
  const held = handsWith(pose, prop).length > 0;
  const free = SIDES.filter((side) => !legBears(pose, side));
  switch (propShape(prop)) {
    case 'ball':
      return !held && rung.phases.some(({ squeeze }) => squeeze) ? pair('knee') : [];
    case 'band':
      if (held) return free.length === 1 ? free.map((side) => `foot.${side}`) : [];
      return pose.weights?.['knee.left'] || pose.weights?.['knee.right'] ? pair('knee') : pair('heel');
    case 'carriage':
      return held ? [] : pair('shin');
    default:
      return [];
  }
}
const pair = (part: string): string[] => [`${part}.left`, `${part}.right`];
const BOTH: Readonly<Record<string, string[]>> = {
  feet: pair('foot'),
  heels: pair('heel'),
  toes: pair('toe'),
  shins: pair('shin'),
  knees: pair('knee'),
  thighs: pair('thigh'),
  hands: pair('hand'),
  fists: pair('fist'),
  forearms: pair('forearm'),
  elbows: pair('elbow'),
};

const handsWith = ({ holds }: Pose, prop: Prop): Side[] => SIDES.filter((side) => holds?.[`hand.${side}`] === prop.id);

/** A part of the body that a prop is at. */
interface Place {
  readonly support: string;
  readonly at: Spot3;
  readonly flesh: number;
}

/** Half the thickness of a soft thing pressed flat, and half its breadth, in body heights. */
const [THIN, BROAD] = [0.014, 0.055];

class Table {
  readonly behind: Layer[] = [];
  readonly before: Layer[] = [];
  readonly box: Box;
  readonly #body: RoomBody;
  readonly #pose: Pose;
  readonly #camera: Camera;

  constructor(body: RoomBody, pose: Pose, camera: Camera, box: Box) {
    this.#body = body;
    this.#pose = pose;
    this.#camera = camera;
    this.box = box;
  }

  place(prop: Prop, places: readonly string[], hands: readonly Side[]): void {
    const spots = places.flatMap((support) => {
      const found = roomPlace(this.#body, support);
      return found ? [{ support, ...found }] : [];
    });
    const palms = hands.map((side) => this.#palm(side));
    const middle = spots.length > 0 ? mean(spots.map(({ at }) => at)) : null;
    const low = Math.min(...spots.map(({ at, flesh }) => at.y - flesh));
    const height = inBodies(prop.heightM ?? 0.25);
    const ats = spots.map(({ at }) => at);
    // What nobody says who holds is in both hands.
    const inHands = () => (palms.length > 0 ? palms : SIDES.map((side) => this.#palm(side)));
    const draw: Readonly<Record<PropShape, () => void>> = {
      band: () => this.#band(ats, palms),
      weights: () => {
        for (const at of inHands()) this.#weight(at);
      },
      stick: () => this.#stick(inHands()),
      ball: () => this.#ball(spots, palms, middle, low, height / 2),
      roller: () => {
        const radius = Math.max(0.03, (middle ? low : height) / 2);
        const along = places.includes('ribs') && places.includes('pelvis');
        this.#rod(middle ? { ...middle, y: radius } : this.#aside(radius), along ? 'x' : 'z', 0.26, radius, false);
      },
      chair: () => this.#chair(spots),
      wall: () => this.#wall(spots),
      carriage: () => this.#carriage(spots, palms),
      cushion: () => this.#block(spots, middle, low, height),
      box: () => this.#block(spots, middle, low, height),
    };
    draw[propShape(prop)]();
  }

  /** Between the two parts that press it, as large as it is. */
  press(prop: Prop, parts: readonly [PressedPart, PressedPart]): void {
    const [one, other] = parts.map((part) => roomPlace(this.#body, restingNameOf(part)));
    if (!one || !other) return;
    const middle = mean([one.at, other.at]);
    const radius = inBodies(pressedAcross(prop)) / 2;
    if (propShape(prop) === 'ball') {
      this.#sphere(middle, radius, true);
      return;
    }
    // As thin as the parts leave it, along the line between them.
    const ways = (['x', 'y', 'z'] as const).map((axis) => [axis, Math.abs(other.at[axis] - one.at[axis])] as const);
    const [thin, far] = ways.reduce((most, each) => (each[1] > most[1] ? each : most));
    const half = Math.max(THIN, Math.min(radius, (far - one.flesh - other.flesh) / 2));
    this.#slab(middle, { x: BROAD, y: BROAD, z: BROAD, [thin]: half }, true);
  }

  #ball(spots: readonly Place[], palms: readonly Spot3[], middle: Spot3 | null, low: number, radius: number): void {
    if (palms.length > 0) this.#sphere(mean(palms), radius, true);
    else if (!middle) this.#sphere(this.#aside(radius), radius, false);
    else if (this.#between(spots)) this.#sphere(middle, radius, true);
    else this.#sphere({ ...middle, y: Math.max(low, 0.05) / 2 }, Math.max(low, 0.05) / 2, false);
  }

  /** From the floor up to what lies on it; thin between two knees. */
  #block(spots: readonly Place[], middle: Spot3 | null, low: number, height: number): void {
    if (middle && this.#between(spots)) {
      this.#slab(middle, { x: 0.05, y: 0.07, z: 0.03 }, true);
      return;
    }
    const top = middle ? Math.max(low, 0.025) : height;
    const reach = spread(
      spots.map(({ at }) => at.x),
      0.1,
    );
    this.#slab({ ...(middle ?? this.#aside(0)), y: top / 2 }, { x: reach, y: top / 2, z: 0.12 }, false);
  }

  #palm(side: Side): Spot3 {
    const { end, tip } = this.#body.bones.arm[side];
    return this.#body.toRoom({ x: (end.x + tip.x) / 2, y: (end.y + tip.y) / 2, z: (end.z + tip.z) / 2 });
  }

  /** Whether a prop is pressed between two sides and carries neither. */
  #between(spots: readonly Place[]): boolean {
    const sided = spots.filter(({ support }) => support.includes('.'));
    return (
      sided.length > 1 &&
      sided.length === spots.length &&
      !/^(foot|hand|heel|toe|forearm|shin)/.test(spots[0]?.support ?? '') &&
      !this.#pose.supports.some((own) => own.startsWith('knee'))
    );
  }

  /** Beside the mat, where nobody uses it yet. */
  #aside(y: number): Spot3 {
    const { x } = this.#body.toRoom(this.#body.bones.hip);
    return { x: x + 0.1, y, z: -0.3 };
  }

  #add(path: string, before: boolean, tone: Layer['tone'] = 'prop'): void {
    (before ? this.before : this.behind).push({ tone, path });
  }

  #see(at: Spot3, by = 0) {
    const spot = flat(this.#camera, at);
    widen(this.box, spot, by);
    return spot;
  }

  #slab(at: Spot3, half: Spot3, before: boolean): void {
    const corners = [-1, 1].flatMap((x) =>
      [-1, 1].flatMap((y) =>
        [-1, 1].map((z) => this.#see({ x: at.x + x * half.x, y: at.y + y * half.y, z: at.z + z * half.z })),
      ),
    );
    this.#add(hull(corners), before);
  }

  #sphere(at: Spot3, radius: number, before: boolean): void {
    this.#add(disc(this.#see(at, radius), radius), before);
  }

  #rod(at: Spot3, axis: 'x' | 'y' | 'z', half: number, radius: number, before: boolean): void {
    const [a, b] = [-half, half].map((by) => this.#see({ ...at, [axis]: at[axis] + by }, radius));
    if (a && b) this.#add(taper(a, radius, b, radius), before);
  }

  #weight(at: Spot3): void {
    this.#rod(at, 'z', 0.04, 0.014, true);
    for (const z of [-0.045, 0.045]) this.#sphere({ ...at, z: at.z + z }, 0.024, true);
  }

  #stick(palms: readonly Spot3[]): void {
    const [a, b] = palms;
    if (!a) return;
    const way = b ? { x: b.x - a.x, y: b.y - a.y, z: b.z - a.z } : { x: 0, y: 1, z: 0 };
    const length = Math.hypot(way.x, way.y, way.z) || 1;
    const beyond = (from: Spot3, by: number): Spot3 => ({
      x: from.x + (way.x / length) * by,
      y: from.y + (way.y / length) * by,
      z: from.z + (way.z / length) * by,
    });
    const ends = [beyond(a, -0.16), beyond(b ?? a, b ? 0.16 : 0.4)].map((end) => this.#see(end, 0.01));
    this.#add(taper(ends[0] as { x: number; y: number }, 0.01, ends[1] as { x: number; y: number }, 0.01), true);
  }

  /** Taut from hand to foot to hand, between two legs, or from a hand to where it is fastened. */
  #band(spots: readonly Spot3[], palms: readonly Spot3[]): void {
    const [left, right] = palms;
    const points = left && right ? [left, ...spots, right] : [...palms, ...spots];
    if (points.length === 0) return;
    const first = points[0] as Spot3;
    const all = points.length === 1 ? [first, { x: first.x, y: 0, z: first.z }] : points;
    this.#add(line(all.map((point) => this.#see(point, 0.01))), true, 'line');
  }

  #chair(spots: readonly Place[]): void {
    const hand = spots.find(({ support }) => support.startsWith('hand'));
    const seat = spots.find(({ support }) => !support.startsWith('hand'));
    // Nobody on it and no hand: it stands behind who bends down to it.
    const behind = { ...this.#body.toRoom(this.#body.bones.hip), y: 0 };
    const here = seat?.at ?? hand?.at ?? { ...behind, x: behind.x - 0.08 };
    // A hand above a seat's height is on the back of the chair; below, on the seat, which stands before the body.
    const onBack = !seat && hand !== undefined && here.y > SEAT * 1.35;
    const x = onBack ? here.x + 0.12 : here.x + 0.03;
    const z = seat || this.#camera.view !== 'front' ? here.z : here.z + Math.sign(here.z) * 0.05;
    const back = onBack || !hand ? -0.13 : 0.13;
    for (const [dx, dz] of [
      [-0.12, -0.11],
      [-0.12, 0.11],
      [0.12, -0.11],
      [0.12, 0.11],
    ] as const) {
      this.#slab({ x: x + dx, y: SEAT / 2, z: z + dz }, { x: 0.008, y: SEAT / 2, z: 0.008 }, false);
    }
    this.#slab({ x, y: SEAT - 0.012, z }, { x: 0.13, y: 0.012, z: 0.12 }, false);
    const top = onBack ? Math.max(here.y - 0.01, SEAT + 0.1) : SEAT + 0.27;
    for (const dz of [-0.11, 0.11]) {
      this.#slab({ x: x + back, y: (SEAT + top) / 2, z: z + dz }, { x: 0.008, y: (top - SEAT) / 2, z: 0.008 }, false);
    }
    this.#slab({ x: x + back, y: top - 0.04, z }, { x: 0.01, y: 0.04, z: 0.12 }, false);
  }

  /** Upright where a hand, a back or a foot meets it. */
  #wall(spots: readonly Place[]): void {
    const { x } = this.#body.toRoom(this.#body.bones.hip);
    const facing = Math.sign(this.#body.turnToRoom(this.#body.bones.pelvis.front).x) || 1;
    const met = spots[0];
    if (!met) {
      this.#slab({ x, y: 0.5, z: -0.36 }, { x: 0.5, y: 0.5, z: 0.005 }, false);
      return;
    }
    const limb = met.support.includes('.');
    // A limb reaches it, a back leans against it.
    const side = limb ? Math.sign(met.at.x - x) || facing : -facing;
    const farthest = Math.max(...spots.map(({ at, flesh }) => side * at.x + (at === met.at && limb ? 0.01 : flesh)));
    this.#slab({ x: side * (farthest + 0.02), y: 0.55, z: 0 }, { x: 0.02, y: 0.55, z: 0.3 }, false);
  }

  /** A carriage on its rails, and a bar where feet or hands press; straps to feet or hands that pull. */
  #carriage(spots: readonly Place[], palms: readonly Spot3[]): void {
    const { bones, toRoom } = this.#body;
    const trunk = [bones.hip, bones.ribs, bones.head].map(toRoom);
    const resting = this.#pose.supports.some(
      (support) => support === 'pelvis' || support === 'ribs' || support === 'shoulders',
    );
    const lies = resting ? trunk : SIDES.flatMap((side) => [bones.leg[side].middle, bones.leg[side].end].map(toRoom));
    const [from, to] = [Math.min(...lies.map(({ x }) => x)) - 0.1, Math.max(...lies.map(({ x }) => x)) + 0.1];
    const beyond = [...spots.map(({ at }) => at), ...palms];
    const [least, most] = [
      Math.min(from, ...beyond.map(({ x }) => x)) - 0.12,
      Math.max(to, ...beyond.map(({ x }) => x)) + 0.12,
    ];
    this.#slab({ x: (from + to) / 2, y: -0.02, z: 0 }, { x: (to - from) / 2, y: 0.02, z: 0.17 }, false);
    this.#slab({ x: (least + most) / 2, y: -0.075, z: 0 }, { x: (most - least) / 2, y: 0.018, z: 0.2 }, false);
    // What pulls from behind the head: handles in the hands, loops round the ankles.
    const pulley = (z: number): Spot3 => ({ x: to + 0.1, y: 0.12, z });
    for (const { support, at } of spots) {
      if (support.startsWith('shin')) this.#add(line([this.#see(pulley(at.z)), this.#see(at, 0.01)]), true, 'line');
      else {
        this.#add(line([this.#see({ x: at.x, y: -0.08, z: at.z }), this.#see(at, 0.02)]), false, 'line');
        this.#sphere(at, 0.02, false);
      }
    }
    for (const palm of palms) {
      this.#add(line([this.#see(pulley(palm.z)), this.#see(palm, 0.01)]), true, 'line');
    }
  }
}

const mean = (spots: readonly Spot3[]): Spot3 => ({
  x: spots.reduce((sum, { x }) => sum + x, 0) / spots.length,
  y: spots.reduce((sum, { y }) => sum + y, 0) / spots.length,
  z: spots.reduce((sum, { z }) => sum + z, 0) / spots.length,
});

const spread = (values: readonly number[], least: number): number =>
  Math.max(least, (Math.max(...values) - Math.min(...values)) / 2 + 0.05);
