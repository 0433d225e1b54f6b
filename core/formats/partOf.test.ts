import { spokenIn } from '../handouts';
import { reviewClass } from '../review';
import { demoBundle } from '../testing/demo';
import { block, bundleOf, classOf, must } from '../testing/studio';
import { type Bundle, classShownAt, Documents, partOf, studioOf } from '.';

const bundle = demoBundle();
const whole = Documents.of(bundle);
const plans = bundle.classes ?? [];

/** What is measured, found and said of a class. */
function judged(of: Bundle, id: string) {
  const studio = studioOf(of, { today: '2026-11-29' });
  const plan = must(studio.classOf(id));
  const { score, timed, findings } = reviewClass(studio.catalog, plan, studio.contextOf(plan));
  const spoken = must(spokenIn(studio, id) ?? undefined);
  return {
    score,
    seconds: timed.seconds,
    blocks: timed.blocks.map((each) => [each.startSeconds, each.seconds]),
    found: findings.map(({ code, message }) => [code, message]),
    lines: spoken.script.sections.flatMap(({ lines }) => lines.map(({ text }) => text)),
    equipment: spoken.equipment,
  };
}

test.each(plans.map(({ id }) => id))('%s is measured and spoken from what its page is sent as from the whole', (id) => {
  const part = must(partOf(whole, id) ?? undefined);
  expect(judged(part.bundle, id)).toEqual(judged(bundle, id));
  // Else it would be no part.
  expect(part.list('exercises').length).toBeLessThan(0.7 * whole.list('exercises').length);
});

test('with a class come the others of its series, what its exercises require and what its room can take, in the studio’s order', () => {
  const classes = [classOf([block('hold')], { id: 'one' }), classOf([block('earned')], { id: 'two' })];
  const series = [{ id: 's', name: 'S', episodes: [{ class: 'two' }, { class: 'one' }] }];
  const idsOf = (change: Partial<Bundle>, id: string) => {
    const part = must(partOf(Documents.of(bundleOf({ classes, ...change })), id) ?? undefined);
    return [part.list('classes').map((plan) => plan.id), part.list('exercises').map((exercise) => exercise.id)];
  };
  expect(idsOf({ series: [] }, 'one')).toEqual([['one'], ['hold', 'reach']]);
  expect(idsOf({ series: [] }, 'two')).toEqual([['two'], ['hold', 'reach', 'earned']]);
  expect(idsOf({ series }, 'one')).toEqual([
    ['one', 'two'],
    ['hold', 'reach', 'earned'],
  ]);
});

test.each([
  ['/class/monday', 'monday'],
  ['/rehearse/two%20words', 'two words'],
  ['/script', null],
  ['/class/', null],
  ['/repertoire/monday', null],
  ['/constructor/monday', null],
  ['/room/%E0%A4%A', null],
])('at %s the class %p is shown, and nothing else', (pathname, id) => expect(classShownAt(pathname)).toBe(id));

test('of a class that is not there, there is no part', () => {
  expect(partOf(whole, 'gone')).toBeNull();
  expect(partOf(whole, 'constructor')).toBeNull();
});
