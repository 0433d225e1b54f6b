import { type Around, type Blocks, review, SERIES_CASES } from '../testing/cases/seriesCases';
import { must } from '../testing/studio';
import { seriesRemediesFor } from './reviewSeries';
import { SERIES_RULES } from './rules';
import { type SeriesCode, type SeriesFinding, seriesFindingKey } from './seriesRule';

test.each(SERIES_RULES.map(({ code }) => code))('%s is silent within its limit and speaks beyond', (code) => {
  const { within, beyond } = SERIES_CASES[code];
  const codes = (each: [Blocks[], Around?]) => review(...each).findings.map((finding) => finding.code);
  expect(codes(within)).not.toContain(code);
  expect(codes(beyond)).toContain(code);
});

test('what is only shown is not seen: it covers no position and no direction', () => {
  const [classes] = SERIES_CASES.COVERAGE_MISSING.within;
  const covers = (change: object) =>
    review(classes.map((blocks) => blocks.map((block) => ({ ...block, ...change })))).findings.map(({ code }) => code);
  expect(covers({})).not.toContain('COVERAGE_MISSING');
  expect(covers({ mode: 'show' })).toContain('COVERAGE_MISSING');
});

test('every rule says what, where and how much in a sentence, and has a code of its own', () => {
  for (const { beyond } of Object.values(SERIES_CASES)) {
    for (const { message, value, limit } of review(...beyond).findings) {
      expect(message).toMatch(/^\p{Lu}.*[.]$|^“.*[.]$|^\d.*[.]$/u);
      expect(value).not.toBe(limit);
    }
  }
  expect(new Set(SERIES_RULES.map(({ code }) => code)).size).toBe(SERIES_RULES.length);
});

/** The episode each rule speaks of in the series just beyond its limit, from 0, and what it says. */
const SENTENCES: Readonly<Record<SeriesCode, readonly [number, string]>> = {
  RUNG_UNEARNED: [
    1,
    'Episode 2 (Class 2): climb, middle comes too early; climb, low was taught in 1 episode before it and practised in 1; it takes 1 and 2.',
  ],
  OPTION_UNEARNED: [
    1,
    'Episode 2 (Class 2): turn, high is offered too early; turn, middle was taught in 0 episodes before it and practised in 0; it takes 1 and 2.',
  ],
  GOAL_UNREACHED: [2, 'The goal climb, middle is not reached; it can be from episode 3 on.'],
  TEACHER_NOT_CLEARED: [0, 'Episode 1 (Class 1): Ilva may teach up to heat 19; climb, low has 20.'],
  DATE_CLASH: [0, 'Episode 1, 2027-01-11: kiln is taken by episode 1 of The other.'],
  PROPS_SHORT: [0, 'Episode 1 (Class 1) needs 7 of “Ball”; Kiln room has 6.'],
  ROOM_SMALL: [0, '13 people come, and Kiln room holds 12.'],
  AUDIENCES_DIFFER: [0, 'Episode 1 (Class 1) is for anyone, the series for anyone.'],
  LENGTHS_DIFFER: [1, 'Episode 2 (Class 2) is meant for 25.3 minutes, Episode 1 (Class 1) for 20.'],
  RECAP_LOW: [1, 'Episode 2 (Class 2): 16 % of the work is known from before, 20 % at least keeps what was learnt.'],
  NEW_LADDERS_MANY: [
    1,
    'Episode 2 (Class 2): 4 ladders are new (climb, turn, lean, beside), 3 at most can be learnt at once.',
  ],
  HEAT_MINUTES_STEEP: [
    1,
    'Episode 2 (Class 2) is 20 % more work than the hardest before it, 15 % at most is a step people can take.',
  ],
  EASIER_MISSING: [
    4,
    'Episode 5 (Class 5) is the 4th in a row that is no easier than the one before it. Make one of them easier.',
  ],
  COVERAGE_MISSING: [3, 'Nothing in any episode is about side bend, though this audience can take it.'],
  SERIES_SIDES_UNEVEN: [
    0,
    'The left side does 67 % of the one-sided work over the series; they differ most in Episode 1 (Class 1).',
  ],
  FIRST_SIDE_ALWAYS: [
    3,
    'Every class begins on the left: the other side is always the tired one. Begin some of them on the other side.',
  ],
  PROP_ONCE: [1, 'Episode 2 (Class 2) alone needs “Ball”.'],
  THEME_MISSING: [0, 'No episode says what its one idea is, Episode 1 (Class 1) first.'],
  GOAL_THIN: [3, 'The way to climb, low is seen in 25 % of the episodes; 70 % is the least.'],
  GOAL_UNPREPARED: [
    0,
    'Episode 1 (Class 1): nothing before climb, middle leads to it; a lower rung, or what it requires, belongs earlier in the class.',
  ],
  EPISODES_ALIKE: [
    1,
    'Episode 2 (Class 2) shares 100 % of its exercises with the one before; 65 % is the most before it is the same class again.',
  ],
  NOTHING_NEW: [2, '2 episodes teach nothing that none before them had: 2, 3.'],
  FIRST_EPISODE_FULL: [0, 'Episode 1 (Class 1) begins 9 exercises; 8 at most can be met at once.'],
  CUE_WORN: [4, '“Like a lid.” is said in 5 episodes. Say it otherwise in some, or flow what is known.'],
};

test.each(Object.entries(SENTENCES) as Array<[SeriesCode, (typeof SENTENCES)[SeriesCode]]>)(
  '%s',
  (code, [episode, message]) => {
    const found = must(review(...SERIES_CASES[code].beyond).findings.find((each) => each.code === code));
    expect([found.episode, found.message]).toEqual([episode, message]);
  },
);

test.each(Object.keys(SERIES_CASES) as SeriesCode[])(
  '%s is told apart, and mended the same in another copy of its series',
  (code) => {
    const [here, there] = [review(...SERIES_CASES[code].beyond), review(...SERIES_CASES[code].beyond)];
    expect(new Set(here.findings.map(seriesFindingKey)).size).toBe(here.findings.length);
    for (const finding of here.findings) {
      const sent: SeriesFinding = JSON.parse(JSON.stringify(finding));
      expect(there.findings.find((each) => seriesFindingKey(each) === seriesFindingKey(sent))).toEqual(finding);
      expect(seriesRemediesFor(there, sent)).toEqual(seriesRemediesFor(here, finding));
    }
  },
);
