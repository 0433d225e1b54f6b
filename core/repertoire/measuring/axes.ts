import {
  anglesOf,
  LIMB_JOINTS,
  type LimbJoint,
  type Pose,
  paired,
  sameAngles,
  supportsOf,
  type TrunkJoint,
} from '../../body';
import { MOST_RUNGS } from '../bounds';
import { Catalog, type CatalogSource, type RungEntry } from '../catalog';
import { rungDoubts } from '../doubts/rungDoubts';
import type { Exercise, Rung } from '../exercise';

// Ladders from axes: two or three parts of a pose are taken from several rungs of a ladder, each with each, and what
// they make are the rungs between.

/** Parts of a pose that can be turned by themselves, and where a movement begins. */
export const AXES = {
  arms: 'arms',
  legs: 'legs',
  trunk: 'head and trunk',
  start: 'where it begins',
} as const;
export type Axis = keyof typeof AXES;
export const AXIS_IDS = Object.keys(AXES) as [Axis, ...Axis[]];

/** The most rungs that may be crossed. */
export const MOST_CROSSED = 4;

/** A rung made of parts of others, measured: a draft until somebody takes it. */
export interface AxisDraft {
  readonly rung: Rung;
  /** The rung with what it is measured and drawn with. */
  readonly entry: RungEntry;
  /** The rung each part is taken from, by its id. */
  readonly of: Readonly<Partial<Record<Axis, string>>>;
  readonly heat: number;
  /** Whether it is no easier than the easiest it was made of and no harder than the hardest. */
  readonly between: boolean;
  /** What a director should look at, in sentences. */
  readonly doubts: readonly string[];
}

const ARM_JOINTS: readonly LimbJoint[] = ['shoulder', 'elbow', 'shoulderAbduction'];
const TRUNK: readonly TrunkJoint[] = ['lumbar', 'thoracic', 'neck', 'twist', 'sideBend', 'pitch'];
const JOINTS: Readonly<Record<Exclude<Axis, 'start'>, readonly (LimbJoint | TrunkJoint)[]>> = {
  arms: ARM_JOINTS,
  legs: LIMB_JOINTS.filter((joint) => !ARM_JOINTS.includes(joint)),
  trunk: TRUNK,
};
const OF: Readonly<Record<Exclude<Axis, 'start'>, RegExp>> = {
  arms: /^(?:hand|fist|forearm|elbow)/,
  legs: /^(?:foot|feet|heel|toe|shin|knee|thigh)/,
  trunk: /^(?:head|ribs|shoulders|pelvis)/,
};

/** A pose with one of its parts as another has it: its joints, what of it rests, what its hands hold, what it carries. */
export function withPart(pose: Pose, part: Exclude<Axis, 'start'>, from: Pose): Pose {
  const own = OF[part];
  const angles = Object.fromEntries(
    JOINTS[part].map((joint) => [joint, from[joint]]).filter(([, angle]) => angle !== undefined),
  );
  const left = Object.fromEntries(Object.entries(pose).filter(([key]) => !(JOINTS[part] as string[]).includes(key)));
  const rests = (each: Pose, of: boolean) => [...supportsOf(each)].filter((support) => own.test(support) === of);
  const supports = paired(new Set([...rests(pose, false), ...rests(from, true)]));
  const { weights: _loads, holds: _grips, ...bare } = left as Pose;
  const loads = merged(pose.weights, from.weights, own);
  const grips = part === 'arms' ? from.holds : pose.holds;
  return {
    ...bare,
    ...angles,
    // Nothing that the mixture leaves hanging in nowhere: somebody who rests on nothing rests as the other does.
    supports: supports.length > 0 ? supports : from.supports,
    ...(loads ? { weights: loads } : {}),
    ...(grips ? { holds: grips } : {}),
  };
}

function merged<T>(
  kept: Readonly<Record<string, T>> | undefined,
  taken: Readonly<Record<string, T>> | undefined,
  own: RegExp,
): Record<string, T> | null {
  const all = [
    ...Object.entries(kept ?? {}).filter(([key]) => !own.test(key)),
    ...Object.entries(taken ?? {}).filter(([key]) => own.test(key)),
  ];
  return all.length > 0 ? Object.fromEntries(all) : null;
}

/** The poses a repetition reaches, in order: where it begins, then each other one as it is first reached. */
const reachedBy = ({ start, phases }: Rung): readonly string[] => [
  ...new Set([start, ...phases.map(({ pose }) => pose)]),
];

/** The pose of a rung that plays a part: 0 where it begins; a rung with fewer poses stays in its last. */
function poseAt(rung: Rung, role: number): Pose | undefined {
  const ids = reachedBy(rung);
  return rung.poses[ids[Math.min(role, ids.length - 1)] ?? rung.start];
}

/** One rung of parts: the phases, the dose and the words of none but the first, each part of the pose as said. */
function mixed(base: Rung, of: ReadonlyMap<Axis, Rung>): Rung {
  const poses = Object.fromEntries(
    reachedBy(base).flatMap((id, role) => {
      const begins = role === 0 ? of.get('start') : undefined;
      let pose = (begins && poseAt(begins, 0)) ?? base.poses[id];
      for (const [axis, source] of of) {
        const from = axis === 'start' ? undefined : poseAt(source, role);
        if (pose && from && axis !== 'start') pose = withPart(pose, axis, from);
      }
      return pose ? [[id, pose]] : [];
    }),
  );
  const sources = [base, ...of.values()];
  const props = [...new Set(sources.flatMap((each) => each.props ?? []))];
  const on = onOf(base, of);
  const { id, name, setupSeconds, dose, start, phases, position, sides } = base;
  return {
    id,
    name,
    ...(position === undefined ? {} : { position }),
    ...(sides === undefined ? {} : { sides }),
    ...(props.length > 0 ? { props } : {}),
    ...(Object.keys(on).length > 0 ? { on } : {}),
    setupSeconds,
    dose,
    poses,
    start,
    phases,
  };
}

/** What carries each part: as the rung has it whose part it is. */
function onOf(base: Rung, of: ReadonlyMap<Axis, Rung>): Record<string, string> {
  const carries = (rung: Rung, keep: (support: string) => boolean) =>
    Object.entries(rung.on ?? {}).filter(([support]) => keep(support));
  const taken = [...of].filter(([axis]) => axis !== 'start') as Array<[Exclude<Axis, 'start'>, Rung]>;
  return Object.fromEntries([
    ...carries(base, (support) => taken.every(([axis]) => !OF[axis].test(support))),
    ...taken.flatMap(([axis, rung]) => carries(rung, (support) => OF[axis].test(support))),
  ]);
}

/** Whether two rungs are drawn alike in every pose they reach. */
function drawnAlike(one: Rung, other: Rung): boolean {
  const roles = Math.max(reachedBy(one).length, reachedBy(other).length);
  return Array.from({ length: roles }, (_, role) => role).every((role) => {
    const [a, b] = [poseAt(one, role), poseAt(other, role)];
    return a && b && sameAngles(anglesOf(a), anglesOf(b)) && sameSupports(a, b);
  });
}
function sameSupports(a: Pose, b: Pose): boolean {
  const [one, other] = [supportsOf(a), supportsOf(b)];
  return one.size === other.size && [...one].every((each) => other.has(each));
}

/** Every way of taking one of a list for each axis. */
const crossed = (axes: readonly Axis[], rungs: readonly Rung[]): ReadonlyArray<ReadonlyMap<Axis, Rung>> =>
  axes.reduce<Array<Map<Axis, Rung>>>(
    (ways, axis) => ways.flatMap((way) => rungs.map((each) => new Map([...way, [axis, each] as const]))),
    [new Map()],
  );

/**
 * The rungs between: parts of the poses of some rungs of a ladder, each with each, drawn, measured and in order of heat.
 * What is drawn like a rung that is there already is left out.
 * @param rungs ids of two to four rungs; the first gives phases, dose and whatever is on no axis
 * @param axes two or three parts
 * @param source what the exercise stands in: its method, positions and props
 */
export function draftsFromAxes(
  exercise: Exercise,
  rungs: readonly string[],
  axes: readonly Axis[],
  source: Omit<CatalogSource, 'exercises'>,
): readonly AxisDraft[] {
  const sources = rungs.flatMap((id) => exercise.rungs.find((rung) => rung.id === id) ?? []).slice(0, MOST_CROSSED);
  const [base] = sources;
  if (!base || sources.length < 2 || axes.length === 0) return [];
  const made: Array<{ rung: Rung; of: Partial<Record<Axis, string>> }> = [];
  for (const way of crossed(axes, sources)) {
    const rung = mixed(base, way);
    if ([...exercise.rungs, ...made.map((each) => each.rung)].some((each) => drawnAlike(each, rung))) continue;
    const of = Object.fromEntries([...way].map(([axis, each]) => [axis, each.id]));
    made.push({ rung: { ...rung, id: `draft-${made.length + 1}`, name: nameOf(base, way) }, of });
    if (made.length >= MOST_RUNGS - exercise.rungs.length) break;
  }
  const catalog = new Catalog({
    ...source,
    exercises: [exercise, { ...exercise, id: DRAFTED, rungs: made.map((each) => each.rung) }],
  });
  const heats = sources.flatMap(({ id: rung }) => {
    const entry = catalog.rung({ exercise: exercise.id, rung });
    return entry ? [catalog.heat(entry)] : [];
  });
  const [least, most] = [Math.min(...heats), Math.max(...heats)];
  return made
    .flatMap(({ rung, of }): AxisDraft[] => {
      const entry = catalog.rung({ exercise: DRAFTED, rung: rung.id });
      if (!entry) return [];
      const heat = catalog.heat(entry);
      const doubts = rungDoubts(catalog, entry).map(({ message }) => withoutName(message, rung.name));
      return [{ rung, entry, of, heat, between: heat >= least && heat <= most, doubts }];
    })
    .sort((a, b) => a.heat - b.heat);
}
/** The exercise the drafts stand in while they are measured: no id a studio can give. */
const DRAFTED = '~drafted';

/** A doubt beside the rung it is about: nobody needs its name again. */
const withoutName = (message: string, name: string): string =>
  message.replace(`In “${name}”, `, '').replace(/^./, (first) => first.toUpperCase());

/** Characters of a name. */
const NAME = 120;
/** What is not the first rung's: “Arms as in Hands behind the head”. */
const nameOf = (base: Rung, of: ReadonlyMap<Axis, Rung>): string =>
  [...of]
    .filter(([, rung]) => rung !== base)
    .map(([axis, { name }]) => `${AXES[axis]} as in ${name}`)
    .join(', ')
    .replace(/^./, (first) => first.toUpperCase())
    .slice(0, NAME)
    .trim();

/**
 * The exercise with drafts taken in, each above the last rung that is no hotter; what stands there keeps its order.
 * @param heatOf of a rung of the exercise
 * @param freeId an id for a rung of a name, free among others
 */
export function withDrafts(
  exercise: Exercise,
  drafts: readonly AxisDraft[],
  heatOf: (rung: Rung) => number,
  freeId: (name: string, among: readonly Rung[]) => string,
): Exercise {
  let { rungs } = exercise;
  const heats = new Map(rungs.map((rung) => [rung, heatOf(rung)]));
  for (const { rung, heat } of drafts) {
    const below = rungs.findLastIndex((each) => (heats.get(each) ?? 0) <= heat);
    const taken = { ...rung, id: freeId(rung.name, rungs) };
    heats.set(taken, heat);
    rungs = rungs.toSpliced(below + 1, 0, taken);
  }
  return { ...exercise, rungs };
}
