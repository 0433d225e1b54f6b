import { emptyBundle } from '@warm-ladder/core/formats';
import { writeRepertoireCsv } from '@warm-ladder/core/tables';
import { bundleOf, classOf } from '@warm-ladder/core/testing';
import { Readers } from './readers';

const readers = new Readers();
afterAll(() => readers.close());

const bytes = (text: string) => new TextEncoder().encode(text);
const jsonOf = (value: unknown) => bytes(JSON.stringify(value));
/** So many classes, of about 300 characters each. */
const classes = (count: number) => Array.from({ length: count }, (_, i) => ({ ...classOf([]), id: `class-${i}` }));

test('a file read by a thread is what it is read here, document by document', async () => {
  for (const count of [3, 4_000]) {
    const bundle = { ...bundleOf({}), classes: classes(count) };
    const read = await readers.bundle(jsonOf(bundle));
    expect(read.bundle.classes).toEqual(bundle.classes);
    expect(read.bundle.exercises).toEqual(bundle.exercises);
    expect(read.notes).toEqual([]);
  }
});

test('what can’t be read is refused with its places, however large', async () => {
  for (const count of [3, 4_000]) {
    const bundle = { ...emptyBundle(), classes: [...classes(count), { id: 'no name' }] };
    await expect(readers.bundle(jsonOf(bundle))).rejects.toMatchObject({
      body: { code: 'INVALID', path: `classes[${count}].id` },
    });
  }
  await expect(readers.bundle(bytes('['.repeat(300_000)))).rejects.toMatchObject({ body: { code: 'INVALID' } });
  await expect(readers.changes(bytes('{'.repeat(300_000)))).rejects.toMatchObject({ body: { code: 'BAD_JSON' } });
});

test('of changes sent together, one that is wrong is refused by itself', async () => {
  for (const count of [3, 4_000]) {
    const good = classes(count).map((value) => ({ kind: 'classes', id: value.id, version: 0, value }));
    const gone = { kind: 'classes', id: 'gone', version: 7, value: null };
    const wrong = { kind: 'classes', id: 'wrong', version: 0, value: { id: 'wrong', name: 4 } };
    const read = await readers.changes(jsonOf({ changes: [gone, wrong, ...good] }));
    expect(read).toHaveLength(count + 2);
    expect(read[0]).toEqual({ kind: 'classes', id: 'gone', base: 7 });
    expect(read[1]).toMatchObject({ id: 'wrong', refusal: { code: 'INVALID' } });
    expect(read.at(-1)).toMatchObject({ id: `class-${count - 1}`, base: 0, value: good.at(-1)?.value });
  }
});

test('a table read by a thread has the rows it has here', async () => {
  const table = writeRepertoireCsv(bundleOf({}));
  const [head = '', row = ''] = table.split('\r\n');
  const long = [head, ...Array.from({ length: 3_000 }, () => row)].join('\r\n');
  const [one] = await readers.rows(bytes(table));
  const rows = await readers.rows(bytes(long));
  expect([rows.length, rows.at(-1)]).toEqual([3_000, one]);
});

test('more tasks than threads are all done, and so many more are refused', async () => {
  const slow = jsonOf({ ...emptyBundle(), classes: classes(1_500) });
  const results = await Promise.allSettled(Array.from({ length: 130 }, () => readers.bundle(Uint8Array.from(slow))));
  const refused = results.filter(({ status }) => status === 'rejected') as PromiseRejectedResult[];
  expect(refused.length).toBeGreaterThan(0);
  for (const { reason } of refused) expect(reason).toMatchObject({ body: { code: 'TOO_MANY' } });
  expect(results.length - refused.length).toBeGreaterThan(99);
}, 60_000);
