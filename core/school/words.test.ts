import { asksFor, type Says } from './words';

const CASES: ReadonlyArray<readonly [Says, readonly string[], readonly string[]]> = [
  [
    'press-back',
    ['Press your low back into the mat.', 'Lay the waist down.', 'Low back pressed down.'],
    [
      'Press the heels away.',
      'Squeeze the ball.',
      'Don’t press your back down.',
      'Back pressing down? Bend the knee.',
      'Press back to rest over the heels.',
    ],
  ],
  [
    'keep-gap',
    ['Keep the small gap under your waist.', 'Neutral spine.', 'Mind the gap under the waist.'],
    ['Let the gap come back.', 'Never keep the gap.', 'Keep the knee bent.'],
  ],
  [
    'squeeze-seat',
    [
      'Squeeze your seat.',
      'Seat tight.',
      'Clench the buttocks as you lift.',
      'Engage your glutes.',
      'Switch on the glutes first.',
      'Pinch a coin between your cheeks.',
      'Draw your sit bones together.',
      'Tense your bottom and rise.',
    ],
    [
      'Squeeze the ball.',
      'Seat gripping? Half as much.',
      'Squeeze the ball, seat soft.',
      'Squeeze the cushion under your seat.',
      'Grip the band with the bottom foot.',
      'Sit with your seat on the heels.',
      'Press the heels towards your seat.',
      'Rest one cheek on your hands.',
    ],
  ],
  ['draw-up', ['Draw the pelvic floor up.', 'Pelvic floor lifted.'], ['Draw up in one line.', 'Lift the leg.']],
  [
    'soft-seat',
    ['Seat soft.', 'Let your seat stay wide.', 'Soften the seat.'],
    ['Knees soft.', 'Sit wide.', 'Both seat bones equally heavy.'],
  ],
];

test.each(CASES)(
  '%s is heard where it is asked for, and not in a question, a refusal or another thing',
  (says, asks, others) => {
    for (const text of asks) expect([text, asksFor(text, says)]).toEqual([text, true]);
    for (const text of others) expect([text, asksFor(text, says)]).toEqual([text, false]);
  },
);
