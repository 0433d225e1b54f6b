import fc from 'fast-check';
import same from 'fast-deep-equal';
import { block, classOf } from '../testing';
import { document } from '../testing/documentsByChance';
import { applied, type Clash, diff, EditClash, reconciled } from '.';

/** A document with a few of the changes that lead to another: two hands at random clash everywhere. */
function partly(was: object, to: object, chosen: readonly boolean[]): object {
  const all = diff(was, to);
  return all.reduce<object>((now, change, i) => {
    if (!chosen[i % chosen.length]) return now;
    try {
      return applied([change], now);
    } catch (error) {
      if (error instanceof EditClash) return now;
      throw error;
    }
  }, was);
}
const few = fc.array(
  fc.nat({ max: 7 }).map((n) => n === 0),
  { minLength: 12, maxLength: 24 },
);
/** A document and what two hands made of it. */
const twoHands = fc
  .tuple(document, document, document, few, few)
  .map(([was, one, other, ...chosen]) => [was, partly(was, one, chosen[0]), partly(was, other, chosen[1])] as const);

const LINED = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
const listOf = (ids: readonly string[]) => ({ list: ids.map((id) => ({ id })) });
const idsOf = ({ list }: ReturnType<typeof listOf>) => list.map(({ id }) => id);
const shuffled = fc.shuffledSubarray(LINED, { minLength: 1 });

test('what two hands made of a document is one document, whoever of them comes first, or they clash both ways', () => {
  let agreed = 0;
  fc.assert(
    fc.property(twoHands, ([was, one, other]) => {
      const [here, there] = [reconciled(was, one, other), reconciled(was, other, one)];
      expect(inOrder(here.clashes)).toEqual(inOrder(there.clashes.map(turned)));
      if (here.clashes.length > 0) return;
      expect(here.value).toEqual(there.value);
      if (!same(one, was) && !same(other, was)) agreed += 1;
    }),
    { numRuns: 500 },
  );
  expect(agreed).toBeGreaterThan(50);
});

const turned = ({ what, path, mine, theirs }: Clash): Clash => ({
  what,
  path,
  ...(theirs === undefined ? {} : { mine: theirs }),
  ...(mine === undefined ? {} : { theirs: mine }),
});
const inOrder = (clashes: readonly Clash[]) =>
  clashes.toSorted((a, b) => JSON.stringify(a.path).localeCompare(JSON.stringify(b.path)));

test('a hand that changed nothing changes nothing, and two that did the same did it once', () => {
  fc.assert(
    fc.property(document, document, (was, now) => {
      const nobody = { value: now, clashes: [] };
      expect(reconciled(was, now, was)).toEqual(nobody);
      expect(reconciled(was, was, now)).toEqual(nobody);
      expect(reconciled(was, now, now)).toEqual(nobody);
    }),
  );
});

test('what was made out of both is taken in again without a clash: an answer may be lost and asked for once more', () => {
  fc.assert(
    fc.property(twoHands, ([was, mine, theirs]) => {
      const { value, clashes } = reconciled(was, mine, theirs);
      if (clashes.length > 0) return;
      expect(reconciled(was, mine, value)).toEqual({ value, clashes: [] });
      expect(reconciled(mine, mine, value)).toEqual({ value, clashes: [] });
    }),
  );
});

test('in a list put in order by two hands every item of both stands once, and both come to one order or both clash', () => {
  let [agreed, clashed] = [0, 0];
  fc.assert(
    fc.property(shuffled, shuffled, shuffled, (was, one, other) => {
      const [here, there] = [
        reconciled(listOf(was), listOf(one), listOf(other)),
        reconciled(listOf(was), listOf(other), listOf(one)),
      ];
      const wanted = LINED.filter((id) =>
        was.includes(id) ? one.includes(id) && other.includes(id) : one.includes(id) || other.includes(id),
      );
      expect(idsOf(here.value).toSorted()).toEqual(wanted);
      expect(here.clashes.length).toBe(there.clashes.length);
      if (here.clashes.length > 0) clashed += 1;
      else {
        agreed += 1;
        expect(idsOf(here.value)).toEqual(idsOf(there.value));
      }
    }),
    { numRuns: 1_000 },
  );
  expect(agreed).toBeGreaterThan(200);
  expect(clashed).toBeGreaterThan(5);
});

test.each<[string, string, string, string, string]>([
  ['one moves down and one up', 'abcd', 'bcda', 'dabc', 'dbca'],
  ['both put something at the end', 'ab', 'abz', 'aby', 'abyz'],
  ['both put several at one place', 'ab', 'azwb', 'ayxb', 'azwyxb'],
  ['what something was put before is moved away', 'abc', 'abnc', 'cab', 'cabn'],
  ['what something was put after is moved away', 'abcd', 'abncd', 'acdb', 'ancdb'],
  ['what something was put after is gone', 'abc', 'abnc', 'ac', 'anc'],
  ['one removes what the other moved', 'abc', 'bca', 'bc', 'bc'],
  ['something is put after what the same hand moved', 'abc', 'cnab', 'abcz', 'cnabz'],
])('where %s, both come to what both meant', (_name, was, mine, theirs, both) => {
  const of = (ids: string) => listOf([...ids]);
  for (const [one, other] of [
    [mine, theirs],
    [theirs, mine],
  ] as const) {
    const { value, clashes } = reconciled(of(was), of(one), of(other));
    expect([idsOf(value).join(''), clashes]).toEqual([both, []]);
  }
});

const PLAN = classOf([block('hold', { dose: { reps: 8 } }), block('curl', { dose: { reps: 6 } }), block('arch')]);
const withBlock = (id: string, change: object) => ({
  ...PLAN,
  blocks: PLAN.blocks.map((each) => (each.id === id ? { ...each, ...change } : each)),
});

test('two blocks of one class changed by two hands meet, and so do two fields of one block', () => {
  const mine = { ...withBlock('b1', { dose: { reps: 10 } }), name: 'Evening' };
  const theirs = withBlock('b2', { dose: { reps: 5 }, note: 'Slowly.' });
  const { value, clashes } = reconciled(PLAN, mine, theirs);
  expect(clashes).toEqual([]);
  expect(value).toEqual({ ...theirs, name: 'Evening', blocks: [mine.blocks[0], theirs.blocks[1], PLAN.blocks[2]] });
  const sets = reconciled(PLAN, mine, withBlock('b1', { dose: { reps: 8, sets: 2 } }));
  expect(sets.value.blocks[0]).toMatchObject({ dose: { reps: 10, sets: 2 } });
});

test('one field changed by two hands is the one thing that clashes, and everything else of both stands', () => {
  const mine = { ...withBlock('b1', { dose: { reps: 10 } }), name: 'Evening' };
  const theirs = { ...withBlock('b1', { dose: { reps: 12 } }), targetMinutes: 50 };
  const reps = ['blocks', { id: 'b1' }, 'dose', 'reps'];
  for (const [prefer, stands] of [
    ['mine', 10],
    ['theirs', 12],
  ] as const) {
    const { value, clashes } = reconciled<typeof PLAN>(PLAN, mine, theirs, prefer);
    expect(clashes).toEqual([{ what: 'value', path: reps, mine: 10, theirs: 12 }]);
    expect(value).toEqual({ ...withBlock('b1', { dose: { reps: stands } }), name: 'Evening', targetMinutes: 50 });
  }
});

test('a block that one removed and the other changed is asked about, whole', () => {
  const removed = { ...PLAN, blocks: PLAN.blocks.slice(1) };
  const changed = withBlock('b1', { note: 'Slowly.' });
  const clash = { what: 'item', path: ['blocks', { id: 'b1' }], theirs: changed.blocks[0] };
  expect(reconciled(PLAN, removed, changed)).toEqual({ value: removed, clashes: [clash] });
  expect(reconciled(PLAN, removed, changed, 'theirs').value).toEqual(changed);
  // Untouched, it goes.
  expect(reconciled(PLAN, removed, { ...PLAN, name: 'Evening' })).toEqual({
    value: { ...removed, name: 'Evening' },
    clashes: [],
  });
});
