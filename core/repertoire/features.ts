import {
  armBears,
  bears,
  dot,
  headBears,
  isPropped,
  legBears,
  type Point,
  type Posed,
  pelvisBears,
  posedAs,
  type ReferenceBody,
  raisedLegs,
  ribsBear,
  SIDES,
  type Side,
} from '../body';
import type { BasePosition } from '../body/position';
import type { Method } from '../method/method';
import type { Moment } from './course';
import type { Dose, Rung } from './exercise';

/**
 * What a rung does to a body, read from its poses and phases and from nothing else: what cautions, exposures,
 * preparation and substitutes act on, so that a new exercise is covered the moment its poses exist.
 * `peak` features are the most of any moment; `time` features are seconds at a stretch at the dose.
 */
export const FEATURES = {
  loadedFlexion: { kind: 'peak', unit: '°', words: 'bending forward under load' },
  extension: { kind: 'peak', unit: '°', words: 'bending back' },
  rotation: { kind: 'peak', unit: '°', words: 'turning the spine' },
  sideBend: { kind: 'peak', unit: '°', words: 'bending sideways' },
  legLever: { kind: 'peak', unit: 'N·m', words: 'leg lever' },
  doubleLegLever: { kind: 'peak', unit: 'N·m', words: 'double-leg lever' },
  curlLever: { kind: 'peak', unit: 'N·m', words: 'curl lever' },
  lumbarMoment: { kind: 'peak', unit: 'N·m', words: 'moment at the low back' },
  inversion: { kind: 'peak', unit: '°', words: 'hips above the head' },
  neckWeight: { kind: 'peak', unit: '°', words: 'weight rolled towards the neck' },
  hipFlexion: { kind: 'peak', unit: '°', words: 'hip bent' },
  hipAcross: { kind: 'peak', unit: '°', words: 'leg across the midline' },
  hipTurnedIn: { kind: 'peak', unit: '°', words: 'hip turned in' },
  straddle: { kind: 'peak', unit: '°', words: 'legs wide apart' },
  kneeBend: { kind: 'peak', unit: '°', words: 'knee bent under weight' },
  hamstrings: { kind: 'peak', unit: '°', words: 'hamstrings lengthened' },
  anklePointed: { kind: 'peak', unit: '°', words: 'weight over a pointed ankle' },
  ankleBent: { kind: 'peak', unit: '°', words: 'shin leaning over the foot' },
  armOverhead: { kind: 'peak', unit: '°', words: 'arm raised' },
  handLoad: { kind: 'peak', unit: 'kg', words: 'weight held in the hands' },
  headSweep: { kind: 'peak', unit: '°', words: 'head swept through space' },
  rolling: { kind: 'peak', unit: '', words: 'rolling along the spine' },
  headLifted: { kind: 'time', unit: 's', words: 'head lifted' },
  pronePressure: { kind: 'time', unit: 's', words: 'lying on the belly' },
  flatOnBack: { kind: 'time', unit: 's', words: 'flat on the back' },
  extendedWrists: { kind: 'time', unit: 's', words: 'weight on extended wrists' },
  armsBearing: { kind: 'time', unit: 's', words: 'weight on the arms' },
  kneeling: { kind: 'time', unit: 's', words: 'weight on the knees' },
  oneFoot: { kind: 'time', unit: 's', words: 'standing on one foot' },
  longHold: { kind: 'time', unit: 's', words: 'holding still under load' },
  longDoubleLever: { kind: 'time', unit: 's', words: 'long double-leg lever' },
  breathHeld: { kind: 'time', unit: 's', words: 'breath held with effort' },
} as const satisfies Record<string, { kind: 'peak' | 'time'; unit: string; words: string }>;
export type Feature = keyof typeof FEATURES;
type FeatureOf<K extends 'peak' | 'time'> = {
  [F in Feature]: (typeof FEATURES)[F]['kind'] extends K ? F : never;
}[Feature];
export type PeakFeature = FeatureOf<'peak'>;
export type TimeFeature = FeatureOf<'time'>;

const ofKind = <K extends 'peak' | 'time'>(kind: K) =>
  (Object.keys(FEATURES) as Feature[]).filter((feature) => FEATURES[feature].kind === kind) as Array<FeatureOf<K>>;
const PEAKS = ofKind('peak');
const TIMES = ofKind('time');

/** Seconds of one repetition in which a feature holds. */
interface Spell {
  readonly total: number;
  /** The longest without a break, joined over the end of one repetition and the start of the next. */
  readonly longest: number;
  /** It holds from the first moment to the last, so repetitions join up. */
  readonly whole: boolean;
}

export interface RungFeatures {
  readonly peaks: Readonly<Record<PeakFeature, number>>;
  readonly spells: Readonly<Record<TimeFeature, Spell>>;
  readonly repSeconds: number;
}

/** @param course one repetition of the rung, as `courseOf` gives it */
export function featuresOf(rung: Rung, like: BasePosition, method: Method, course: readonly Moment[]): RungFeatures {
  const start = rung.poses[rung.start];
  const bodies = [...(start ? [posedAs(start, like, method.bodyHeightM)] : []), ...course.map(({ posed }) => posed)];
  const each = bodies.map((posed) => peaksOf(posed, method));
  const peaks = Object.fromEntries(
    PEAKS.map((feature) => [feature, Math.max(0, ...each.map((one) => one[feature] ?? 0))]),
  ) as Record<PeakFeature, number>;
  const sweeps = bodies.map(headElevation);
  peaks.headSweep = Math.max(...sweeps) - Math.min(...sweeps);
  peaks.rolling = rolls(bodies) ? 1 : 0;
  for (const idea of ['curlLever', 'lumbarMoment'] as const) {
    peaks[idea] = Math.max(0, ...course.map(({ load }) => load[idea] ?? 0));
  }
  const spells = Object.fromEntries(
    TIMES.map((feature) => [feature, spellOf(course, (moment) => holds[feature](moment, method))]),
  ) as Record<TimeFeature, Spell>;
  return { peaks, spells, repSeconds: course.reduce((sum, { seconds }) => sum + seconds, 0) };
}

/** The features of one pose that stand by themselves; those of a whole repetition are left out. */
function peaksOf(posed: Posed, body: ReferenceBody): Partial<Record<PeakFeature, number>> {
  const { pose, like, angles, bones, ground } = posed;
  const flexion = angles.lumbar + angles.thoracic;
  const most = (read: (side: Side) => number) => Math.max(0, read('left'), read('right'));
  const tilt = headDown(posed);
  const onShoulders = ribsBear(pose) && !pelvisBears(pose) && like === 'supine';
  const legs = raisedLegs(posed, body);
  return {
    loadedFlexion: carriesItself(posed) ? flexion : 0,
    extension: -flexion,
    rotation: Math.abs(angles.twist),
    sideBend: Math.abs(angles.sideBend),
    // Standing, and one leg lifted lying on a side, it is the hip that works and not the low back.
    legLever: like === 'standing' || (like === 'side-lying' && legsBear(pose)) ? 0 : legs,
    doubleLegLever: legsBear(pose) || isPropped(pose, like) ? 0 : legs,
    inversion: tilt,
    neckWeight: onShoulders ? (legsBear(pose) ? tilt : Math.max(tilt, pelvisOver(posed))) : 0,
    hipFlexion: most((side) => angles.hip[side]),
    hipAcross: most((side) => -angles.hipAbduction[side]),
    hipTurnedIn: most((side) => -angles.hipRotation[side]),
    straddle: most((side) => angles.hipAbduction[side]),
    kneeBend: most((side) => (weightOnKnee(posed, side) ? angles.knee[side] : 0)),
    // A bent knee lets the hamstrings off degree for degree; a round back reaches no further from the hip.
    hamstrings: most((side) => angles.hip[side] - angles.knee[side]),
    anklePointed: most((side) => (pointedUnderWeight(posed, side) ? (pose.ankle ? angles.ankle[side] : 75) : 0)),
    ankleBent:
      like === 'standing' && !pelvisBears(pose)
        ? most((side) => (legBears(pose, side) ? leanOf(bones.leg[side].middle, bones.leg[side].end, ground.up) : 0))
        : 0,
    armOverhead: most((side) => Math.max(angles.shoulder[side], angles.shoulderAbduction[side])),
    handLoad: (pose.weights?.['hand.left'] ?? 0) + (pose.weights?.['hand.right'] ?? 0),
  };
}

/** Whether the spine holds its own weight up: not lying at rest on head and ribs, nor hanging between them and the feet. */
const carriesItself = ({ pose }: Posed): boolean =>
  !(ribsBear(pose) && headBears(pose) && (pelvisBears(pose) || legsBear(pose)));

/** Degrees the trunk slopes down from hips to shoulders; 0 when it rises. */
const headDown = ({ bones, ground }: Posed): number => fall(bones.hip, bones.shoulder, ground.up);

/** Degrees the pelvis itself is tipped over: a round back hides it from the line to the shoulders. */
const pelvisOver = ({ bones, ground }: Posed): number => fall(bones.hip, bones.lumbar, ground.up);

/** Degrees the way from one point to another falls; 0 when it rises. */
function fall(from: Point, to: Point, up: Point): number {
  const drop = dot(from, up) - dot(to, up);
  const length = Math.hypot(from.x - to.x, from.y - to.y, from.z - to.z);
  return Math.max(0, (Math.asin(Math.min(1, drop / length)) * 180) / Math.PI);
}

/** Degrees a limb leans from upright. */
function leanOf(top: Point, bottom: Point, up: Point): number {
  const line = { x: top.x - bottom.x, y: top.y - bottom.y, z: top.z - bottom.z };
  return (Math.acos(Math.min(1, Math.abs(dot(line, up)) / Math.hypot(line.x, line.y, line.z))) * 180) / Math.PI;
}

/** Degrees from level at which the head points: 90 upright, −90 upside down. */
function headElevation({ bones, ground }: Posed): number {
  const { head, shoulder } = bones;
  const line = { x: head.x - shoulder.x, y: head.y - shoulder.y, z: head.z - shoulder.z };
  return (
    (Math.asin(Math.max(-1, Math.min(1, dot(line, ground.up) / Math.hypot(line.x, line.y, line.z)))) * 180) / Math.PI
  );
}

const KNEELING: ReadonlySet<BasePosition> = new Set(['kneeling', 'four-point', 'seated']);
const onKnee = (posed: Posed, side: Side): boolean =>
  bears(posed.pose, 'knees', side) || (bears(posed.pose, 'shins', side) && KNEELING.has(posed.like));
const weightOnKnee = (posed: Posed, side: Side): boolean =>
  onKnee(posed, side) || (posed.like === 'standing' && !pelvisBears(posed.pose) && legBears(posed.pose, side));
const pointedUnderWeight = (posed: Posed, side: Side): boolean =>
  onKnee(posed, side) && !bears(posed.pose, 'toes', side) && posed.angles.knee[side] > 100;

/** Balanced on the pelvis at one moment and on the shoulders at another: the spine is rolled along. */
function rolls(bodies: readonly Posed[]): boolean {
  const onPelvis = bodies.some(({ pose }) => pelvisBears(pose) && !ribsBear(pose) && !legsBear(pose));
  const onBack = bodies.some(({ pose }) => ribsBear(pose) && !pelvisBears(pose) && !legsBear(pose));
  return onPelvis && onBack;
}
/** Whether a leg bears at all. */
const legsBear = (pose: Posed['pose']): boolean => SIDES.some((side) => legBears(pose, side));

const LYING: ReadonlySet<BasePosition> = new Set(['supine', 'prone', 'side-lying']);
const ARMS_CARRY: ReadonlySet<BasePosition> = new Set([
  'plank',
  'four-point',
  'prone',
  'side-lying',
  'standing',
  'kneeling',
]);
const handsCarry = ({ pose, like }: Posed): boolean =>
  (ARMS_CARRY.has(like) || (like === 'supine' && !ribsBear(pose))) && !(like === 'prone' && ribsBear(pose));

/** When each time feature holds. */
const holds: Record<TimeFeature, (moment: Moment, method: Method) => boolean> = {
  headLifted: ({ posed: { pose, like } }) =>
    LYING.has(like) &&
    !headBears(pose) &&
    !(like !== 'supine' && SIDES.some((side) => armBears(pose, side))) &&
    pelvisBears(pose),
  pronePressure: ({ posed: { pose, like } }) => like === 'prone' && (pelvisBears(pose) || ribsBear(pose)),
  flatOnBack: ({ posed: { pose, like, angles } }) =>
    like === 'supine' && ribsBear(pose) && pelvisBears(pose) && Math.abs(angles.pitch) < 15,
  extendedWrists: ({ posed }) => handsCarry(posed) && SIDES.some((side) => onHand(posed, side)),
  armsBearing: ({ posed }) => handsCarry(posed) && SIDES.some((side) => armBears(posed.pose, side)),
  kneeling: ({ posed }) => SIDES.some((side) => onKnee(posed, side)),
  oneFoot: ({ posed: { pose, like } }) =>
    like === 'standing' &&
    SIDES.filter((side) => legBears(pose, side)).length === 1 &&
    !SIDES.some((side) => armBears(pose, side)),
  longHold: ({ still, phase, load }) =>
    still && phase.effort === true && (load.legLever ?? 0) + (load.curlLever ?? 0) + (load.lumbarMoment ?? 0) > 0,
  longDoubleLever: ({ posed }, method) =>
    pelvisBears(posed.pose) &&
    !SIDES.some((side) => legBears(posed.pose, side)) &&
    raisedLegs(posed, method) > method.limits.longDoubleLever,
  breathHeld: ({ phase }) => phase.breath === 'hold' && phase.effort === true,
};

const onHand = ({ pose }: Posed, side: Side): boolean => bears(pose, 'hands', side) && !bears(pose, 'forearms', side);

function spellOf(course: readonly Moment[], on: (moment: Moment) => boolean): Spell {
  let [total, longest, running] = [0, 0, 0];
  let whole = true;
  // Twice round, so that a stretch over the end of one repetition and the start of the next counts as one.
  for (const round of [0, 1]) {
    for (const moment of course) {
      const here = on(moment);
      if (round === 0) {
        if (here) total += moment.seconds;
        else whole = false;
      }
      running = here ? running + moment.seconds : 0;
      longest = Math.max(longest, running);
    }
  }
  return whole ? { total, longest: total, whole } : { total, longest, whole };
}

/**
 * The value of a feature at a dose: a peak in its unit; for a time feature the seconds at a stretch, one set on one
 * side long when it never lets go.
 */
export function featureAt(features: RungFeatures, feature: Feature, dose: Dose): number {
  if (feature in features.peaks) return features.peaks[feature as PeakFeature];
  const { longest, whole } = features.spells[feature as TimeFeature];
  return whole ? longest * dose.reps : longest;
}

/** Seconds of a whole block in which a time feature holds, both sides where there are two. */
export const featureSeconds = (features: RungFeatures, feature: TimeFeature, work: number): number =>
  features.repSeconds === 0 ? 0 : (features.spells[feature].total / features.repSeconds) * work;
