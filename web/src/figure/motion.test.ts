import { type Drawing, drawingOf } from '@warm-ladder/core/figure';
import { plainPose } from '@warm-ladder/core/repertoire';
import { motionOf, onEveryFrame } from './motion';

const phase = (breath: 'in' | 'out', counts: number) => ({ id: breath, breath, counts, pose: 'home' });
const still: Drawing = drawingOf(plainPose('supine'), 'supine');
const along = () => still;

describe('a repetition on the clock', () => {
  const motion = motionOf(
    [
      { phase: phase('out', 2), along },
      { phase: phase('in', 4), along },
    ],
    1.5,
  );
  test('lasts as long as its phases and begins again at its end', () => {
    expect(motion?.seconds).toBe(9);
    expect(motion?.stretches.map(({ startSeconds, seconds }) => [startSeconds, seconds])).toEqual([
      [0, 3],
      [3, 6],
    ]);
    expect(motion?.at(9.75)).toEqual(motion?.at(0.75));
  });
  test('arrives where each phase goes, moving slowest at both ends', () => {
    const way = (seconds: number) => motion?.at(seconds).way ?? Number.NaN;
    expect(way(2.9999)).toBeCloseTo(1, 4);
    expect(way(1.55) - way(1.45)).toBeGreaterThan(5 * (way(0.1) - way(0)));
    expect(motion?.at(4).stretch.phase.breath).toBe('in');
    expect(motion?.at(4).share).toBeCloseTo(1 / 6, 6);
  });
  test('is none without a phase to move through', () => {
    expect(motionOf([], 1)).toBeNull();
  });
});

test('all figures move by one clock, and none once they are let go', () => {
  const frames: FrameRequestCallback[] = [];
  globalThis.requestAnimationFrame = (callback) => frames.push(callback);
  const seen: Array<[string, number]> = [];
  const stopOne = onEveryFrame((seconds) => seen.push(['one', seconds]));
  const stopTwo = onEveryFrame((seconds) => seen.push(['two', seconds]));
  expect(frames).toHaveLength(1);
  frames.shift()?.(5000);
  frames.shift()?.(5500);
  expect(seen).toEqual([
    ['one', 0],
    ['two', 0],
    ['one', 0.5],
    ['two', 0.5],
  ]);
  stopOne();
  frames.shift()?.(6000);
  expect(seen.at(-1)).toEqual(['two', 1]);
  // Let go and taken up again before the frame comes, as a figure is that is edited: still one clock, not two.
  stopTwo();
  const stopAgain = onEveryFrame((seconds) => seen.push(['again', seconds]));
  expect(frames).toHaveLength(1);
  stopAgain();
  frames.shift()?.(6500);
  expect(frames).toEqual([]);
  // And begins anew once all had stopped.
  onEveryFrame((seconds) => seen.push(['new', seconds]))();
  expect(frames).toHaveLength(1);
});
