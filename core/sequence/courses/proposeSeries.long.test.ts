import { judge } from '../../caution';
import { studioOf } from '../../formats';
import { datesOf, earliest } from '../../series';
import { demoBundle } from '../../testing';
import { must } from '../../testing/studio';
import { searchedThrough } from '../../vocabulary/searching';
import type { SeriesBrief } from '../briefs/seriesBriefSchema';
import { proposeSeries, proposingSeries } from './proposeSeries';

const TODAY = '2026-11-28';
const studio = studioOf(demoBundle(), { today: TODAY });
const STRAIGHT = { exercise: 'leg-lower', rung: 'straight' };
const brief: SeriesBrief = { audience: 'potters', goals: [STRAIGHT], episodes: 5, minutes: 20, seed: 2, proposals: 1 };
const planned = must(proposeSeries(studio, brief, TODAY).proposals[0]);

test('a series for a goal has nothing to stop or to fix, reaches it at its end, and is the same for the same seed', () => {
  const { series, classes, review, counts, why } = planned;
  expect(counts).toMatchObject({ stop: 0, fix: 0 });
  expect(series.episodes.map(({ class: id }) => id)).toEqual(classes.map(({ id }) => id));
  expect(review.episodes.every(({ unearned }) => unearned.length === 0)).toBe(true);
  const done = classes.map(({ blocks }) =>
    blocks.some((block) => !('interlude' in block) && block.exercise === 'leg-lower' && block.rung === 'straight'),
  );
  expect(done.slice(-2)).toContain(true);
  expect(why).toHaveLength(1 + brief.episodes);
  expect(proposeSeries(studio, brief, TODAY).proposals[0]?.classes).toEqual(classes);
}, 60_000);

test('too few episodes, a goal nobody may do, and what is not there are said', () => {
  const clashes = (change: Partial<SeriesBrief>) => proposeSeries(studio, { ...brief, ...change }, TODAY).clashes;
  const { earliest: first } = earliest(
    studio,
    { id: 's', name: 'S', episodes: [] },
    must(studio.catalog.rung(STRAIGHT)),
  );
  expect(clashes({ episodes: 2 })[0]).toContain(`2 episodes are too few, ${first} would do`);
  expect(clashes({ goals: [{ exercise: 'leg-lower', rung: 'nowhere' }] })[0]).toContain('no rung “leg-lower/nowhere”');
  expect(clashes({ audience: 'nobody' })[0]).toContain('no audience “nobody”');
  expect(clashes({ follows: 'nothing' })[0]).toContain('no series “nothing” to follow');
});

test('it is stopped at any time, an episode or a whole series under way is left, and what it has is given', () => {
  const told: number[] = [];
  const wanted = { ...brief, proposals: 2 };
  const stopped = (after: number) => {
    told.length = 0;
    return searchedThrough(proposingSeries(studio, wanted, TODAY), (share) => told.push(share) < after).proposals;
  };
  expect(stopped(5)).toEqual([]);
  expect(told).toHaveLength(5);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  const whole = stopped(Number.POSITIVE_INFINITY);
  const first = told.findIndex((share) => share >= 0.5);
  expect([whole.length, told.at(-1)]).toEqual([2, 1]);
  const one = stopped(first + 3);
  expect(one.map(({ classes }) => classes)).toEqual([planned.classes]);
}, 120_000);

test('so many days a week fall as far apart as they can, the first day among them', () => {
  const { proposals } = proposeSeries(studio, { ...brief, days: 3, start: '2027-01-14' }, TODAY);
  const { series } = must(proposals[0]);
  expect(datesOf(series)[0]).toBe('2027-01-14');
  expect(series.schedule?.days).toHaveLength(3);
}, 60_000);

test('a class that is kept stays as it is in its place, and the rest is planned around it', () => {
  const kept = must(planned.classes[0]);
  const { proposals } = proposeSeries(studio, { ...brief, seed: 9, kept: [{ episode: 1, class: kept }] }, TODAY);
  const { classes, counts } = must(proposals[0]);
  expect(classes[0]?.blocks).toEqual(kept.blocks);
  expect(classes[1]?.blocks).not.toEqual(planned.classes[1]?.blocks);
  expect(counts).toMatchObject({ stop: 0, fix: 0 });
}, 60_000);

test('a goal that an audience must not do is said with the caution', () => {
  const careful = { id: 'careful', name: 'Careful', cautions: ['neck-pain', 'abdominal-separation'] as const };
  const whole = { ...studio, audienceOf: () => ({ ...careful, cautions: [...careful.cautions] }) };
  const forbidden = must(
    studio.catalog.rungs.find((entry) =>
      ['swap', 'clear-first'].includes(judge(studio.catalog, entry, careful.cautions).verdict),
    ),
  );
  const goal = { exercise: forbidden.exercise.id, rung: forbidden.rung.id };
  const { proposals, clashes } = proposeSeries(whole, { ...brief, audience: 'careful', goals: [goal] }, TODAY);
  expect(proposals).toEqual([]);
  expect(clashes[0]).toMatch(/can’t be a goal for Careful: (Neck pain|Abdominal separation)/);
});

test('what comes before a goal and can’t be done by the audience is said, with the reason', () => {
  const clashes = (audience: string, exercise: string, rung: string) =>
    proposeSeries(studio, { ...brief, audience, goals: [{ exercise, rung }], episodes: 8 }, TODAY).clashes;
  expect(clashes('returning-rowers', 'side-thread', 'knees')[0]).toMatch(
    /can’t be reached by Returning rowers: Side prop, From the knees comes before\. Abdominal separation/,
  );
  expect(clashes('night-shift', 'plank-wave', 'feet')[0]).toMatch(
    /Plank wave, From the knees comes before\. Its heat, 46, is above 40, and it has no lower rung to offer\.$/,
  );
});
