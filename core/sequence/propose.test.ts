import { studioOf } from '../formats';
import { demoBundle } from '../testing/demo';
import type { Brief } from './briefs/briefSchema';
import { propose } from './propose';

const studio = studioOf(demoBundle(), {});
const { catalog } = studio;
const TODAY = '2026-11-28';
const one = (brief: Brief) => propose(studio, { proposals: 1, ...brief }, TODAY);

test('the search is told of, and stops when asked, with what it has', () => {
  const told: number[] = [];
  const { proposals } = propose(studio, { minutes: 30 }, TODAY, (share) => {
    told.push(share);
    return told.length < 3;
  });
  expect(told).toHaveLength(3);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  expect(proposals).toHaveLength(1);
});

describe('what can’t be met', () => {
  const known = { minutes: 45, audience: 'choir' } satisfies Brief;
  const cases: ReadonlyArray<readonly [string, Brief, RegExp]> = [
    ['too short', { minutes: 4 }, /^4 minutes are too short for a class; expected 10 or more/],
    ['nobody', { minutes: 45, audience: 'nobody' }, /no audience “nobody”/],
    ['no position', { minutes: 45, begin: 'the-moon' }, /no position “the-moon”/],
    ['no series', { minutes: 45, series: 'none' }, /no series “none”/],
    ['a recap of nothing', { minutes: 45, order: 'recap' }, /wants an episode before it/],
    ['no such rung', { ...known, mustHave: [{ exercise: 'leg-lower', rung: 'nowhere' }] }, /there is no such rung/],
    [
      'wanted and not wanted',
      { ...known, mustHave: [{ exercise: 'leg-lower' }], mustNot: [{ exercise: 'leg-lower' }] },
      /has to be in it, and can’t: It is not wanted/,
    ],
    ['forbidden by a caution', { ...known, mustHave: [{ exercise: 'roll-up' }] }, /can’t: Low bone density: /],
    [
      'an option from elsewhere',
      {
        ...known,
        locked: [{ at: 0, block: { exercise: 'leg-lower', rung: 'bent', mode: 'teach', options: ['nod'] } }],
      },
      /“nod” is offered, which is no rung of “leg-lower”/,
    ],
    [
      'nothing left',
      { minutes: 45, mustNot: catalog.exercises.map(({ id }) => ({ exercise: id })) },
      /Nothing is left of the repertoire/,
    ],
  ];
  test.each(cases)('%s', (_name, brief, sentence) => {
    const { proposals, clashes } = one(brief);
    expect(proposals).toEqual([]);
    expect(clashes.join(' ')).toMatch(sentence);
  });
});
