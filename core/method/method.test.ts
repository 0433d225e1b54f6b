import { DIRECTIONS } from '../vocabulary/bodies/direction';
import { BALANCED_BANDS, bandsFor } from './bands';
import { SCHOOL_IDS, SCHOOLS } from './choices';
import { resolveMethod } from './method';
import { methodSchema } from './methodSchema';
import { LIMIT_SETTINGS, SCORE_SETTINGS, TIMING_SETTINGS, UNCERTAINTY_SETTINGS } from './settings';

test('every default lies in its own range', () => {
  for (const table of [TIMING_SETTINGS, UNCERTAINTY_SETTINGS, LIMIT_SETTINGS, SCORE_SETTINGS]) {
    for (const [key, { value, min, max }] of Object.entries(table)) {
      expect([key, value >= min && value <= max]).toEqual([key, true]);
    }
  }
});

test('each school has its default, and a choice says only what differs', () => {
  const { choices } = resolveMethod({ choices: { seat: 'squeeze' } });
  expect(choices).toEqual({
    lowBack: 'neutral',
    effortBreath: 'out',
    breathStyle: 'natural',
    legs: 'parallel',
    seat: 'squeeze',
    begin: 'floor',
    sideChange: 'run',
  });
  for (const school of SCHOOL_IDS) expect(Object.keys(SCHOOLS[school].answers).length).toBeGreaterThan(1);
});

test('a method says only what it changes; the rest is the defaults', () => {
  const method = resolveMethod({ settleSeconds: 6, limits: { floorTrips: 3 } });
  expect(method).toMatchObject({ settleSeconds: 6, secondsPerCount: 1, limits: { floorTrips: 3, blockSeconds: 360 } });
  expect(resolveMethod({ settleSeconds: undefined }).settleSeconds).toBe(4);
});

test('a figure out of range, or one nobody knows, is refused', () => {
  expect(methodSchema.safeParse({ secondsPerCount: 0 }).success).toBe(false);
  expect(methodSchema.safeParse({ tempo: 2 }).error?.issues[0]?.code).toBe('unrecognized_keys');
  expect(methodSchema.safeParse({ directionBands: { flexion: { min: 0.5, max: 0.2 } } }).success).toBe(false);
  expect(methodSchema.safeParse({ edgeSeconds: { 'standing to seated': 4 } }).success).toBe(false);
});

test('a focus widens its own band and asks less of the others', () => {
  const bands = bandsFor(BALANCED_BANDS, 'rotation');
  expect(bands.rotation).toEqual({ min: 0.25, max: 0.75 });
  for (const direction of DIRECTIONS) {
    if (direction !== 'rotation') expect(bands[direction].min).toBe(BALANCED_BANDS[direction].min / 2);
  }
  expect(bandsFor(BALANCED_BANDS, undefined)).toEqual(BALANCED_BANDS);
});
