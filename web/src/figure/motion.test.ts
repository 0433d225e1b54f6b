import { rung } from '@warm-ladder/core/testing';
import { motionOf, onEveryFrame } from './motion';

const lift = rung('lift', {
  phases: [
    { id: 'p1', breath: 'out', counts: 2, pose: 'away', effort: true },
    { id: 'p2', breath: 'in', counts: 4, pose: 'home' },
  ],
});

describe('a repetition on the clock', () => {
  const motion = motionOf(lift, 1.5);
  test('lasts as long as its phases and begins again at its end', () => {
    expect(motion?.seconds).toBe(9);
    expect(motion?.stretches.map(({ startSeconds, seconds }) => [startSeconds, seconds])).toEqual([
      [0, 3],
      [3, 6],
    ]);
    expect(motion?.poseAt(0).pose).toEqual(lift.poses.home);
    expect(motion?.poseAt(9.75)).toEqual(motion?.poseAt(0.75));
  });
  test('arrives where each phase goes, moving slowest at both ends', () => {
    const hip = (seconds: number) => {
      const angle = motion?.poseAt(seconds).pose.hip;
      return typeof angle === 'object' ? (angle.left ?? 0) : (angle ?? 0);
    };
    expect(hip(2.9999)).toBeCloseTo(60, 2);
    const [atEnd, inMiddle] = [hip(0.1) - hip(0), hip(1.55) - hip(1.45)];
    expect(inMiddle).toBeGreaterThan(5 * atEnd);
    expect(motion?.poseAt(4).stretch.phase.breath).toBe('in');
  });
  test('keeps its own tempo where it has one, and is none without a pose to move through', () => {
    expect(motionOf({ ...lift, dose: { ...lift.dose, secondsPerCount: 3 } }, 1)?.seconds).toBe(18);
    expect(
      motionOf({ ...lift, start: 'nowhere', phases: [{ id: 'p1', breath: 'in', counts: 2, pose: 'nowhere' }] }, 1),
    ).toBeNull();
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
  stopTwo();
  frames.shift()?.(6500);
  expect(frames).toEqual([]);
});
