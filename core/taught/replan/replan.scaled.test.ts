import fc from 'fast-check';
import { studioOf } from '../../formats';
import { applyEdits, doseOf, isInterlude, repsOf, repsRangeOf, timeClass } from '../../plan';
import { measureClass } from '../../review';
import { demoBundle } from '../../testing/demo';
import { runs } from '../../testing/runs';
import { must } from '../../testing/studio';
import { replan } from '.';

const bundle = demoBundle();
const { catalog, contextOf } = studioOf(bundle, { today: '2026-11-28' });
/** Classes that fit their time: a draft that is minutes too short is brought to it by no evening. */
const plans = (bundle.classes ?? []).filter((plan) => {
  const { seconds } = timeClass(catalog, plan, contextOf(plan));
  return (plan.purpose ?? 'class') === 'class' && Math.abs(seconds - plan.targetMinutes * 60) < 0.05 * seconds;
});

/** Days up to 12 % slower or faster, begun up to four minutes late, at any side of any block between a fifth and two thirds. */
const days = fc.record({
  plan: fc.constantFrom(...plans),
  share: fc.double({ min: 0.2, max: 0.66, noNaN: true }),
  pace: fc.double({ min: 0.88, max: 1.12, noNaN: true }),
  late: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 240 })),
});

test('late and early days end near their time, and nothing that has to stay is touched', () => {
  let [ended, all] = [0, 0];
  fc.assert(
    fc.property(days, ({ plan, share, pace, late }) => {
      const context = contextOf(plan);
      const before = timeClass(catalog, plan, context);
      const sides = before.sequence
        .flatMap((part) =>
          part.kind === 'block'
            ? part.slots.map(({ startSeconds }, i) => ({ id: part.block.id, pass: i + 1, startSeconds }))
            : [{ id: part.block.id, pass: 1, startSeconds: part.startSeconds }],
        )
        .sort((a, b) => a.startSeconds - b.startSeconds);
      const here = must(sides[Math.floor(share * sides.length)]);
      const moment = {
        block: here.id,
        pass: here.pass as 1 | 2,
        elapsed: Math.round(late + here.startSeconds * pace),
        late,
      };
      const found = replan(catalog, plan, context, moment);
      all += 1;
      if (found.ends) ended += 1;
      const after = timeClass(catalog, found.plan, context);
      // Done is done.
      const done = before.sequence.filter((part) => part.startSeconds < here.startSeconds);
      for (const { block } of done) expect(found.plan.blocks).toContainEqual(block);
      // The hardest left, the last, and second sides stay as they are.
      for (const id of [found.keeps.peak, found.keeps.ease, ...found.keeps.secondSides]) {
        // What it went on from may be gone: then it is set up anew.
        const bare = (of: typeof plan) => of.blocks.map(({ ...block }) => ({ ...block, carry: undefined }));
        const own = bare(plan).find((block) => block.id === id);
        expect(bare(found.plan)).toContainEqual(own);
      }
      // A run goes or stays whole; nothing is done less than its range has, nor longer on one side.
      for (const block of plan.blocks) {
        if (isInterlude(block) || block.run === undefined) continue;
        const own = (of: typeof plan) =>
          of.blocks.filter((each) => !isInterlude(each) && each.run === block.run).length;
        expect([0, own(plan)]).toContain(own(found.plan));
      }
      for (const { kind, block: id } of found.edits) {
        if (kind !== 'reps') continue;
        const part = must(after.blocks.find(({ block }) => block.id === id));
        const [least, most] = repsRangeOf(part.entry.rung);
        const was = must(before.blocks.find(({ block }) => block.id === id));
        const [reps, planned] = [repsOf(doseOf(part.entry, part.block)), repsOf(doseOf(was.entry, was.block))];
        expect(reps).toBeGreaterThanOrEqual(Math.min(least, planned));
        expect(reps).toBeLessThanOrEqual(Math.max(most, planned));
        expect(part.block.secondDose).toBeUndefined();
      }
      const stops = (of: typeof plan) =>
        measureClass(catalog, of, context).raised.filter(({ severity }) => severity === 'stop').length;
      expect(stops(found.plan)).toBeLessThanOrEqual(stops(plan));
      // No cut that is not needed: without any one of them it ends too late.
      if (found.endsAt.asPlanned > found.target + 30 && found.ends) {
        for (const one of found.edits) {
          const others = found.edits.filter(
            (each) =>
              (each !== one && each.kind !== 'leave-out') || (each.kind === 'leave-out' && each.block !== one.block),
          );
          if (found.edits.filter(({ saves }) => saves === 0).length > 0) continue;
          const plan2 = applyEdits(
            catalog,
            plan,
            others.flatMap(({ edits }) => edits),
          );
          const end = endsAs(plan2);
          expect(end).toBeGreaterThan(found.target + 30);
        }
      }
      function endsAs(of: typeof plan): number {
        const timed = timeClass(catalog, of, context);
        const part = must(timed.sequence.find(({ block }) => block.id === here.id));
        const start = here.pass === 2 && part.kind === 'block' ? must(part.slots[1]).startSeconds : part.startSeconds;
        const ratio = (moment.elapsed - late) / here.startSeconds;
        const own = Math.exp(Math.log(ratio) * Math.min(1, here.startSeconds / 900));
        return moment.elapsed + own * (timed.seconds - start);
      }
      expect(Math.abs(endsAs(found.plan) - found.endsAt.replanned)).toBeLessThan(1);
    }),
    { numRuns: runs(15, 400), seed: 11 },
  );
  expect(ended / all).toBeGreaterThanOrEqual(0.95);
});
