import { judge } from '../../caution';
import { catalogOf, classOf, must } from '../../testing';
import { roomOf } from '../subject/room';
import { heatTaken, takenByPosition } from './taking';

test('each position says what of it a room can take, the hottest of each ladder first', () => {
  const catalog = catalogOf();
  const room = roomOf(catalog, classOf([]), { audience: { id: 'a', name: 'A', homeHeat: 30, cautions: [] } });
  const positions = takenByPosition(room);
  expect(positions.reduce((sum, { of }) => sum + of, 0)).toBe(catalog.rungs.length);
  expect(positions.every(({ of, fine, hottest }) => fine <= of && hottest.length <= fine)).toBe(true);
  const all = positions.flatMap(({ hottest }) => hottest);
  expect(new Set(all.map(({ exercise }) => exercise.id)).size).toBe(all.length);
  for (const { hottest } of positions) {
    const heats = hottest.map((entry) => catalog.heat(entry));
    expect(heats).toEqual([...heats].sort((a, b) => b - a));
    expect(Math.max(0, ...heats)).toBeLessThanOrEqual(30);
  }
  expect(all.every((entry) => judge(catalog, entry, room.graded).verdict === 'fine')).toBe(true);
  expect(heatTaken(room)).toBeLessThanOrEqual(Math.max(...all.map((entry) => catalog.heat(entry))));
  // Who can take nothing has nothing, and is still told of how much.
  const none = takenByPosition(roomOf(catalog, classOf([]), { audience: { id: 'b', name: 'B', homeHeat: 0 } }));
  expect(must(none[0])).toMatchObject({ fine: 0, hottest: [] });
});
