import { isUpright, liesOnBack, positionsWhere } from '../../vocabulary/bodies/position';
import type { Condition } from '../../vocabulary/words/condition';
import { FAST, FOLDING, headLow, type Line } from './line';

/** What bones, blood pressure, eyes and balance ask. */
export const WHOLE = {
  'low-bone-density': [
    [
      'loadedFlexion',
      25,
      'swap',
      'Hinge at the hips with a long back instead.',
      'Rounding under load presses the front of the vertebrae.',
      FOLDING,
    ],
    [
      'loadedFlexion',
      25,
      'swap',
      'Head and chest stay down; move the arms or the legs alone.',
      'Rounding under load presses the front of the vertebrae.',
      { positions: positionsWhere(liesOnBack) },
    ],
    [
      'loadedFlexion',
      25,
      'swap',
      'Keep the back long as you move.',
      'Rounding under load presses the front of the vertebrae.',
      { positions: positionsWhere((each) => !isUpright(each) && !liesOnBack(each)) },
    ],
    ['rotation', 25, 'swap', 'Turn half as far with a long spine.', 'End-range turning loads a weak vertebra.'],
    ['fastTwist', FAST, 'adapt', 'Half as fast, the spine long.', 'A fast turn loads a weak vertebra.'],
    ['sideBend', 28, 'adapt', 'Reach long, bend less.', 'End-range bending loads one edge.'],
    ['rolling', 0, 'clear-first', 'Leave it out unless a professional agrees.', 'Rolling on a rounded spine.'],
    ['neckWeight', 40, 'clear-first', 'Leave it out unless a professional agrees.', 'Body weight on the upper spine.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'A fall costs more.'],
  ],
  'high-blood-pressure': [
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath drives the pressure up.'],
    ...headLow(
      20,
      'adapt',
      'Head below the heart.',
      'Lower, and for one breath only.',
      'Half way down, for one breath only; come up slowly.',
    ),
    ['inversion', 45, 'clear-first', 'Only after a doctor has agreed.', 'Head well below the heart.'],
    ['neckWeight', 45, 'clear-first', 'Only after a doctor has agreed.', 'Head-down with weight on the neck.'],
    ['longHold', 15, 'adapt', 'Move in and out in place of holding.', 'Long static effort drives the pressure up.'],
    ['armOverhead', 165, 'adapt', 'Arms no higher than the eyes.', 'Arms overhead make the heart push.'],
    ['handLoad', 3, 'adapt', 'Lighter, with a soft grip.', 'Gripping drives the pressure up.'],
  ],
  glaucoma: [
    ['inversion', 10, 'swap', 'Keep the head above the heart.', 'Head-down raises the pressure in the eye.'],
    ['neckWeight', 30, 'clear-first', 'Only after the eye doctor has agreed.', 'Head-down with weight on it.'],
    ['breathHeld', 0, 'swap', 'Breathe out on the effort.', 'A held breath raises the pressure in the eye.'],
    ['rolling', 0, 'clear-first', 'Only after the eye doctor has agreed.', 'Rolling turns the head under the heart.'],
  ],
  vertigo: [
    ['headSweep', 70, 'adapt', 'Half as fast, eyes on one spot, a pause at each end.', 'The head travels far.'],
    ...headLow(
      20,
      'adapt',
      'Head below the heart.',
      'Hips lower; come up slowly.',
      'Half way down, hands on the thighs; come up slowly.',
    ),
    ['rolling', 0, 'swap', 'Keep the arc without rolling.', 'Rolling spins the head.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'Balance may fail without warning.'],
  ],
} satisfies Partial<Readonly<Record<Condition, readonly Line[]>>>;
