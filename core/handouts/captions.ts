import { type Script, timetableOf } from '../script';

/** A caption: what is said, and from when to when. Seconds from the start of the class. */
export interface Caption {
  readonly from: number;
  readonly to: number;
  /** One line, or two with a break between them. */
  readonly text: string;
}

/** Characters of a line, and lines of a caption: what fits on a phone. Source: docs/voice.md. */
const [WIDTH, LINES] = [42, 2];
/** Seconds a caption is cut to: under the 7 s that it may stand, for the gaps between pieces count to none of them. */
const CUT = 6.6;

/**
 * What is said as captions, in order, without overlapping: each on the second its words belong to, no longer than they
 * are heard, in pieces that can be read. The last line of the closing ends with the class.
 */
export function captionsOf(script: Script): Caption[] {
  const captions = timetableOf(script).flatMap(({ from, to, text }): Caption[] => {
    const whole = flat(text);
    const pieces = piecesOf(whole, Math.floor((whole.length * CUT) / (to - from)));
    // By their letters, so that no piece is harder to read than the whole.
    const letters = pieces.reduce((all, piece) => all + piece.length, 0);
    let at = from;
    return pieces.map((piece) => {
      const own = (piece.length / letters) * (to - from);
      const caption = { from: at, to: at + own, text: broken(piece) };
      at += own;
      return caption;
    });
  });
  const last = captions.at(-1);
  return last ? [...captions.slice(0, -1), { ...last, to: script.seconds }] : [];
}

/** A text in pieces of so many letters at most: at the ends of sentences, else of clauses, else between words. */
function piecesOf(text: string, most: number): string[] {
  if (fits(text, most)) return [text];
  const sentences = text.split(/(?<=[.!?…])\s+/);
  const parts = sentences.length > 1 ? sentences : clausesOf(text);
  if (parts.length > 1)
    return joined(
      parts.flatMap((part) => piecesOf(part, most)),
      most,
    );
  const words = text.split(' ');
  if (words.length < 2) return cut(text);
  const half = middle(words);
  return [words.slice(0, half), words.slice(half)].flatMap((part) => piecesOf(part.join(' '), most));
}

const clausesOf = (text: string): string[] => text.split(/(?<=[,;:–—])\s+/);

/** Short pieces beside one another as one, where it fits. */
function joined(pieces: readonly string[], most: number): string[] {
  const made: string[] = [];
  for (const piece of pieces) {
    const last = made.at(-1);
    if (last !== undefined && fits(`${last} ${piece}`, most)) made[made.length - 1] = `${last} ${piece}`;
    else made.push(piece);
  }
  return made;
}

/** Where words are cut in two so that both halves are about as long. */
function middle(words: readonly string[]): number {
  const all = words.join(' ').length;
  let length = 0;
  for (let i = 0; i < words.length - 1; i++) {
    length += (words[i] as string).length + 1;
    if (length * 2 >= all) return i + 1;
  }
  return words.length - 1;
}

/** A word longer than a caption. */
const cut = (word: string): string[] =>
  Array.from({ length: Math.ceil(word.length / (WIDTH * LINES)) }, (_, i) =>
    word.slice(i * WIDTH * LINES, (i + 1) * WIDTH * LINES),
  );

const fits = (text: string, most: number): boolean =>
  (text.length <= most || !text.includes(' ')) &&
  linesOf(text).length <= LINES &&
  linesOf(text).every((line) => line.length <= WIDTH);

/** A text in as few lines as it takes. */
function linesOf(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= WIDTH) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A piece in one line, or in two of about one length. */
function broken(piece: string): string {
  if (piece.length <= WIDTH) return piece;
  const words = piece.split(' ');
  let best = linesOf(piece);
  for (let i = 1; i < words.length; i++) {
    const two = [words.slice(0, i).join(' '), words.slice(i).join(' ')];
    const longest = (lines: readonly string[]) => Math.max(...lines.map(({ length }) => length));
    if (longest(two) < longest(best)) best = two;
  }
  // A word longer than a line is broken where the line ends.
  return best.length > 1 ? best.join('\n') : `${piece.slice(0, WIDTH)}\n${piece.slice(WIDTH)}`;
}

/** `HH:MM:SS.mmm`, with the mark before the thousandths that the format wants. */
export function stamp(seconds: number, mark: '.' | ','): string {
  const whole = Math.round(seconds * 1000);
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
  const [h, m, s] = [whole / 3_600_000, (whole / 60_000) % 60, (whole / 1000) % 60];
  return `${two(h)}:${two(m)}:${two(s)}${mark}${String(whole % 1000).padStart(3, '0')}`;
}

const flat = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** WebVTT: what would be markup is written out. */
export const vttOf = (script: Script): string => vttFrom(captionsOf(script));

/** Captions as WebVTT. */
export function vttFrom(captions: readonly Caption[]): string {
  const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
  const cues = captions.map(
    ({ from, to, text }, i) => `${i + 1}\n${stamp(from, '.')} --> ${stamp(to, '.')}\n${escaped(text)}\n`,
  );
  return `WEBVTT\n\n${cues.join('\n')}`;
}

/** SubRip, for what plays nothing newer: an arrow of its own would end a caption. */
export const srtOf = (script: Script): string => srtFrom(captionsOf(script));

/** Captions as SRT. */
export const srtFrom = (captions: readonly Caption[]): string =>
  captions
    .map(
      ({ from, to, text }, i) =>
        `${i + 1}\r\n${stamp(from, ',')} --> ${stamp(to, ',')}\r\n${text.replaceAll('-->', '→').replaceAll('\n', '\r\n')}\r\n`,
    )
    .join('\r\n');
