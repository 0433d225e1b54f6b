import { studioOf } from '../formats';
import { demoBundle, must } from '../testing';
import { askedMeasures, endsOf, HELD_BY, type HouseSetting, isBeyond } from './heldBy';
import { reviewClass } from './reviewClass';
import { RULES } from './rules';

const TODAY = '2026-11-28';

/** The figures of the method that a rule names as its limit. */
const named = new Map(
  RULES.map(({ code, limit }) => [
    code as string,
    [...limit.matchAll(/`(?:limits|craft)\.(\w+)`/g)].map(([, key]) => key),
  ]),
);

test('what a review finds beyond a figure of the method lies beyond it where the figure is changed, too', () => {
  const studio = studioOf(demoBundle(), { today: TODAY });
  const seen = new Set<string>();
  for (const plan of demoBundle().classes ?? []) {
    const context = { audience: studio.audienceOf(plan.audience), today: TODAY };
    const review = reviewClass(studio.catalog, plan, context);
    const measures = askedMeasures(review);
    for (const { code, limit } of review.findings) {
      const [key, ...others] = (named.get(code) ?? []).filter((each) => each !== undefined && each in HELD_BY);
      const held = HELD_BY[key as HouseSetting];
      const figures: Readonly<Record<string, number>> = {
        ...studio.catalog.method.limits,
        ...studio.catalog.method.craft,
      };
      // A limit of an audience’s own, or of a kind of class, is not the figure that is shown.
      if (!held || others.length > 0 || limit !== figures[key as string]) continue;
      const value = measures[held.measure];
      expect([code, value !== undefined && isBeyond(endsOf(held, limit), value)]).toEqual([code, true]);
      seen.add(code);
    }
  }
  expect(seen.size).toBeGreaterThan(5);
});

test('what was not asked of a class stands nowhere, and what is only liked best is never beyond', () => {
  const { catalog } = studioOf(demoBundle(), { today: TODAY });
  const lesson = { ...must(demoBundle().classes?.[0]), purpose: 'lesson' as const, blocks: [] };
  const measures = askedMeasures(reviewClass(catalog, lesson, {}));
  expect(measures).not.toHaveProperty('peakAt');
  expect(measures).not.toHaveProperty('thread');
  expect(measures.floorTrips).toBe(0);
  expect(isBeyond(endsOf(must(HELD_BY.peakAt), 0.7), 0.2)).toBe(false);
  expect(isBeyond(endsOf(must(HELD_BY.densityLeast), 0.6), 0.5)).toBe(true);
  expect(isBeyond(endsOf(must(HELD_BY.densityMost), 1.1), 1.1)).toBe(false);
});
