import { studioOf } from '../formats';
import { isRungBlock, timeClass } from '../plan';
import { demoBundle } from '../testing/demo';
import { block, catalogOf, classOf, exercise, must, rung } from '../testing/studio';
import { roomCard } from './roomCard';

const gate = { ready: ['three are clean'], stay: ['the pelvis rocks'] };
const catalog = catalogOf([
  exercise('float', { rungs: [rung('low'), rung('mid', { gate }), rung('high', { dose: { sets: 2, reps: 5 } })] }),
]);
const card = (options: Parameters<typeof block>[1], group?: number) =>
  roomCard(catalog, timeClass(catalog, classOf([block('float/mid', options)])), {}, group);

test('a block has its lower and its higher rung, each with its dose and the sign for it', () => {
  const { rows, from, to } = card({
    options: [
      { rung: 'low', pauseSeconds: 6 },
      { rung: 'high', sign: 'breath stays quiet' },
    ],
  });
  const [row] = rows;
  expect(must(row)).toMatchObject({
    home: { entry: { rung: { id: 'mid' } }, sign: null },
    lower: { entry: { rung: { id: 'low' } }, sign: 'the pelvis rocks', dose: expect.stringMatching(/, pause 6 s$/) },
    upper: { entry: { rung: { id: 'high' } }, sign: 'breath stays quiet', dose: '2 × 5' },
  });
  expect(from).toBeLessThanOrEqual(to);
  expect(must(card({ options: ['high'] }).rows[0])).toMatchObject({ lower: null, upper: { sign: 'three are clean' } });
});

test('conditions are named, never people; in a group under five it says ask before', () => {
  const { catalog: house, classOf: named } = studioOf(demoBundle(), {});
  const plan = must(named('rowers-sixty'));
  const audience = {
    id: 'a',
    name: 'A',
    cautions: ['low-bone-density', 'pregnancy-second', 'pregnancy-third'] as const,
  };
  const room = { audience: { ...audience, cautions: [...audience.cautions] } };
  const { rows, askBefore } = roomCard(house, timeClass(house, plan), room);
  expect(askBefore).toBe(false);
  expect(rows).toHaveLength(plan.blocks.filter(isRungBlock).length);
  const conditions = rows.flatMap(({ mustNot }) => mustNot);
  expect(conditions).toEqual(expect.arrayContaining(['Low bone density', 'Pregnancy (2nd, 3rd trimester)']));
  // Of nobody who is not in the room.
  expect(new Set(conditions.map((each) => each.replace(/ \(.*/, '')))).toEqual(
    new Set(['Low bone density', 'Pregnancy']),
  );
  expect(roomCard(house, timeClass(house, plan), {}).rows.flatMap(({ mustNot }) => mustNot)).toEqual([]);
  expect(card({}, 4).askBefore).toBe(true);
  expect(card({}, 5).askBefore).toBe(false);
});

test('a card judges stretches as the review does: many curled blocks are more than each alone', () => {
  const curled = {
    hip: 45,
    knee: 90,
    lumbar: 10,
    thoracic: 30,
    neck: 20,
    supports: ['pelvis' as const, 'feet' as const],
  };
  const held = rung('low', { poses: { home: curled, away: curled }, dose: { sets: 1, reps: 8 } });
  const curls = catalogOf([exercise('curl', { rungs: [held] })]);
  const mustNot = (blocks: number) =>
    roomCard(curls, timeClass(curls, classOf(Array.from({ length: blocks }, () => block('curl')))), {
      audience: { id: 'a', name: 'A', cautions: ['neck-pain'] },
    }).rows.map((row) => row.mustNot.includes('Neck pain'));
  expect(mustNot(1)).toEqual([false]);
  expect(mustNot(2)).toEqual([true, true]);
});
