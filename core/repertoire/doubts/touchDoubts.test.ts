import type { Pose } from '../../body';
import { catalogOf, exercise, must, rung } from '../../testing/studio';
import { touchDoubts } from './touchDoubts';

const HOME: Pose = {
  hip: 45,
  knee: 90,
  supports: ['head', 'ribs', 'pelvis', 'feet'],
  holds: { 'hand.left': 'head' },
};
const AWAY: Pose = { ...HOME, supports: ['head', 'ribs', 'pelvis', 'foot.left', 'forearms'] };

/** What is doubted of a cue that brings a part to touch, spoken at the start or on the phase that arrives away. */
function doubts(touches: string, phase?: string): string[] {
  const only = rung('low', {
    poses: { home: HOME, away: AWAY },
    phases: [
      { id: 'p1', breath: 'in', counts: 2, pose: 'away' },
      { id: 'p2', breath: 'out', counts: 2, pose: 'home' },
    ],
    cues: [{ id: 'c1', kind: phase ? 'action' : 'setup', text: 'Set it down.', phase, touches: [touches] }],
  });
  return touchDoubts(must(catalogOf([exercise('one', { rungs: [only] })]).rungs[0]));
}

test.each([
  ['feet', undefined],
  ['foot.right', undefined],
  ['hand.left', undefined],
  ['forearm.right', 'p1'],
  ['forearms', 'p1'],
])('%s that rests or holds in the pose of its cue is no doubt', (part, phase) => {
  expect(doubts(part, phase)).toEqual([]);
});

test.each([
  ['hands', undefined, 'home'],
  ['hand.right', undefined, 'home'],
  ['forearms', undefined, 'home'],
  ['feet', 'p1', 'away'],
  ['foot.right', 'p1', 'away'],
  ['the low back', undefined, 'home'],
])('%s that hangs there is one, with the pose', (part, phase, pose) => {
  const [only, ...more] = doubts(part, phase);
  expect(only).toContain(`“Set it down.” says of “${part}” that it touches; in pose “${pose}”`);
  expect(more).toEqual([]);
});
