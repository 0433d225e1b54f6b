import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { POSITIONS } from '@warm-ladder/core/body';
import { reviewBundle } from '@warm-ladder/core/formats';
import { DIRECTIONS } from '@warm-ladder/core/method';
import { Catalog } from '@warm-ladder/core/repertoire';
import { readFiles } from './files';

const FOLDER = join(__dirname, '../../demo');
// Reading refuses whatever does not fit the schema, or one another.
const bundle = readFiles(readdirSync(FOLDER).map((file) => join(FOLDER, file)));
const exercises = bundle.exercises ?? [];
const catalog = new Catalog({ ...bundle, exercises });

test('the demo studio has a repertoire worth looking at, over all positions and directions', () => {
  expect(exercises.length).toBeGreaterThanOrEqual(24);
  expect(catalog.rungs.length).toBeGreaterThanOrEqual(70);
  expect(new Set(exercises.map(({ position }) => position))).toEqual(new Set(POSITIONS));
  expect(new Set(exercises.flatMap(({ directions }) => directions))).toEqual(new Set(DIRECTIONS));
});

test.each(catalog.rungs.map((entry) => [entry.key, entry] as const))(
  '%s has its words and its gate',
  (_key, { rung }) => {
    const cues = rung.cues ?? [];
    const kinds = new Set(cues.map(({ kind }) => kind));
    for (const kind of ['setup', 'action', 'alignment', 'fault', 'transition'] as const) expect(kinds).toContain(kind);
    const spoken = cues.filter(({ kind }) => kind === 'action').map(({ phase }) => phase);
    expect(spoken).toEqual(rung.phases.map((_phase, i) => i));
    expect(rung.gate?.ready?.length).toBeGreaterThan(0);
    expect(rung.gate?.stay?.length).toBeGreaterThan(0);
  },
);

test('its faulty class has something to say at every severity, its series nothing', () => {
  const { classes, series } = reviewBundle(bundle);
  const severities = new Set(classes['choir-first-draft']?.findings.map(({ severity }) => severity));
  expect(severities).toEqual(new Set(['stop', 'fix', 'look']));
  expect(series['bench-to-mat']?.findings).toEqual([]);
  for (const id of ['rowers-sixty', 'night-landing']) expect([id, classes[id]?.findings]).toEqual([id, []]);
});

test('ladders climb: Kendall’s tau of heat over the demo’s own ladders is at least 0.95', () => {
  let [agree, disagree] = [0, 0];
  for (const exercise of exercises) {
    const heats = exercise.rungs.flatMap(({ id }) => {
      const entry = catalog.rung({ exercise: exercise.id, rung: id });
      return entry ? [catalog.heat(entry)] : [];
    });
    heats.forEach((lower, i) => {
      for (const higher of heats.slice(i + 1)) higher > lower ? agree++ : disagree++;
    });
  }
  expect((agree - disagree) / (agree + disagree)).toBeGreaterThanOrEqual(0.95);
});
