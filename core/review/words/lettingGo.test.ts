import { judge } from '../../caution';
import { studioOf } from '../../formats';
import { demoBundle, must } from '../../testing';
import { roomOf } from '../subject/room';
import { lettingGo, restName } from './lettingGo';

const { catalog, audienceOf, classOf } = studioOf(demoBundle(), { today: '2026-11-28' });

test('a small rest lets go where people are, asks nothing of anybody there, and is none where nothing does', () => {
  const audience = must(audienceOf('throwing-room-potters') ?? demoBundle().audiences?.[0]);
  const room = roomOf(catalog, must(classOf('choir-first-draft')), { audience });
  for (const position of ['supine', 'prone', 'seated', 'standing', 'four-point']) {
    for (const entry of lettingGo(room, position)) {
      expect([entry.position, entry.props.length, entry.sides]).toEqual([position, 0, 'both']);
      expect(catalog.heat(entry)).toBeLessThanOrEqual(18);
      expect(judge(catalog, entry, room.graded).verdict).toBe('fine');
    }
  }
  const [best] = lettingGo(room, 'supine');
  expect(restName(must(best))).toContain(must(best).exercise.name);
  expect(lettingGo(room, 'plank')).toEqual([]);
  expect(lettingGo(room, 'nowhere')).toEqual([]);
});
