import type { BasePosition, Pose } from '../body';
import { Catalog, type Prop, plainPose, type Rung } from '../repertoire';
import { demoBundle } from '../testing/demo';
import { sampled } from '../testing/runs';
import { must, rung } from '../testing/studio';
import { OUTLINE, rungScene, sceneOf } from '.';
import type { View } from './camera';
import { drawingOf, type Layer } from './drawing';

/** Body heights within which what is drawn touches: two centimetres of a body of 1.70 m. */
const TOUCHES = 0.012;

/** The corners of an outline, in body heights, y up. */
function cornersOf({ path }: Layer): Array<{ x: number; y: number }> {
  return [...path.matchAll(/[MLA]([-\d. ]+)/g)].map(([, numbers = '']) => {
    const [x, y] = numbers.trim().split(/\s+/).slice(-2).map(Number);
    return { x: (x ?? Number.NaN) * OUTLINE, y: -(y ?? Number.NaN) * OUTLINE };
  });
}

/** What a pose is drawn with: the props' own layers, and the joints. */
function shown(
  prop: Pick<Prop, 'id' | 'name' | 'heightM'>,
  like: BasePosition,
  pose: Partial<Pose>,
  {
    view = 'side' as View,
    position = like as string,
    ...change
  }: Partial<Rung> & { view?: View; position?: string } = {},
) {
  const own: Pose = { ...plainPose(like), ...pose };
  const drawn = rung('low', { props: [prop.id], poses: { home: own }, start: 'home', ...change });
  const entry = { position, rung: drawn, props: [prop] };
  const { drawing } = sceneOf({ pose: own, like, view, entry });
  const layers = drawing.layers.filter(({ tone }) => tone === 'prop' || tone === 'line');
  const corners = layers.flatMap(cornersOf);
  expect(corners.length).toBeGreaterThan(1);
  for (const { x, y } of corners) expect(Number.isFinite(x + y)).toBe(true);
  return {
    joints: drawing.joints,
    layers,
    left: Math.min(...corners.map(({ x }) => x)),
    right: Math.max(...corners.map(({ x }) => x)),
    top: Math.max(...corners.map(({ y }) => y)),
    bottom: Math.min(...corners.map(({ y }) => y)),
    /** How near the outlines come to a joint, where both are corners or within. */
    apart: ({ x, y }: { x: number; y: number }) =>
      Math.min(...corners.map((each) => Math.hypot(each.x - x, each.y - y))),
  };
}

const BALL = { id: 'ball', name: 'Small ball' };
const BAND = { id: 'band', name: 'Band' };
const WALL = { id: 'wall', name: 'Wall' };
const CHAIR = { id: 'chair', name: 'Chair' };
const CARRIAGE = { id: 'carriage', name: 'Carriage' };

test('weights are in the hands, and in both where nobody says which', () => {
  const weights = { id: 'weights', name: 'Hand weights' };
  for (const holds of [undefined, { 'hand.left': 'weights', 'hand.right': 'weights' } as const]) {
    const { layers, apart, joints } = shown(weights, 'standing', { shoulder: 90, ...(holds ? { holds } : {}) });
    expect(layers).toHaveLength(6);
    for (const wrist of Object.values(joints.wrist)) expect(apart(wrist)).toBeLessThan(0.1);
  }
  const one = shown(weights, 'standing', { shoulder: { left: 90, right: 0 }, holds: { 'hand.left': 'weights' } });
  expect(one.layers).toHaveLength(3);
  expect(one.apart(one.joints.wrist.left)).toBeLessThan(0.1);
  expect(one.apart(one.joints.wrist.right)).toBeGreaterThan(0.2);
});

test('a stick goes through both hands and beyond them', () => {
  const stick = { id: 'stick', name: 'Stick' };
  const both = { 'hand.left': 'stick', 'hand.right': 'stick' } as const;
  const open = { shoulderAbduction: 90, holds: both };
  const { left, right, joints } = shown(stick, 'standing', open, { view: 'front' });
  const wrists = Object.values(joints.wrist).map(({ x }) => x);
  expect(left).toBeLessThan(Math.min(...wrists) - 0.15);
  expect(right).toBeGreaterThan(Math.max(...wrists) + 0.15);
});

test('a ball lies on the floor under what it carries, is held in the hands, or pressed between the knees', () => {
  const under = shown(BALL, 'supine', {}, { on: { head: 'ball' } });
  expect(under.apart(under.joints.head)).toBeLessThan(0.12);
  expect(under.top).toBeLessThan(under.joints.head.y);
  const held = shown(BALL, 'supine', { shoulder: 90, holds: { 'hand.left': 'ball', 'hand.right': 'ball' } });
  expect(held.bottom).toBeGreaterThan(held.joints.shoulder.y);
  const squeeze = rung('low').phases.map((phase) => ({ ...phase, squeeze: true }));
  const pressed = shown(BALL, 'supine', {}, { phases: squeeze });
  const knees = Object.values(pressed.joints.knee);
  expect((pressed.left + pressed.right) / 2).toBeCloseTo((knees[0]?.x ?? 0) / 2 + (knees[1]?.x ?? 0) / 2, 1);
  const beside = shown(BALL, 'supine', {});
  // Its middle is as high as it is half wide: it lies on the floor.
  expect(Math.abs(beside.bottom - (beside.right - beside.left) / 2)).toBeLessThan(TOUCHES);
});

test('a prop is pressed between the parts that are said, as large as it is, and thin where they leave it little', () => {
  const knees: Pose['between'] = [{ prop: 'ball', parts: ['knee.left', 'knee.right'] }];
  const ball = shown({ ...BALL, heightM: 0.2 }, 'supine', { hip: 45, knee: 90, between: knees }, { view: 'front' });
  const { knee } = ball.joints;
  expect((ball.left + ball.right) / 2).toBeCloseTo((knee.left.x + knee.right.x) / 2, 2);
  expect(ball.right - ball.left).toBeCloseTo(0.2 / 1.7, 2);
  // A cushion between a hand and the knee over it: thin along the line between them.
  const pushed = shown({ id: 'cushion', name: 'Cushion' }, 'supine', {
    hip: 90,
    knee: 90,
    shoulder: 75,
    supports: ['head', 'ribs', 'pelvis'],
    between: [{ prop: 'cushion', parts: ['hand.right', 'knee.right'] }],
  });
  const { wrist, knee: over } = pushed.joints;
  const middle = { x: (wrist.right.x + over.right.x) / 2, y: (wrist.right.y + over.right.y) / 2 };
  expect(pushed.left).toBeLessThan(middle.x + 0.03);
  expect(pushed.right).toBeGreaterThan(middle.x - 0.03);
  expect(pushed.right - pushed.left).toBeLessThan(pushed.top - pushed.bottom);
});

test('a roller lies across under the seat, and along under the whole back', () => {
  const roller = { id: 'roller', name: 'Foam roller' };
  const along = shown(roller, 'supine', {}, { on: { ribs: 'roller', pelvis: 'roller' } });
  const across = shown(roller, 'supine', {}, { on: { pelvis: 'roller' } });
  expect(along.right - along.left).toBeGreaterThan(3 * (across.right - across.left));
  for (const { top, joints } of [along, across]) expect(top).toBeLessThan(joints.hip.y + TOUCHES);
});

test('a cushion fills from the floor to the seat that is on it', () => {
  const { top, bottom, joints, left, right } = shown(
    { id: 'cushion', name: 'Cushion' },
    'seated',
    {},
    { on: { pelvis: 'cushion' } },
  );
  expect(bottom).toBeCloseTo(0, 2);
  expect(top).toBeGreaterThan(TOUCHES);
  expect(top).toBeLessThan(joints.hip.y);
  expect([left < joints.hip.x, right > joints.hip.x]).toEqual([true, true]);
});

test('a band is taut from hand to foot, round the legs it loads, or from a hand to where it is fastened', () => {
  const hands = { 'hand.left': 'band', 'hand.right': 'band' } as const;
  const leg = {
    hip: { left: 80, right: 45 },
    knee: { left: 0, right: 90 },
    supports: ['head', 'ribs', 'pelvis', 'foot.right'],
  } as const;
  const drawn = shown(BAND, 'supine', { ...leg, supports: [...leg.supports], holds: hands });
  expect(cornersOf(must(drawn.layers[0]))).toHaveLength(3);
  expect(drawn.apart(drawn.joints.ankle.left)).toBeLessThan(0.12);
  const knees = shown(BAND, 'side-lying', { weights: { 'knee.left': 2 } });
  expect(knees.apart(knees.joints.knee.left)).toBeLessThan(0.08);
  const heels = shown(BAND, 'side-lying', {});
  expect(heels.apart(heels.joints.ankle.left)).toBeLessThan(0.1);
  const fastened = shown(BAND, 'standing', { shoulder: 90, holds: { 'hand.left': 'band' } });
  expect(fastened.bottom).toBeCloseTo(0, 2);
});

test('a chair is under who sits on it, before who leans on its seat, behind who bends to it', () => {
  const seat = shown(
    CHAIR,
    'seated',
    { supports: ['pelvis', 'feet'], hip: 90, knee: 90 },
    { on: { pelvis: 'chair' }, position: 'chair' },
  );
  expect([seat.left < seat.joints.hip.x, seat.right > seat.joints.hip.x]).toEqual([true, true]);
  const back = shown(
    CHAIR,
    'standing',
    { shoulder: 60, supports: ['feet', 'hand.right'] },
    { on: { 'hand.right': 'chair' } },
  );
  expect(back.left).toBeGreaterThan(back.joints.hip.x);
  const bare = shown(CHAIR, 'standing', { supports: ['feet'] });
  expect(bare.left).toBeLessThan(bare.joints.hip.x);
  for (const { bottom, top } of [seat, back, bare]) {
    expect(bottom).toBeCloseTo(0, 2);
    expect(top).toBeGreaterThan(0.44 / 1.7);
  }
});

test('a wall stands where hands reach it, behind a back that leans, and along the mat where nothing does', () => {
  const hands = shown(WALL, 'standing', { shoulder: 80, supports: ['feet', 'hands'] }, { on: { hands: 'wall' } });
  expect(hands.left).toBeGreaterThan(hands.joints.wrist.left.x);
  expect(hands.left - hands.joints.wrist.left.x).toBeLessThan(0.15);
  const leaning = shown(WALL, 'standing', { supports: ['feet', 'ribs'] }, { on: { ribs: 'wall' } });
  expect(leaning.right).toBeLessThan(leaning.joints.shoulder.x);
  const beside = shown(WALL, 'supine', {});
  expect([beside.left < beside.joints.hip.x, beside.right > beside.joints.hip.x, beside.top > 0.8]).toEqual([
    true,
    true,
    true,
  ]);
});

test('a carriage is under the body with rails below it; straps come from behind the head to hands, loops to shins', () => {
  const held = { 'hand.left': 'carriage', 'hand.right': 'carriage' } as const;
  const pulled = shown(CARRIAGE, 'supine', { shoulder: 90, holds: held }, { position: 'carriage' });
  const straps = pulled.layers.filter(({ tone }) => tone === 'line');
  expect(straps).toHaveLength(2);
  for (const strap of straps) {
    const ends = cornersOf(strap);
    expect(Math.max(...ends.map(({ x }) => Math.abs(x - pulled.joints.head.x)))).toBeLessThan(0.5);
  }
  expect(pulled.bottom).toBeLessThan(-0.05);
  const looped = shown(CARRIAGE, 'supine', { hip: 90, supports: ['head', 'ribs', 'pelvis'] }, { position: 'carriage' });
  expect(looped.layers.filter(({ tone }) => tone === 'line')).toHaveLength(2);
  const pressing = shown(CARRIAGE, 'supine', {}, { position: 'carriage', on: { feet: 'carriage' } });
  expect(pressing.apart(pressing.joints.ankle.left)).toBeLessThan(0.12);
});

test('a box, or a prop by any other name, stands on the floor as high as it is said to be', () => {
  const { top, bottom } = shown({ id: 'crate', name: 'Clay crate', heightM: 0.34 }, 'standing', {});
  expect(bottom).toBeCloseTo(0, 2);
  expect(top).toBeCloseTo(0.34 / 1.7, 2);
});

test('of the house every rung with props is drawn with them, and no other is', () => {
  const { exercises = [], props, positions, method } = demoBundle();
  const catalog = new Catalog({ exercises, props, positions, method });
  const bare: string[] = [];
  for (const entry of sampled(catalog.rungs, 4)) {
    const layers = must(rungScene(entry) ?? undefined).drawing.layers.filter(
      ({ tone }) => tone === 'prop' || tone === 'line',
    );
    const has = layers.length > 0;
    if (has !== entry.props.length > 0) bare.push(`${entry.exercise.id}/${entry.rung.id}`);
  }
  expect(bare).toEqual([]);
  const plain = drawingOf(plainPose('supine'), 'supine').layers;
  expect(plain.some(({ tone }) => tone === 'prop' || tone === 'line')).toBe(false);
});
