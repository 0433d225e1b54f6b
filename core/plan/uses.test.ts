import { block, catalogOf, classOf, exercise, rung } from '../testing/studio';
import { timeClass } from './clock/timeClass';
import { sharesOfUse } from './uses';

test('the work of a class is shared out among where its rungs are felt and what they are good for, the most first', () => {
  const catalog = catalogOf([
    exercise('curl', { feltAt: ['belly', 'waist'], goodFor: ['belly'], rungs: [rung('a'), rung('b')] }),
    exercise('hold', { goodFor: ['belly', 'seat'], rungs: [rung('a', { feltAt: ['seat'] }), rung('b')] }),
  ]);
  const timed = timeClass(catalog, classOf([block('curl', { rung: 'a' }), block('hold', { rung: 'a' })]));
  const [curl, hold] = timed.blocks.map(({ work }) => work) as [number, number];
  const { feltAt, goodFor } = sharesOfUse(timed);
  expect(Object.fromEntries(feltAt.map(({ use, share }) => [use, share]))).toEqual({
    seat: hold / (curl + hold),
    belly: curl / 2 / (curl + hold),
    waist: curl / 2 / (curl + hold),
  });
  expect(goodFor.map(({ use }) => use)).toEqual(['belly', 'seat']);
  expect(goodFor.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  expect(sharesOfUse(timeClass(catalogOf([exercise('x')]), classOf([block('x')]))).feltAt).toEqual([]);
});
