import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { studioOf } from '@warm-ladder/core/formats';
import {
  coverHandout,
  type Handout,
  homeHandout,
  oneSheet,
  roomCardHandout,
  scriptHandout,
  spokenIn,
} from '@warm-ladder/core/handouts';
import { rungTitle } from '@warm-ladder/core/review';
import { demoBundle } from '@warm-ladder/core/testing';
import { readPdf, temporaryFolder } from '../../testing';
import { pdfOf } from './pdf';
import type { Paper } from './sheet';

const { folder, remove } = temporaryFolder();
afterAll(remove);

const studio = studioOf(demoBundle(), { today: '2026-11-28' });
function spoken(id: string) {
  const found = spokenIn(studio, id);
  if (!found) throw new Error(`the demo has no ${id}`);
  return found;
}

async function pagesOf(name: string, handouts: readonly [Handout, ...Handout[]], paper: Paper = 'a4') {
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, await pdfOf(handouts, paper));
  return readPdf(path);
}

test('no paper is set in less than ten points or runs out of its page, on either paper', async () => {
  const own = spoken('choir-first-draft');
  const levels = spoken('mixed-curl');
  const sheets = [scriptHandout(own), oneSheet(own), roomCardHandout(levels), homeHandout(own)] as const;
  for (const paper of ['a4', 'letter'] as const) {
    for (const page of await pagesOf(paper, sheets, paper)) {
      expect(page.leastType).toBeGreaterThan(9.99);
      expect(page.lowest).toBeLessThan(0.97);
    }
  }
});

test('twenty blocks stand on one sheet, a class for who covers it on one page, and a longer table under its head again', async () => {
  expect(await pagesOf('card', [oneSheet(spoken('choir-first-draft'))])).toHaveLength(1);
  expect(await pagesOf('cover', [coverHandout(spoken('choir-first-draft'))])).toHaveLength(1);
  const rows = Array.from({ length: 90 }, (_, i) => [{ text: String(i) }, { text: 'Turn' }, { text: '' }]);
  const long = await pagesOf('long', [
    {
      title: 'Long',
      about: '',
      foot: '',
      parts: [{ kind: 'table', head: ['No', 'What', 'Never'], widths: [0.2, 0.5, 0.3], rows }],
    },
  ]);
  expect(long.length).toBeGreaterThan(1);
  for (const { words } of long) expect(words).toMatch(/No +What/);
  // What nobody wrote in takes no room; the head is heard once.
  expect(long.map(({ words }) => words).join()).not.toContain('Never');
  expect(long.flatMap(({ heard }) => heard.filter(({ role }) => role === 'TH'))).toHaveLength(2);
});

test('it can be heard: titles, paragraphs, tables, and every body in words', async () => {
  const own = spoken('choir-first-draft');
  const handouts = [scriptHandout(own), oneSheet(own)] as const;
  const heard = (await pagesOf('heard', handouts)).flatMap((page) => page.heard);
  const roles = new Set(heard.map(({ role }) => role));
  for (const role of ['H1', 'H2', 'H3', 'P', 'Table', 'TR', 'TH', 'TD', 'Figure']) expect(roles).toContain(role);
  const pictures = heard.filter(({ role }) => role === 'Figure').map(({ alt }) => alt);
  for (const { entry } of own.timed.blocks) {
    expect(pictures.filter((words) => words === rungTitle(entry)).length).toBeGreaterThanOrEqual(2);
  }
  expect(pictures.some((words) => words?.startsWith('Not so: '))).toBe(true);
  expect(pictures).not.toContain(undefined);
});
