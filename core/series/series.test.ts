import fc from 'fast-check';
import type { Rung } from '../repertoire';
import { type Around, type Blocks, catalog, review, studioOf, taught } from '../testing/cases/seriesCases';
import { block, catalogOf, exercise, must, rung } from '../testing/studio';
import { datesOf, daysOn, inWeek, mondayOf, skippedStretches, taughtDays, weekdayOf, weeksFrom } from './dates';
import { earliest } from './earliest';
import { earningOf } from './earning';
import { rulesOf } from './learning';
import { editedSeries, seriesFixesFor } from './mending';
import { rungMoved, stepHigher } from './moving';
import { reviewSeries } from './reviewSeries';
import type { Series } from './seriesSchema';
import { couldTake, whatIf } from './whatIf';

describe('earning', () => {
  const earned = (episodes: readonly Blocks[], around?: Around) => {
    const { studio, series } = studioOf(episodes, around);
    return earningOf(studio, series);
  };

  test('a rung is earned when it was taught once and practised twice, each once an episode', () => {
    expect(earned([[taught('climb'), taught('climb')]]).earned).toEqual([]);
    expect(earned([[taught('climb')], [block('climb')]]).earned).toEqual(['climb/low']);
    // Shown it is taught and not practised; run it is practised and not taught.
    expect(earned([[taught('climb', { mode: 'show' })], [block('climb')]]).earned).toEqual([]);
    expect(earned([[block('climb')], [block('climb')]]).earned).toEqual([]);
  });

  test('a branch opens with the rung it stands beside; what is required counts like the rung before', () => {
    const unearned = (...episodes: Blocks[]) =>
      earned(episodes)
        .episodes.at(-1)
        ?.unearned.map(({ key }) => key);
    expect(unearned([taught('beside/other')])).toEqual(['beside/other']);
    expect(unearned([taught('beside')], [taught('beside')], [taught('beside/other')])).toEqual([]);
    const climb: Blocks[] = [[taught('climb')], [taught('climb')]];
    expect(unearned(...climb, [taught('asks')])).toEqual(['asks/low']);
    expect(unearned(...climb, [taught('climb/middle')], [taught('climb/middle')], [taught('asks')])).toEqual([]);
  });

  test('what a series follows counts as if its episodes came first', () => {
    const before = [[taught('climb')], [taught('climb')]];
    const { episodes } = earned([[taught('climb/middle'), taught('turn')]], { before });
    expect(episodes[0]?.unearned).toEqual([]);
    expect(episodes[0]?.newLadders).toEqual(['turn']);
    const codes = review([[taught('climb/middle'), block('climb')]], { before }).episodes[0]?.review.findings.map(
      ({ code }) => code,
    );
    expect(codes).not.toContain('NOT_TAUGHT');
  });

  test('a class is judged in its place: what flows was taught before, or is to be mended', () => {
    const found = review([[taught('climb')], [block('climb'), block('turn')]]).episodes[1]?.review.findings;
    const untaught = found?.filter(({ code }) => code === 'NOT_TAUGHT');
    expect(untaught).toMatchObject([{ severity: 'fix', blocks: [1] }]);
  });
});

describe('the earliest episode', () => {
  const ask = (name: string, around: Around = {}, episodes: readonly Blocks[] = []) => {
    const { studio, series } = studioOf(episodes, around);
    return earliest(studio, series, must(catalog.rungByKey(name)));
  };

  test('climbs a ladder rung by rung, and says what no episode brings yet', () => {
    expect(ask('climb/low').earliest).toBe(1);
    expect(ask('climb/high')).toMatchObject({
      earliest: 5,
      path: [
        { rung: 'climb/low', episode: 1, as: 'taught' },
        { rung: 'climb/middle', episode: 3, as: 'taught' },
      ],
      missing: ['climb/low', 'climb/middle'],
    });
    expect(ask('climb/high', {}, [[taught('climb')]]).missing).toEqual(['climb/middle']);
    expect(ask('climb/high', { before: [[taught('climb')], [taught('climb')]] }).earliest).toBe(3);
    expect(ask('climb/high', { series: { rules: { taught: 2, practised: 3 } } }).earliest).toBe(7);
  });

  test('agrees with every plan there is, for small series under every rule', () => {
    const ladder = fc.record({
      length: fc.integer({ min: 1, max: 2 }),
      requires: fc.option(fc.nat(2), { nil: undefined }),
    });
    const rules = fc.record({
      taught: fc.integer({ min: 0, max: 2 }),
      practised: fc.integer({ min: 0, max: 2 }),
      newLadders: fc.integer({ min: 1, max: 2 }),
    });
    fc.assert(
      fc.property(fc.array(ladder, { minLength: 1, maxLength: 3 }), rules, fc.boolean(), (shapes, own, follows) => {
        const made = shapes.map(({ length, requires }, i) =>
          exercise(`l${i}`, {
            rungs: Array.from({ length }, (_, step) =>
              rung(
                `r${step}`,
                step === 0 && requires !== undefined && requires < i
                  ? { requires: [{ exercise: `l${requires}`, rung: 'r0' }] }
                  : {},
              ),
            ),
          }),
        );
        // The goal stands on the top of every ladder at once.
        const goal = exercise('goal', {
          rungs: [
            rung('r0', { requires: made.map(({ id, rungs }) => ({ exercise: id, rung: must(rungs.at(-1)).id })) }),
          ],
        });
        const small = catalogOf([...made, goal]);
        const series: Series = { id: 's', name: 'S', rules: own, episodes: [], ...(follows ? { follows: 'b' } : {}) };
        const before: Series = { id: 'b', name: 'B', episodes: [] };
        const found = earliest(
          { catalog: small, classOf: () => undefined, seriesOf: (id) => (id === 'b' ? before : undefined) },
          series,
          must(small.rungByKey('goal/r0')),
        );
        expect(found.earliest).toBe(
          exhaustive(
            made.map(({ id, rungs }) => ({ id, rungs })),
            rulesOf(series),
            follows,
          ),
        );
      }),
      { numRuns: 60 },
    );
  });
});

/** The earliest episode by trying every episode in which each rung might first be taught. */
function exhaustive(
  ladders: ReadonlyArray<{ readonly id: string; readonly rungs: readonly Rung[] }>,
  { taught: t, practised: p, newLadders }: { taught: number; practised: number; newLadders: number },
  follows: boolean,
): number {
  const length = Math.max(t, p);
  const rungs = ladders.flatMap(({ id, rungs: own }) =>
    own.map((each, step) => ({
      name: `${id}/${each.id}`,
      ladder: id,
      needs: [
        ...(step > 0 ? [`${id}/${must(own[step - 1]).id}`] : []),
        ...(each.requires ?? []).map((ref) => `${ref.exercise}/${ref.rung}`),
      ],
    })),
  );
  if (length === 0) return 1;
  let best = Number.POSITIVE_INFINITY;
  const starts = new Map<string, number>();
  const place = (at: number) => {
    const open = Math.max(0, ...[...starts.values()].map((start) => start + length - 1)) + 1;
    if (open >= best) return;
    const each = rungs[at];
    if (!each) {
      best = open;
      return;
    }
    const ready = Math.max(1, ...each.needs.map((need) => (starts.get(need) ?? 0) + length));
    for (let start = ready; start <= ready + rungs.length; start++) {
      starts.set(each.name, start);
      if (fits()) place(at + 1);
      starts.delete(each.name);
    }
  };
  const fits = (): boolean => {
    const begins = new Map<string, number>();
    for (const { name, ladder } of rungs) {
      const start = starts.get(name);
      if (start !== undefined) begins.set(ladder, Math.min(begins.get(ladder) ?? start, start));
    }
    const counts = new Map<number, number>();
    for (const start of begins.values()) counts.set(start, (counts.get(start) ?? 0) + 1);
    return [...counts].every(([episode, count]) => (episode === 1 && !follows) || count <= newLadders);
  };
  place(0);
  return best;
}

describe('fixes', () => {
  const fixes = (episodes: readonly Blocks[], around?: Around) => {
    const { studio, series } = studioOf(episodes, around);
    const own = reviewSeries(studio, series);
    return seriesFixesFor(studio, series, own, must(own.findings.find(({ code }) => code === 'RUNG_UNEARNED')));
  };

  test('what comes too early is done lower, practised in an earlier episode, moved later or left out', () => {
    const labels = fixes([[taught('climb')], [taught('turn')], [taught('climb/middle')], [taught('climb')]]).map(
      ({ label }) => label,
    );
    expect(labels).toContain('Do climb, low instead');
    expect(labels).toContain('Do climb, low in episode 2 too');
    expect(labels).toContain('Swap episodes 3 and 4');
    expect(labels).toContain('Leave climb, middle out of episode 3');
  });

  test('a rung moved too early goes to an episode in which it is open', () => {
    const labels = fixes([[taught('climb')], [block('climb'), taught('climb/middle')], [taught('turn')]]).map(
      ({ label }) => label,
    );
    expect(labels).toContain('Move climb, middle to episode 3');
  });

  test('each leaves fewer or lighter findings, and its classes and series as it says', () => {
    for (const fix of fixes([[taught('climb')], [taught('turn')], [taught('climb/middle')], [taught('climb')]])) {
      expect(fix.counts.after.fix).toBeLessThan(fix.counts.before.fix);
      expect(fix.measure.raised.filter(({ code }) => code === 'RUNG_UNEARNED')).toEqual([]);
    }
  });

  test('episodes that change places leave days and teachers where they are', () => {
    const { studio, series } = studioOf([[taught('climb')], [taught('turn')]]);
    const dates: Series = {
      ...series,
      episodes: [
        { class: 'e1', date: '2027-01-11', title: 'Beginning' },
        { class: 'e2', teacher: 'ilva' },
      ],
    };
    expect(editedSeries(studio, dates, [{ kind: 'swap', one: 0, other: 1 }]).series.episodes).toEqual([
      { class: 'e2', date: '2027-01-11' },
      { class: 'e1', title: 'Beginning', teacher: 'ilva' },
    ]);
  });
});

describe('what breaks', () => {
  const { studio, series } = studioOf([
    [taught('climb')],
    [block('climb'), taught('turn')],
    [taught('climb/middle'), block('turn')],
    [block('climb/middle'), taught('steady')],
  ]);
  const review = reviewSeries(studio, series);
  const early = (findings: ReturnType<typeof whatIf>['broken']) =>
    findings.flatMap(({ code, message }) => (code === 'RUNG_UNEARNED' ? [message] : []));

  test('when an episode is left out, what it practised is missing from then on', () => {
    const { broken, mended, after } = whatIf(studio, series, review, [{ kind: 'remove', episode: 1 }]);
    expect(early(broken)).toHaveLength(2);
    expect(early(broken)[0]).toMatch(
      /^Episode 2 \(Class 3\): climb, middle comes too early; climb, low was taught in 1/,
    );
    expect(early(mended)).toEqual([]);
    expect(after.series.episodes.map(({ class: id }) => id)).toEqual(['e1', 'e3', 'e4']);
  });

  test('when one is moved, and is mended when it is moved back', () => {
    const moved = whatIf(studio, series, review, [{ kind: 'move', episode: 2, to: 0 }]);
    expect(moved.after.series.episodes.map(({ class: id }) => id)).toEqual(['e3', 'e1', 'e2', 'e4']);
    expect(early(moved.broken)).toHaveLength(1);
    const own = moved.after.series;
    const back = whatIf(studio, own, reviewSeries(studio, own), [{ kind: 'move', episode: 0, to: 2 }]);
    expect(back.after.series).toEqual(series);
    expect(early(back.broken)).toEqual([]);
    expect(early(back.mended)).toHaveLength(1);
  });

  test('what then flows and nobody was taught is found in its class', () => {
    const own = studioOf([[taught('turn')], [taught('climb')], [block('climb')]]);
    const before = reviewSeries(own.studio, own.series);
    const { broken } = whatIf(own.studio, own.series, before, [{ kind: 'remove', episode: 1 }]);
    expect(broken.filter(({ severity }) => severity === 'fix')).toEqual([
      expect.objectContaining({
        code: 'NOT_TAUGHT',
        episode: 1,
        message: expect.stringMatching(/^Episode 2 \(Class 3\): climb, low is run/),
      }),
    ]);
  });

  test('nothing, when nothing depends on it', () => {
    const { broken, counts } = whatIf(studio, series, review, [{ kind: 'swap', one: 1, other: 1 }]);
    expect(broken).toEqual([]);
    expect(counts.after).toEqual(counts.before);
    expect(() => whatIf(studio, series, review, [{ kind: 'move', episode: 9, to: 0 }])).toThrow(
      new RangeError('there is no episode 10'),
    );
  });

  test('an episode could take what is open on ladders it knows, what is nearest to being earned first', () => {
    const names = (episode: number) => couldTake(studio, series, episode).map(({ entry, as }) => `${entry.key} ${as}`);
    expect(names(0)).toEqual([]);
    // The first turn was practised once; climb, middle stands in the episode itself.
    expect(names(2)).toEqual([]);
    expect(names(3)).toEqual(['turn/middle step']);
    expect(names(4)).toEqual(['steady/low practice', 'climb/high step', 'turn/middle step']);
  });
});

describe('moving on', () => {
  test('a rung moved to another episode leaves the one class and stands in the other beside its position', () => {
    const { studio, series } = studioOf([
      [taught('climb', { dose: { reps: 7 } }), taught('turn')],
      [taught('turn'), taught('steady')],
    ]);
    const edits = rungMoved(studio, series, 'climb/low', 0, 1);
    const { classes } = editedSeries(studio, series, edits);
    const rungs = classes.map(({ blocks }) => blocks.map((each) => ('interlude' in each ? '' : each.exercise)));
    expect(rungs).toEqual([['turn'], ['turn', 'climb', 'steady']]);
    expect(classes[1]?.blocks[1]).toMatchObject({ mode: 'teach', dose: { reps: 7 } });
    expect(rungMoved(studio, series, 'turn/low', 0, 1)).toEqual([]);
  });

  test('the next episode is the last a step higher where that is open, and runs what is known', () => {
    const { studio, series } = studioOf([
      [taught('climb'), taught('turn')],
      [block('climb'), taught('steady')],
    ]);
    expect(stepHigher(studio, series, 'e3', 'Third')).toMatchObject({
      id: 'e3',
      name: 'Third',
      blocks: [
        { exercise: 'climb', rung: 'middle', mode: 'teach' },
        { exercise: 'steady', rung: 'low', mode: 'flow' },
      ],
    });
    expect(stepHigher(studio, { ...series, episodes: [] }, 'e1', 'First')).toBeNull();
  });

  test('a step higher that takes a prop is set up anew, where the step below carried on', () => {
    const last = [block('climb'), taught('loaded', { carry: true })];
    const { studio, series } = studioOf([last, last]);
    const { blocks = [] } = stepHigher(studio, series, 'e3', 'Third') ?? {};
    expect(blocks[1]).toMatchObject({ exercise: 'loaded', rung: 'high' });
    expect(blocks[1]).not.toHaveProperty('carry');
  });
});

describe('dates', () => {
  const dates = (schedule: NonNullable<Series['schedule']>, ...pinned: Array<string | undefined>) =>
    datesOf({ schedule, episodes: pinned.map((date) => ({ class: 'a', ...(date === undefined ? {} : { date }) })) });

  test('episodes fall on the first allowed days, over leap days, changes of clocks and the end of a year', () => {
    expect(dates({ start: '2028-02-24', days: ['thu', 'tue'] }, undefined, undefined, undefined)).toEqual([
      '2028-02-24',
      '2028-02-29',
      '2028-03-02',
    ]);
    // The clocks of most of Europe change on 28 March and 31 October 2027.
    expect(dates({ start: '2027-03-27', days: ['sat', 'sun', 'mon'] }, undefined, undefined, undefined)).toEqual([
      '2027-03-27',
      '2027-03-28',
      '2027-03-29',
    ]);
    expect(dates({ start: '2027-10-30', days: ['sun', 'mon'] }, undefined, undefined)).toEqual([
      '2027-10-31',
      '2027-11-01',
    ]);
    expect(dates({ start: '2027-12-31', days: ['fri'] }, undefined, undefined)).toEqual(['2027-12-31', '2028-01-07']);
  });

  test('skipped days move the rest; a pinned day is kept, and nobody else takes it', () => {
    const schedule = { start: '2027-01-11', days: ['mon' as const], skip: ['2027-01-11', '2027-01-25'] };
    expect(dates(schedule, undefined, undefined)).toEqual(['2027-01-18', '2027-02-01']);
    expect(dates(schedule, undefined, '2027-01-18', undefined)).toEqual(['2027-02-01', '2027-01-18', '2027-02-08']);
    expect(dates({}, undefined, '2027-01-18')).toEqual([null, '2027-01-18']);
  });

  test('weeks begin on Monday, follow one another over years and changes of clocks, and keep the day of the week', () => {
    expect(weeksFrom('2027-01-14', 3)).toEqual(['2027-01-11', '2027-01-18', '2027-01-25']);
    expect(inWeek('2027-01-14', '2028-02-28')).toBe('2028-03-02');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 1, max: 60 }), (by, count) => {
        const day = daysOn('2020-01-31', by);
        const weeks = weeksFrom(day, count);
        expect(weeks.every((monday) => weekdayOf(monday) === 'mon')).toBe(true);
        expect(new Set(weeks).size).toBe(count);
        expect(inWeek(day, mondayOf(day))).toBe(day);
        for (const monday of weeks) {
          expect(weekdayOf(inWeek(day, monday))).toBe(weekdayOf(day));
          expect(mondayOf(inWeek(day, monday))).toBe(monday);
        }
      }),
    );
  });

  test('skipped days after one another are one stretch, whatever lies between that is never taught', () => {
    const schedule = { start: '2027-01-11', days: ['mon' as const, 'thu' as const] };
    const holidays = taughtDays(schedule, '2027-01-13', '2027-01-26');
    expect(holidays).toEqual(['2027-01-14', '2027-01-18', '2027-01-21', '2027-01-25']);
    expect(skippedStretches({ ...schedule, skip: ['2027-02-08', ...holidays] })).toEqual([
      ['2027-01-14', '2027-01-25'],
      ['2027-02-08', '2027-02-08'],
    ]);
  });

  test('a day without days of the week goes on weekly', () => {
    expect(weekdayOf('2027-01-11')).toBe('mon');
    expect(dates({ start: '2027-01-13' }, undefined, undefined)).toEqual(['2027-01-13', '2027-01-20']);
  });
});

test('what is shown with a dose for every week is practised between the episodes', () => {
  const blocks = [taught('climb', { mode: 'show' })];
  const goesOn = (weekly?: { readonly days: number }) =>
    review([blocks, [taught('turn')], [taught('turn')], [taught('climb/middle')]], { series: { weekly } }).episodes.map(
      ({ unearned }) => unearned.map(({ key }) => key),
    );
  expect(goesOn({ days: 3 })).toEqual([[], [], [], []]);
  expect(goesOn()).toEqual([[], [], [], ['climb/middle']]);
});
