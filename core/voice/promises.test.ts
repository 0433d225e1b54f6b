import { promises } from './rules/promises';

test.each([
  'This melts the fat off your waist.',
  'You will definitely feel better tomorrow.',
  'Results guaranteed in two weeks.',
  'It rehabilitates the pelvic floor.',
  'Do this daily and the gap closes.',
  'This closes your separation.',
  'Inches off your waist by summer.',
  'For a flat belly, ten more.',
  'A smaller waist starts here.',
  'This one cures back pain.',
  'Fixes your posture for good.',
  'Say goodbye to back pain.',
  'You will never have a stiff neck again.',
  'Lose weight while you breathe.',
  'It takes inches off.',
  'This tones your thighs.',
  'Your waist will be slimmer.',
  'Get rid of your back trouble.',
  'It heals the knees.',
  'No more back pain.',
])('a promise: %s', (text) => {
  expect(promises(text)).toBe(true);
});

test.each([
  'Lift it one inch off the mat.',
  'You can always lift the head alone.',
  'You will always have the wall beside you.',
  'Drop your hips, draw the belly in.',
  'Keep the small gap under your waist.',
  'Close the gap between your knees.',
  'Feel the thighs burn a little, and breathe.',
  'Reverse the circle.',
  'Tighten the band round your thighs.',
  'The heels stay together.',
  'Lose nothing of your length as you turn.',
  'Breathe wide into the waist.',
  'This will not give anybody a flat belly.',
  'Nothing here cures anything.',
  'Come back to a pain-free range, or stop.',
  'Stop with pain anywhere.',
  'Make the waist long, the belly flat.',
  'Fix your eyes on one spot.',
  'Slide the weight towards your heels.',
])('no promise: %s', (text) => {
  expect(promises(text)).toBe(false);
});
