import type { Load, Posed } from '../../body';
import type { BasePosition } from '../../body/position';
import type { Measuring } from '../../method/method';
import { isSeated, liesOnBack, liesOnFront } from '../../vocabulary/bodies/position';
import type { Prop, Rung } from '../exercise';
import type { Course } from './course';
import { feltCourse, leastFelt, type Weighed, weigh, worstFelt } from './feltLever';
import { movementsOf } from './movements';
import {
  angleEffort,
  type HeadUp,
  headUp,
  limbsAloft,
  mobilityEffort,
  offMiddle,
  smallness,
  steadying,
} from './shapeEfforts';
import {
  breathEffort,
  holdEffort,
  layers,
  limbRange,
  movingLimbs,
  slowEffort,
  spineRange,
  travelOf,
  volumeEffort,
  weightEffort,
} from './workEfforts';

/** What makes a rung harder, in the order of docs/heat.md, each with its words. */
export const HEAT_FACTOR_WORDS = {
  lever: 'Longer lever',
  limbs: 'Limbs unsupported or moving',
  support: 'Smaller or less stable support',
  head: 'Head and chest lifted',
  weight: 'Held weight, squeeze or spring',
  range: 'Larger range',
  angle: 'Flatter body angle',
  breath: 'Effort against the breath',
  volume: 'Reps, holds and layers',
  control: 'Slow lowering, a limb off the middle line',
  mobility: 'Mobility asked for',
} as const;
export type HeatFactor = keyof typeof HEAT_FACTOR_WORDS;
export type HeatFactors = Record<HeatFactor, number>;
export const HEAT_FACTORS = Object.keys(HEAT_FACTOR_WORDS) as HeatFactor[];

export interface HeatMeasures {
  /** Difficulty, 0 to 100: the director's override, or the computed one. */
  readonly heat: number;
  /** What each factor adds to the computed heat; they sum to it. */
  readonly factors: HeatFactors;
}

export interface RungMeasures extends HeatMeasures {
  /** Peak over all that is reached, way in and out too, N·m. */
  readonly load: Load;
}

/** What a rung is measured with, beside itself. */
export interface HeatCircumstances {
  /** The position the exercise is drawn and measured as. */
  readonly like: BasePosition;
  readonly method: Measuring;
  /** Those of the rung, for their stability. */
  readonly props: readonly Prop[];
  /** Whether something beside the body shows every sway (`isGuided`). */
  readonly guided: boolean;
}

/** What heat is the sum of: each term with its factor and the heat of one of it (docs/heat.md, "Terms"). */
const HEAT_TERMS = {
  /** What is held up, in heat already (`FELT`). */
  lever: ['lever', 0.8],
  leverStays: ['lever', 0.2],
  legs: ['limbs', 1.45],
  bothLegs: ['limbs', 9.43],
  bothLegsElsewhere: ['limbs', 1.01],
  arms: ['limbs', 0.15],
  moving: ['limbs', 0.1],
  smallness: ['support', 7.7],
  unstable: ['support', 2.01],
  guide: ['support', 2.6],
  head: ['head', 5.08],
  chest: ['head', 4],
  freeHands: ['head', 2.68],
  headStays: ['head', 1.8],
  headOnFront: ['head', 4.54],
  weight: ['weight', 3.36],
  limbRange: ['range', 0.8],
  spineRange: ['range', 6.4],
  angle: ['angle', 10.8],
  breath: ['breath', 3],
  minutes: ['volume', 6.95],
  layers: ['volume', 2.1],
  hold: ['volume', 1.84],
  slow: ['control', 4.63],
  offMiddle: ['control', 9],
  mobility: ['mobility', 3.15],
} as const satisfies Record<string, readonly [HeatFactor, number]>;
type HeatTerm = keyof typeof HEAT_TERMS;
type HeatTerms = Record<HeatTerm, number>;

/** Up to here heat is the plain sum of efforts; beyond, it nears 100 and never reaches it. */
const STRAIGHT_TO = 84;

/** The shape of the sum: straight, then bent without a corner, so that no dial ever stops moving heat. */
export const shapeOf = (sum: number): number =>
  sum <= STRAIGHT_TO ? sum : 100 - (100 - STRAIGHT_TO) * Math.exp(-(sum - STRAIGHT_TO) / (100 - STRAIGHT_TO));

/**
 * Heat of a rung: every term rises without an end, and heat is the shape of their weighted sum. A term rises with what
 * practitioners call harder and with nothing else (docs/heat.md gives each scale).
 * @param course the rung as it passes; entry and exit count for the load alone
 */
export function measureRung(rung: Rung, circumstances: HeatCircumstances, course: Course): HeatMeasures {
  const terms = termsOf(rung, circumstances, course);
  const factors = Object.fromEntries(HEAT_FACTORS.map((factor) => [factor, 0])) as HeatFactors;
  let sum = 0;
  for (const [term, [factor, weight]] of TERM_ENTRIES) {
    const heat = terms[term] * weight;
    factors[factor] += heat;
    sum += heat;
  }
  const computed = shapeOf(sum);
  const share = sum === 0 ? 0 : computed / sum;
  for (const factor of HEAT_FACTORS) factors[factor] *= share;
  return { heat: rung.heatOverride?.heat ?? computed, factors };
}
const TERM_ENTRIES = Object.entries(HEAT_TERMS) as Array<[HeatTerm, (typeof HEAT_TERMS)[HeatTerm]]>;

/** Every term of a rung, from 0 without an end. */
function termsOf(
  rung: Rung,
  { like, method, props, guided }: HeatCircumstances,
  body: Pick<Course, 'bodyIn'>,
): HeatTerms {
  // One repetition as it is done: the start, then what each phase arrives at.
  const reached = [rung.start, ...rung.phases.map(({ pose }) => pose)];
  const weighedAt = new Map<Posed, Weighed>();
  const weighed = reached.flatMap((id) => {
    const posed = body.bodyIn(id);
    if (!posed) return [];
    const known = weighedAt.get(posed) ?? weigh(posed, method);
    weighedAt.set(posed, known);
    return [known];
  });
  const course = weighed.map(({ posed }) => posed);
  const once = [...weighedAt.keys()];
  const most = (read: (posed: Posed) => number) => Math.max(0, ...once.map(read));

  const felt = feltCourse(rung, weighed, like, method);
  const lever = worstFelt(felt);
  const movements = movementsOf(rung, course);
  const travel = travelOf(once);
  const aloft = once.map((posed) => limbsAloft(posed, like));
  const bothLegs = aloft.some(({ legs }) => legs === 2) ? 1 : 0;
  const bellyHolds = liesOnBack(like) || isSeated(like);
  const small = smallness(once, like);
  const rests = steadying(props, rung).length + (rung.spring?.does === 'carry' ? 1 : 0);
  const heads = once.map(headUp);
  const front = liesOnFront(like) ? 0 : 1;
  const up = (part: keyof HeadUp) => Math.max(0, ...heads.map((head) => head[part]));
  return {
    lever,
    leverStays: leastFelt(felt),
    legs: Math.max(0, ...aloft.map(({ legs }) => legs)),
    bothLegs: bellyHolds ? bothLegs : 0,
    bothLegsElsewhere: bellyHolds ? 0 : bothLegs,
    arms: Math.max(0, ...aloft.map(({ arms }) => arms)),
    moving: movingLimbs(once, travel),
    smallness: small,
    unstable: rests * (1 + small),
    guide: guided ? 1 : 0,
    head: up('head') * front,
    chest: up('chest') * front,
    freeHands: up('freeHands') * front,
    headStays: heads.length > 0 && heads.every(({ head }) => head > 0) ? front : 0,
    headOnFront: up('head') * (1 - front),
    weight: weightEffort(course, rung),
    limbRange: limbRange(once, travel) / 100,
    spineRange: spineRange(travel) / 100,
    angle: most((posed) => angleEffort(posed, like)),
    breath: breathEffort(rung, felt, like),
    minutes: volumeEffort(rung, movements, method.secondsPerCount),
    layers: layers(once, travel),
    hold: holdEffort(rung, movements, lever, method.secondsPerCount),
    slow: slowEffort(rung, movements, lever, method.secondsPerCount),
    offMiddle: offMiddle(once, like),
    mobility: most((posed) => mobilityEffort(posed, rung)),
  };
}
