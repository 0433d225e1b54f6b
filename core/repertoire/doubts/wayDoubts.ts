import { FLESH, inTheRoom, type Passage, type Placed, type Point, type Pose, SIDES, type Surfaces } from '../../body';
import { liesOnSide } from '../../vocabulary/bodies/position';
import type { RungEntry } from '../catalog';
import type { Phase } from '../exercise';
import { bodiesOf, surfacesFor } from '../measuring/rungBodies';
import { entersFrom } from '../plain';

/** Shares of a body's height: what is set down farther off is seen, and what sinks deeper is wrong. */
const SEEN = 0.03;
const SINKS = 0.0065;
/** Moments of a way that are looked at. */
const LOOKS = 10;
/** Words of somebody who sets a hand or a foot down elsewhere. */
const STEPS = /\b(step\w*|walk\w*|hop\w*|jump\w*|crawl\w*|set)\b/i;

/** What of a rung's movement can't be joined, as sentences. */
export function wayDoubts(entry: RungEntry, heightM: number): string[] {
  const { rung } = entry;
  const surfaces = surfacesFor(entry);
  const bodies = bodiesOf(entry);
  return waysOf(entry).flatMap(({ phase, from }) => {
    const passage = bodies.passage(from, phase);
    if (!passage) return [];
    const where = `In “${rung.name}”, on the way to “${phase.pose}”,`;
    return [...setDown(entry, phase, passage, heightM), ...sunk(passage, entry, surfaces, heightM)].map(
      (what) => `${where} ${what}`,
    );
  });
}

/** Every phase with the pose it begins in. */
function waysOf({ rung, like }: RungEntry): Array<{ phase: Phase; from: Pose }> {
  const { poses, phases, entry = [], exit = [], start } = rung;
  const along = (part: readonly Phase[], first: Pose | undefined) => {
    let at = first;
    return part.flatMap((phase) => {
      const [from, to] = [at, poses[phase.pose]];
      at = to ?? at;
      return from && to && from !== to ? [{ phase, from }] : [];
    });
  };
  const last = poses[phases.at(-1)?.pose ?? start];
  return [...along(entry, entersFrom(rung, like) ?? undefined), ...along(phases, poses[start]), ...along(exit, last)];
}

const spoken = (support: string): string => {
  const [part = '', side] = support.split('.');
  return side ? `${side} ${part}` : part;
};

function setDown({ rung }: RungEntry, { id }: Phase, { steps }: Passage, heightM: number): string[] {
  const words = (rung.cues ?? []).filter(({ kind, phase }) => kind === 'action' && phase === id);
  if (words.some(({ text }) => STEPS.test(text))) return [];
  const far = new Map<string, number>();
  for (const { support, metres } of steps) far.set(support, Math.max(far.get(support) ?? 0, metres));
  return [...far].flatMap(([support, metres]) =>
    metres < SEEN
      ? []
      : [
          `the ${spoken(support)} is set down ${Math.round(metres * heightM * 100)} cm off, and no words say so; write both poses with it in one place, or say that it slides or steps.`,
        ],
  );
}

/** What goes through the floor wherever the body gives way. */
function sunk(passage: Passage, { like }: RungEntry, surfaces: Surfaces, heightM: number): string[] {
  if (surfaces('floor') === null) return [];
  const deepest = new Map<string, number>();
  for (let look = 0; look <= LOOKS; look++) {
    const body = passage.at(look / LOOKS);
    for (const [part, point, flesh] of pointsOf(body, liesOnSide(like))) {
      const depth = flesh - inTheRoom(body, point).y;
      if (depth > (deepest.get(part) ?? SINKS)) deepest.set(part, depth);
    }
  }
  return [...deepest].map(
    ([part, depth]) =>
      `the ${part} goes ${Math.round(depth * heightM * 100)} cm through the floor, and no way round was found.`,
  );
}

function pointsOf({ bones }: Placed, onSide: boolean): Array<readonly [string, Point, number]> {
  const limbs = SIDES.flatMap((side) => [
    [`${side} knee`, bones.leg[side].middle, FLESH.knee] as const,
    [`${side} ankle`, bones.leg[side].end, FLESH.foot] as const,
    [`${side} elbow`, bones.arm[side].middle, FLESH.elbow] as const,
    [`${side} hand`, bones.arm[side].end, FLESH.hand] as const,
  ]);
  if (onSide) return limbs;
  return [
    ...limbs,
    ['pelvis', bones.hip, FLESH.pelvis],
    ['chest', bones.shoulder, FLESH.shoulders],
    ['head', bones.head, FLESH.head],
  ];
}
