/** A caption as it was read: seconds, and words in a row. */
export interface ReadCue {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** The line of the file it begins in, from 1. */
  readonly line: number;
}

/** Captions that can't be read; the message says what, in which line, and what was expected. */
export class UnreadableCaptions extends Error {
  constructor(line: number, problem: string) {
    super(`Line ${line}: ${problem}`);
  }
}

/** No class is longer, in seconds. */
const LONGEST = 36_000;
/** Seconds a timed line without an end lasts, a word. */
const SECONDS_A_WORD = 0.43;

/**
 * Captions of a class: WebVTT, SRT, or lines that begin with a time (`h:mm:ss`, `m:ss` or seconds). All or nothing.
 * Captions that overlap are read; starts that run backwards are refused.
 * @throws UnreadableCaptions with the line
 */
export function readCaptions(file: string): ReadCue[] {
  const lines = file.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  if (lines.every((line) => line.trim() === ''))
    throw new UnreadableCaptions(1, 'The file is empty; expected captions.');
  const cues = lines.some((line) => line.includes('-->')) ? cued(lines) : timedLines(lines);
  let before = 0;
  for (const { from, to, line } of cues) {
    if (from < before)
      throw new UnreadableCaptions(
        line,
        `It begins at ${told(from)}, before the one above at ${told(before)}; expected starts that run forwards.`,
      );
    if (to < from) throw new UnreadableCaptions(line, `It ends at ${told(to)}, before it begins at ${told(from)}.`);
    if (to > LONGEST)
      throw new UnreadableCaptions(line, `It ends at ${told(to)}; expected a class of 10 hours at most.`);
    before = from;
  }
  const said = cues.filter(({ text }) => text !== '');
  if (said.length === 0) throw new UnreadableCaptions(1, 'Nothing is said in these captions; expected words.');
  return said;
}

const told = (seconds: number): string => `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(3).padStart(6, '0')}`;

const TIME = /^(?:(\d+):)?(\d{1,2}):(\d{1,2}(?:[.,]\d{1,3})?)$/;

function secondsOf(text: string): number | null {
  const found = TIME.exec(text.trim());
  if (!found) return null;
  const [, hours = '0', minutes, seconds] = found as unknown as [string, string | undefined, string, string];
  const [m, s] = [Number(minutes), Number(seconds.replace(',', '.'))];
  return m > 59 && found[1] !== undefined ? null : s >= 60 ? null : Number(hours) * 3600 + m * 60 + s;
}

/** WebVTT and SRT: blocks with a line of times. */
function cued(lines: readonly string[]): ReadCue[] {
  const cues: ReadCue[] = [];
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i] as string;
    if (/^(?:NOTE|STYLE|REGION)\b/.test(line) && (i === 0 || lines[i - 1]?.trim() === '')) {
      while (i < lines.length && lines[i]?.trim() !== '') i++;
      continue;
    }
    if (!line.includes('-->')) continue;
    const [begin = '', rest = ''] = line.split('-->');
    const [from, to] = [secondsOf(begin), secondsOf(rest.trim().split(/\s+/)[0] ?? '')];
    if (from === null || to === null) {
      throw new UnreadableCaptions(
        i + 1,
        `“${line.trim()}” holds no two times; expected 00:01:02.500 --> 00:01:05.000.`,
      );
    }
    const number = i + 1;
    const text: string[] = [];
    while (i + 1 < lines.length && lines[i + 1]?.trim() !== '' && !lines[i + 1]?.includes('-->'))
      text.push(lines[++i] as string);
    // In SRT without empty lines, the number of the next caption is no word of this one.
    if (lines[i + 1]?.includes('-->') && /^\d+$/.test(text.at(-1)?.trim() ?? '')) text.pop();
    cues.push({ from, to, text: plain(text.join(' ')), line: number });
  }
  return cues;
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  nbsp: ' ',
  lrm: '',
  rlm: '',
  quot: '"',
};
const plain = (text: string): string =>
  text
    .replace(/<[^>]*>/g, ' ')
    .replace(/\{\\[^}]*\}/g, ' ')
    .replace(/&(\w+);/g, (whole, name: string) => ENTITIES[name] ?? whole)
    .replace(/\s+/g, ' ')
    .trim();

/** Lines that begin with a time; a line without one goes on with the one above. */
function timedLines(lines: readonly string[]): ReadCue[] {
  const begun: Array<{ from: number; text: string; line: number }> = [];
  lines.forEach((line, i) => {
    if (line.trim() === '') return;
    const found = /^\s*\[?(\d+(?::\d{1,2}){0,2}(?:[.,]\d+)?)\]?[\s:–-]*(.*)$/.exec(line);
    const time = found?.[1] ?? '';
    const from = found === null ? null : time.includes(':') ? secondsOf(time) : Number(time.replace(',', '.'));
    const last = begun.at(-1);
    if (from !== null && Number.isFinite(from)) begun.push({ from, text: found?.[2] ?? '', line: i + 1 });
    else if (last) last.text += ` ${line}`;
    else
      throw new UnreadableCaptions(i + 1, 'There is no time; expected captions, or lines that begin with one as 1:05.');
  });
  return begun.map(({ from, text, line }, i) => {
    const said = plain(text);
    const own = from + said.split(' ').length * SECONDS_A_WORD;
    const next = begun[i + 1]?.from ?? own;
    return { from, to: next >= from ? Math.min(next, Math.max(own, from + 0.5)) : own, text: said, line };
  });
}
