import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { studioOf } from '@warm-ladder/core/formats';
import { seriesHandouts } from '@warm-ladder/core/handouts';
import { MANIFEST, type PackageFiles, packageOf, readPackage } from '@warm-ladder/core/package';
import { demoBundle, demoFiles } from '@warm-ladder/core/testing';
import { strFromU8, unzipSync } from 'fflate';
import { pdfOf } from '../handouts/paper/pdf';
import { digest } from '../series/packed';
import { readPdf, temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const studio = studioOf(demoBundle(), { today: '2026-11-28' });
const series = studio.allSeries.find(({ id }) => id === 'bench-to-mat');
if (!series) throw new Error('the demo has no series');
const command = (...args: string[]) =>
  spawnSync(process.execPath, [join(process.env.COMPILED_SERVER ?? '', 'package.js'), ...demoFiles(), ...args], {
    encoding: 'utf8',
  });

test('a package holds an episode’s chapters, captions and script to the second, in a folder and in a zip alike', async () => {
  const out = join(folder, 'packed');
  expect(command('--series', 'bench-to-mat', '--out', out).status).toBe(0);
  const manifest = JSON.parse(readFileSync(join(out, MANIFEST), 'utf8'));
  expect(manifest).toMatchObject({ format: 'warm-ladder/package', version: 1, series: { name: 'Bench to mat' } });
  expect(manifest.episodes.map((each: { class: string }) => each.class)).toEqual(
    series.episodes.map((each) => each.class),
  );
  expect(manifest.episodes[1].doFirst).toEqual([manifest.episodes[0].title]);
  for (const { files, seconds } of manifest.episodes) {
    const chapters = readFileSync(join(out, files.chapters), 'utf8');
    expect(chapters).toMatch(/^WEBVTT\n\n1\n00:00:00\.000 --> /);
    const [, minutes, rest] = /(\d\d):(\d\d\.\d{3})\n[^\n]*\n$/.exec(chapters) ?? [];
    expect(Number(minutes) * 60 + Number(rest)).toBeCloseTo(seconds, 2);
  }
  const zip = join(folder, 'packed.zip');
  expect(command('--series', 'bench-to-mat', '--out', zip).status).toBe(0);
  const unpacked = Object.fromEntries(
    Object.entries(unzipSync(readFileSync(zip))).map(([path, bytes]) => [path, strFromU8(bytes)]),
  );
  expect(unpacked[MANIFEST]).toBe(readFileSync(join(out, MANIFEST), 'utf8'));
  expect(await readPackage(unpacked, digest)).toMatchObject({ ok: true });
  writeFileSync(join(folder, 'taken'), '');
  expect(command('--series', 'bench-to-mat', '--out', join(folder, 'taken')).stderr).toMatch(/can’t be written/);
  expect(command('--series', 'bench-to-mat').stderr).toMatch(/Name where it goes/);
});

test('one that was tampered with, or does not hold together, is refused with every reason', async () => {
  const files = await packageOf(studio, series, digest);
  const refused = async (changed: PackageFiles) => {
    const read = await readPackage(changed, digest);
    return read.ok ? [] : read.problems;
  };
  expect(await refused(files)).toEqual([]);
  const [chapters = ''] = Object.keys(files).filter((path) => path.endsWith('chapters.vtt'));
  const { [chapters]: _gone, ...without } = files;
  expect(await refused(without)).toContain(`${chapters} is missing.`);
  expect(await refused({ ...files, 'series.md': `${files['series.md']}More.` })).toEqual([
    'series.md is not as it was packed.',
  ]);
  const later = (files[chapters] ?? '').replace('00:00:00.000', '00:00:01.000');
  expect(await refused({ ...files, [chapters]: later })).toEqual([
    `${chapters} is not as it was packed.`,
    `${chapters} begins at 1 s; expected 0.`,
  ]);
  const manifest = JSON.parse(files[MANIFEST] ?? '');
  const written = (change: object) => ({ ...files, [MANIFEST]: JSON.stringify({ ...manifest, ...change }) });
  expect(await refused(written({ version: 2 }))).toHaveLength(1);
  expect((await refused(written({ episodes: [{ ...manifest.episodes[0], seconds: 60 }] })))[0]).toMatch(
    /ends at .* expected 60\.$/,
  );
  expect(await refused({ ...files, [MANIFEST]: '{' })).toEqual(['manifest.json is not whole JSON.']);
  expect(await refused({})).toEqual(['There is no manifest.json; expected the manifest of a package.']);
});

test('the staff’s PDF is the term on one page, then a page, a sheet and a card for every class', async () => {
  const [term, ...others] = seriesHandouts(studio, series);
  expect(others).toHaveLength(3 * series.episodes.length);
  mkdirSync(join(folder, 'pdf'));
  const path = join(folder, 'pdf/term.pdf');
  writeFileSync(path, await pdfOf([term, ...others], 'a4'));
  const pages = readPdf(path).map(({ words }) => words);
  for (const { title } of others) expect(pages.filter((words) => words.startsWith(title))).toHaveLength(1);
  expect(pages[0]).toContain('Bench to mat: the term');
  expect(pages[0]).toContain('2027-02-08');
  expect(pages[1]).not.toContain('the term');
});
