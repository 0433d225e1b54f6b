import type { Pose } from '../../body';
import { demoBundle } from '../../testing/demo';
import { runs } from '../../testing/runs';
import { exercise, must, rung } from '../../testing/studio';
import { Catalog } from '../catalog';
import type { Rung } from '../exercise';
import { AXIS_IDS, type Axis, draftsFromAxes, withDrafts, withPart } from './axes';

const DOWN: Pose = { hip: 45, knee: 90, supports: ['head', 'ribs', 'pelvis', 'feet', 'hands'] };
const UP: Pose = {
  hip: 90,
  knee: 90,
  shoulder: 160,
  thoracic: 30,
  neck: 20,
  supports: ['pelvis'],
  weights: { 'hand.left': 1, 'hand.right': 1 },
};

test('a part of a pose brings its joints, what of it rests, what its hands hold and carry, and nothing else', () => {
  expect(withPart(DOWN, 'legs', UP)).toEqual({ hip: 90, knee: 90, supports: ['head', 'ribs', 'pelvis', 'hands'] });
  expect(withPart(DOWN, 'arms', UP)).toEqual({
    hip: 45,
    knee: 90,
    shoulder: 160,
    supports: ['head', 'ribs', 'pelvis', 'feet'],
    weights: { 'hand.left': 1, 'hand.right': 1 },
  });
  const grip = { 'hand.left': 'shin.left', 'hand.right': 'shin.right' };
  expect(withPart({ ...UP, holds: grip }, 'arms', DOWN)).toEqual({
    hip: 90,
    knee: 90,
    thoracic: 30,
    neck: 20,
    supports: ['pelvis', 'hands'],
  });
  expect(withPart({ ...DOWN, holds: grip }, 'legs', UP).holds).toEqual(grip);
});

const low = rung('low', { name: 'Low', poses: { home: DOWN, away: { ...DOWN, lumbar: 10 } }, start: 'home' });
const high = rung('high', { name: 'High', poses: { home: UP, away: { ...UP, hip: 60, knee: 0 } }, start: 'home' });
const ladder = exercise('ladder', { position: 'supine', rungs: [low, high] });
const crossed = (axes: readonly Axis[], rungs: readonly string[] = ['low', 'high']) =>
  draftsFromAxes(ladder, rungs, axes, {});

test('what carries a part is what carries it in the rung whose part it is', () => {
  const on = { feet: 'ball', hands: 'stick', pelvis: 'ball' };
  const carried = exercise('ladder', { position: 'supine', rungs: [{ ...low, on, props: ['ball', 'stick'] }, high] });
  const drafts = draftsFromAxes(carried, ['low', 'high'], ['arms', 'legs'], {});
  const onOf = (arms: string, legs: string) => drafts.find(({ of }) => of.arms === arms && of.legs === legs)?.rung.on;
  expect(onOf('high', 'high')).toEqual({ pelvis: 'ball' });
  expect(onOf('low', 'high')).toEqual({ pelvis: 'ball', hands: 'stick' });
  expect(onOf('high', 'low')).toEqual({ pelvis: 'ball', feet: 'ball' });
});

test('two rungs crossed by parts give every mixture the ladder does not have, easiest first', () => {
  const two = crossed(['arms', 'legs']);
  // Every other part is the first rung's: that with both from the second is new too.
  expect(two.map(({ of }) => `${of.arms}/${of.legs}`).sort()).toEqual(['high/high', 'high/low', 'low/high']);
  const heats = two.map(({ heat }) => heat);
  expect(heats).toEqual([...heats].sort((a, b) => a - b));
  expect(crossed(['arms', 'legs', 'trunk'])).toHaveLength(6);
  expect(crossed(['legs']).map(({ rung: { name } }) => name)).toEqual(['Legs as in High']);
  expect(crossed(['arms'], ['low'])).toEqual([]);
  expect(crossed([])).toEqual([]);
});

test('what begins elsewhere begins in the other’s first shape and goes on in its own', () => {
  const [draft] = crossed(['start']);
  expect(draft?.rung.poses).toEqual({ home: UP, away: low.poses.away });
});

test('drafts are taken in by their heat, with ids of their own, in one exercise; what stood there keeps its order', () => {
  const catalog = new Catalog({ exercises: [ladder] });
  const heatOf = ({ id }: Rung) => catalog.heat(must(catalog.rung({ exercise: 'ladder', rung: id })));
  const drafts = crossed(['arms', 'legs']);
  const next = withDrafts(ladder, drafts, heatOf, (_name, among) => `r${among.length}`);
  expect(next.rungs.map(({ id }) => id).filter((id) => id === 'low' || id === 'high')).toEqual(['low', 'high']);
  expect(new Set(next.rungs.map(({ id }) => id)).size).toBe(5);
  const between = drafts.filter((draft) => draft.between).map(({ rung: { name } }) => name);
  const names = next.rungs.map(({ name }) => name);
  for (const name of between) {
    expect(names.indexOf(name)).toBeGreaterThan(names.indexOf('Low'));
    expect(names.indexOf(name)).toBeLessThan(names.indexOf('High'));
  }
});

test('whatever is crossed in the house stands in the file', async () => {
  const { documentSchemas, schemaProblems } = await import('../../schemas');
  const { exercises = [], method, positions, props } = demoBundle();
  for (const each of exercises.filter((_one, i) => i % runs(40, 9) === 0)) {
    const ids = each.rungs.slice(0, 3).map(({ id }) => id);
    const drafts = draftsFromAxes(each, ids, AXIS_IDS.slice(0, 3), { method, positions, props });
    const made = withDrafts(
      each,
      drafts,
      () => 0,
      (_name, among) => `draft-${among.length}`,
    );
    const read = documentSchemas.exercises.safeParse(made);
    expect(read.success ? [] : schemaProblems(read.error, made)).toEqual([]);
  }
});
