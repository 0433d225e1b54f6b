import type { Script } from '../script';
import { wordsIn } from '../vocabulary/words';

/** A caption: what is said, and from when to when. Seconds from the start of the class. */
export interface Caption {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** Seconds a caption stays at least, where there is as much time. */
const LEAST = 1;

/**
 * What is said as captions, in order, without overlapping: the lines of a section share its time by their words, the way
 * to it has its own, and the last caption ends when the class does.
 */
export function captionsOf({ sections, seconds: all }: Script): Caption[] {
  const captions: Caption[] = [];
  for (const { startSeconds, seconds, leadSeconds, lead, lines } of sections) {
    if (lead !== null && leadSeconds > 0) {
      captions.push({ from: startSeconds - leadSeconds, to: startSeconds, text: lead });
    }
    const said = lines.filter((line) => line.said && line.text.trim() !== '');
    const weights = said.map(({ text }) => Math.max(1, wordsIn(text)));
    const sum = weights.reduce((total, each) => total + each, 0);
    let from = startSeconds;
    said.forEach(({ text }, i) => {
      const share = ((weights[i] ?? 0) / sum) * seconds;
      captions.push({ from, to: from + share, text });
      from += share;
    });
  }
  const shown = captions.filter(({ from, to }) => to - from >= Math.min(LEAST, 0.05));
  const last = shown.at(-1);
  return last ? [...shown.slice(0, -1), { ...last, to: all }] : [];
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
export function vttOf(script: Script): string {
  const escaped = (text: string) => flat(text).replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
  const cues = captionsOf(script).map(
    ({ from, to, text }, i) => `${i + 1}\n${stamp(from, '.')} --> ${stamp(to, '.')}\n${escaped(text)}\n`,
  );
  return `WEBVTT\n\n${cues.join('\n')}`;
}

/** SubRip, for what plays nothing newer: an arrow of its own would end a caption. */
export const srtOf = (script: Script): string =>
  captionsOf(script)
    .map(
      ({ from, to, text }, i) =>
        `${i + 1}\r\n${stamp(from, ',')} --> ${stamp(to, ',')}\r\n${flat(text).replaceAll('-->', '→')}\r\n`,
    )
    .join('\r\n');
