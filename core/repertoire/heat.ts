import { type Load, loadOf, NO_LOAD, peakLoad } from '../body';
import type { BasePosition } from '../body/position';
import type { Method } from '../method/method';
import { allMoments, type Course, heaviestLoad } from './course';
import type { Prop, Rung } from './exercise';
import { feltLever, weigh } from './feltLever';
import { angleEffort, headEffort, mobilityEffort, offMiddle, steadying, supportEffort } from './shapeEfforts';
import { breathEffort, limbsEffort, rangeOf, returningEffort, volumeEffort, weightEffort } from './workEfforts';

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

export interface RungMeasures {
  /** Difficulty, 0 to 100: the director's override, or the computed one. */
  readonly heat: number;
  /** What each factor adds to the computed heat; they sum to it. */
  readonly factors: HeatFactors;
  /** Peak over all that is reached, way in and out too, N·m. */
  readonly load: Load;
}

/** What a rung is measured with, beside itself. */
export interface HeatCircumstances {
  /** The position the exercise is drawn and measured as. */
  readonly like: BasePosition;
  readonly method: Method;
  /** Those of the rung, for their stability. */
  readonly props: readonly Prop[];
  /** Whether something beside the body shows every sway (`isGuided`). */
  readonly guided: boolean;
}

/** Heat of one unit of each factor's effort (docs/heat.md, "Weights"). */
const WEIGHTS: HeatFactors = {
  lever: 4.45,
  limbs: 1.75,
  support: 4,
  head: 11.2,
  weight: 4,
  range: 1.5,
  angle: 3,
  breath: 6,
  volume: 7.6,
  control: 9,
  mobility: 2.6,
};

/** Up to here heat is the plain sum of efforts; beyond, it nears 100 and never reaches it. */
const STRAIGHT_TO = 84;

/** The shape of the sum: straight, then bent without a corner, so that no dial ever stops moving heat. */
export const shapeOf = (sum: number): number =>
  sum <= STRAIGHT_TO ? sum : 100 - (100 - STRAIGHT_TO) * Math.exp(-(sum - STRAIGHT_TO) / (100 - STRAIGHT_TO));

/**
 * Heat of a rung: every factor has an effort that rises without an end, and heat is the shape of their weighted sum.
 * A factor rises with what practitioners call harder and with nothing else (docs/heat.md gives each scale).
 * @param course the rung as it passes; entry and exit count for the load alone
 */
export function measureRung(rung: Rung, circumstances: HeatCircumstances, course: Course): RungMeasures {
  const efforts = effortsOf(rung, circumstances, course);
  const factors = { ...efforts };
  let sum = 0;
  for (const factor of HEAT_FACTORS) {
    factors[factor] = efforts[factor] * WEIGHTS[factor];
    sum += factors[factor];
  }
  const computed = shapeOf(sum);
  const share = sum === 0 ? 0 : computed / sum;
  for (const factor of HEAT_FACTORS) factors[factor] *= share;
  const load = peakLoad(
    heaviestLoad(allMoments(course)),
    course.start ? loadOf(course.start, circumstances.method) : NO_LOAD,
  );
  return { heat: rung.heatOverride?.heat ?? computed, factors, load };
}

/** Effort of each factor, from 0 without an end. */
function effortsOf(rung: Rung, { like, method, props, guided }: HeatCircumstances, { bodies }: Course): HeatFactors {
  const reached = [rung.start, ...rung.phases.map(({ pose }) => pose)];
  const poses = new Map(
    reached.flatMap((id) => {
      const pose = rung.poses[id];
      const posed = pose && bodies.get(pose);
      return posed ? [[id, weigh(posed, method)] as const] : [];
    }),
  );
  // One repetition as it is done: the start, then what each phase arrives at.
  const course = reached.flatMap((id) => poses.get(id)?.posed ?? []);
  return {
    lever: leverEffort(feltLever(rung, poses, like, method)),
    limbs: limbsEffort(course, like),
    support: supportEffort(course, steadying(props, rung), like, guided),
    head: Math.max(0, ...course.map((each) => headEffort(each))),
    weight: weightEffort(course, rung),
    range: rangeOf(course) / 100,
    angle: Math.max(0, ...course.map(({ pose }) => angleEffort(pose, like))),
    breath: breathEffort(rung, like),
    volume: volumeEffort(rung, method.secondsPerCount),
    control: returningEffort(rung, course, method.secondsPerCount) + offMiddle(course, like),
    mobility: Math.max(0, ...course.map((each) => mobilityEffort(each, rung))),
  };
}

/** 1: the worst lever of the repetition, in tens of N·m; a little less than in proportion, as it is felt. */
const leverEffort = (newtonMetres: number): number => (newtonMetres / 10) ** LEVER_POWER;
const LEVER_POWER = 0.97;
