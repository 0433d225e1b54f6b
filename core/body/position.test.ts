import { PositionGraph } from './position';

const graph = new PositionGraph();

test.each([
  ['supine', 'prone', 9],
  ['supine', 'four-point', 12],
  ['supine', 'standing', 15],
  ['side-left', 'side-right', 8],
  ['plank', 'standing', 13],
  ['seated', 'seated', 0],
])('%s to %s takes %d s, and as long back', (from, to, seconds) => {
  expect(graph.path(from, to).seconds).toBe(seconds);
  expect(graph.path(to, from).seconds).toBe(seconds);
});

test('a path names every place passed', () => {
  expect(graph.path('supine', 'plank').places).toEqual(['supine', 'side-left', 'prone', 'plank']);
});

test("a studio's own position is reached by the edges it names, and nothing else changes", () => {
  const own = new PositionGraph([
    { id: 'carriage', name: 'Carriage', like: 'supine', edges: { seated: 5, standing: 8 } },
  ]);
  expect(own.path('carriage', 'supine').seconds).toBe(11);
  expect(own.like('carriage')).toBe('supine');
  expect(own.path('supine', 'prone').seconds).toBe(9);
});

test('the method can change an edge', () => {
  expect(new PositionGraph([], { 'standing>seated': 4 }).path('standing', 'supine').seconds).toBe(10);
});
