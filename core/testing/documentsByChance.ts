import fc from 'fast-check';

const id = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'g');
const leaf = fc.oneof(
  fc.integer(),
  fc.string(),
  fc.boolean(),
  fc.constant(null),
  fc.array(fc.integer(), { maxLength: 3 }),
);
const item = fc.record({
  id,
  name: fc.string({ maxLength: 3 }),
  dose: fc.dictionary(fc.constantFrom('reps', 'sets'), leaf),
});
const list = fc.uniqueArray(item, { selector: (each) => each.id, maxLength: 7 });
const nested = list.chain((items) =>
  fc.tuple(...items.map(() => list)).map((inner) => items.map((each, i) => ({ ...each, inner: inner[i] ?? [] }))),
);
/** Documents by chance: fields, lists of items within items, lists of plain values. */
export const document = fc
  .record(
    {
      id: fc.constant('it'),
      name: fc.string({ maxLength: 4 }),
      blocks: nested,
      tags: fc.array(fc.string({ maxLength: 2 }), { maxLength: 3 }),
      extra: leaf,
    },
    { requiredKeys: ['id'] },
  )
  // As JSON has it: what is drawn by chance has no prototype here and there.
  .map((each): object => JSON.parse(JSON.stringify(each)));
