import type { CRAFT_SETTINGS, LIMIT_SETTINGS, SCORE_SETTINGS } from '../method';
import { CRAFT_NAMES } from './craft/craft';
import type { MeasureName, Measures } from './measures';
import type { ClassReview } from './reviewClass';

export type HouseSetting = keyof typeof LIMIT_SETTINGS | keyof typeof SCORE_SETTINGS | keyof typeof CRAFT_SETTINGS;

/** What a figure of the method is held against in every class: beyond it, under it, or away from it is worse. */
export interface HeldBy {
  readonly measure: MeasureName;
  readonly bound: 'most' | 'least' | 'best';
}

const most = (measure: MeasureName): HeldBy => ({ measure, bound: 'most' });
const least = (measure: MeasureName): HeldBy => ({ measure, bound: 'least' });
const best = (measure: MeasureName): HeldBy => ({ measure, bound: 'best' });

/** Of each figure that classes are held against, which of their measures it speaks of, in the measure's own unit. */
export const HELD_BY: Readonly<Partial<Record<HouseSetting, HeldBy>>> = {
  overChance: most('overChance'),
  blockSeconds: most('longestBlockSeconds'),
  openingShare: most('openingShare'),
  positionReturns: most('positionReturns'),
  floorTrips: most('floorTrips'),
  flexionStretchSeconds: most('flexionStretchSeconds'),
  propReturns: most('propReturns'),
  arcHeat: least('hottest'),
  peakFrom: least('peakAt'),
  peakTo: most('peakAt'),
  heatJump: most('steepestRise'),
  homeHeat: most('hottest'),
  headStretchSeconds: most('headStretchSeconds'),
  headSeconds: most('headSeconds'),
  wristStretchSeconds: most('wristStretchSeconds'),
  wristSeconds: most('wristSeconds'),
  doubleLeverStretchSeconds: most('doubleLeverStretchSeconds'),
  doubleLeverSeconds: most('doubleLeverSeconds'),
  kneelingStretchSeconds: most('kneelingStretchSeconds'),
  kneelingSeconds: most('kneelingSeconds'),
  peakAt: best('peakAt'),
  changingShare: best('changingShare'),
  propChanges: best('propChanges'),
  connectionBy: most('connection'),
  carryShare: least('carry'),
  alikeBlocks: most('alike'),
  threadShare: least('thread'),
  calmSeconds: most('calm'),
  newLadders: most('novelty'),
  densityLeast: least('density'),
  densityMost: most('density'),
  propsTaken: most('props'),
  lateChance: most('late'),
};

/** What was measured of a class without what it was not asked for: a peak where it has none, craft in a lesson. */
export function askedMeasures({ measures, subject }: Pick<ClassReview, 'measures' | 'subject'>): Partial<Measures> {
  const asked: Record<string, number> = { ...measures };
  if (!subject.arc) delete asked.peakAt;
  for (const name of CRAFT_NAMES) if (!subject.craft.has(name)) delete asked[name];
  return asked;
}

/** What is within a figure, or liked best. */
export interface Ends {
  readonly from?: number;
  readonly to?: number;
  readonly best?: number;
}

export const endsOf = ({ bound }: HeldBy, figure: number): Ends =>
  bound === 'most' ? { to: figure } : bound === 'least' ? { from: figure } : { best: figure };

/** Whether a class lies on the wrong side of a figure; of one that is only best, never. */
export const isBeyond = ({ from, to }: Ends, value: number): boolean =>
  (to !== undefined && value > to) || (from !== undefined && value < from);
