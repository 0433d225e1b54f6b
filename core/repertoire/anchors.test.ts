import { type BasePosition, moveBetween, type Pose } from '../body';
import { resolveMethod } from '../method';
import { ANCHORS, HOUSE_ANCHORS } from '../testing/cases/anchors';
import { DIALS } from '../testing/cases/dials';
import { demoBundle } from '../testing/demo';
import { rung } from '../testing/studio';
import { Catalog } from './catalog';
import type { Phase, Prop, Rung } from './exercise';
import { courseOf } from './measuring/course';
import { HEAT_FACTORS, measureRung, shapeOf } from './measuring/heat';

const method = resolveMethod();
const heatOf = (made: Rung, like: BasePosition, props: readonly Prop[] = []): number => {
  const { heat, factors } = measureRung(
    made,
    { like, method, props, guided: made.guided ?? false },
    courseOf(made, like, method),
  );
  const sum = HEAT_FACTORS.reduce((all, factor) => all + factors[factor], 0);
  expect(sum).toBeCloseTo(heat, 9);
  return heat;
};

const house = new Catalog({ exercises: [], ...demoBundle() });
/** Every anchor with the heat it should have and the one it has: those written for the purpose, and the house's own. */
const measured = [
  ...ANCHORS.map(({ name, heat, rung: made, like }) => ({ name, heat, has: heatOf(made, like) })),
  ...HOUSE_ANCHORS.map(([key, heat]) => {
    const entry = house.rungByKey(key);
    return { name: key, heat, has: entry ? house.measures(entry).heat : Number.NaN };
  }),
];

test.each(measured)('$name is within 8 of $heat', ({ heat, has }) => {
  expect(Math.abs(has - heat)).toBeLessThanOrEqual(8);
});

test('of a hundred pairs that differ by 4 or more at least 97 stand strictly in order', () => {
  const wrong: string[] = [];
  let pairs = 0;
  measured.forEach((a, i) => {
    for (const b of measured.slice(0, i)) {
      if (Math.abs(a.heat - b.heat) < 4) continue;
      pairs += 1;
      if ((a.has - b.has) * (a.heat - b.heat) <= 0) wrong.push(`${a.name}, ${b.name}`);
    }
  });
  expect(pairs).toBeGreaterThan(500);
  expect(wrong.length / pairs).toBeLessThanOrEqual(0.03);
});

test.each(DIALS)('$name: harder by $by or more', ({ easier, harder, like, by, prop }) => {
  expect(heatOf(harder, like, prop ? [prop] : []) - heatOf(easier, like)).toBeGreaterThanOrEqual(by - 1e-9);
});

/** The same rung, its first phase that moves told over several breaths, each as long as it was, pauses among them. */
function slowed(made: Rung, breaths: number): Rung {
  const at = made.phases.findIndex(({ pose }, i) => pose !== (made.phases[i - 1]?.pose ?? made.start));
  const phase = made.phases[at];
  const [from, to] = [made.poses[made.phases[at - 1]?.pose ?? made.start], phase && made.poses[phase.pose]];
  if (!phase || !from || !to) return made;
  const poses: Record<string, Pose> = { ...made.poses };
  const parts: Phase[] = [];
  const way = moveBetween(from, to);
  for (let part = 1; part <= breaths; part++) {
    const pose = part === breaths ? phase.pose : `part${part}`;
    if (part < breaths) poses[pose] = way.at(part / breaths);
    parts.push({ ...phase, id: `s${part}`, pose });
    if (part < breaths) parts.push({ ...phase, id: `h${part}`, counts: 1, pose });
  }
  return { ...made, poses, phases: [...made.phases.slice(0, at), ...parts, ...made.phases.slice(at + 1)] };
}

/** Where the trunk leaves the floor or comes down to it, what it rests on in between is for a director to say. */
const trunkStays = ANCHORS.filter(({ rung: { poses } }) => {
  const trunk = Object.values(poses).map(({ supports }) =>
    ['pelvis', 'ribs', 'shoulders', 'head'].filter((part) => (supports as readonly string[]).includes(part)).join(),
  );
  return new Set(trunk).size === 1;
});

test.each(trunkStays)('$name, told over two, four or seven breaths, is at most 2 harder', ({ rung: made, like }) => {
  for (const breaths of [2, 4, 7]) {
    expect(heatOf(slowed(made, breaths), like) - heatOf(made, like)).toBeLessThanOrEqual(2);
  }
});

test('marking a phase as the effort, or another, changes nothing', () => {
  for (const { rung: made, like } of ANCHORS) {
    const marked = (which: (i: number) => boolean) =>
      heatOf({ ...made, phases: made.phases.map((phase, i) => ({ ...phase, effort: which(i) })) }, like);
    const plain = heatOf(made, like);
    expect(marked((i) => i === 0)).toBeCloseTo(plain, 9);
    expect(marked(() => true)).toBeCloseTo(plain, 9);
  }
});

const moving = (home: Pose, away: Pose, change: Partial<Rung> = {}): Rung =>
  rung('dial', { poses: { home, away }, ...change });

describe('what eases, eases', () => {
  const single = (change: Partial<Pose> = {}): Rung => {
    const pose: Pose = {
      hip: { left: 100, right: 45 },
      knee: { left: 100, right: 0 },
      thoracic: 30,
      neck: 20,
      shoulder: 60,
      supports: ['pelvis'],
      ...change,
    };
    return moving(pose, pose);
  };
  test('a hand that holds either leg; hands under the seat; a hand on the head', () => {
    const free = heatOf(single(), 'supine');
    for (const held of ['shin.left', 'thigh.left', 'thigh.right', 'seat', 'head'] as const) {
      expect(heatOf(single({ holds: { 'hand.left': held, 'hand.right': held } }), 'supine')).toBeLessThan(free);
    }
  });
  test('the ribs said to rest or not are worth less than 15', () => {
    const resting = heatOf(single({ supports: ['pelvis', 'ribs'] }), 'supine');
    expect(Math.abs(heatOf(single(), 'supine') - resting)).toBeLessThan(15);
  });
  test('a spring resists more with more, and carries less with less; what nothing reaches counts for nothing', () => {
    const lying: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
    const long: Pose = { hip: 45, knee: 0, supports: ['head', 'ribs', 'pelvis'] };
    const sprung = (newtons: number, does: 'resist' | 'carry', pose = lying) =>
      heatOf(moving(pose, pose, { spring: { newtons, does, at: 'feet' } }), 'supine');
    expect(sprung(120, 'resist')).toBeGreaterThan(sprung(60, 'resist'));
    expect(sprung(60, 'carry', long)).toBeGreaterThan(sprung(120, 'carry', long));
    expect(heatOf(moving(long, long), 'supine')).toBeGreaterThan(sprung(120, 'carry', long));
    const unused = {
      ...moving(lying, lying),
      poses: { home: lying, away: lying, other: { hip: 20, supports: ['pelvis'] } as Pose },
    };
    expect(heatOf(unused, 'supine')).toBe(heatOf(moving(lying, lying), 'supine'));
    const entered = { ...unused, entry: [{ id: 'e1', breath: 'out', counts: 2, pose: 'other' } as Phase] };
    expect(heatOf(entered, 'supine')).toBe(heatOf(moving(lying, lying), 'supine'));
  });
  test('a squeezed ball is not stood on, and takes no roller away; a soft thing under the head unsteadies nothing', () => {
    const lying: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
    const [roller, ball, cushion] = ['Roller', 'Ball', 'Cushion'].map(
      (name): Prop => ({ id: name.toLowerCase(), name, unstable: true }),
    ) as [Prop, Prop, Prop];
    const squeezed = moving(lying, { ...lying, between: [{ prop: 'ball', parts: ['knee.left', 'knee.right'] }] });
    const squeezing = { ...squeezed, phases: squeezed.phases.map((phase) => ({ ...phase, squeeze: true })) };
    expect(heatOf(squeezing, 'supine', [ball])).toBeCloseTo(heatOf(squeezing, 'supine'), 9);
    expect(heatOf(squeezing, 'supine', [roller, ball])).toBeGreaterThan(heatOf(squeezing, 'supine', [ball]) + 2);
    const laid = moving(lying, lying, { on: { head: 'cushion' } });
    expect(heatOf(laid, 'supine', [cushion])).toBeCloseTo(heatOf(laid, 'supine'), 9);
  });
  test('straight legs under a tall seat ask for mobility, less with the seat raised', () => {
    const sitting: Pose = { hip: 90, knee: 0, supports: ['pelvis', 'feet'] };
    const bent: Pose = { hip: 90, knee: 60, supports: ['pelvis', 'feet'] };
    const raised = { ...moving(sitting, sitting), on: { pelvis: 'block' } };
    expect(heatOf(moving(sitting, sitting), 'seated')).toBeGreaterThan(heatOf(moving(bent, bent), 'seated'));
    expect(heatOf(raised, 'seated')).toBeLessThan(heatOf(moving(sitting, sitting), 'seated'));
  });
});

describe('the house, as it is practised', () => {
  const heat = (key: string): number => {
    const entry = house.rungByKey(key);
    return entry ? house.measures(entry).heat : Number.NaN;
  };
  const lyingStill = heat('rib-breath/hands-on');
  test('standing on bent legs is harder than lying still', () => {
    for (const key of ['squat/wall', 'squat/chair', 'split-bend/chair', 'split-bend/free']) {
      expect(heat(key)).toBeGreaterThan(lyingStill + 4);
    }
  });
  test('both legs drawn in stand below two legs lowered at the same height, the head up', () => {
    const curl: Pose = { lumbar: 10, thoracic: 32, neck: 24, supports: ['pelvis'] };
    const long: Pose = { ...curl, hip: 36, knee: 0, shoulder: 120, elbow: 129 };
    const lower = moving({ ...long, hip: 88 }, long, {
      phases: [
        { id: 'p1', breath: 'in', counts: 3, pose: 'away' },
        { id: 'p2', breath: 'out', counts: 3, pose: 'home' },
      ],
    });
    expect(heat('both-draw/bent')).toBeLessThan(heat('both-draw/high'));
    expect(heat('both-draw/high')).toBeLessThan(heatOf(lower, 'supine'));
  });
  test('legs lifted lying on the front, and legs that springs carry, are no hardest work', () => {
    expect(heat('heel-press/lift')).toBeLessThan(35);
    expect(heat('dart/legs')).toBeLessThan(50);
    expect(heat('dart/wings')).toBeLessThan(60);
    expect(heat('strap-legs/lower')).toBeLessThan(heat('leg-lower/double-straight'));
  });
  test('a branch is within 3 of the rung it stands beside, or cooler where it spares a part', () => {
    const apart = house.rungs.flatMap(({ key, rung: { branchOf, spares }, exercise }) => {
      if (!branchOf) return [];
      const more = heat(key) - heat(`${exercise.id}/${branchOf}`);
      return [spares ? Math.max(0, more) : Math.abs(more)];
    });
    expect(apart.length).toBeGreaterThan(30);
    expect(Math.max(...apart)).toBeLessThanOrEqual(3);
  });
});

test('the shape of the sum rises everywhere, without a corner, and never reaches a hundred', () => {
  for (let sum = 0; sum < 200; sum += 1) {
    expect(shapeOf(sum + 1)).toBeGreaterThan(shapeOf(sum));
    expect(shapeOf(sum)).toBeLessThan(100);
  }
  expect(shapeOf(84.001) - shapeOf(83.999)).toBeCloseTo(0.002, 5);
});
