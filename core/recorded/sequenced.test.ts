import { propose } from '../sequence';
import { couldTake, earliest, occasionsOf, reviewSeries, toldSeries, whatIf } from '../series';
import { DAY, line, lines, rows, studio } from './recorded';

// What is proposed, and what is said of the demo's series, held by value: see judgement.test.ts.

test('a class proposed', () => {
  const brief = { minutes: 20, audience: 'choir', levels: true, seed: 1, proposals: 1 };
  const { proposals, evaluated } = propose(studio, brief, DAY);
  const record = proposals.flatMap(({ plan, ...told }) => [
    ...plan.blocks.map((block) => line(block)),
    ...rows(told).filter((row) => row.length < 2000),
  ]);
  expect(lines([evaluated, ...record])).toMatchSnapshot();
});

test.each(studio.allSeries.map(({ id }) => id))('%s', (id) => {
  const series = studio.seriesOf(id);
  if (!series) throw new Error(`no series ${id}`);
  const review = reviewSeries(studio, series, { today: DAY });
  const { findings, episodes, ...whole } = toldSeries(review);
  const without = whatIf(studio, series, review, [{ kind: 'remove', episode: 1 }], { today: DAY });
  const goal = studio.catalog.rungs.find(({ rung }) => (rung.requires ?? []).length > 0);
  expect(
    lines([
      ...rows(whole),
      ...findings.map((finding) => line(finding)),
      ...episodes.map((episode) => line(episode)),
      ...rows(without),
      ...couldTake(studio, series, 2).map(({ entry, ...told }) => `${entry.key} ${line(told)}`),
      goal ? line(earliest(studio, series, goal)) : '',
      ...occasionsOf(series, () => 45).map(({ series: _, ...told }) => line(told)),
    ]),
  ).toMatchSnapshot();
});
