import { spokenIn, wholeTerm } from '../handouts';
import { timeClass } from '../plan';
import { reviewClass } from '../review';
import { demoBundle } from '../testing/demo';
import { sampled } from '../testing/runs';
import { block, bundleOf, classOf, must } from '../testing/studio';
import { type Bundle, classShownAt, Documents, measuredForParts, partOf, partOfTerm, programmeOf, studioOf } from '.';

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

test.each(sampled(plans, 5).map(({ id }) => id))(
  '%s is measured and spoken from what its page is sent as from the whole',
  (id) => {
    const part = must(partOf(whole, id) ?? undefined);
    expect(judged(part.bundle, id)).toEqual(judged(bundle, id));
    // Else it would be no part.
    expect(part.list('exercises').length).toBeLessThan(0.7 * whole.list('exercises').length);
  },
);

test('the sheet of the term is from its part what it is from the whole, and what chooses a part is measured a rung a step', () => {
  const today = '2026-11-29';
  const studio = Documents.of(bundle);
  const steps = [...measuredForParts(studio)].length;
  expect(steps).toBe(studio.catalog.rungs.length);
  const part = partOfTerm(studio);
  expect(part.list('exercises').length).toBeLessThan(whole.list('exercises').length);
  expect(wholeTerm(studioOf(part.bundle, { today }))).toEqual(wholeTerm(studioOf(bundle, { today })));
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

test('for a teacher, what all their classes taught comes along, and no rehearsal', () => {
  const log = (id: string, of: string, teacher: string, source: 'live' | 'rehearsal') => ({
    id,
    class: of,
    date: '2027-01-11',
    teacher,
    source,
    plan: { names: { class: of, teacher } },
  });
  const logs = [
    log('own', 'test-class', 'ilva', 'rehearsal'),
    log('theirs', 'another', 'tam', 'live'),
    log('rehearsed', 'another', 'tam', 'rehearsal'),
    log('others', 'another', 'ilva', 'live'),
  ];
  const studio = Documents.of(bundleOf({ logs }));
  const idsFor = (teacher?: string) =>
    partOf(studio, 'test-class', { teacher })
      ?.list('logs')
      .map(({ id }) => id);
  expect(idsFor('tam')).toEqual(['own', 'theirs']);
  expect(idsFor()).toEqual(['own']);
});

test('the programme of some days has what falls into them, in the order it begins, with who and where', () => {
  const dated = (id: string, time: string, days: Array<'mon' | 'wed'>, teacher?: string) => ({
    id,
    name: `Series ${id}`,
    episodes: [{ class: 'test-class' }, { class: 'test-class' }],
    schedule: { start: '2027-01-11', days, time, ...(teacher ? { teacher } : {}) },
  });
  const studio = Documents.of(
    bundleOf({
      series: [dated('late', '19:00', ['mon', 'wed']), dated('early', '08:30', ['wed'], 'ilva')],
      teachers: [{ id: 'ilva', name: 'Ilva' }],
    }),
  );
  const { occasions, classes, teachers } = programmeOf(studio, '2027-01-12', '2027-01-13');
  expect(
    occasions.map(({ day, from, series, episode, teacher }) => [day, from, series.id, episode, teacher?.name]),
  ).toEqual([
    ['2027-01-13', '08:30', 'early', 0, 'Ilva'],
    ['2027-01-13', '19:00', 'late', 1, undefined],
  ]);
  const { seconds } = timeClass(studio.catalog, must(studio.get('classes', 'test-class')));
  expect(occasions[0]?.minutes).toBe(Math.ceil(seconds / 60));
  expect([classes.length, teachers]).toEqual([1, [{ id: 'ilva', name: 'Ilva' }]]);
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
