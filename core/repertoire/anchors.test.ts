import type { BasePosition, Pose } from '../body';
import { resolveMethod } from '../method';
import { ANCHORS } from '../testing/anchors';
import { rung } from '../testing/studio';
import { courseOf } from './course';
import type { Phase, Rung } from './exercise';
import { HEAT_FACTORS, measureRung, shapeOf } from './heat';

const method = resolveMethod();
const heatOf = (made: Rung, like: BasePosition, change: { guided?: boolean; roller?: boolean } = {}): number => {
  const props = change.roller ? [{ id: 'roller', name: 'Roller', large: true, unstable: true }] : [];
  const { heat, factors } = measureRung(
    made,
    { like, method, props, guided: change.guided ?? false },
    courseOf(made, like, method),
  );
  const sum = HEAT_FACTORS.reduce((all, factor) => all + factors[factor], 0);
  expect(sum).toBeCloseTo(heat, 9);
  return heat;
};

test.each(ANCHORS.map((anchor) => [anchor.name, anchor] as const))(
  '%s is within 8 of its heat',
  (_name, { rung: made, like, heat }) => {
    expect(Math.abs(heatOf(made, like) - heat)).toBeLessThanOrEqual(8);
  },
);

test('of a hundred pairs at least 95 stand strictly in order', () => {
  const heats = ANCHORS.map(({ rung: made, like }) => heatOf(made, like));
  let [right, pairs] = [0, 0];
  ANCHORS.forEach((a, i) => {
    ANCHORS.slice(0, i).forEach((b, j) => {
      if (a.heat === b.heat) return;
      pairs += 1;
      if (((heats[i] ?? 0) - (heats[j] ?? 0)) * (a.heat - b.heat) > 0) right += 1;
    });
  });
  expect(right / pairs).toBeGreaterThanOrEqual(0.95);
});

const between = (home: Pose, away: Pose, phases?: Phase[]): Rung =>
  rung('dial', { poses: { home, away }, ...(phases ? { phases } : {}) });

describe('every dial practitioners turn moves heat by 2 or more', () => {
  const headUp = (hip: number): Pose => ({ hip, knee: 0, thoracic: 30, neck: 20, shoulder: 50, supports: ['pelvis'] });
  test.each([
    [90, 75],
    [60, 45],
    [45, 30],
    [30, 10],
  ])('the legs from %d° to %d° with the head up', (from, to) => {
    const heats = [from, to].map((hip) => heatOf(between(headUp(90), headUp(hip)), 'supine'));
    expect((heats[1] ?? 0) - (heats[0] ?? 0)).toBeGreaterThanOrEqual(2);
  });
  test('the last foot leaving the floor on a roller', () => {
    const lying = (supports: Pose['supports'], hip: Pose['hip']): Pose => ({ hip, knee: 90, supports });
    const oneDown = lying(['head', 'ribs', 'pelvis', 'foot.left'], { left: 45, right: 90 });
    const noneDown = lying(['head', 'ribs', 'pelvis'], 90);
    const [one, none] = [oneDown, noneDown].map((pose) => heatOf(between(pose, pose), 'supine', { roller: true }));
    expect((none ?? 0) - (one ?? 0)).toBeGreaterThanOrEqual(2);
  });
  test('a wall beside the body', () => {
    const side: Pose = { hip: 20, knee: 20, supports: ['head', 'ribs', 'pelvis', 'feet'] };
    for (const [like, pose] of [
      ['side-lying', side],
      ['standing', { hip: { left: 0, right: 60 }, supports: ['foot.left'] }],
    ] as Array<[BasePosition, Pose]>) {
      const made = between(pose, pose);
      expect(heatOf(made, like, { guided: true }) - heatOf(made, like)).toBeGreaterThanOrEqual(2);
    }
  });
  test('a layer added', () => {
    for (const { rung: made, like } of ANCHORS) {
      const layered = {
        ...made,
        phases: [
          ...made.phases,
          { id: 'p8', breath: 'in', counts: 2, pose: made.start },
          { id: 'p9', breath: 'out', counts: 2, pose: made.start },
        ] as Phase[],
      };
      if (heatOf(made, like) < 80) expect(heatOf(layered, like) - heatOf(made, like)).toBeGreaterThanOrEqual(2);
    }
  });
});

describe('what eases, eases', () => {
  const single = (change: Partial<Pose> = {}): Rung =>
    between(
      {
        hip: { left: 100, right: 45 },
        knee: { left: 100, right: 0 },
        thoracic: 30,
        neck: 20,
        supports: ['pelvis', 'ribs'],
      },
      {
        hip: { left: 100, right: 45 },
        knee: { left: 100, right: 0 },
        thoracic: 30,
        neck: 20,
        shoulder: 60,
        supports: ['pelvis', 'ribs'],
        ...change,
      },
    );
  test('a hand that holds a leg; hands under the seat; a hand on the head', () => {
    const free = heatOf(single(), 'supine');
    const held = heatOf(single({ holds: { 'hand.left': 'shin.left', 'hand.right': 'shin.left' } }), 'supine');
    expect(held).toBeLessThan(free);
    expect(heatOf(single({ holds: { 'hand.left': 'seat', 'hand.right': 'seat' } }), 'supine')).toBeLessThan(free);
    expect(heatOf(single({ holds: { 'hand.left': 'head', 'hand.right': 'head' } }), 'supine')).toBeLessThan(free);
  });
  test('a spring resists more with more, and carries less with less; what nothing reaches counts for nothing', () => {
    const lying: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
    const sprung = (newtons: number, does: 'resist' | 'carry') =>
      heatOf({ ...between(lying, lying), spring: { newtons, does, at: 'feet' } }, 'supine');
    expect(sprung(120, 'resist')).toBeGreaterThan(sprung(60, 'resist'));
    expect(sprung(60, 'carry')).toBeGreaterThan(sprung(120, 'carry'));
    expect(sprung(200, 'carry')).toBeCloseTo(heatOf(between(lying, lying), 'supine'), 9);
    const unused = {
      ...between(lying, lying),
      poses: { home: lying, away: lying, other: { hip: 20, supports: ['pelvis'] } as Pose },
    };
    expect(heatOf(unused, 'supine')).toBe(heatOf(between(lying, lying), 'supine'));
    const entered = { ...unused, entry: [{ id: 'e1', breath: 'out', counts: 2, pose: 'other' } as Phase] };
    expect(heatOf(entered, 'supine')).toBe(heatOf(between(lying, lying), 'supine'));
  });
  test('straight legs under a tall seat ask for mobility, less with the seat raised', () => {
    const sitting: Pose = { hip: 90, knee: 0, supports: ['pelvis', 'feet'] };
    const bent: Pose = { hip: 90, knee: 60, supports: ['pelvis', 'feet'] };
    const raised = { ...between(sitting, sitting), on: { pelvis: 'block' } };
    expect(heatOf(between(sitting, sitting), 'seated')).toBeGreaterThan(heatOf(between(bent, bent), 'seated'));
    expect(heatOf(raised, 'seated')).toBeLessThan(heatOf(between(sitting, sitting), 'seated'));
  });
});

test('the shape of the sum rises everywhere, without a corner, and never reaches a hundred', () => {
  for (let sum = 0; sum < 200; sum += 1) {
    expect(shapeOf(sum + 1)).toBeGreaterThan(shapeOf(sum));
    expect(shapeOf(sum)).toBeLessThan(100);
  }
  expect(shapeOf(84.001) - shapeOf(83.999)).toBeCloseTo(0.002, 5);
});
