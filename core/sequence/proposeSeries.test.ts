import { studioOf } from '../formats';
import { datesOf, earliest } from '../series';
import { demoBundle } from '../testing';
import { must } from '../testing/studio';
import { proposeSeries } from './proposeSeries';
import type { SeriesBrief } from './seriesBriefSchema';

const TODAY = '2026-11-28';
const studio = studioOf(demoBundle(), { today: TODAY });
const STRAIGHT = { exercise: 'leg-lower', rung: 'straight' };
const brief: SeriesBrief = { audience: 'potters', goals: [STRAIGHT], episodes: 5, minutes: 20, seed: 2, proposals: 1 };

test('a series for a goal has nothing to stop or to fix, reaches it at its end, and is the same for the same seed', () => {
  const [proposal] = proposeSeries(studio, brief, TODAY).proposals;
  const { series, classes, review, counts, why } = must(proposal);
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

test('it is stopped between two episodes', () => {
  const told: number[] = [];
  const { proposals } = proposeSeries(studio, { ...brief, proposals: 2 }, TODAY, (done) => {
    told.push(done);
    return done < 2;
  });
  expect(told).toEqual([1, 2]);
  expect(proposals).toEqual([]);
}, 60_000);

test('so many days a week fall as far apart as they can, the first day among them', () => {
  const { proposals } = proposeSeries(studio, { ...brief, days: 3, start: '2027-01-14' }, TODAY);
  const { series } = must(proposals[0]);
  expect(datesOf(series)[0]).toBe('2027-01-14');
  expect(series.schedule?.days).toHaveLength(3);
}, 60_000);
