import { studioOf } from '../../formats';
import { demoBundle } from '../../testing/demo';
import { must } from '../../testing/studio';
import { chanceOf } from '../../vocabulary/chance';
import { checkLog } from '../checkLog';
import { habitsSchema, speak } from '../speak';
import { draftPlan, readTake } from '.';

const bundle = demoBundle();
const { catalog, contextOf } = studioOf(bundle, { today: '2026-11-28' });
const plans = (bundle.classes ?? []).filter(
  ({ blocks, purpose = 'class', id }) => purpose === 'class' && blocks.length >= 15 && !id.endsWith('draft'),
);
const DATE = '2027-01-11';

/** A class at random, taught with mistakes: of twenty blocks three left out, one moved, one added; one word in ten misheard. */
function taught(seed: number) {
  const chance = chanceOf(seed);
  const plan = chance.one(plans);
  const free = plan.blocks.flatMap((block) => ('exercise' in block && block.run === undefined ? [block.id] : []));
  const pick = () => must(free.splice(chance.below(free.length), 1)[0]);
  const many = Math.max(1, Math.round((3 * plan.blocks.length) / 20));
  const skips = Array.from({ length: many }, pick);
  const moved = pick();
  const habits = habitsSchema.parse({
    tempo: 0.9 + 0.25 * chance.share(),
    setup: 0.8 + 0.6 * chance.share(),
    change: 0.8 + 0.5 * chance.share(),
    misheard: 0.1,
    fillers: 0.05,
    paraphrase: 0.3,
    scatter: 0.1,
    skips,
    moves: [[moved, chance.below(plan.blocks.length)]],
    adds: [{ after: pick(), rung: chance.one(catalog.rungs).key }],
  });
  const spoken = speak(catalog, plan, contextOf(plan), habits, { seed, date: DATE });
  const cues = spoken.cues.map((cue, line) => ({ ...cue, line }));
  return { plan, moved, log: spoken.log, cues, take: readTake(catalog, plan, contextOf(plan), cues, DATE) };
}

test('what a teacher did is read back: when blocks began, what was left out, added and counted', () => {
  const hits = { starts: [], skips: [], adds: [], reps: [] } as Record<'starts' | 'skips' | 'adds' | 'reps', boolean[]>;
  const note = (kind: keyof typeof hits, hit: boolean) => hits[kind].push(hit);
  for (let seed = 1; seed <= 20; seed++) {
    const { plan, log, take } = taught(seed);
    // Its log can have happened.
    expect(checkLog(take.log, plan)).toEqual([]);
    for (const { id, did, passes = [] } of must(log.blocks)) {
      const [first] = passes;
      if (did === 'skipped') note('skips', take.missed.includes(id));
      else if (did === 'added') {
        const { startSeconds = 0, endSeconds = 0 } = must(first);
        note(
          'adds',
          take.added.some((each) => each.startSeconds < endSeconds && each.endSeconds > startSeconds),
        );
      } else {
        const found = take.blocks.find((each) => each.id === id);
        note(
          'starts',
          Math.abs((found?.startSeconds ?? Number.POSITIVE_INFINITY) - must(must(first).startSeconds)) <= 5,
        );
        if (found?.reps && must(first).reps !== undefined) {
          const counted = Object.values(found.reps);
          note(
            'reps',
            passes.every(({ reps }, i) => counted[Math.min(i, counted.length - 1)] === reps),
          );
        }
      }
    }
  }
  if (process.env.TALLIES)
    console.log(
      Object.entries(hits)
        .map(([k, all]) => `${k} ${all.filter(Boolean).length}/${all.length}`)
        .join(', '),
    );
  const share = (all: readonly boolean[]) => all.filter(Boolean).length / all.length;
  expect(share(hits.starts)).toBeGreaterThanOrEqual(0.94);
  expect(share(hits.skips)).toBeGreaterThanOrEqual(0.9);
  expect(share(hits.adds)).toBeGreaterThanOrEqual(9 / 10);
  expect(share(hits.reps)).toBeGreaterThanOrEqual(0.9);
});

test('a class taught word by word is found whole, side by side, and its lengths are those that were taken', () => {
  const plan = must(plans.find(({ id }) => id === 'potters-forearms'));
  const { cues, log } = speak(catalog, plan, contextOf(plan), habitsSchema.parse({ tempo: 1.1 }), {
    seed: 1,
    date: DATE,
  });
  const take = readTake(
    catalog,
    plan,
    contextOf(plan),
    cues.map((cue, line) => ({ ...cue, line })),
    DATE,
  );
  expect(take.matched).toBeGreaterThan(0.95);
  expect([take.missed, take.moved, take.added]).toEqual([[], [], []]);
  const total = (of: typeof log) =>
    must(of.blocks).reduce(
      (sum, { passes = [] }) => sum + passes.reduce((all, { workSeconds = 0 }) => all + workSeconds, 0),
      0,
    );
  expect(total(take.log) / total(log)).toBeGreaterThan(0.95);
  expect(total(take.log) / total(log)).toBeLessThan(1.05);
});

test('the same seed says the same, another something else', () => {
  const plan = must(plans[0]);
  const said = (seed: number) =>
    speak(catalog, plan, contextOf(plan), habitsSchema.parse({ misheard: 0.1, scatter: 0.1 }), { seed, date: DATE });
  expect(said(3)).toEqual(said(3));
  expect(said(3).cues).not.toEqual(said(4).cues);
});

test('without a plan a draft is read out of the captions, and captions of something else leave nothing known', () => {
  const plan = must(plans.find(({ id }) => id === 'potters-forearms'));
  const { cues } = speak(catalog, plan, contextOf(plan), habitsSchema.parse({}), { seed: 1, date: DATE });
  const draft = draftPlan(
    catalog,
    cues.map((cue, line) => ({ ...cue, line })),
    'read',
  );
  const exercises = new Set(plan.blocks.flatMap((block) => ('exercise' in block ? block.exercise : [])));
  const known = draft.blocks.filter(({ rung }) => rung !== null);
  const right = known.filter(({ rung }) => exercises.has(must(must(rung ?? undefined).split('/')[0])));
  expect(known.length).toBeGreaterThan(10);
  expect(right.length / known.length).toBeGreaterThan(0.7);
  const other = 'the annual meeting opens with the accounts of the treasurer and a vote on the new roof';
  const foreign = Array.from({ length: 40 }, (_, i) => ({ from: i * 8, to: i * 8 + 6, text: other, line: i }));
  expect(draftPlan(catalog, foreign, 'read').blocks.filter(({ rung }) => rung !== null)).toEqual([]);
  expect(readTake(catalog, plan, contextOf(plan), foreign, DATE).matched).toBeLessThan(0.2);
});

test('time lost on the way and a late end are told', () => {
  const plan = must(plans.find(({ id }) => id === 'potters-forearms'));
  const { cues, log } = speak(catalog, plan, contextOf(plan), habitsSchema.parse({}), { seed: 1, date: DATE });
  const here = must(must(must(log.blocks).find(({ id }) => id === 'b20')).passes?.[0]?.startSeconds);
  const late = cues.map(({ from, to, text }, line) => {
    const lost = from > here - 1 ? 150 : 0;
    return { from: from + lost, to: to + lost, text, line };
  });
  const codes = (of: typeof late) =>
    readTake(catalog, plan, contextOf(plan), of, DATE).differences.map(({ code }) => code);
  expect(codes(cues.map((cue, line) => ({ ...cue, line })))).not.toContain('WAY_OTHER');
  expect(codes(late)).toEqual(expect.arrayContaining(['ENDED_OTHER', 'WAY_OTHER']));
});
