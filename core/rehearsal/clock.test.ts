import { away, between } from '.';

test('a clock that is set back in the middle moves nothing back, and a device that slept has not stood still', () => {
  const before = { wall: 1_000_000, steady: 5_000 };
  expect(between(before, { wall: 1_000_200, steady: 5_200 })).toBe(200);
  // Set back by an hour while 200 ms went by.
  expect(between(before, { wall: 1_000_200 - 3_600_000, steady: 5_200 })).toBe(200);
  // The steady clock stood while the device slept for a minute.
  expect(between(before, { wall: 1_060_000, steady: 5_200 })).toBe(60_000);
  // A clock that is put right by a little is not followed.
  expect(between(before, { wall: 1_001_500, steady: 5_200 })).toBe(200);
  expect(away(1_000_000, 1_090_000)).toBe(90_000);
  expect(away(1_000_000, 400_000)).toBe(0);
});
