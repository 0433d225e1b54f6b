import { studioOf } from '../formats';
import { isRungBlock, optionOf } from '../plan';
import { laneOf } from '../repertoire';
import { measureClass, Offer } from '../review';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { levelled } from './levels';

const { catalog, classOf, contextOf } = studioOf(demoBundle(), { today: '2026-11-28' });

test.each(['rowers-sixty', 'night-landing', 'choir-first-draft'])(
  '%s: every lane ends with the main version, block by block',
  (id) => {
    const plan = must(classOf(id));
    const context = contextOf(plan);
    const before = measureClass(catalog, plan, context);
    const { measure, edits, told, seconds } = levelled(catalog, before, context);
    expect(edits.length).toBeGreaterThan(0);
    expect(told).toHaveLength(edits.length);
    expect(measure.timed.seconds - before.timed.seconds).toBeCloseTo(seconds, 6);
    const edited = new Set(edits.flatMap((edit) => ('id' in edit ? edit.id : [])));
    for (const { block, entry, laid } of measure.timed.blocks) {
      if (!edited.has(block.id)) continue;
      const own = new Set(
        (must(plan.blocks.filter(isRungBlock).find((each) => each.id === block.id)).options ?? []).map(
          (each) => optionOf(each).rung,
        ),
      );
      const lanes = new Set<string>();
      for (const each of block.options ?? []) {
        const option = optionOf(each);
        const offered = must(catalog.rung({ exercise: block.exercise, rung: option.rung }));
        lanes.add(laneOf(entry, offered));
        if (own.has(option.rung)) continue;
        expect(offered.props.every((prop) => entry.props.includes(prop))).toBe(true);
        // Less than a repetition, or the eight seconds of which no pause is made, on each side.
        const apart = laid.work - new Offer(measure.subject.room, laid, option, offered).seconds();
        expect(apart).toBeGreaterThanOrEqual(0);
        expect(apart).toBeLessThanOrEqual(9 * laid.passes.length);
      }
      expect(lanes.size).toBe((block.options ?? []).length);
    }
  },
);

test('what is offered already stays, and a second time changes nothing', () => {
  const plan = must(classOf('night-landing'));
  const context = contextOf(plan);
  const once = levelled(catalog, measureClass(catalog, plan, context), context);
  expect(once.why).toBeNull();
  const twice = levelled(catalog, once.measure, context);
  expect(twice.edits).toEqual([]);
  // Why is told of every block, each once.
  expect(twice.why).toMatch(/^Nothing more to offer: \d+ blocks? with all there is for this room already/);
  const counted = [...(twice.why ?? '').matchAll(/(\d+) blocks? /g)].reduce((sum, [, count]) => sum + Number(count), 0);
  expect(counted).toBe(once.measure.timed.blocks.length);
  const none = levelled(catalog, measureClass(catalog, { ...plan, blocks: [] }, context), context);
  expect(none.why).toBe('There is no block to offer a level beside.');
});
