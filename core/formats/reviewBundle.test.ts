import { block, bundleOf, classOf } from '../testing/studio';
import { reviewBundle } from './reviewBundle';

const BUNDLE = bundleOf({
  classes: [
    classOf([block('hold'), block('reach', { side: 'left' })], { id: 'one' }),
    classOf([block('earned/high')], { id: 'two' }),
  ],
  series: [{ id: 'earned', name: 'Earned', episodes: [{ class: 'one' }, { class: 'two' }] }],
});
const document = reviewBundle(BUNDLE);

test('the document has every rung, class and series, and its parts sum to its seconds', () => {
  expect(Object.keys(document.rungs)).toContain('earned/high');
  const one = document.classes.one;
  expect(one?.seconds).toBe(60 + 28 + 16 + 28 + 30);
  expect(Object.values(one?.parts ?? {}).reduce((a, b) => a + b, 0)).toBe(one?.seconds);
  expect(one).toMatchObject({
    blocks: [
      { id: 'b1', startSeconds: 60, seconds: 28, work: 20, carries: false, firstSide: null },
      { id: 'b2', startSeconds: 104, seconds: 28, work: 20, carries: false, firstSide: 'left' },
    ],
    positions: { supine: 28, 'four-point': 28 },
    directions: { neutral: 30, rotation: 10 },
    sides: { left: 20, right: 0 },
  });
  expect(one?.findings.find(({ code }) => code === 'SIDES_UNEVEN')).toMatchObject({
    blocks: [1],
    ids: ['b2'],
  });
});

test('what would mend a finding is worked out only when asked for, each with its edits', () => {
  const uneven = (fixes: boolean) =>
    reviewBundle(BUNDLE, { fixes }).classes.one?.findings.find(({ code }) => code === 'SIDES_UNEVEN');
  expect(uneven(false)).not.toHaveProperty('edits');
  const labels = uneven(true)?.edits?.map(({ label }) => label);
  expect(labels?.slice(0, 2).sort()).toEqual(['Add the right side of reach, low after it', 'reach, low: both sides']);
  expect(labels).toContain('Leave out reach, low');
  expect(uneven(true)?.edits?.find(({ label }) => /both/.test(label))?.edits).toEqual([
    { kind: 'set', id: 'b2', change: { side: null } },
  ]);
});

test('an episode is reviewed with what earlier episodes taught; the order wrong way round is found', () => {
  expect(document.series.earned?.findings).toEqual([]);
  const turned = reviewBundle(
    bundleOf({
      classes: [classOf([block('earned/high')], { id: 'two' }), classOf([block('hold')], { id: 'one' })],
      series: [{ id: 's', name: 'S', episodes: [{ class: 'two' }, { class: 'one' }] }],
    }),
  );
  expect(turned.series.s?.findings).toMatchObject([{ code: 'REQUIREMENT_UNMET', episode: 0, blocks: [0] }]);
});

test('every rung says what it asks of whom, and every ladder what is doubtful about it', () => {
  expect(document.longestChain).toEqual(['hold/low', 'earned/high']);
  expect(document.ladders.hold?.doubts.map(({ code }) => code)).toContain('LADDER_FALLS');
  expect(document.rungs['hold/low']).toMatchObject({
    directions: ['neutral'],
    meanLoad: { legLever: 0 },
    cautions: {},
  });
});

test('it is plain JSON, the same each time', () => {
  expect(JSON.parse(JSON.stringify(document))).toEqual(document);
});
