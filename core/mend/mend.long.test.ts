import fc from 'fast-check';
import { studioOf } from '../formats';
import type { Block, ClassPlan } from '../plan';
import type { RungEntry } from '../repertoire';
import { measureClass } from '../review';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { aimOf, fitted } from './fit';
import { mend } from './mend';
import { standingOf } from './standing';
import { groundOf } from './trial';

const bundle = demoBundle();
const studio = studioOf(bundle, { today: '2026-11-28' });
const { catalog, contextOf } = studio;
const audiences = must(bundle.audiences);

/** Classes as nobody would teach them: rungs of the whole repertoire in any order, some of them locked. */
const faulty = fc
  .record({
    audience: fc.constantFrom(...audiences.map(({ id }) => id)),
    targetMinutes: fc.constantFrom(30, 45, 60),
    picks: fc.array(
      fc.record({
        entry: fc.constantFrom<RungEntry>(...catalog.rungs),
        flow: fc.boolean(),
        locked: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
      }),
      { minLength: 8, maxLength: 18 },
    ),
  })
  .map(({ audience, targetMinutes, picks }): ClassPlan => {
    const blocks = picks.map(({ entry, flow, locked }, i): Block => {
      const block = { id: `b${i + 1}`, exercise: entry.exercise.id, rung: entry.rung.id };
      return { ...block, mode: flow ? 'flow' : 'teach', ...(locked ? { locked } : {}) };
    });
    const lengths = { targetMinutes, openingSeconds: 60, closingSeconds: 60 };
    return { id: 'faulty', name: 'Faulty', delivery: 'group', audience, ...lengths, blocks };
  });

function mended(plan: ClassPlan) {
  const before = measureClass(catalog, plan, contextOf(plan));
  const result = mend(catalog, plan, contextOf(plan));
  return { before, ...result };
}

test('the demo’s faulty class is mended to nothing that a professional would call a mistake', () => {
  const { left, steps, measure, why } = mended(must(studio.classOf('choir-first-draft')));
  expect(left).toMatchObject({ stop: 0, fix: 0 });
  expect(left.score < 1 || why.length > 0).toBe(true);
  expect(left).toEqual(standingOf(measure));
  for (const { before, after } of steps) expect(after.score).toBeLessThan(before.score - 0.009);
});

test('faulty classes of all kinds get better at every step, keep what is locked and half of their blocks, and say what is left', () => {
  fc.assert(
    fc.property(faulty, (plan) => {
      const { before, steps, plan: after, measure, left, why } = mended(plan);
      let standing = standingOf(before);
      for (const step of steps) {
        expect(step.before).toEqual(standing);
        expect(step.after.score).toBeLessThan(standing.score - 0.009);
        expect(step.after.stop).toBeLessThanOrEqual(standing.stop);
        standing = step.after;
      }
      expect(left).toEqual(standing);
      expect(why).toHaveLength(left.stop + left.fix + left.look);
      for (const { message } of why) expect(message).not.toMatch(/undefined|NaN/);
      expect(measureClass(catalog, after, contextOf(after)).score.total).toBeCloseTo(measure.score.total, 9);
      const locked = ({ blocks }: ClassPlan) => blocks.filter((block) => block.locked);
      expect(locked(after)).toEqual(locked(plan));
      const ids = new Set(after.blocks.map(({ id }) => id));
      expect(2 * plan.blocks.filter(({ id }) => ids.has(id)).length).toBeGreaterThanOrEqual(plan.blocks.length);
      // Whatever is graver than a look is left for something locked, or for want of what would be fine.
      const grave = why.slice(0, left.stop + left.fix);
      for (const { message } of grave)
        expect(message).toMatch(/locked|No (exercise|single change)|Only a professional/);
    }),
    { numRuns: 10, seed: 11 },
  );
});

test('a class whose locks are spoilt says which lock holds a finding', () => {
  const plan = must(studio.classOf('choir-first-draft'));
  const spoilt = { ...plan, blocks: plan.blocks.map((each) => ({ ...each, locked: true })) };
  const { steps, why } = mended(spoilt);
  const own = new Set(plan.blocks.map(({ id }) => id));
  const touched = steps.flatMap(({ edits }) => edits).filter((edit) => 'id' in edit && own.has(edit.id));
  expect(touched).toEqual([]);
  expect(must(why[0]).message).toMatch(/ (is|are) locked\. /);
});

describe('fitting to time', () => {
  const lengthy = must(studio.classOf('rowers-sixty'));
  const groundFor = (targetMinutes: number, change: (block: Block) => Block = (block) => block) => {
    const plan = { ...lengthy, targetMinutes, blocks: lengthy.blocks.map(change) };
    return groundOf(catalog, measureClass(catalog, plan, contextOf(plan)), contextOf(plan));
  };
  test.each([54, 58, 64])(
    'a class of an hour is brought to %i minutes, both sides alike, within every range',
    (minutes) => {
      const ground = groundFor(minutes);
      const { measure, edits, told } = must(fitted(ground) ?? undefined);
      expect(Math.abs(measure.timed.seconds - aimOf(measure.timed, measure.subject.limits))).toBeLessThan(15);
      expect(edits.every(({ kind }) => kind === 'dose' || kind === 'set')).toBe(true);
      expect(told.length).toBeGreaterThan(0);
      for (const line of told) expect(line).not.toMatch(/undefined|NaN/);
      const uneven = ({ raised }: typeof measure) => raised.filter(({ rule }) => rule.code === 'SIDES_UNEVEN').length;
      expect(uneven(measure)).toBe(uneven(ground.measure));
      expect(measure.score.parts.exposure).toBeLessThanOrEqual(ground.measure.score.parts.exposure + 1e-9);
      expect(measure.score.parts.cautions).toBeLessThanOrEqual(ground.measure.score.parts.cautions + 1e-9);
    },
  );
  test('nothing locked changes, and what can’t move is left', () => {
    expect(fitted(groundFor(40, (block) => ({ ...block, locked: true })))).toBeNull();
    const held = groundFor(54, (block) => (block.id === lengthy.blocks[3]?.id ? { ...block, locked: true } : block));
    const { edits } = must(fitted(held) ?? undefined);
    expect(edits.some((edit) => 'id' in edit && edit.id === lengthy.blocks[3]?.id)).toBe(false);
  });
});
