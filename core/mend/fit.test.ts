import { studioOf } from '../formats';
import { applyEdits, isRungBlock } from '../plan';
import { measureClass } from '../review';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { fitted } from './fit';
import { levelled } from './levels';
import { groundOf } from './trial';

const { catalog, classOf, contextOf } = studioOf(demoBundle(), { today: '2026-11-28' });
const named = (id: string, minutes: number) => {
  const plan = { ...must(classOf(id)), targetMinutes: minutes };
  const context = contextOf(plan);
  return { plan, context, measure: measureClass(catalog, plan, context) };
};

test('a class too long gives up repetitions, rests, teaching twice and upper levels, nothing locked, and says each', () => {
  const { plan, context, measure } = named('rowers-sixty', 60);
  const full = levelled(catalog, measure, context).measure;
  const [first] = plan.blocks;
  const locked = {
    ...full.timed.plan,
    targetMinutes: 34,
    blocks: full.timed.plan.blocks.map((each) => (each.id === first?.id ? { ...each, locked: true } : each)),
  };
  const fit = must(fitted(groundOf(catalog, measureClass(catalog, locked, context), context)) ?? undefined);
  expect(fit.measure.timed.seconds).toBeLessThan(full.timed.seconds);
  expect(fit.told).toContainEqual(expect.stringMatching(/: one level fewer offered$/));
  expect(fit.told).toContainEqual(expect.stringMatching(/: \d+ instead of \d+$/));
  const after = applyEdits(catalog, locked, fit.edits);
  expect(after.blocks[0]).toEqual(locked.blocks[0]);
  expect(after).toEqual(fit.plan);
});

test('a class too short is given repetitions, then rests after what is hottest, twenty seconds at most', () => {
  const { measure, context } = named('choir-first-draft', 60);
  const fit = must(fitted(groundOf(catalog, measure, context)) ?? undefined);
  const rests = fit.plan.blocks.filter(isRungBlock).flatMap(({ restAfterSeconds }) => restAfterSeconds ?? []);
  expect(rests.length).toBeGreaterThan(0);
  expect(Math.max(...rests)).toBeLessThanOrEqual(20);
  expect(fit.told).toContainEqual(expect.stringMatching(/: \d+ s of rest after it$/));
  expect(fit.measure.timed.seconds).toBeGreaterThan(measure.timed.seconds);
  expect(fit.measure.timed.seconds).toBeLessThanOrEqual(60 * 60);
});
