import fc from 'fast-check';
import { loadOf } from '../loads/load';
import { asWritten } from '../settling/posed';
import { mirrored, sameShape } from './mirror';
import { type Pose, SIDES, type Support, supportsOf } from './pose';

const anySide = fc.record({ left: fc.integer({ min: 0, max: 90 }), right: fc.integer({ min: 0, max: 90 }) });
const anyPose: fc.Arbitrary<Pose> = fc
  .record({
    hip: anySide,
    knee: anySide,
    shoulder: fc.integer({ min: 0, max: 120 }),
    twist: fc.integer({ min: -40, max: 40 }),
    sideBend: fc.integer({ min: -30, max: 30 }),
    foot: fc.constantFrom<Support>('foot.left', 'foot.right', 'feet'),
    hand: fc.constantFrom('hand.left' as const, 'hand.right' as const),
  })
  .map(({ foot, hand, ...angles }) => ({
    ...angles,
    supports: ['head', 'ribs', 'pelvis', foot],
    weights: { [hand]: 2 },
    holds: { [hand]: 'thigh.left' },
  }));

test('twice mirrored, a pose is itself; once, everything has changed sides and weighs the same', () => {
  fc.assert(
    fc.property(anyPose, (pose) => {
      const other = mirrored(pose);
      expect(mirrored(structuredClone(other))).toEqual(pose);
      expect(other.twist).toBe(0 - (pose.twist ?? 0));
      const swapped = [...supportsOf(pose)].map((part) =>
        part.replace(/left|right/, (side) => (side === 'left' ? 'right' : 'left')),
      );
      expect(new Set(swapped)).toEqual(supportsOf(other));
      const [a, b] = [pose, other].map((each) =>
        loadOf(asWritten(each, 'supine', 1.7), { bodyMassKg: 70, bodyHeightM: 1.7 }),
      );
      expect(b?.legLever).toBeCloseTo(a?.legLever ?? 0, 6);
    }),
  );
});

test('a shape is the same up to 30° in every joint, with the same supports; holds and weights are left aside', () => {
  const lying: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet'] };
  const with_ = (change: Partial<Pose>) => sameShape(lying, { ...lying, ...change });
  expect(with_({ hip: 75 })).toBe(true);
  expect(with_({ hip: 76 })).toBe(false);
  expect(with_({ hip: { left: 45, right: 76 } })).toBe(false);
  expect(with_({ neck: 30 })).toBe(true);
  expect(with_({ twist: -31 })).toBe(false);
  expect(with_({ supports: ['head', 'ribs', 'pelvis', 'foot.left', 'foot.right'] })).toBe(true);
  expect(with_({ supports: ['head', 'ribs', 'pelvis', 'foot.left'] })).toBe(false);
  expect(with_({ weights: { 'hand.left': 2 }, holds: { 'hand.left': 'head' } })).toBe(true);
  expect(SIDES).toEqual(['left', 'right']);
});
