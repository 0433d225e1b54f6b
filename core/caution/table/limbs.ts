import { isOnAllFours, isSeated, isTall, positionsWhere } from '../../vocabulary/bodies/position';
import type { Condition } from '../../vocabulary/words/condition';
import { IN_PLANK, type Line, ON_FRONT, ON_SIDE } from './line';

/** What joints and muscles of arms and legs ask. */
export const LIMBS = {
  wrist: [
    [
      'extendedWrists',
      0,
      'adapt',
      'On fists, forearms, or a wedge under the heel of the hand.',
      'The wrist bears bent back.',
    ],
    ['extendedWrists', 45, 'swap', 'Take it on the forearms, or another position.', 'The wrist bears too long.'],
    ['handLoad', 3, 'adapt', 'Lighter, wrist straight.', 'The wrist holds the weight.'],
    ['barGrip', 0, 'adapt', 'Long wrists, space under the heel of the hand.', 'The wrist presses the bar.'],
  ],
  shoulder: [
    [
      'armsBearing',
      20,
      'adapt',
      'Knees down, or hands higher, to take weight off.',
      'The shoulder carries the trunk.',
      { ...IN_PLANK, already: [['kneesDown', 'Hands higher, to take weight off.']] },
    ],
    [
      'armsBearing',
      20,
      'adapt',
      'Weight back over the knees, or on the forearms.',
      'The shoulder carries the trunk.',
      {
        positions: positionsWhere((each) => isTall(each) || isOnAllFours(each)),
        already: [['forearms', 'Weight back over the knees.']],
      },
    ],
    [
      'armsBearing',
      20,
      'adapt',
      'Lower the chest; the head on the hands.',
      'The shoulder carries the trunk.',
      ON_FRONT,
    ],
    ['armsBearing', 20, 'adapt', 'Head and ribs down on the side.', 'The shoulder carries the trunk.', ON_SIDE],
    [
      'armOverhead',
      135,
      'adapt',
      'Arms only as high as is painless, in front of the face.',
      'Arm raised into the pinch.',
    ],
    ['handLoad', 1.5, 'adapt', 'Without the weight.', 'A weight lengthens the arm’s lever.'],
  ],
  knee: [
    [
      'kneeling',
      0,
      'adapt',
      'A folded mat under the knees, or seated.',
      'The kneecap bears.',
      { already: [['kneesRaised', 'Shorter, or seated.']] },
    ],
    ['kneeling', 90, 'swap', 'Take it standing, seated or lying.', 'The kneecap bears too long.'],
    ['kneeBend', 115, 'swap', 'Stay above a right angle, or sit on a cushion.', 'Deep bending under weight.'],
  ],
  ankle: [
    [
      'anklePointed',
      45,
      'adapt',
      'A rolled cloth under the front of the ankle, or toes tucked.',
      'The ankle lies stretched under weight.',
    ],
    ['ankleBent', 25, 'adapt', 'Bend less, heels raised on a folded mat.', 'The shin leans over the foot.'],
    ['oneFoot', 0, 'adapt', 'A hand on the wall.', 'One ankle holds all.'],
  ],
  'hip-replacement': [
    [
      'hipFlexion',
      90,
      'swap',
      'Keep the hip more open than a right angle.',
      'Past a right angle the joint may lever out.',
    ],
    [
      'hipAcross',
      5,
      'swap',
      'Keep the leg on its own side; a cushion between the knees.',
      'Across the midline the joint may lever out.',
    ],
    ['hipTurnedIn', 15, 'swap', 'Keep the knee pointing ahead or out.', 'Turned in the joint may lever out.'],
    ['rotation', 35, 'adapt', 'Let the pelvis come along.', 'The turn ends in the hip.'],
  ],
  'tight-hamstrings': [
    [
      'hamstrings',
      55,
      'adapt',
      'Sit on a cushion, or bend the knees.',
      'Short hamstrings pull the pelvis under.',
      { positions: positionsWhere(isSeated), already: [['seatRaised', 'Bend the knees.']] },
    ],
    [
      'hamstrings',
      55,
      'adapt',
      'Bend the knees.',
      'Short hamstrings pull the pelvis under.',
      { positions: positionsWhere((each) => !isSeated(each)) },
    ],
  ],
  'tight-ankles': [
    ['anklePointed', 45, 'adapt', 'A rolled cloth under the ankles.', 'The front of the ankle is short.'],
    ['ankleBent', 20, 'adapt', 'Heels on a folded mat.', 'The shin can’t lean over the foot.'],
  ],
} satisfies Partial<Readonly<Record<Condition, readonly Line[]>>>;
