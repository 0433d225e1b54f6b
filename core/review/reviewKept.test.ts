import { block, catalogOf, classOf } from '../testing/studio';
import { keptReviews } from './reviewKept';

const catalog = catalogOf();
const plan = classOf([block('hold'), block('curl')]);
const audience = { id: 'potters', name: 'Potters' };

test('a class is reviewed once, as long as neither it nor what it is held against changes', () => {
  const review = keptReviews();
  const first = review(catalog, plan, { audience, earlier: new Set(['hold/low']) });
  expect(review(catalog, plan, { audience, earlier: new Set(['hold/low']) })).toBe(first);
  expect(review(catalog, { ...plan }, { audience, earlier: new Set(['hold/low']) })).not.toBe(first);
});

test.each([
  ['whom it is for', { audience: { ...audience, homeHeat: 20 } }],
  ['what was met before', { audience, earlier: new Set(['hold/low']) }],
  ['the day', { audience, today: '2027-01-11' }],
  ['where it stands', { audience, place: 'episode' as const }],
])('it is reviewed anew where %s is another', (_name, context) => {
  const review = keptReviews();
  expect(review(catalog, plan, context)).not.toBe(review(catalog, plan, { audience }));
});

test('it is reviewed anew with another repertoire', () => {
  const review = keptReviews();
  expect(review(catalogOf(), plan)).not.toBe(review(catalog, plan));
});
