import type { Script } from '../script';
import { stamp } from './captions';

/** A part of a class as it is found in a film of it. Seconds from the start. */
export interface Chapter {
  readonly from: number;
  readonly to: number;
  readonly title: string;
  /** The block it belongs to, by its index; `null` for the opening and the closing. */
  readonly block: number | null;
}

/**
 * Parts of a class that touch one another, from 0 to its end. Each begins where its first word of set-up is said, as the
 * clock has it everywhere; the way there ends the one before.
 */
function chaptersOf({ sections, seconds }: Script): Chapter[] {
  const chapters: Chapter[] = [];
  for (const { title, startSeconds, block, kind } of sections) {
    const from = chapters.length === 0 ? 0 : startSeconds;
    const last = chapters.at(-1);
    // The second side goes on in the chapter of the first.
    if (last && kind === 'block' && last.block === block) continue;
    if (last) chapters[chapters.length - 1] = { ...last, to: from };
    chapters.push({ from, to: seconds, title, block: kind === 'opening' || kind === 'closing' ? null : block });
  }
  return chapters.filter(({ from, to }) => to > from);
}

/** Chapters as WebVTT. */
export const chaptersVtt = (script: Script): string =>
  `WEBVTT\n\n${chaptersOf(script)
    .map(
      ({ from, to, title }, i) =>
        `${i + 1}\n${stamp(from, '.')} --> ${stamp(to, '.')}\n${title.replaceAll('-->', '→')}\n`,
    )
    .join('\n')}`;
