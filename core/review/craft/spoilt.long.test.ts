import { studioOf } from '../../formats';
import { groundOf, SPOIL_NAMES, spoilt } from '../../testing/cases/spoils';
import { demoBundle } from '../../testing/demo';
import { chanceOf } from '../../vocabulary/chance';
import { measureClass } from '../reviewClass';

/** Drafts of the demo that are there to be mended. */
const FAULTY = /draft/;
const SEEDS = 8;
/** Shares of the pairs in which the whole class has to be preferred: of all, and of each way. */
const [OF_ALL, OF_EACH] = [0.95, 0.85];

test('a class a director would teach is preferred to the same one spoilt, in each of ten ways', () => {
  const bundle = demoBundle();
  const studio = studioOf(bundle, {});
  const classes = (bundle.classes ?? []).filter(({ id }) => !FAULTY.test(id));
  expect(classes.length).toBeGreaterThanOrEqual(12);
  const pairs = new Map(SPOIL_NAMES.map((name) => [name, { of: 0, preferred: 0, lost: new Set<string>() }]));
  classes.forEach((plan, number) => {
    const ground = groundOf(studio.catalog, plan, studio.contextOf(plan));
    for (const name of SPOIL_NAMES) {
      for (let seed = 0; seed < SEEDS; seed++) {
        const worse = spoilt(ground, name, chanceOf(1000 * number + seed));
        if (!worse) continue;
        const tally = pairs.get(name) ?? { of: 0, preferred: 0, lost: new Set() };
        tally.of += 1;
        const { score } = measureClass(ground.catalog, worse, ground.context);
        if (ground.measure.score.total < score.total) tally.preferred += 1;
        else tally.lost.add(plan.id);
      }
    }
  });
  const tallies = [...pairs].map(([name, { of, preferred, lost }]) => ({
    name,
    of,
    share: preferred / of,
    lost: [...lost],
  }));
  const all =
    tallies.reduce((sum, { of, share }) => sum + of * share, 0) / tallies.reduce((sum, { of }) => sum + of, 0);
  if (process.env.TALLIES) console.log(JSON.stringify({ all, tallies }, null, 1));
  expect(tallies.filter(({ share }) => share < OF_EACH)).toEqual([]);
  expect(all).toBeGreaterThanOrEqual(OF_ALL);
});
