import { parse as parseVtt } from 'node-webvtt';
import Papa from 'papaparse';
import { parse as parseSrt } from 'subsrt-ts';
import { wrongFormsOf } from '../figure';
import { studioOf } from '../formats';
import { timeClass } from '../plan';
import { demoBundle } from '../testing/demo';
import { block, catalogOf, classOf, must } from '../testing/studio';
import { captionsOf, srtOf, vttOf } from './captions';
import { scriptDocument } from './document';
import { equipmentHandout, type HandoutPart, oneSheet, roomCardHandout, scriptHandout } from './handout';
import { markdownOf } from './markdown';
import { planCsv } from './planCsv';
import { spokenClass, spokenIn } from './spokenClass';

const studio = studioOf(demoBundle(), { today: '2026-11-28' });
const CLASSES = (demoBundle().classes ?? []).map(({ id }) => id);
const spoken = (id: string) => must(spokenIn(studio, id) ?? undefined);
const saidIn = (id: string) =>
  spoken(id).script.sections.flatMap(({ lines }) => lines.filter(({ said }) => said).map(({ text }) => text));

describe.each(CLASSES)('%s', (id) => {
  test('as data: the seconds of the class, sections in order, words counted once, silence a share', () => {
    const { timed } = spoken(id);
    const document = scriptDocument(spoken(id));
    expect(document.seconds).toBeCloseTo(timed.seconds, 5);
    let clock = 0;
    for (const { startSeconds, seconds, leadSeconds } of document.sections) {
      expect(startSeconds - leadSeconds).toBeCloseTo(clock, 4);
      clock = startSeconds + seconds;
    }
    const words = document.sections
      .flatMap(({ lines }) => lines.filter(({ said }) => said))
      .reduce((sum, { text }) => sum + text.split(/\s+/).filter((run) => /[\p{L}\p{N}]/u.test(run)).length, 0);
    expect(document.words).toBe(words);
    expect(document.silenceShare).toBeGreaterThan(0);
    expect(document.silenceShare).toBeLessThanOrEqual(1);
    for (const { lines } of document.sections) expect(new Set(lines.map((line) => line.id)).size).toBe(lines.length);
  });

  test('as captions: read by others, every said line, in order, without overlap, ending with the class', () => {
    const { script, timed } = spoken(id);
    const vtt = parseVtt(vttOf(script), { strict: true }).cues;
    const srt = parseSrt(srtOf(script)).filter((each) => each.type === 'caption');
    expect(vtt).toHaveLength(captionsOf(script).length);
    expect(srt).toHaveLength(vtt.length);
    for (const [i, { start, end }] of vtt.entries()) {
      expect(end).toBeGreaterThan(start);
      expect(start).toBeGreaterThanOrEqual((vtt[i - 1]?.end ?? 0) - 0.0011);
    }
    expect(vtt.at(-1)?.end).toBeCloseTo(timed.seconds, 2);
    const shown = vtt.map(({ text }) => text.replaceAll('&amp;', '&').replaceAll('&lt;', '<').replaceAll('&gt;', '>'));
    for (const text of saidIn(id)) expect(shown).toContain(text.replace(/\s+/g, ' ').trim());
  });
});

test('markup and arrows in a line harm no caption and no page', () => {
  const lines = [{ id: 'l1', kind: 'image' as const, text: '<b>Like</b> & a --> b | *star*' }];
  const catalog = catalogOf();
  const own = spokenClass(catalog, classOf([block('hold', { mode: 'teach', lines })]));
  expect(parseVtt(vttOf(own.script), { strict: true }).cues.map(({ text }) => text)).toContain(
    '&lt;b&gt;Like&lt;/b&gt; &amp; a --&gt; b | *star*',
  );
  expect(srtOf(own.script).match(/-->/g)).toHaveLength(captionsOf(own.script).length);
  expect(markdownOf(scriptHandout(own))).toContain('\\<b\\>Like\\</b\\> & a --\\> b \\| \\*star\\*');
});

const blocksOf = (parts: readonly HandoutPart[]) => parts.flatMap((part) => (part.kind === 'block' ? [part] : []));

test('the full script: parts by position, a second side as one line, all that is said, what is only known apart', () => {
  const { parts } = scriptHandout(spoken('rowers-sixty'));
  expect(parts.filter(({ kind }) => kind === 'heading').length).toBeGreaterThan(3);
  const again = blocksOf(parts).filter(({ title }) => title.endsWith(', again'));
  expect(again.length).toBeGreaterThan(0);
  for (const { lines } of again) expect(lines.filter(({ label }) => label === 'Again')).toHaveLength(1);
  const words = blocksOf(parts)
    .flatMap(({ lines }) => lines.map(({ text }) => text))
    .join(' ');
  for (const text of saidIn('rowers-sixty')) expect(words).toContain(text);
  const [opening] = blocksOf(scriptHandout(spoken('choir-first-draft')).parts);
  expect(opening?.lines.some(({ label, said }) => label === 'To know' && !said)).toBe(true);
});

const tableOf = (parts: readonly HandoutPart[]) =>
  must(parts.flatMap((part) => (part.kind === 'table' ? [part] : []))[0]);

test('one sheet has a row a block; the room card its levels; the list of equipment each prop once with its stand-in', () => {
  const own = spoken('night-landing');
  expect(tableOf(oneSheet(own).parts).rows).toHaveLength(own.timed.sequence.length);
  expect(tableOf(roomCardHandout(own).parts).rows).toHaveLength(own.timed.blocks.length);
  const needed = tableOf(equipmentHandout(own).parts).rows.map((row) => row[0]?.text);
  expect(needed).toEqual(['A mat', ...own.equipment]);
});

test('a fault that is drawn stands beside the right form on the script and the sheet, unless its words are left out', () => {
  const own = spoken('rowers-sixty');
  const drawn = scriptHandout(own).parts.flatMap((part) => (part.kind === 'block' ? part.wrong : []));
  expect(drawn.map(({ cue }) => cue.pose)).toEqual(['chin']);
  const [form] = drawn;
  expect(form?.right.drawing.layers).not.toEqual(form?.wrong.drawing.layers);
  expect(tableOf(oneSheet(own).parts).rows.flatMap((row) => row.flatMap(({ wrong }) => wrong?.cue.pose ?? []))).toEqual(
    ['chin'],
  );
  const entry = must(own.timed.blocks.find(({ block: { rung } }) => rung === 'hands-behind')).entry;
  expect(wrongFormsOf(entry, new Set(['c1']))).toEqual([]);
});

test('the plan as CSV: a row a block, and nothing a spreadsheet would run', () => {
  const catalog = catalogOf();
  const own = spokenClass(
    catalog,
    classOf([block('hold', { notes: '=1+1' }), { interlude: 'talk', name: 'A word', seconds: 20 }]),
  );
  const rows = Papa.parse<Record<string, string>>(planCsv(own), { header: true, skipEmptyLines: true }).data;
  expect(rows).toHaveLength(2);
  expect(rows[0]).toMatchObject({ exercise: 'hold', notes: "'=1+1", mode: 'flow' });
  expect(rows[1]).toMatchObject({ exercise: 'A word', mode: 'talk' });
});

test('an empty class is a script of its opening and closing; a teacher speaks and counts at a pace of their own', () => {
  const catalog = catalogOf();
  const empty = spokenClass(catalog, classOf([]));
  expect(scriptDocument(empty)).toMatchObject({ seconds: 90, findings: [], silenceShare: 1 });
  expect(markdownOf(scriptHandout(empty))).toContain('# Test class');
  const plan = classOf([block('hold')]);
  const teacher = { id: 't', name: 'Ilva', wordsPerMinute: 100, tempo: 1.5 };
  const own = spokenClass(catalog, plan, { teacher });
  expect(scriptDocument(own).wordsPerMinute).toBe(100);
  expect(scriptDocument(own).seconds).toBeCloseTo(timeClass(catalog, plan, { teacher }).seconds, 6);
  expect(scriptHandout(own).about).toContain('taught by Ilva');
});
