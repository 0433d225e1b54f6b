import { doseOf, type TimedClass } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';

type Part = TimedClass['sequence'][number];

/**
 * What a change that is only looked at would do to each block, in the few words a tile has room for.
 * @returns by the id of the block; what it leaves as it is has no words
 */
export function triedWords(now: readonly Part[], after: readonly Part[]): ReadonlyMap<string, string> {
  const words = new Map<string, string>();
  if (now === after) return words;
  const later = new Map(after.map((part) => [part.block.id, part]));
  for (const part of now) {
    const then = later.get(part.block.id);
    const said = then ? changed(part, then) : 'goes';
    if (said !== null) words.set(part.block.id, said);
  }
  for (const id of moved(now, after)) if (!words.has(id)) words.set(id, 'moves');
  return words;
}

function changed(now: Part, then: Part): string | null {
  if (now.block === then.block) return null;
  if (now.kind === 'block' && then.kind === 'block') {
    if (now.entry.key !== then.entry.key) return `→ ${then.entry.rung.name}`;
    const [before, later] = [doseOf(now.entry, now.block), doseOf(then.entry, then.block)];
    if (before.sets !== later.sets || before.reps !== later.reps) return `→ ${later.sets} × ${later.reps}`;
    if (now.block.mode !== then.block.mode) return `→ ${then.block.mode}`;
  }
  return now.seconds === then.seconds ? 'changes' : `→ ${clock(then.seconds)}`;
}

/** The fewest blocks that must be taken up and put down elsewhere to come from one order to the other. */
function moved(now: readonly Part[], after: readonly Part[]): string[] {
  const placeAfter = new Map(after.map(({ block }, i) => [block.id, i]));
  const kept = now.flatMap(({ block: { id } }) => {
    const place = placeAfter.get(id);
    return place === undefined ? [] : [{ id, place }];
  });
  // The longest stretch of blocks that keep their order stays; the others move.
  const best: Array<{ length: number; from: number }> = [];
  for (const [i, { place }] of kept.entries()) {
    best[i] = { length: 1, from: -1 };
    for (let j = 0; j < i; j++) {
      const reached = best[j]?.length ?? 0;
      if ((kept[j]?.place ?? 0) < place && reached >= (best[i]?.length ?? 0))
        best[i] = { length: reached + 1, from: j };
    }
  }
  const stays = new Set<number>();
  let at = best.reduce((top, { length }, i) => (length > (best[top]?.length ?? 0) ? i : top), 0);
  while (at >= 0 && best[at]) {
    stays.add(at);
    at = best[at]?.from ?? -1;
  }
  return kept.flatMap(({ id }, i) => (stays.has(i) ? [] : [id]));
}
