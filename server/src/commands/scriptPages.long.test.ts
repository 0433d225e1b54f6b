import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoFiles } from '@warm-ladder/core/testing';
import { readPdf, temporaryFolder } from '../testing';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const run = (...args: string[]) =>
  spawnSync(process.execPath, [join(process.env.COMPILED_SERVER ?? '', 'script.js'), ...demoFiles(), ...args], {
    maxBuffer: 2 ** 26,
  });
const file = (name: string) => join(folder, name);

const pagesOf = (path: string) => readPdf(path).map(({ words }) => words);

test('the full script of 45 minutes is seven pages at most, numbered and titled; its one sheet is one page, its room card two', () => {
  const sheets = [
    ['script.pdf', [], 7],
    ['card.pdf', ['--card'], 1],
    ['room.pdf', ['--room-card'], 2],
  ] as const;
  for (const [name, args, most] of sheets) {
    expect(run('--class', 'choir-first-draft', '--as', 'pdf', ...args, '--out', file(name)).status).toBe(0);
    const pages = pagesOf(file(name));
    expect(pages.length).toBeLessThanOrEqual(most);
    pages.forEach((words, i) => {
      expect(words).toContain('Choir Monday, first draft');
      expect(words).toContain(`${i + 1} of ${pages.length}`);
    });
  }
  const words = pagesOf(file('script.pdf')).join(' ').replace(/\s+/g, ' ');
  const script = JSON.parse(String(run('--class', 'choir-first-draft').stdout)) as {
    sections: Array<{ pass: number; lines: Array<{ text: string; said: boolean }> }>;
  };
  const said = script.sections.flatMap(({ pass, lines }) => (pass === 1 ? lines.filter((line) => line.said) : []));
  for (const { text } of said) expect(words).toContain(text.split(' ').slice(0, 2).join(' '));
});

test('an empty class, other scripts and emoji make a page; a text document holds the same words', () => {
  const plan = {
    id: 'odd',
    name: 'Odd 🧘 שלום Łódź Ζωή Движение',
    delivery: 'group',
    targetMinutes: 5,
    openingSeconds: 60,
    closingSeconds: 30,
    openingWords: ['שלום 🧘', 'A line → with an arrow.'],
    blocks: [],
  };
  writeFileSync(file('odd.json'), JSON.stringify({ format: 'warm-ladder/bundle', version: 2, classes: [plan] }));
  expect(run(file('odd.json'), '--class', 'odd', '--as', 'pdf', '--out', file('odd.pdf')).status).toBe(0);
  const [page = '', ...others] = pagesOf(file('odd.pdf'));
  expect(others).toHaveLength(0);
  expect(page).toContain('Łódź Ζωή Движение');
  expect(page).toContain('□');
  expect(page).toContain('the text document has them all');
  expect(page).toContain('→');
  expect(run('--class', 'night-landing', '--as', 'docx', '--out', file('night.docx')).status).toBe(0);
  const packed = readFileSync(file('night.docx'));
  expect(packed.subarray(0, 2).toString()).toBe('PK');
});
