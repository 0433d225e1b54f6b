import { parse as parseVtt } from 'node-webvtt';
import Papa from 'papaparse';
import { parse as parseSrt } from 'subsrt-ts';
import { wrongFormsOf } from '../figure';
import { studioOf } from '../formats';
import { timeClass } from '../plan';
import { demoBundle } from '../testing/demo';
import { sampled } from '../testing/runs';
import { block, catalogOf, classOf, must } from '../testing/studio';
import { captionsOf, srtOf, vttOf } from './captions';
import { coverHandout } from './coverHandout';
import { scriptDocument } from './document';
import { equipmentHandout, type HandoutPart, oneSheet, roomCardHandout, scriptHandout } from './handout';
import { homeHandout } from './homeHandout';
import { markdownOf } from './markdown';
import { planCsv } from './planCsv';
import { spokenClass, spokenIn } from './spokenClass';

const studio = studioOf(demoBundle(), { today: '2026-11-28' });
const CLASSES = (demoBundle().classes ?? []).map(({ id }) => id);
const spoken = (id: string) => must(spokenIn(studio, id) ?? undefined);
const saidIn = (id: string) =>
  spoken(id).script.sections.flatMap(({ lines }) => lines.filter(({ said }) => said).map(({ text }) => text));

describe.each(sampled(CLASSES, 5))('%s', (id) => {
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
    const shown = joined(vtt.map(({ text }) => text));
    for (const text of saidIn(id)) expect(shown).toContain(text.replace(/\s+/g, ' ').trim());
  });

  test('as captions: each can be read, and is heard when its words belong there', () => {
    const { script, timed } = spoken(id);
    const vtt = parseVtt(vttOf(script), { strict: true }).cues;
    for (const [i, { start, end, text }] of vtt.entries()) {
      const lines = text.split('\n');
      expect(lines.length).toBeLessThanOrEqual(2);
      expect(Math.max(...lines.map(({ length }) => length))).toBeLessThanOrEqual(42);
      expect(text.length / (end - start)).toBeLessThan(17.1);
      if (i < vtt.length - 1) expect(end - start).toBeLessThan(7.001);
    }
    // Counted from the plan alone: where each phase of a block falls, over and over, and the words said on it.
    for (const part of timed.blocks) {
      const { entry, slots, second } = part;
      for (const [pass, slot] of slots.entries()) {
        const work =
          slot.startSeconds + (pass === 0 ? part.setup - second.setup - part.explained + part.options : second.setup);
        let clock = work + part.entrySeconds;
        for (const phase of entry.rung.phases) {
          const said = entry.rung.cues?.find((cue) => cue.kind === 'action' && cue.phase === phase.id)?.text;
          const begins = clock;
          clock += phase.counts * part.count;
          if (said === undefined || part.block.lines?.some(({ kind }) => kind === 'action')) continue;
          const found = vtt.find(({ start, text }) => start >= work - 0.01 && said.startsWith(text.replace('\n', ' ')));
          expect(found).toBeDefined();
          const late = ((must(found).start - begins) % part.rep) + (must(found).start < begins - 0.01 ? part.rep : 0);
          expect(Math.min(late, part.rep - late)).toBeLessThan(0.3);
          expect(must(found).start).toBeLessThan(slot.startSeconds + slot.seconds);
        }
      }
    }
  });
});

/** Captions as one text, as they are read. */
const joined = (texts: readonly string[]): string =>
  texts.join(' ').replaceAll('\n', ' ').replaceAll('&amp;', '&').replaceAll('&lt;', '<').replaceAll('&gt;', '>');

test('captions of long words and of quick and slow teachers are cut where they can be read', () => {
  const long =
    'Lie down on your back, draw both knees over the hips one after the other, let the shoulders be heavy and wide, and look at the ceiling; then breathe in through the nose and out as if a window had to be misted.';
  const catalog = catalogOf();
  const lines = [{ id: 'l1', kind: 'setup' as const, text: long }];
  for (const wordsPerMinute of [90, 140, 190]) {
    const teacher = { id: 't', name: 'T', wordsPerMinute };
    const own = spokenClass(catalog, classOf([block('hold', { mode: 'teach', lines })]), { teacher });
    const captions = captionsOf(own.script);
    expect(joined(captions.map(({ text }) => text))).toContain(long);
    for (const { from, to, text } of captions.slice(0, -1)) {
      expect(to - from).toBeLessThan(7.001);
      expect(Math.max(...text.split('\n').map(({ length }) => length))).toBeLessThanOrEqual(42);
      expect(text.length / (to - from)).toBeLessThan(wordsPerMinute === 190 ? 30 : 17.1);
    }
    const told = captions.filter(({ text }) => long.includes(text.replace('\n', ' ')));
    // 43 words at the teacher's rate, from the first second of the set-up.
    expect(must(told[0]).from).toBe(60);
    expect(must(told.at(-1)).to - 60).toBeCloseTo(
      Math.max((43 * 60) / wordsPerMinute, wordsPerMinute === 190 ? 0 : long.length / 17),
      1,
    );
  }
});

test('a class of more words than time says all of them, each block from its own second', () => {
  const words = (kind: 'setup' | 'fault', count: number, id: string) => ({
    id,
    kind,
    text: Array.from({ length: count }, () => 'breathing').join(' '),
  });
  const full = (id: string) =>
    block('hold', { mode: 'teach', lines: [words('setup', 30, `${id}s`), words('fault', 90, `${id}f`)] });
  const own = spokenClass(catalogOf(), classOf([full('a'), full('b')]));
  const captions = captionsOf(own.script);
  for (const [i, { from, to }] of captions.entries()) {
    expect(to).toBeGreaterThan(from);
    expect(from).toBeGreaterThanOrEqual((captions[i - 1]?.to ?? 0) - 1e-6);
  }
  const second = must(own.timed.blocks[1]).startSeconds;
  expect(captions.some(({ from, text }) => Math.abs(from - second) < 0.01 && text.startsWith('breathing'))).toBe(true);
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
  const own = spoken('night-slow');
  expect(tableOf(oneSheet(own).parts).rows).toHaveLength(own.timed.sequence.length);
  expect(tableOf(roomCardHandout(own).parts).rows).toHaveLength(own.timed.blocks.length);
  const needed = tableOf(equipmentHandout(own).parts).rows.map((row) => row[0]?.text);
  expect(needed).toEqual(['A mat', ...own.equipment]);
});

test('the one sheet of a long class goes on on a second', () => {
  const { parts } = oneSheet(spoken('rowers-sixty'));
  const tables = parts.flatMap((part) => (part.kind === 'table' ? [part] : []));
  expect(tables.map(({ rows, page }) => [rows.length, page])).toEqual([
    [20, false],
    [20, true],
    [3, true],
  ]);
});

test('a fault that is drawn stands beside the right form on the script and the sheet, unless its words are left out', () => {
  const own = spoken('mixed-curl');
  const drawn = scriptHandout(own).parts.flatMap((part) => (part.kind === 'block' ? part.wrong : []));
  // Every rung of the house shows its fault; what carries on in the same rung has told it.
  expect(drawn.length).toBeGreaterThan(20);
  expect(new Set(drawn.map(({ cue }) => cue.kind))).toEqual(new Set(['fault']));
  const [form] = drawn;
  expect(form?.right.drawing.layers).not.toEqual(form?.wrong.drawing.layers);
  const rows = oneSheet(own).parts.flatMap((part) => (part.kind === 'table' ? part.rows : []));
  expect(rows.flatMap((row) => row.flatMap(({ wrong }) => wrong?.cue.pose ?? [])).length).toBe(
    own.timed.blocks.filter(({ block }) => 'exercise' in block).length,
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

test('what is taken home is what is prescribed, else each body once, as it was taught, with when to stop', () => {
  const kinds = ({ parts }: { readonly parts: readonly HandoutPart[] }) =>
    parts.flatMap((part) => (part.kind === 'block' ? [part] : []));
  const whole = spoken('night-landing');
  const home = kinds(homeHandout(whole));
  const rungs = new Set(whole.timed.blocks.map(({ entry }) => entry.key));
  expect(home.map(({ figure }) => figure?.key)).toEqual([...rungs]);
  for (const { lines } of home) expect(lines.map(({ label }) => label)).toContain('Move');
  const kept = must(whole.timed.blocks[0]).block;
  const given = { ...kept, dose: { ...kept.dose, days: 3 } };
  const blocks = whole.plan.blocks.map((each) => (each.id === given.id ? given : each));
  const prescribed = kinds(homeHandout(spokenClass(studio.catalog, { ...whole.plan, blocks }, whole.context)));
  expect(prescribed.map(({ note }) => note)).toEqual([expect.stringContaining('3 days a week')]);
  const { catalog, plan, context } = whole;
  expect(homeHandout(spokenClass(catalog, plan, context, { weekly: { days: 3, reps: 8 } })).about).toMatch(
    / exercises · 3 days a week, 8 repetitions$/,
  );
});

test('who covers a class is told who comes and what to mind; in a small group nobody is pointed at', () => {
  const large = markdownOf(coverHandout(spoken('choir-first-draft')));
  expect(large).toContain('Low bone density: ');
  expect(large).toContain('Everybody stops, whatever the level:');
  const { catalog, plan, context } = spoken('choir-first-draft');
  const small = markdownOf(coverHandout(spokenClass(catalog, plan, context, { group: 4 })));
  expect(small).not.toMatch(/bone density/i);
  expect(small).toContain('ask before');
});
