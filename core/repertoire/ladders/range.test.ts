import fc from 'fast-check';
import { anglesOf } from '../../body';
import { studioOf } from '../../formats';
import { fixesFor } from '../../mend';
import { type ClassPlan, timeClass } from '../../plan';
import { reviewClass } from '../../review';
import { demoBundle } from '../../testing/demo';
import { must } from '../../testing/studio';
import { withRange } from './range';

const { catalog } = studioOf(demoBundle(), {});
const turn = must(catalog.rung({ exercise: 'sit-turn', rung: 'crossed' }));

test('every shape of a repetition lies as far from the first as the share says; the rest stays', () => {
  const rungs = catalog.rungs.map(({ rung }) => rung);
  fc.assert(
    fc.property(fc.constantFrom(...rungs), fc.constantFrom(0.25, 0.5, 0.75), (rung, share) => {
      const made = withRange(rung, share);
      expect(made.phases).toBe(rung.phases);
      expect(made.poses[rung.start]).toBe(rung.poses[rung.start]);
      const from = anglesOf(must(rung.poses[rung.start]));
      for (const { pose } of rung.phases) {
        const [was, is] = [anglesOf(must(rung.poses[pose])), anglesOf(must(made.poses[pose]))];
        expect(is.twist - from.twist).toBeCloseTo(share * (was.twist - from.twist), 0);
        expect(is.hip.left - from.hip.left).toBeCloseTo(share * (was.hip.left - from.hip.left), 0);
      }
      expect(withRange(rung, share)).toBe(made);
    }),
  );
  expect(withRange(turn.rung, 1)).toBe(turn.rung);
});

test('half the range turns the spine half as far, in the same time', () => {
  const half = must(catalog.placed({ exercise: 'sit-turn', rung: 'crossed', range: 0.5 }));
  expect(half.key).toBe(turn.key);
  expect(catalog.features(half).rep.peaks.rotation).toBeCloseTo(catalog.features(turn).rep.peaks.rotation / 2, 0);
  const plan = (range?: number): ClassPlan => ({
    id: 'c',
    name: 'A turn',
    delivery: 'group',
    targetMinutes: 5,
    openingSeconds: 0,
    closingSeconds: 0,
    cautions: ['low-bone-density'],
    blocks: [{ id: 'b1', exercise: 'sit-turn', rung: 'crossed', mode: 'teach', ...(range ? { range } : {}) }],
  });
  expect(timeClass(catalog, plan(0.5)).seconds).toBe(timeClass(catalog, plan()).seconds);

  const review = reviewClass(catalog, plan());
  const finding = must(review.findings.find(({ code }) => code === 'CAUTION_SWAP'));
  const fix = must(fixesFor(catalog, review, finding).find(({ label }) => label.endsWith(': half the range')));
  expect(fix.after.score).toBeLessThan(fix.before.score);
  expect(reviewClass(catalog, plan(0.5)).findings.map(({ code }) => code)).not.toContain('CAUTION_SWAP');
});
