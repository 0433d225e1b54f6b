import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Bundle, parseBundle } from '../formats';
import { Catalog } from './catalog';
import type { Exercise } from './exercise';
import { ladderHeats, ladderTau } from './ladders/ladder';

/**
 * Ladders as they are taught, written with few words: what differs from rung to rung is what makes it harder. They
 * helped to mend the model (docs/heat.md), so they guard it against slipping back and are no independent measure of it.
 */
function taughtLadders(): Bundle {
  const read = parseBundle(readFileSync(join(__dirname, '../testing/taught-ladders.json'), 'utf8'));
  if (!read.ok) throw new Error(read.problems.map(({ path, message }) => `${path.join('.')}: ${message}`).join('\n'));
  return read.bundle;
}

const { exercises = [], props } = taughtLadders();
const catalog = new Catalog({ props, exercises });
const tauOf = (some: readonly Exercise[]) => ladderTau(some.map((each) => ladderHeats(catalog, each)));

test('over ladders as they are taught, heat agrees with the order', () => {
  expect(exercises.length).toBeGreaterThanOrEqual(40);
  expect(tauOf(exercises)).toBeGreaterThanOrEqual(0.95);
});

test.each(exercises)('$name: the top is hotter than the bottom, and one pair at most is turned round', (exercise) => {
  const heats = ladderHeats(catalog, exercise);
  expect(heats.at(-1)).toBeGreaterThan(heats[0] ?? 0);
  const pairs = (heats.length * (heats.length - 1)) / 2;
  expect(tauOf([exercise])).toBeGreaterThan(1 - 2 / pairs - 1e-9);
});
