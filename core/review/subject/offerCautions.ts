import {
  adviceOf,
  type CautionRule,
  type Condition,
  graver,
  peakCautions,
  rateCautions,
  timeRulesOn,
} from '../../caution';
import { FEATURES, type Passing } from '../../repertoire';
import type { TimeFeature } from '../../vocabulary/bodies/features';
import { isOver } from '../../vocabulary/measure';
import type { Offer } from './offer';

/** What a rule asks of somebody who takes an offered rung. */
export interface OfferCaution {
  readonly rule: CautionRule;
  readonly value: number;
  readonly how: string;
}

const known = new WeakMap<Offer, readonly OfferCaution[]>();

/**
 * What the conditions in the room say of an offered rung, by its peaks, by how fast it goes and by its time at a
 * stretch: of the rules of one condition on one feature the gravest.
 */
export function cautionsOn(offer: Offer): readonly OfferCaution[] {
  const found = known.get(offer) ?? judged(offer);
  known.set(offer, found);
  return found;
}

function judged(offer: Offer): readonly OfferCaution[] {
  const { entry, home, room, doing, reading } = offer;
  const { catalog, graded } = room;
  if (graded.length === 0) return NONE;
  const passing: Passing = { entry: !home.carries, exit: !home.carried };
  const found: OfferCaution[] = [
    ...peakCautions(catalog, entry, graded, passing),
    ...rateCautions(catalog, entry, graded, doing.count, passing),
  ];
  const byTime = new Map<string, OfferCaution>();
  for (const rule of timeRulesOn(catalog, entry, graded)) {
    const value = offer.longest(rule.feature as TimeFeature);
    if (!isOver(value, rule.over, FEATURES[rule.feature].unit)) continue;
    const key = `${rule.condition}/${rule.feature}`;
    const other = byTime.get(key);
    if (other && graver(other.rule.verdict, rule.verdict) === other.rule.verdict) continue;
    byTime.set(key, { rule, value, how: adviceOf(rule, reading.features.already) });
  }
  return [...found, ...byTime.values()];
}
const NONE: readonly OfferCaution[] = [];

/** Whether people with a condition can take it: nothing of it has to be swapped, or cleared first, for them. */
export const isFineFor = (offer: Offer, condition: Condition): boolean =>
  cautionsOn(offer).every(({ rule }) => rule.condition !== condition || rule.verdict === 'adapt');
