import type { Audience, ClassPlan, Room, Teacher } from '../../plan';
import type { Rung } from '../../repertoire';
import { reviewSeries } from '../../series/reviewSeries';
import type { SeriesCode, WholeStudio } from '../../series/seriesRule';
import type { Series } from '../../series/seriesSchema';
import { block, catalogOf, classOf, exercise, rung } from '../studio';

export type Blocks = Parameters<typeof classOf>[0];
const hot = (heat: number): Partial<Rung> => ({ heatOverride: { heat, reason: 'a test' } });
const three = (id: string, change: Parameters<typeof exercise>[1] = {}) =>
  exercise(id, { rungs: [rung('low', hot(20)), rung('middle', hot(21)), rung('high', hot(22))], ...change });

export const catalog = catalogOf([
  three('climb'),
  three('turn', { directions: ['rotation'], position: 'seated' }),
  three('lean', { directions: ['lateral-flexion'], position: 'seated', sides: 'each' }),
  exercise('steady', { rungs: [rung('low', hot(20)), rung('twice', hot(40))] }),
  exercise('asks', { rungs: [rung('low', { ...hot(20), requires: [{ exercise: 'climb', rung: 'middle' }] })] }),
  exercise('beside', {
    rungs: [rung('low', hot(20)), rung('high', hot(22)), rung('other', { ...hot(22), branchOf: 'high' })],
  }),
  exercise('breath', { rungs: [rung('low', { ...hot(8), goodFor: ['breath'] })] }),
  exercise('rolled', { rungs: [rung('low', { ...hot(20), props: ['ball'] })] }),
  exercise('loaded', { rungs: [rung('low', hot(20)), rung('high', { ...hot(22), props: ['ball'] })] }),
  exercise('pictured', {
    rungs: [rung('low', { ...hot(20), cues: [{ id: 'c1', kind: 'image', text: 'Like a lid.' }] })],
  }),
]);

export interface Around {
  readonly series?: Partial<Series>;
  readonly classes?: Readonly<Record<number, Partial<ClassPlan>>>;
  readonly others?: readonly Series[];
  readonly audiences?: readonly Audience[];
  readonly teachers?: readonly Teacher[];
  readonly rooms?: readonly Room[];
  readonly before?: readonly Blocks[];
}

export const taught = (name: string, change: Parameters<typeof block>[1] = {}) =>
  block(name, { mode: 'teach', ...change });

/** A series of classes of twenty minutes, and all around it. */
export function studioOf(episodes: readonly Blocks[], around: Around = {}): { studio: WholeStudio; series: Series } {
  const plans = episodes.map((blocks, i) =>
    classOf(blocks, { id: `e${i + 1}`, name: `Class ${i + 1}`, targetMinutes: 20, ...around.classes?.[i] }),
  );
  const before = (around.before ?? []).map((blocks, i) => classOf(blocks, { id: `before-${i + 1}` }));
  const earlier: Series = { id: 'earlier', name: 'Earlier', episodes: before.map(({ id }) => ({ class: id })) };
  const series: Series = {
    id: 's',
    name: 'The series',
    episodes: plans.map(({ id }) => ({ class: id })),
    ...(before.length > 0 ? { follows: 'earlier' } : {}),
    ...around.series,
  };
  const allSeries = [series, earlier, ...(around.others ?? [])];
  const find =
    <T extends { readonly id: string }>(all: readonly T[] = []) =>
    (id: string | undefined) =>
      all.find((each) => each.id === id);
  return {
    series,
    studio: {
      catalog,
      classOf: find([...plans, ...before]),
      seriesOf: find(allSeries),
      allSeries,
      audienceOf: find(around.audiences),
      teacherOf: find(around.teachers),
      roomOf: find(around.rooms),
    },
  };
}

export const review = (episodes: readonly Blocks[], around?: Around) => {
  const { studio, series } = studioOf(episodes, around);
  return reviewSeries(studio, series);
};

const again = (blocks: Blocks, times: number): Blocks[] => Array.from({ length: times }, () => blocks);
const dated = (change: NonNullable<Series['schedule']>): Around => ({
  series: { schedule: { start: '2027-01-11', days: ['mon'], time: '18:00', ...change } },
});
const other = (time: string, schedule: NonNullable<Series['schedule']>): Series => ({
  id: 'other',
  name: 'The other',
  schedule: { start: '2027-01-11', time, ...schedule },
  episodes: [{ class: 'e1' }],
});
const ball: Blocks = [taught('rolled')];
const every: Blocks = [taught('climb'), taught('turn'), taught('lean', { firstSide: 'left' })];
const mirrored: Blocks = [taught('climb'), taught('turn'), taught('lean', { firstSide: 'right' })];
const reps = (n: number): Blocks => [taught('steady', { dose: { reps: n } })];

/** Eight ladders, the first of them breath. */
const CONNECTED: Blocks = ['breath', 'climb', 'turn', 'lean', 'steady', 'asks', 'beside', 'pictured'].map((name) =>
  taught(name),
);

/** Each rule on both sides of its limit: a rule without its two series does not compile. */
export const SERIES_CASES: Readonly<Record<SeriesCode, { within: [Blocks[], Around?]; beyond: [Blocks[], Around?] }>> =
  {
    RUNG_UNEARNED: {
      within: [[[taught('climb')], [taught('climb')], [taught('climb/middle')]]],
      beyond: [[[taught('climb')], [taught('climb/middle')]]],
    },
    OPTION_UNEARNED: {
      within: [[[taught('climb')], [taught('climb', { options: ['middle'] })]]],
      beyond: [[[taught('turn')], [taught('turn', { options: ['high'] })]]],
    },
    GOAL_UNREACHED: {
      within: [
        [[taught('climb')], [taught('climb')], [taught('climb/middle')]],
        { series: { goals: [{ exercise: 'climb', rung: 'middle' }] } },
      ],
      beyond: [
        [[taught('climb')], [taught('climb')], [taught('climb/middle', { mode: 'show' })]],
        { series: { goals: [{ exercise: 'climb', rung: 'middle' }] } },
      ],
    },
    TEACHER_NOT_CLEARED: {
      within: [
        [every],
        { ...dated({ teacher: 'ilva' }), teachers: [{ id: 'ilva', name: 'Ilva', cleared: { heat: 20 } }] },
      ],
      beyond: [
        [every],
        { ...dated({ teacher: 'ilva' }), teachers: [{ id: 'ilva', name: 'Ilva', cleared: { heat: 19 } }] },
      ],
    },
    DATE_CLASH: {
      // Twenty minutes from 18:00: the next may begin at 18:20.
      within: [[every], { ...dated({ room: 'kiln' }), others: [other('18:20', { room: 'kiln' })] }],
      beyond: [[every], { ...dated({ room: 'kiln' }), others: [other('18:19', { room: 'kiln' })] }],
    },
    PROPS_SHORT: {
      within: [
        [ball],
        { ...dated({ room: 'kiln', group: 6 }), rooms: [{ id: 'kiln', name: 'Kiln room', props: { ball: 6 } }] },
      ],
      beyond: [
        [ball],
        { ...dated({ room: 'kiln', group: 7 }), rooms: [{ id: 'kiln', name: 'Kiln room', props: { ball: 6 } }] },
      ],
    },
    ROOM_SMALL: {
      within: [
        [every],
        { ...dated({ room: 'kiln', group: 12 }), rooms: [{ id: 'kiln', name: 'Kiln room', size: 12 }] },
      ],
      beyond: [
        [every],
        { ...dated({ room: 'kiln', group: 13 }), rooms: [{ id: 'kiln', name: 'Kiln room', size: 12 }] },
      ],
    },
    AUDIENCES_DIFFER: {
      within: [[every], { series: { audience: 'choir' }, classes: { 0: { audience: 'choir' } } }],
      beyond: [[every], { series: { audience: 'choir' }, classes: { 0: { audience: 'rowers' } } }],
    },
    LENGTHS_DIFFER: {
      within: [[every, every], { classes: { 1: { targetMinutes: 25 } } }],
      beyond: [[every, every], { classes: { 1: { targetMinutes: 25.3 } } }],
    },
    RECAP_LOW: {
      // A fifth of the work: five repetitions of a known rung, twenty of new ones.
      within: [[reps(5), [taught('steady'), taught('climb', { dose: { reps: 20 } })]]],
      beyond: [[reps(5), [taught('steady', { dose: { reps: 4 } }), taught('climb', { dose: { reps: 21 } })]]],
    },
    NEW_LADDERS_MANY: {
      within: [[[taught('steady')], [taught('climb'), taught('turn'), taught('lean')]]],
      beyond: [[[taught('steady')], [taught('climb'), taught('turn'), taught('lean'), taught('beside')]]],
    },
    HEAT_MINUTES_STEEP: { within: [[reps(100), reps(115)]], beyond: [[reps(100), reps(120)]] },
    EASIER_MISSING: {
      within: [[reps(10), ...again(reps(10), 3), reps(5), ...again(reps(10), 3)]],
      beyond: [[reps(10), ...again(reps(10), 4)]],
    },
    COVERAGE_MISSING: { within: [again(every, 4)], beyond: [again([taught('climb'), taught('turn')], 4)] },
    SERIES_SIDES_UNEVEN: {
      within: [[[taught('lean', { side: 'left' })], [taught('lean', { side: 'right' })]]],
      beyond: [[[taught('lean', { side: 'left' })], [taught('lean')]]],
    },
    FIRST_SIDE_ALWAYS: { within: [[...again(every, 3), mirrored]], beyond: [again(every, 4)] },
    PROP_ONCE: { within: [[every, ball, ball, every]], beyond: [[every, ball, every, every]] },
    THEME_MISSING: {
      within: [
        [every, mirrored],
        {
          series: {
            description: 'Two classes.',
            forWhom: 'Whoever likes.',
            episodes: [
              { class: 'e1', title: 'Low', idea: 'The climb begins.' },
              { class: 'e2', title: 'Lower', idea: 'It goes on.' },
            ],
          },
        },
      ],
      beyond: [[every, mirrored]],
    },
    GOAL_THIN: {
      // A tenth of the work and all episodes, or none before the last.
      within: [
        again([taught('climb'), taught('turn')], 4),
        { series: { goals: [{ exercise: 'climb', rung: 'low' }] } },
      ],
      beyond: [
        [...again([taught('turn')], 3), [taught('climb'), taught('turn')]],
        { series: { goals: [{ exercise: 'climb', rung: 'low' }] } },
      ],
    },
    GOAL_UNPREPARED: {
      within: [
        [['climb', 'turn', 'lean', 'climb/middle', 'steady', 'turn'].map((name) => taught(name))],
        { series: { goals: [{ exercise: 'climb', rung: 'middle' }] } },
      ],
      beyond: [
        [['climb/middle', 'turn', 'lean', 'climb', 'steady', 'turn'].map((name) => taught(name))],
        { series: { goals: [{ exercise: 'climb', rung: 'middle' }] } },
      ],
    },
    EPISODES_ALIKE: {
      // Three of five rungs, and all of three.
      within: [[every, [...every, taught('steady'), taught('pictured')]]],
      beyond: [[every, every]],
    },
    NOTHING_NEW: {
      within: [[every, every, [...every, taught('steady')]]],
      beyond: [[every, every, every]],
    },
    FIRST_EPISODE_FULL: {
      within: [[CONNECTED]],
      beyond: [[[...CONNECTED, taught('rolled')]]],
    },
    CUE_WORN: { within: [again([taught('pictured')], 4)], beyond: [again([taught('pictured')], 5)] },
  };
