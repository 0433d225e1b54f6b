import type { Direction } from '@warm-ladder/core/method';
import { DIRECTION_WORDS } from '@warm-ladder/core/method';
import { directionPath } from '../rungs/directions';

/** A direction's glyph; with its word unless the word already stands near. */
export function DirectionMark({ direction, word = false }: { direction: Direction; word?: boolean }) {
  return (
    <span className="inline-flex items-center gap-1" title={DIRECTION_WORDS[direction]}>
      <svg viewBox="0 0 20 20" className="size-4 shrink-0" aria-hidden="true">
        <path d={directionPath(direction)} fill="none" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" />
      </svg>
      <span className={word ? '' : 'sr-only'}>{DIRECTION_WORDS[direction]}</span>
    </span>
  );
}
