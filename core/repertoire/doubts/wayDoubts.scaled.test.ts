import {
  FLESH,
  inTheRoom,
  type Passage,
  type Placed,
  type Point,
  type Pose,
  SIDES,
  type Side,
  supportsOf,
} from '../../body';
import { studioOf } from '../../formats';
import { demoBundle, runs, sampled } from '../../testing';
import type { RungEntry } from '../catalog';
import type { Phase } from '../exercise';
import { bodiesOf, surfacesFor } from '../measuring/rungBodies';
import { wayDoubts } from './wayDoubts';

/** Centimetres of a body of 1.70 m. */
const CM = 170;
const SHARES = Array.from({ length: 11 }, (_, i) => i / 10);

/** A phase with the pose it begins in, and the body at each of the shares. */
interface Way {
  readonly name: string;
  readonly from: Pose;
  readonly to: Pose;
  readonly steps: Passage['steps'];
  readonly moments: readonly Placed[];
}

/** Every phase of a rung, way in and way out among them. */
function waysOf(entry: RungEntry): readonly Way[] {
  const { poses, start, phases, entry: wayIn = [], exit = [] } = entry.rung;
  const bodies = bodiesOf(entry);
  const follow = (part: readonly Phase[], first: string | undefined) =>
    part.map((phase, i) => [i === 0 ? first : part[i - 1]?.pose, phase] as const);
  const last = phases.at(-1)?.pose ?? start;
  return [...follow(wayIn, undefined), ...follow(phases, start), ...follow(exit, last)].flatMap(([id, phase]) => {
    const [from, to] = [id === undefined ? undefined : poses[id], poses[phase.pose]];
    const passage = from && to && bodies.passage(from, phase);
    if (!passage) return [];
    const moments = SHARES.map((share) => passage.at(share));
    return [{ name: `${entry.key} to ${phase.pose}`, from, to, steps: passage.steps, moments }];
  });
}

type Part = readonly [string, (body: Placed) => Point, number];
const LIMBS: readonly Part[] = SIDES.flatMap((side): Part[] => [
  [`knee.${side}`, ({ bones }) => bones.leg[side].middle, FLESH.knee],
  [`ankle.${side}`, ({ bones }) => bones.leg[side].end, FLESH.foot],
  [`elbow.${side}`, ({ bones }) => bones.arm[side].middle, FLESH.elbow],
  [`wrist.${side}`, ({ bones }) => bones.arm[side].end, FLESH.hand],
]);
const TRUNK: readonly Part[] = [
  ['pelvis', ({ bones }) => bones.hip, FLESH.pelvis],
  ['chest', ({ bones }) => bones.shoulder, FLESH.shoulders],
  ['head', ({ bones }) => bones.head, FLESH.head],
];
/** Where on a limb a support is held: what of it does not roll. */
const HELD: Readonly<Record<string, (body: Placed, side: Side) => Point>> = {
  knee: ({ bones }, side) => bones.leg[side].middle,
  shin: ({ bones }, side) => bones.leg[side].middle,
  heel: ({ bones }, side) => bones.leg[side].end,
  elbow: ({ bones }, side) => bones.arm[side].middle,
  forearm: ({ bones }, side) => bones.arm[side].middle,
  hand: ({ bones }, side) => bones.arm[side].end,
};

describe('every moving rung of the house, at eleven shares of every phase', () => {
  const { catalog } = studioOf(demoBundle(), {});
  const entries = sampled(catalog.rungs, 5).filter(({ rung }) => rung.phases.length > 0);
  const ways = new Map(entries.map((entry) => [entry, waysOf(entry)]));

  test('is nowhere deeper in the floor than flesh gives', () => {
    const sunk: string[] = [];
    for (const entry of entries) {
      if (surfacesFor(entry)('floor') === null) continue;
      const parts = entry.like === 'side-lying' ? LIMBS : [...LIMBS, ...TRUNK];
      for (const { name, moments } of ways.get(entry) ?? []) {
        for (const [i, body] of moments.entries()) {
          for (const [part, at, flesh] of parts) {
            const depth = (flesh - inTheRoom(body, at(body)).y) * CM;
            if (depth > 1.05) sunk.push(`${name} at ${i / 10}: ${part} ${depth.toFixed(1)} cm`);
          }
        }
      }
    }
    expect(sunk).toEqual([]);
  });

  test('keeps what is planted at both ends where it bears, or goes there in a straight line', () => {
    const strayed: string[] = [];
    let held = 0;
    for (const entry of entries) {
      for (const { name, from, to, steps, moments } of ways.get(entry) ?? []) {
        const stepping = new Set(steps.map(({ support }) => support));
        for (const support of supportsOf(from)) {
          const [part, side] = support.split('.') as [string, Side];
          const point = HELD[part];
          if (!point || !supportsOf(to).has(support) || stepping.has(support)) continue;
          held += 1;
          const at = moments.map((body) => inTheRoom(body, point(body, side)));
          const [a, b] = [at[0], at.at(-1)] as [Point, Point];
          for (const [i, { x, y, z }] of at.entries()) {
            const mixed = (axis: 'x' | 'y' | 'z') => a[axis] + ((b[axis] - a[axis]) * i) / 10;
            const off = Math.hypot(x - mixed('x'), y - mixed('y'), z - mixed('z')) * CM;
            if (off > 1) strayed.push(`${name} at ${i / 10}: ${support} ${off.toFixed(1)} cm`);
          }
        }
      }
    }
    expect(held).toBeGreaterThan(runs(100, 500));
    expect(strayed).toEqual([]);
  });

  test('keeps a planted foot’s sole as it is at both ends', () => {
    const tipped: string[] = [];
    for (const entry of entries) {
      for (const { name, from, to, steps, moments } of ways.get(entry) ?? []) {
        for (const side of SIDES) {
          const support = `foot.${side}`;
          if (![from, to].every((pose) => supportsOf(pose).has(support))) continue;
          if (steps.some((step) => step.support === support)) continue;
          const rise = moments.map((body) => {
            const { end, tip } = body.bones.leg[side];
            return (inTheRoom(body, tip).y - inTheRoom(body, end).y) * CM;
          });
          const [a = 0, b = 0] = [rise[0], rise.at(-1)];
          const off = Math.max(...rise.map((each) => Math.max(each - Math.max(a, b), Math.min(a, b) - each)));
          if (off > 3) tipped.push(`${name}: ${support} ${off.toFixed(1)} cm`);
        }
      }
    }
    expect(tipped).toEqual([]);
  });

  test('says in its words what it sets down elsewhere', () => {
    expect(entries.flatMap((entry) => wayDoubts(entry, 1.7))).toEqual([]);
  });
});
