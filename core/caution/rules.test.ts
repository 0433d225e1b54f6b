import type { BasePosition, Pose } from '../body';
import { type MethodFile, resolveMethod } from '../method';
import { type Catalog, FEATURES, type Feature, featureAt, type Rung, type RungEntry } from '../repertoire';
import { catalogOf, exercise, must, rung } from '../testing';
import { CONDITION_IDS, CONDITIONS, type Condition } from '../vocabulary/words/condition';
import { type Graded, judge, measuredText, peakCautions, rateCautions, WITHIN } from './judge';
import { type CautionRule, VERDICTS } from './rule';
import { adviceOf, CAUTION_RULES, cautionRules } from './rules';

/** A body that shows something, as the one rung of a repertoire. */
interface Specimen {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
}

function specimen(like: BasePosition, poses: readonly [Pose, Pose], change: Partial<Rung> = {}): Specimen {
  const made = rung('specimen', { poses: { home: poses[0], away: poses[1] }, ...change });
  const catalog = catalogOf([exercise('body', { position: like, rungs: [made] })]);
  return { catalog, entry: must(catalog.rungs[0]) };
}

const still = (like: BasePosition, pose: Pose, change?: Partial<Rung>) => specimen(like, [pose, pose], change);
const seated = (change: Partial<Pose>): Specimen =>
  still('seated', { hip: 90, knee: 90, supports: ['pelvis', 'feet'], ...change });
const upright = (change: Partial<Pose>): Specimen => still('standing', { supports: ['feet'], ...change });
const onBack = (change: Partial<Pose>): Specimen =>
  still('supine', { supports: ['head', 'ribs', 'pelvis'], ...change });
/** A pose kept for some seconds, one count a second; none at all for nothing. */
const kept =
  (like: BasePosition, pose: Pose, change: Partial<Rung['phases'][number]> = {}) =>
  (seconds: number): Specimen =>
    seconds < 0.5
      ? QUIET
      : still(like, pose, {
          dose: { sets: 1, reps: 1 },
          phases: Array.from({ length: Math.ceil(seconds / 60) }, (_, i) => ({
            id: `p${i}`,
            breath: 'free',
            counts: Math.min(60, seconds - 60 * i),
            pose: 'home',
            ...change,
          })),
        });
/** Sitting on a chair with folded hands: nothing that any rule minds. */
const QUIET = seated({});

const ROUND: Partial<Pose> = { lumbar: 26, thoracic: 22, neck: 16 };
const ROCKED: [Pose, Pose] = [
  { ...ROUND, hip: 120, knee: 110, pitch: 22, supports: ['pelvis'] },
  { ...ROUND, hip: 130, knee: 115, pitch: 95, supports: ['shoulders'] },
];

/** For each feature, bodies that show it more and more: from 0 to 1, or (times) for more and more seconds. */
const SHOWN: Readonly<Record<Feature, (t: number) => Specimen>> = {
  loadedFlexion: (t) => seated({ lumbar: 50 * t, thoracic: 50 * t }),
  extension: (t) =>
    still('prone', {
      lumbar: -40 * t,
      thoracic: -20 * t,
      shoulder: 90,
      elbow: 90,
      supports: ['pelvis', 'thighs', 'feet', 'forearms'],
    }),
  rotation: (t) => seated({ twist: 70 * t }),
  sideBend: (t) => seated({ sideBend: -55 * t }),
  legLever: (t) =>
    onBack({
      hip: { left: 45, right: 90 - 90 * t },
      knee: { left: 90, right: 0 },
      supports: ['head', 'ribs', 'pelvis', 'foot.left'],
    }),
  doubleLegLever: (t) => onBack({ hip: 90 - 90 * t }),
  curlLever: (t) =>
    still('seated', { hip: 100 - 40 * t, pitch: 60 * t, shoulder: 160 * t, supports: ['pelvis', 'feet'] }),
  bellyMoment: (t) => still('plank', { pitch: 88 - 88 * t, shoulder: 90 + 40 * t, supports: ['hands', 'feet'] }),
  backMoment: (t) => upright({ hip: 90 * t, pitch: -90 * t, shoulder: 170 * t }),
  inversion: (t) => upright({ hip: 90 * t, pitch: -95 * t, lumbar: 70 * t, thoracic: 50 * t }),
  neckWeight: (t) => onBack({ lumbar: 60 * t, thoracic: 30 * t, hip: 120, supports: ['head', 'shoulders'] }),
  hipFlexion: (t) => onBack({ hip: 150 * t, knee: 120 }),
  hipAcross: (t) => onBack({ hip: 40, hipAbduction: { left: 0, right: -35 * t } }),
  hipTurnedIn: (t) => onBack({ hip: 40, hipRotation: -60 * t }),
  straddle: (t) => onBack({ hip: 90, hipAbduction: 85 * t }),
  kneeBend: (t) => still('kneeling', { knee: 60 + 100 * t, supports: ['knees', 'feet'] }),
  hamstrings: (t) => seated({ hip: 120 * t, knee: 0 }),
  anklePointed: (t) => still('kneeling', { knee: 120, ankle: 80 * t, supports: ['knees', 'feet'] }),
  ankleBent: (t) => upright({ hip: 30, knee: 30 + 60 * t }),
  armOverhead: (t) => upright({ shoulder: 180 * t }),
  handLoad: (t) => upright({ weights: { 'hand.left': 4 * t, 'hand.right': 4 * t } }),
  headSweep: (t) =>
    specimen('standing', [
      { supports: ['feet'] },
      { lumbar: 60 * t, thoracic: 50 * t, neck: 50 * t, supports: ['feet'] },
    ]),
  rolling: (t) => (t === 0 ? QUIET : specimen('seated', ROCKED)),
  barGrip: (t) => (t === 0 ? QUIET : seated({ holds: { 'hand.left': 'bar', 'hand.right': 'bar' } })),
  fastTwist: (t) =>
    specimen(
      'seated',
      [
        { hip: 90, knee: 90, twist: 0, supports: ['pelvis', 'feet'] },
        { hip: 90, knee: 90, twist: 70 * t, supports: ['pelvis', 'feet'] },
      ],
      {
        phases: [
          { id: 'p1', breath: 'out', counts: 1, pose: 'away' },
          { id: 'p2', breath: 'in', counts: 4, pose: 'home' },
        ],
      },
    ),
  headLifted: kept('supine', { ...ROUND, hip: 45, knee: 90, supports: ['pelvis', 'feet'] }),
  pronePressure: kept('prone', { supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] }),
  flatOnBack: kept('supine', { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] }),
  extendedWrists: kept('plank', { shoulder: 90, supports: ['hands', 'feet'] }),
  armsBearing: kept('plank', { shoulder: 90, elbow: 90, supports: ['forearms', 'feet'] }),
  kneeling: kept('kneeling', { knee: 90, supports: ['knees', 'feet'] }),
  oneFoot: kept('standing', { hip: { left: 0, right: 70 }, knee: { left: 0, right: 80 }, supports: ['foot.left'] }),
  longHold: kept('plank', { shoulder: 90, supports: ['hands', 'feet'] }, { effort: true }),
  longDoubleLever: kept('supine', { hip: 20, supports: ['head', 'ribs', 'pelvis'] }),
  breathHeld: kept(
    'supine',
    { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] },
    { breath: 'hold', effort: true },
  ),
};

const PRONE: Pose = { supports: ['head', 'ribs', 'pelvis', 'thighs', 'feet'] };
const ON_HANDS: Pose = { hip: 90, knee: 90, shoulder: 90, supports: ['hands', 'knees', 'feet'] };
const LIFTED_SIDE: Pose = { sideBend: -20, supports: ['pelvis', 'feet'] };
/** The same in the positions that some advice is for. */
const SHOWN_IN: Readonly<Record<string, (t: number) => Specimen>> = {
  'headLifted prone': kept('prone', { ...PRONE, thoracic: -20, supports: ['pelvis', 'thighs', 'feet'] }),
  'headLifted side-lying': kept('side-lying', LIFTED_SIDE),
  'legLever prone': (t) =>
    still('prone', {
      hip: { left: 0, right: -10 },
      knee: { left: 0, right: 140 - 140 * t },
      supports: ['head', 'ribs', 'pelvis', 'thigh.left', 'foot.left'],
    }),
  'legLever plank': (t) =>
    still('four-point', {
      ...ON_HANDS,
      hip: { left: 90, right: 90 - 90 * t },
      knee: { left: 90, right: 90 - 90 * t },
      supports: ['hands', 'knee.left', 'foot.left'],
    }),
  'backMoment supine': (t) =>
    still('supine', { hip: 20 - 20 * t, knee: 90 - 90 * t, shoulder: 40, supports: ['head', 'shoulders', 'feet'] }),
  'backMoment supine legs up': (t) =>
    onBack({ lumbar: 75 * t, thoracic: 40 * t, hip: 90 - 60 * t, supports: ['head', 'shoulders'] }),
  'loadedFlexion supine': (t) =>
    still('supine', { lumbar: 40 * t, thoracic: 50 * t, hip: 45, knee: 90, supports: ['pelvis', 'feet'] }),
  'loadedFlexion four-point': (t) => still('four-point', { ...ON_HANDS, lumbar: 40 * t, thoracic: 45 * t }),
  'inversion supine': (t) =>
    onBack({ hip: 10, knee: 90, pitch: 30 - 90 * t, shoulder: 20, supports: ['head', 'shoulders', 'feet'] }),
  'hamstrings standing': (t) => upright({ hip: 120 * t, pitch: -60 * t }),
  'bellyMoment four-point': (t) => still('four-point', { ...ON_HANDS, hip: 90 - 75 * t, shoulder: 90 + 60 * t }),
  'curlLever prone': (t) =>
    still('prone', {
      ...PRONE,
      shoulder: 170 * t,
      lumbar: -2 - 8 * t,
      weights: { 'hand.left': 4 * t, 'hand.right': 4 * t },
      supports: ['pelvis', 'thighs', 'feet'],
    }),
  'armsBearing four-point': kept('four-point', ON_HANDS),
  'armsBearing prone': kept('prone', {
    ...PRONE,
    lumbar: -20,
    shoulder: 90,
    elbow: 90,
    supports: ['pelvis', 'thighs', 'feet', 'forearms'],
  }),
  'armsBearing side-lying': kept('side-lying', {
    shoulder: { left: 90, right: 0 },
    sideBend: 10,
    supports: ['pelvis', 'feet', 'hand.left'],
  }),
};
const familyOf = ({ feature, positions = [], footDown }: CautionRule) => {
  const own = positions.map((each) => SHOWN_IN[`${feature} ${each}${footDown === false ? ' legs up' : ''}`]);
  return own.find((each) => each !== undefined) ?? SHOWN[feature];
};

const shownIn = ({ catalog, entry }: Specimen, feature: Feature) =>
  featureAt(catalog.features(entry), feature, entry.rung.dose, catalog.method);
const judged = ({ catalog, entry }: Specimen, ...conditions: readonly Graded[]) => judge(catalog, entry, conditions);

/** The body of a family that shows just this much of a feature. */
function showing(feature: Feature, value: number, at: (t: number) => Specimen = SHOWN[feature]): Specimen {
  if (FEATURES[feature].kind === 'time') return at(value);
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (shownIn(at(middle), feature) < value) low = middle;
    else high = middle;
  }
  return at(high);
}

/** Further from the limit than it is rounded by. */
const NEAR = 1.1;

test.each(CAUTION_RULES.map((rule) => [rule.condition, rule.feature, rule.over, rule.how, rule] as const))(
  '%s minds %s over %d (%s), and nothing under it',
  (condition, feature, over, _how, rule) => {
    const family = familyOf(rule);
    const above = showing(feature, over + NEAR, family);
    expect(shownIn(above, feature)).toBeGreaterThan(over);
    const people: readonly Graded[] = rule.grade === 'within' ? [condition, WITHIN] : [condition];
    const { already } = above.catalog.features(above.entry);
    expect(judged(above, ...people).cautions).toContainEqual({
      ...rule,
      how: adviceOf(rule, already),
      rule,
      value: shownIn(above, feature),
    });
    expect(rule.how.length * rule.why.length).toBeGreaterThan(0);

    const below = over === 0 ? QUIET : showing(feature, over - NEAR, family);
    expect(shownIn(below, feature)).toBeLessThanOrEqual(over);
    const silent = judged(below, ...people).cautions;
    expect(silent.filter((each) => each.feature === feature && each.over === over)).toEqual([]);
  },
);

test('a value that rounds to its limit is within it, and advice for another position is not given', () => {
  expect(judged(showing('rotation', 25.4), 'low-bone-density').cautions).toEqual([]);
  expect(judged(showing('rotation', 25.6), 'low-bone-density').verdict).toBe('swap');
  const bridge = must(SHOWN_IN['backMoment supine'])(1);
  const plank = showing('bellyMoment', 90);
  const advice = (each: Specimen) =>
    judged(each, 'low-back-pain')
      .cautions.map(({ how }) => how)
      .join(' ');
  expect(advice(bridge)).toMatch(/hips less high/);
  expect(advice(bridge)).not.toMatch(/Knees down/);
  expect(advice(plank)).toMatch(/Knees down/);
  // A class asks for what the peaks say alone, and hears the same.
  const prone = must(SHOWN_IN['legLever prone'])(1);
  const inClass = peakCautions(prone.catalog, prone.entry, ['low-back-pain']).map(({ how }) => how);
  expect(inClass.join(' ')).toMatch(/Lift the leg less high/);
  expect(inClass.join(' ')).not.toMatch(/lower less far/);
  expect(judged(bridge, 'abdominal-separation').cautions.filter(({ feature }) => /Moment/.test(feature))).toEqual([]);
});

test('the house can change a limit and an advice, or leave a rule out, with its reason', () => {
  const change = {
    condition: 'low-bone-density',
    feature: 'rotation',
    verdict: 'swap',
    reason: 'Ours turn well.',
  } as const;
  const rules = (cautions: MethodFile['cautions']) =>
    cautionRules(resolveMethod({ cautions })).filter(
      (rule) => rule.condition === 'low-bone-density' && rule.feature === 'rotation',
    );
  expect(rules([{ ...change, over: 40, how: 'A third less.' }])).toMatchObject([
    { over: 40, how: 'A third less.', reason: 'Ours turn well.' },
  ]);
  expect(rules([{ ...change, off: true }])).toEqual([]);
  expect(rules([{ ...change, verdict: 'adapt', over: 1 }])).toMatchObject([{ over: 25, verdict: 'swap' }]);
});

test('every feature is minded by some rule or limits a class, and sitting quietly is fine for everyone', () => {
  const minded = new Set(CAUTION_RULES.map(({ feature }) => feature));
  const limits: readonly Feature[] = ['longDoubleLever'];
  for (const feature of Object.keys(FEATURES) as Feature[]) {
    expect([feature, minded.has(feature) || limits.includes(feature)]).toEqual([feature, true]);
  }
  expect(judged(QUIET, ...CONDITION_IDS)).toEqual({ verdict: 'fine', cautions: [] });
  expect(Object.keys(CONDITIONS)).toHaveLength(new Set(CAUTION_RULES.map(({ condition }) => condition)).size);
});

test('of one condition on one feature only the gravest speaks, gravest first, with what was measured', () => {
  const plank = showing('extendedWrists', 50);
  const { verdict, cautions } = judged(plank, 'wrist', 'shoulder');
  expect(verdict).toBe('swap');
  expect(cautions.filter(({ feature }) => feature === 'extendedWrists')).toHaveLength(1);
  const order = cautions.map((caution) => VERDICTS.indexOf(caution.verdict));
  expect(order).toEqual([...order].sort((a, b) => b - a));
  const [first] = cautions;
  expect(measuredText(must(first).feature, 50, 45)).toBe('weight on extended wrists 50 s (limit 45 s)');
  expect(measuredText('rotation', 31.2, 25)).toBe('turning the spine 31° (limit 25°)');
  expect(measuredText('headLifted', 6, 0)).toBe('head lifted 6 s');
  expect(measuredText('rolling', 1, 0)).toBe('rolling along the spine');
});

test('a longer dose is judged by its seconds, not by its rung', () => {
  const held = showing('headLifted', 20);
  const verdict = (reps: number) => judge(held.catalog, held.entry, ['neck-pain'], { sets: 1, reps }).verdict;
  expect(verdict(1)).toBe('adapt');
  expect(verdict(3)).toBe('swap');
});

describe('grades inside a rule', () => {
  const TABLETOP: Partial<Pose> = { hip: 90, knee: 90 };
  const REACHING: Partial<Pose> = { hip: { left: 90, right: 40 }, knee: { left: 90, right: 0 } };
  const LOWERED: Partial<Pose> = { hip: 40 };
  const ONE: Partial<Pose> = {
    hip: { left: 45, right: 40 },
    knee: { left: 90, right: 0 },
    supports: ['head', 'ribs', 'pelvis', 'foot.left'],
  };
  const verdicts = (...conditions: readonly Graded[]) =>
    [ONE, TABLETOP, REACHING, LOWERED].map((pose) => judged(onBack(pose), ...conditions).verdict);

  test('one leg is adapted, two lowered together are swapped; a check within the limits lets one leg reach', () => {
    expect(verdicts('pelvic-floor')).toEqual(['adapt', 'adapt', 'adapt', 'swap']);
    expect(verdicts('abdominal-separation')).toEqual(['adapt', 'swap', 'swap', 'swap']);
    expect(verdicts('abdominal-separation', WITHIN)).toEqual(['adapt', 'adapt', 'adapt', 'swap']);
  });
  test('what is said of one leg is not said of two, and that practitioners differ is said', () => {
    const said = (pose: Partial<Pose>) => judged(onBack(pose), 'pelvic-floor').cautions.map(({ how }) => how);
    expect(said(ONE)).toEqual(['Only if you can breathe and nothing domes or bears down; else bend the knee.']);
    expect(said(TABLETOP)).toEqual([expect.stringMatching(/^Practitioners differ/)]);
    expect(said(LOWERED)).toEqual(['One leg at a time: the other foot down, or its knee over the hip.']);
  });
});

describe('advice is never what is done already', () => {
  const said = (each: Specimen, condition: Condition, feature: Feature) =>
    judged(each, condition).cautions.find((caution) => caution.feature === feature)?.how;
  test('bent knees are not told to bend, knees that are down not to come down, a held head not to be held', () => {
    const bent: Partial<Pose> = {
      hip: { left: 45, right: 10 },
      knee: { left: 90, right: 60 },
      supports: ['head', 'ribs', 'pelvis', 'foot.left'],
    };
    expect(said(onBack(bent), 'low-back-pain', 'legLever')).toBe('Lower less far.');
    expect(said(onBack({ ...bent, knee: { left: 90, right: 0 } }), 'low-back-pain', 'legLever')).toBe(
      'Bend the knee or lower less far.',
    );
    const onKnees: Pose = { shoulder: 110, supports: ['hands', 'knees', 'feet'] };
    expect(said(still('plank', onKnees, { dose: { sets: 1, reps: 10 } }), 'shoulder', 'armsBearing')).toBe(
      'Hands higher, to take weight off.',
    );
    const held: Pose = {
      ...ROUND,
      hip: 45,
      knee: 90,
      supports: ['pelvis', 'feet'],
      holds: { 'hand.left': 'head', 'hand.right': 'head' },
    };
    expect(said(still('supine', held), 'neck-pain', 'headLifted')).toBe('A few at a time; lay the head down between.');
  });
  test('nobody on hands and knees is told to go there, and legs overhead get no advice for a bridge', () => {
    const fourPoint = must(SHOWN_IN['bellyMoment four-point'])(1);
    expect(said(fourPoint, 'abdominal-separation', 'bellyMoment')).toBe('Hands and knees stay down; slide one foot.');
    const over = must(SHOWN_IN['backMoment supine legs up'])(1);
    expect(said(over, 'low-back-pain', 'backMoment')).toBe('Roll up half as far, the hands under the hips.');
  });
});

test('an injured neck leaves loaded curls out, an aching one takes a few at a time', () => {
  const curl = still(
    'supine',
    { ...ROUND, hip: 45, knee: 90, supports: ['pelvis', 'feet'] },
    { dose: { sets: 1, reps: 2 } },
  );
  expect(judged(curl, 'neck-pain').verdict).toBe('adapt');
  expect(judged(curl, 'neck-injury').verdict).toBe('swap');
});

test('a turn is fast by the seconds of the room: the same counts slowly taught say nothing', () => {
  const { catalog, entry } = SHOWN.fastTwist(1);
  const at = (count: number) => rateCautions(catalog, entry, ['low-back-pain', 'low-bone-density'], count);
  expect(at(1).map(({ condition, verdict, value }) => [condition, verdict, value])).toEqual([
    ['low-back-pain', 'adapt', 70],
    ['low-bone-density', 'adapt', 70],
  ]);
  expect(at(2)).toEqual([]);
  expect(rateCautions(catalog, entry, ['knee'], 1)).toEqual([]);
});

test('hands on a bar are a look for troubled wrists, long wrists the advice', () => {
  expect(judged(SHOWN.barGrip(1), 'wrist')).toMatchObject({
    verdict: 'adapt',
    cautions: [{ how: 'Long wrists, space under the heel of the hand.' }],
  });
});
