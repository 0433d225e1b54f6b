import { handsPlaced } from '../poses/hands';
import type { Pose } from '../poses/pose';
import type { Point } from '../poses/skeleton';
import { LEVEL } from '../poses/tilt';
import { Bringing, type Want } from './bringing';
import { contactsOf as bearingPoints } from './contacts';
import { Meeting } from './meeting';
import { inTheRoom, type Placed } from './placed';
import { type Footing, PLANTED, plantsOf, STRAYS, wantOf } from './plants';
import { contactsOf, type Settled } from './resting';

/** Metres of a body a metre tall within which what bears at both ends of a movement is meant to be at one place. */
const ONE_PLACE = 0.3;
/** The same for what slides: nearer, it is another limb that does. */
const SLIDES = 0.02;
/** Degrees by which a joint may give for what is planted: more, and it is another pose. */
const MUCH = 60;
/** Strays as large as this share of the largest go with it: two hands are one way set down. */
const ALIKE = 0.9;
/** Steps to another pose. */
const STEPS = 16;

const middleOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

/** A settled body at the middle of the room. */
const placedAt = (settled: Settled, x = 0, z = 0): Placed => ({ ...settled, x, z });

/**
 * The pose a movement leads to, where it leads to: what is planted stays where it bears, and the body gives way for it.
 * What lies too far off to be one place is set down elsewhere.
 * @param from where it comes from @param to as it settles by itself
 */
export function placedAfter(from: Placed, fromPose: Pose, to: Settled, toPose: Pose, footing: Footing): Placed {
  const { heightM, slides } = footing;
  const unmoved = placedAt(to);
  const plants = plantsOf(fromPose, toPose, from, unmoved, footing);
  if (plants.length === 0) return placedAlone(to, toPose, footing, from.x, from.z);
  const ways = plants.map(({ place }) => {
    const [was, is] = [inTheRoom(from, place(from.bones)), inTheRoom(unmoved, place(to.bones))];
    // As high as it lies by itself: a sole that comes up leaves the toes lower than it lay.
    return { x: was.x - is.x, z: was.z - is.z, to: { ...was, y: is.y } };
  });
  const still = ways.filter((_way, i) => !slides(plants[i]?.support ?? ''));
  const moved = placedAt(
    to,
    middleOf((still.length > 0 ? still : ways).map(({ x }) => x)),
    middleOf((still.length > 0 ? still : ways).map(({ z }) => z)),
  );
  const off = (i: number) => Math.hypot((ways[i]?.x ?? 0) - moved.x, (ways[i]?.z ?? 0) - moved.z);
  let planted = plants.flatMap((plant, i) =>
    off(i) > (slides(plant.support) ? SLIDES : ONE_PLACE) * heightM
      ? []
      : [{ plant, to: ways[i]?.to as Point, off: off(i) }],
  );
  while (planted.some((each) => each.off > STRAYS * heightM)) {
    const wants = planted.map(({ plant, to: at }) => wantOf(plant, at));
    const body = brought(moved, to, toPose, wants, new Set(planted.map(({ plant }) => plant.support)), footing);
    const strays = wants.map((want) => body.gap(want));
    const worst = Math.max(...strays);
    const farthest = Math.max(...planted.map((each) => each.off));
    if (worst < STRAYS * heightM && body.mostBent() < MUCH) return handed(body, toPose, footing);
    // What can't be brought there is set down elsewhere; the rest is tried without it.
    planted = planted.filter((each, i) =>
      worst < STRAYS * heightM ? each.off < ALIKE * farthest : (strays[i] ?? 0) < ALIKE * worst,
    );
  }
  return placedAlone(to, toPose, footing, moved.x, moved.z);
}

/** A settled body at a place of the room, brought out of the floor where a part of it lies in it. */
export function placedAlone(settled: Settled, pose: Pose, footing: Footing, x = 0, z = 0): Placed {
  const at = placedAt(settled, x, z);
  const body = new Bringing({ ...at, facing: at.ground }, footing.heightM);
  if (new Meeting(pose, [], footing).wants(body).length === 0) return at;
  return handed(brought(at, settled, pose, [], new Set(), footing), pose, footing);
}

/** A body brought to where it should be, with all that bears of it on what carries it. */
function brought(
  at: Placed,
  { bones, ground }: Settled,
  pose: Pose,
  wants: readonly Want[],
  wanted: ReadonlySet<string>,
  footing: Footing,
): Bringing {
  const { like, heightM, surfaces } = footing;
  const own = contactsOf(pose, like, bones, ground, heightM, surfaces).flatMap(
    ({ support, limb, place, rests, above }): Want[] =>
      wanted.has(support)
        ? []
        : [{ limb, place, above: above ?? false, to: { x: 0, y: rests, z: 0 }, across: null, rise: PLANTED }],
  );
  const all = [...wants, ...own];
  const lies = all.filter(({ limb }) => limb === null).length > 1;
  const body = new Bringing({ ...at, facing: at.ground }, heightM, lies);
  const meeting = new Meeting(pose, all, footing);
  body.run(() => meeting.wants(body), STEPS);
  return body;
}

function handed(body: Bringing, pose: Pose, { heightM, surfaces }: Footing): Placed {
  const found = { ...placedOf(body, pose), tilt: LEVEL, gaps: [], bent: [] };
  return placedAt(handsPlaced(found, pose, heightM, surfaces), body.x, body.z);
}

export function placedOf({ angles, bones, facing, floor, x, z }: Bringing, pose: Pose): Placed {
  return { angles, bones, ground: { ...facing, contacts: bearingPoints(pose, bones, facing.up) }, floor, x, z };
}
