import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Copies } from './copies';

const folder = () => join(mkdtempSync(join(tmpdir(), 'warm-ladder-copies-')), 'kept');
const text = (classes: number) => JSON.stringify({ classes: Array.from({ length: classes }, () => ({})) });

test('a copy is kept once, told newest first with what it holds, and read as it was written', async () => {
  const copies = new Copies(folder());
  expect(await copies.list()).toEqual([]);
  await copies.keep(text(1), 'import');
  await copies.keep(text(1), 'restore');
  await new Promise((later) => setTimeout(later, 2));
  await copies.keep(text(2), 'restore');
  const [newest, older, ...others] = await copies.list();
  expect(others).toEqual([]);
  expect([newest, older]).toMatchObject([
    { reason: 'restore', holds: { classes: 2, series: 0 } },
    { reason: 'import', holds: { classes: 1, series: 0 } },
  ]);
  expect(newest?.at).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/);
  expect(await copies.read(newest?.name ?? '')).toBe(text(2));
  await expect(copies.read('../elsewhere.json')).rejects.toThrow('There is no such copy');
});

test('thirty are kept, the oldest go, and what is no copy stays', async () => {
  const at = folder();
  const copies = new Copies(at);
  await copies.keep(text(0), 'import');
  const name = (n: number) => `2026-01-${String(n).padStart(2, '0')}T00-00-00-000Z-before-import.json`;
  for (let n = 1; n <= 29; n++) writeFileSync(join(at, name(n)), text(n));
  writeFileSync(join(at, 'mine.json'), '{}');
  expect(await copies.list()).toHaveLength(30);
  await copies.keep(text(99), 'import');
  const left = readdirSync(at).sort();
  expect(left).toHaveLength(31);
  expect(left).toContain('mine.json');
  expect(left[0]).toBe(name(2));
});

test('where no copy can be kept, that is said, and nothing is left half-written', async () => {
  const at = folder();
  writeFileSync(at, 'a file where the folder should be');
  await expect(new Copies(at).keep(text(1), 'import')).rejects.toThrow(
    /could not be kept first: .*Nothing was changed/,
  );
});
