import type { PaceKind } from '@warm-ladder/core/plan';
import type { Pace } from '@warm-ladder/core/taught/pace';
import { countText } from '@warm-ladder/core/vocabulary';

const KINDS: Readonly<Record<PaceKind, string>> = {
  work: 'work',
  setup: 'set-ups',
  carry: 'going on',
  change: 'changes',
  opening: 'the opening',
};

/** What a teacher’s pace rests on, in words. */
export function restsOn({ classes, kinds, inside }: Pace): string {
  if (classes === 0) return 'No class of theirs is logged: by what is typed for them.';
  const told = (Object.keys(KINDS) as PaceKind[]).flatMap((kind) => {
    const found = kinds[kind];
    if (!found) return [];
    const more = Math.round((found.factor - 1) * 100);
    const how = more === 0 ? 'as planned' : `${Math.abs(more)} % ${more > 0 ? 'longer' : 'shorter'}`;
    return [`${KINDS[kind]} ${how}`];
  });
  const held = inside.of > 0 ? ` ${inside.in} of ${inside.of} ended where they were foretold.` : '';
  return `By ${countText(classes, 'logged class', 'logged classes')}: ${told.join(', ')}.${held}`;
}
