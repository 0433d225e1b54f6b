import { answersByLess, namesStopSign, saidAsStop } from './stopSigns';

test.each([
  'Dizzy? Come half way.',
  'Light-headed? Let the head hang lower.',
  'Low back pinching? Lift the head only.',
  'Knee pain: higher.',
  'If it hurts, take the easier version.',
  'If anything hurts, just make it smaller.',
  'Bend your knees if your back hurts.',
  'When your hands go numb, shake them out and carry on with fists.',
  'Pins and needles in the foot? Change the angle.',
  'If you feel faint, keep the head up.',
  'If you leak a little, do one leg only.',
  'Any heaviness down below: draw up first, then go on.',
  'If you feel a bulging in the pelvis, put one foot down.',
  'Can’t catch your breath? Do fewer.',
  'Short of breath? Halve the range.',
  'If your chest feels tight, slow down.',
  'A headache coming on? Turn less.',
  'The room spins? Open your eyes and go slower.',
  'If there is pain, stop or take the smaller version.',
  'Your neck aches? Put your hands behind the head.',
  'Go lower until it hurts.',
  'If you see stars, come up more slowly.',
  'Sick? Stay on all fours for this one.'.replace('Sick', 'Nauseous'),
  'If you have knee pain, keep the knee higher.',
  'Neck pain: head down.',
])('%s answers a stop sign by less', (text) => {
  expect(answersByLess(text)).toBe(true);
  // The line that is written in its place stops, and names the sign still.
  const said = saidAsStop(text);
  expect(said).toMatch(/stop and rest\.$/i);
  expect(answersByLess(said)).toBe(false);
});

test.each([
  'Pain, dizziness, leaking, bulging or numbness means stop.',
  'Stop if anything hurts.',
  'Dizzy? Stop and lie down.',
  'Knee pain: stop, and tell me after class.',
  'If your back pinches, stop and rest.',
  'This should be pain-free.',
  'Only as high as is painless.',
  'Turn without pain.',
  'You feel a stretch, no pain.',
  'It should never hurt.',
  'Nothing here hurts.',
  'Go only as far as you can before it hurts.',
  'With a troublesome neck: head down, or in the hands.',
  'With low back pain, keep the knees bent.',
  'If you came with back pain, bend the knees.',
  'Both feet heavy, grow tall.',
  'Let the legs feel heavy.',
  'One sharp breath out.',
  'If the belly domes, put one foot down.',
  'If the neck tires, lay the head down.',
  'If the pelvis rocks, bend the knee.',
  'Pinch the shoulder blades together.',
  'Tell me if you feel dizzy.',
  'See a doctor first if you have numb fingers.',
  'Feet shooting up to the ceiling, toes long.',
  'Breathe out and draw the ribs in.',
  'Painting a slow circle with the knee.',
])('%s answers nothing by less', (text) => expect(answersByLess(text)).toBe(false));

test('signs of the house and of the rung count as the usual ones do', () => {
  expect(answersByLess('If the clay dust stings, breathe smaller.')).toBe(false);
  expect(answersByLess('If the clay dust stings, breathe smaller.', ['dust stings'])).toBe(true);
  expect(namesStopSign('the dust stings', ['Dust stings'.toLowerCase()])).toBe(true);
  expect(namesStopSign('the belly domes')).toBe(false);
});

test('what is said of other things stays as it was', () => {
  expect(saidAsStop('Breathe on. Bend the knee if it hurts.')).toBe('Breathe on. If it hurts, stop and rest.');
  expect(saidAsStop('Dizzy? Come half way. Then go on.')).toBe('Dizzy: stop and rest. Then go on.');
  expect(saidAsStop('Long legs, soft ribs.')).toBe('Long legs, soft ribs.');
});
