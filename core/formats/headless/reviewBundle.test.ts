import { block, bundleOf, classOf } from '../../testing/studio';
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

test('a series says what each episode earns, takes too early and brings anew; its classes stay free of it', () => {
  const learnt = (id: string, ...names: string[]) =>
    classOf(
      names.map((name) => block(name, { mode: 'teach' })),
      { id },
    );
  const { series, classes } = reviewBundle(
    bundleOf({
      classes: [learnt('one', 'hold'), learnt('two', 'hold', 'earned'), learnt('three', 'earned/high', 'hold')],
      series: [
        { id: 's', name: 'S', episodes: [{ class: 'one' }, { class: 'two' }, { class: 'three' }] },
        { id: 'turned', name: 'T', episodes: [{ class: 'three' }] },
      ],
    }),
  );
  expect(series.s?.episodes).toMatchObject([
    { class: 'one', recapShare: 0, newLadders: 1, unearned: [] },
    { class: 'two', recapShare: 0.5, newLadders: 1, unearned: [] },
    { class: 'three', recapShare: 0.5, newLadders: 0, unearned: ['earned/high'] },
  ]);
  expect(series.s?.earned).toEqual(['hold/low']);
  expect(series.s?.findings[0]).toMatchObject({ code: 'RUNG_UNEARNED', episode: 2, blocks: [0], ids: ['b1'] });
  expect(series.turned?.findings[0]).toMatchObject({ code: 'RUNG_UNEARNED', episode: 0 });
  expect(Object.values(classes).flatMap(({ findings }) => findings.map(({ code }) => code))).not.toContain(
    'REQUIREMENT_UNMET',
  );
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
