import type { BasePosition, Pose } from '../body';
import { catalogOf, exercise, rung } from '../testing/studio';
import { CONDITION_IDS } from '../vocabulary/words/condition';
import { VERDICTS } from './rule';
import { surveyRepertoire } from './survey';

const SEATED: Pose = { hip: 80, knee: 90, supports: ['pelvis', 'feet'] };
const still = (id: string, position: BasePosition, ...poses: Pose[]) =>
  exercise(id, { position, rungs: poses.map((pose, i) => rung(`r${i}`, { poses: { home: pose, away: pose } })) });
const catalog = catalogOf([
  still('turn', 'seated', SEATED, { ...SEATED, twist: 28 }, { ...SEATED, twist: 40 }),
  still('curl', 'supine', { hip: 45, knee: 90, thoracic: 30, neck: 20, supports: ['pelvis', 'feet'] }),
]);

const NONE = { fine: 0, adapt: 0, swap: 0, 'clear-first': 0, 'too-hot': 0, 'not-at-hand': 0 };

test('without a condition everything is fine and no rule speaks', () => {
  const { positions, rules } = surveyRepertoire(catalog, []);
  expect(positions).toEqual([
    { position: 'seated', counts: { ...NONE, fine: 3 } },
    { position: 'supine', counts: { ...NONE, fine: 1 } },
  ]);
  expect(rules).toEqual([]);
});

test('a rule is counted over the rungs it speaks of, and names the one it speaks of most', () => {
  const { positions, rules } = surveyRepertoire(catalog, ['low-bone-density']);
  expect(positions[0]?.counts).toEqual({ ...NONE, fine: 1, swap: 2 });
  const turned = rules.find(({ caution }) => caution.feature === 'rotation');
  expect(turned).toMatchObject({ count: 2, caution: { value: 40, over: 25 }, hardest: { key: 'turn/r2' } });
});

test('what needs a prop that is not there is not judged, and what is fine but too hot is counted by itself', () => {
  const far = ({ key }: { readonly key: string }) => key !== 'turn/r2';
  const heats = catalog.rungs.map((entry) => catalog.heat(entry)).sort((a, b) => a - b);
  const { positions, rules } = surveyRepertoire(catalog, ['low-bone-density'], far, (heats[0] ?? 0) - 1);
  expect(positions[0]?.counts).toEqual({ ...NONE, 'too-hot': 1, swap: 1, 'not-at-hand': 1 });
  expect(rules.find(({ caution }) => caution.feature === 'rotation')?.hardest.key).toBe('turn/r1');
});

test('with everything in the room the gravest rules come first, and every rung is counted once', () => {
  const { positions, rules } = surveyRepertoire(catalog, CONDITION_IDS);
  const graveness = rules.map(({ caution }) => VERDICTS.indexOf(caution.verdict));
  expect(graveness).toEqual([...graveness].sort((a, b) => b - a));
  const all = positions.flatMap(({ counts }) => Object.values(counts)).reduce((a, b) => a + b, 0);
  expect(all).toBe(catalog.rungs.length);
});
