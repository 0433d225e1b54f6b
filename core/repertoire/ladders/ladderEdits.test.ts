import { must, rung } from '../../testing';
import { exercise } from '../../testing/studio';
import {
  addPhase,
  addRungAbove,
  moveRung,
  poseInUse,
  removePhase,
  removePose,
  removeRung,
  renamePose,
  swapPhases,
  withCarrier,
  withPhase,
  withRung,
} from './ladderEdits';

const LADDER = exercise('ladder', { rungs: [rung('low'), rung('middle'), rung('high')] });
const ids = ({ rungs }: typeof LADDER) => rungs.map(({ id }) => id);
const SPOKEN = rung('spoken', {
  phases: [
    { id: 'p1', breath: 'in', counts: 1, pose: 'home' },
    { id: 'p2', breath: 'out', counts: 2, pose: 'away', effort: true },
    { id: 'p3', breath: 'in', counts: 3, pose: 'home' },
  ],
  cues: [
    { id: 'c1', kind: 'setup', text: 'Lie down.' },
    { id: 'c2', kind: 'action', text: 'first', phase: 'p1' },
    { id: 'c3', kind: 'action', text: 'second', phase: 'p2' },
    { id: 'c4', kind: 'action', text: 'third', phase: 'p3' },
  ],
});
const spoken = (made: typeof SPOKEN) =>
  made.phases.map((phase) => [phase.counts, made.cues?.find((cue) => cue.phase === phase.id)?.text]);

test('a rung is copied above, moved and taken out; what can’t be done changes nothing', () => {
  expect(ids(addRungAbove(LADDER, 1, 'new', 'New'))).toEqual(['low', 'middle', 'new', 'high']);
  expect(ids(moveRung(LADDER, 0, 2))).toEqual(['middle', 'high', 'low']);
  expect(ids(removeRung(LADDER, 1))).toEqual(['low', 'high']);
  const beside = withRung(LADDER, 2, (each) => ({ ...each, branchOf: 'middle' }));
  expect(removeRung(beside, 1).rungs[1]).not.toHaveProperty('branchOf');
  expect(removeRung(beside, 0).rungs[1]).toHaveProperty('branchOf', 'middle');
  expect(moveRung(LADDER, 0, 3)).toBe(LADDER);
  expect(withRung(LADDER, 9, () => rung('none'))).toBe(LADDER);
  const set = withRung(LADDER, 0, (each) => ({ ...each, heatOverride: { heat: 9, reason: 'Seen.' } }));
  expect(must(addRungAbove(set, 0, 'new', 'New').rungs[1]).heatOverride).toBeUndefined();
});

test('removing a phase, or changing two about, keeps every word with its phase', () => {
  expect(spoken(removePhase(SPOKEN, 'p2'))).toEqual([
    [1, 'first'],
    [3, 'third'],
  ]);
  expect(spoken(swapPhases(SPOKEN, 'p1'))).toEqual([
    [2, 'second'],
    [1, 'first'],
    [3, 'third'],
  ]);
  expect(swapPhases(SPOKEN, 'p3')).toBe(SPOKEN);
  expect(removePhase(SPOKEN, 'p2').cues).toContainEqual({ id: 'c1', kind: 'setup', text: 'Lie down.' });
  const longer = addPhase(SPOKEN);
  expect(longer.phases.at(-1)).toEqual({ id: 'p4', breath: 'out', counts: 2, pose: 'home' });
  expect(withPhase(SPOKEN, 'p2', { counts: 5 }).phases.map(({ counts }) => counts)).toEqual([1, 5, 3]);
});

test('a way in and a way out come and go with their phases, and no id is used twice', () => {
  const through = addPhase(addPhase(SPOKEN, 'entry'), 'exit', 'away');
  expect(through.entry).toEqual([{ id: 'p4', breath: 'in', counts: 2, pose: 'home' }]);
  expect(through.exit).toEqual([{ id: 'p5', breath: 'in', counts: 2, pose: 'away' }]);
  expect(withPhase(through, 'p5', { counts: 4 }).exit?.[0]?.counts).toBe(4);
  // The last phase of the way in has no next one, though the repetition follows it.
  expect(swapPhases(through, 'p4')).toBe(through);
  expect(removePhase(removePhase(through, 'p4'), 'p5')).toEqual(SPOKEN);
  expect(removePhase(SPOKEN, 'none')).toBe(SPOKEN);
});

test('a support is put on a prop and taken off it, and a rung with nothing on props says nothing of it', () => {
  const feet = ['foot.left', 'foot.right'];
  const raised = withCarrier(withCarrier(SPOKEN, ['head'], 'cushion'), feet, 'box');
  expect(raised.on).toEqual({ head: 'cushion', feet: 'box' });
  const one = withCarrier(raised, ['foot.left'], null);
  expect(one.on).toEqual({ head: 'cushion', 'foot.right': 'box' });
  expect(withCarrier(one, ['foot.left'], 'box').on).toEqual(raised.on);
  expect(withCarrier(withCarrier(raised, feet, null), ['head'], null)).toEqual(SPOKEN);
});

test('a pose is renamed wherever the rung speaks of it, and a pose in use is known to be', () => {
  const renamed = renamePose(SPOKEN, 'home', 'rest');
  expect(renamed.start).toBe('rest');
  expect(renamed.phases.map(({ pose }) => pose)).toEqual(['rest', 'away', 'rest']);
  expect(Object.keys(renamed.poses)).toEqual(['rest', 'away']);
  expect(renamePose(SPOKEN, 'home', 'away')).toBe(SPOKEN);
  expect(poseInUse(SPOKEN, 'away')).toBe(true);
  const spare = { ...SPOKEN, poses: { ...SPOKEN.poses, spare: must(SPOKEN.poses.home) } };
  expect(poseInUse(spare, 'spare')).toBe(false);
  expect(Object.keys(removePose(spare, 'spare').poses)).toEqual(['home', 'away']);
});
