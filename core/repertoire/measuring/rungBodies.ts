import {
  anglesOf,
  dot,
  FLESH,
  FLOOR,
  type FleshyPart,
  type Footing,
  isPropped,
  type Passage,
  type Placed,
  POSITIONS,
  type Pose,
  passageBetween,
  placedAfter,
  placedAlone,
  restingPoint,
  type Settled,
  type Side,
  type Surfaces,
  settled,
  supportsOf,
} from '../../body';
import { isStanding } from '../../vocabulary/bodies/position';
import type { RungEntry } from '../catalog';
import type { Phase, Rung } from '../exercise';
import { entersFrom } from '../plain';
import { carrierOf, liesOnApparatus, propShape, standingUnder, surfacesOf } from './propShape';

/** Metres of the body that props and seats are measured against. */
const BODY_M = 1.7;

/** What carries a rung's body, for a body one high. */
export function surfacesFor(entry: Carried | undefined): Surfaces {
  if (!entry) return FLOOR;
  const metres = surfacesOf(entry);
  return (support) => {
    const height = metres(support);
    return height === null ? null : height / BODY_M;
  };
}

export type Carried = Pick<RungEntry, 'position' | 'rung' | 'props'>;

/** Every pose of a rung as it lies and where, one after another as they are reached: what is planted stays where it is. */
export interface RungBodies {
  /** By the pose as it is written; what no phase reaches stands where it begins. */
  readonly placed: ReadonlyMap<Pose, Placed>;
  /** The way along a phase, from the pose it begins in. */
  readonly passage: (from: Pose, phase: Phase) => Passage | null;
}

interface Known {
  readonly like: RungEntry['like'];
  readonly position: string;
  readonly props: RungEntry['props'];
  readonly bodies: RungBodies;
}
/** By the rung: drawn from another side, larger or moving, its bodies lie as they lay. */
const known = new WeakMap<Rung, Known>();

export function bodiesOf(entry: Drawn): RungBodies {
  const { rung, like, position, props } = entry;
  const found = known.get(rung);
  const same = found?.like === like && found.position === position && found.props.length === props.length;
  if (same && found.props.every((prop, i) => prop === props[i])) return found.bodies;
  const bodies = madeOf(entry);
  known.set(rung, { like, position, props, bodies });
  return bodies;
}

/** What moves with what it carries. */
const ROLLS = new Set(['carriage', 'roller', 'ball', 'band']);
/** Words of a limb that goes along the floor, and of which. */
const SLIDES = /\b(slid\w*|glid\w*|drag\w*|skim\w*|along the (?:floor|mat))\b/i;
const NAMED: Readonly<Record<'leg' | 'arm', RegExp>> = {
  leg: /\b(heels?|foot|feet|legs?|toes?|knees?)\b/i,
  arm: /\b(hands?|arms?|fingers?|forearms?|elbows?)\b/i,
};
const limbOf = (support: string): 'leg' | 'arm' | null => {
  if (!support.includes('.')) return null;
  return /^(hand|fist|forearm|elbow)/.test(support) ? 'arm' : 'leg';
};

/** What slides on the way between two poses: what its words say, there or back, unless they mean a limb that leaves the floor. */
function slidesIn({ cues = [] }: Rung, phases: readonly (Phase | null)[], from: Pose | null, to: Pose | null) {
  const said = new Set(phases.map((phase) => phase?.id));
  const words = cues.filter(({ kind, text, phase: of }) => kind === 'action' && said.has(of) && SLIDES.test(text));
  const [a, b] = [from ? supportsOf(from) : NOTHING, to ? supportsOf(to) : NOTHING];
  const leaves = new Set([...a, ...b].flatMap((part) => (a.has(part) && b.has(part) ? [] : [limbOf(part)])));
  return (support: string): boolean => {
    const limb = limbOf(support);
    return limb !== null && !leaves.has(limb) && words.some(({ text }) => NAMED[limb].test(text));
  };
}
const NOTHING: ReadonlySet<string> = new Set();

/** The phases that join two poses, whichever way. */
function joining({ poses, phases, start }: Rung, from: Pose | null, to: Pose | null): Phase[] {
  let at = poses[start] ?? null;
  return phases.filter((phase) => {
    const [before, after] = [at, poses[phase.pose] ?? null];
    at = after ?? at;
    return (before === from && after === to) || (before === to && after === from);
  });
}

type Drawn = Carried & Pick<RungEntry, 'like'>;

function footingOf(entry: Drawn, surfaces: Surfaces, phase: Phase | null, from: Pose | null, to: Pose | null): Footing {
  const { rung, like, props } = entry;
  const said = slidesIn(rung, [phase, ...joining(rung, from, to)], from, to);
  const rolls = (support: string): boolean => {
    const carrier = carrierOf(rung, support, props);
    return carrier !== undefined && ROLLS.has(propShape(carrier));
  };
  return {
    like,
    heightM: 1,
    surfaces,
    slides: (support) =>
      said(support) || (standingUnder(rung, support, props) === undefined && (goesWithIt(entry) || rolls(support))),
  };
}

/** Whether the body goes with what it lies or kneels on: on a carriage, and on any apparatus of the studio's own. */
const goesWithIt = (entry: Drawn): boolean =>
  liesOnApparatus(entry) ||
  (!(POSITIONS as readonly string[]).includes(entry.position) &&
    entry.props.some((prop) => propShape(prop) === 'carriage'));

/**
 * What carries a rung's body, a thing of no said height as high as a hand or a foot was first put on it: a chair, a wall
 * and a bar stand where they stand.
 */
function standing({ rung, props }: Drawn, open: Surfaces) {
  const heights = new Map<string, number>();
  return {
    surfaces: (support: string): number | null => open(support) ?? heights.get(support) ?? null,
    /** Remembers how high a settled body has put what it rests on what stands. */
    met({ bones, ground, floor }: Settled, pose: Pose): void {
      for (const support of supportsOf(pose)) {
        if (open(support) !== null || heights.has(support) || !standingUnder(rung, support, props)) continue;
        const [part, side] = support.split('.') as [FleshyPart, Side | undefined];
        const at = restingPoint(bones, part, side ?? 'left');
        if (at) heights.set(support, dot(at, ground.up) - floor - FLESH[part]);
      }
    },
  };
}

function madeOf(entry: Drawn): RungBodies {
  const { rung, like } = entry;
  const { surfaces, met } = standing(entry, surfacesFor(entry));
  const alone = (pose: Pose): Settled => {
    const lies = settled(pose, like, anglesOf(pose), 1, surfaces);
    met(lies, pose);
    return lies;
  };
  const placed = new Map<Pose, Placed>();
  const poseOf = (name: string): Pose | undefined => rung.poses[name];
  const follow = (from: Pose | undefined, to: Pose | undefined, phase: Phase | null) => {
    const was = from && placed.get(from);
    if (!was || !to || placed.has(to)) return;
    placed.set(to, placedAfter(was, from, alone(to), to, footingOf(entry, surfaces, phase, from, to)));
  };
  const begin = poseOf(rung.start);
  if (begin) {
    const lies = alone(begin);
    // What it stands on is the middle of the picture; lying, the pelvis is.
    const stands = isStanding(like) || isPropped(begin, like) ? lies.ground.contacts.lower : null;
    placed.set(
      begin,
      placedAlone(
        lies,
        begin,
        footingOf(entry, surfaces, null, null, null),
        -dot(stands ?? lies.bones.hip, lies.ground.along),
      ),
    );
  }
  const along = (phases: readonly Phase[], first: Pose | undefined) => {
    let from = first;
    for (const phase of phases) {
      const to = poseOf(phase.pose);
      follow(from, to, phase);
      from = to ?? from;
    }
    return from;
  };
  const last = along(rung.phases, begin);
  along(rung.exit ?? [], last);
  // The way in is gone backwards, from where it arrives.
  const entering = (rung.entry ?? []).map((phase) => [phase, poseOf(phase.pose)] as const);
  const from = entersFrom(rung, like) ?? undefined;
  for (let i = entering.length - 1; i >= 0; i--)
    follow(entering[i]?.[1], i > 0 ? entering[i - 1]?.[1] : from, entering[i]?.[0] ?? null);
  // What no phase reaches, as a wrong form, stands where the rung begins.
  for (const pose of Object.values(rung.poses)) {
    if (begin) follow(begin, pose, null);
    else placed.set(pose, placedAlone(alone(pose), pose, footingOf(entry, surfaces, null, null, null)));
  }
  const passages = new Map<Phase, Map<Pose, Passage>>();
  // Back is the way there: a leg that was straight and folds finds its bend as it came.
  const backAlong = (from: Pose, to: Pose): Passage | null => {
    for (const [phase, ways] of passages) {
      const there = poseOf(phase.pose) === from ? ways.get(to) : undefined;
      if (there) return { at: (share) => there.at(1 - share), steps: there.steps };
    }
    return null;
  };
  return {
    placed,
    passage(from, phase) {
      const to = poseOf(phase.pose);
      const [a, b] = [placed.get(from), to && placed.get(to)];
      if (!a || !b || !to) return null;
      const ways = passages.get(phase) ?? new Map<Pose, Passage>();
      passages.set(phase, ways);
      const way =
        ways.get(from) ??
        backAlong(from, to) ??
        passageBetween(a, from, b, to, footingOf(entry, surfaces, phase, from, to));
      ways.set(from, way);
      return way;
    },
  };
}
