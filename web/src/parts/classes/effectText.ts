import type { Standing } from '@warm-ladder/core/mend';
import { clock } from '@warm-ladder/core/review';

const toMend = ({ stop, fix, look }: Standing): number => stop + fix + look;

/** What a change leads to: “9 → 8 to mend, +1:30, one position change fewer”. */
export function effectText(before: Standing, after: Standing): string {
  const told = [mendingText(before, after)];
  const seconds = Math.round(after.seconds - before.seconds);
  if (seconds !== 0) told.push(`${seconds > 0 ? '+' : '−'}${clock(Math.abs(seconds))}`);
  const moved = after.positionChanges - before.positionChanges;
  if (moved !== 0) told.push(changes(Math.abs(moved), moved < 0 ? 'fewer' : 'more'));
  return told.join(', ');
}

function mendingText(before: Standing, after: Standing): string {
  const [was, is] = [toMend(before), toMend(after)];
  const better = after.score < before.score;
  if (was !== is) return `${was} → ${is} to mend`;
  if (is === 0) return better ? 'a better score' : 'nothing to mend';
  return better ? `still ${is} to mend, but less grave` : `still ${is} to mend`;
}

const changes = (count: number, word: string): string =>
  count === 1 ? `one position change ${word}` : `${count} ${word} position changes`;
