import { GROUPS, TABLES } from './groups';

test('every figure of the method stands in one group, and nothing else does', () => {
  const placed = GROUPS.flatMap(({ shares }) =>
    shares.flatMap(({ table, keys }) => keys.map((key) => `${table} ${key}`)),
  );
  const all = Object.entries(TABLES).flatMap(([table, settings]) =>
    Object.keys(settings).map((key) => `${table} ${key}`),
  );
  expect([...placed].sort()).toEqual(all.sort());
});
