import { habitsSchema, speakBundle, studioOf } from '@warm-ladder/core/formats';
import { vttFrom } from '@warm-ladder/core/handouts';
import { timeClass } from '@warm-ladder/core/plan';
import { Catalog } from '@warm-ladder/core/repertoire';
import { learntOf } from '@warm-ladder/core/taught/learnt';
import { replan } from '@warm-ladder/core/taught/replan';
import { readCaptions, readTake } from '@warm-ladder/core/taught/take';
import { demoBundle } from '../demo';
import { figure } from './report';
import { sixtyBlocks } from './sixty';

const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const sixty = sixtyBlocks(bundle);

/** A third of the way in, and a tenth of the class behind: as a phone asks when a side begins. */
const { sequence, seconds } = timeClass(catalog, sixty);
const plan = { ...sixty, targetMinutes: Math.round(seconds / 60) };
const part = sequence[20];
if (!part) throw new Error('the class has no twentieth block');
const moment = {
  block: part.block.id,
  pass: 1,
  elapsed: Math.round(part.startSeconds + seconds / 10),
  late: 0,
} as const;
await figure('replan of a 60-block class a tenth behind', 'ms', 300, () => {
  const start = performance.now();
  replan(catalog, plan, {}, moment);
  return performance.now() - start;
});

const studio = studioOf(bundle, {});
const hour = studio.classOf('rowers-sixty');
const spoken = speakBundle(
  bundle,
  'rowers-sixty',
  habitsSchema.parse({ misheard: 0.1, fillers: 0.05 }),
  1,
  '2027-01-11',
);
if (!hour || !spoken) throw new Error('the demo has no class of an hour');
const captions = vttFrom(spoken.cues);
await figure('captions of an hour read back', 'ms', 3000, () => {
  const start = performance.now();
  readTake(studio.catalog, hour, studio.contextOf(hour), readCaptions(captions), '2027-01-11');
  return performance.now() - start;
});

/** Five hundred classes taught: the demo's own logs over and over. */
const { logs = [], teachers = [], audiences = [] } = bundle;
const many = Array.from({ length: 500 }, (_, i) => ({
  ...(logs[i % logs.length] as (typeof logs)[number]),
  id: `log-${i}`,
}));
await figure('what 500 logs taught about one rung', 'ms', 1000, () => {
  const start = performance.now();
  learntOf('leg-lower/straight', many, { catalog, teachers, audiences });
  return performance.now() - start;
});
