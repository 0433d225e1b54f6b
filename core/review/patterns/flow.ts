import type { TimedBlock, TimedInterlude } from '../../plan';
import { isStanding } from '../../vocabulary/bodies/position';

export type Part = TimedBlock | TimedInterlude;

/** Neighbouring parts in one position. */
export interface Stay {
  readonly position: string;
  readonly parts: readonly Part[];
}

/** Stays in a position already left. Ending where the class began is a frame, not a return. */
export function returnsOf(sequence: readonly Part[]): Stay[] {
  const returns: Stay[] = [];
  const left: string[] = [];
  const opening = sequence[0]?.position;
  for (let first = 0; first < sequence.length; ) {
    const { position } = sequence[first] as Part;
    let end = first + 1;
    while (sequence[end]?.position === position) end++;
    const frame = end === sequence.length && position === opening;
    if (!left.includes(position)) left.push(position);
    else if (!frame) returns.push({ position, parts: sequence.slice(first, end) });
    first = end;
  }
  return returns;
}

/** Blocks that people are sent up from the floor to; standing is the only position that is none. */
export function tripsUp(
  { sequence, plan }: { sequence: readonly Part[]; plan: { openingPosition?: string | undefined } },
  like: (position: string) => string,
): Part[] {
  const trips: Part[] = [];
  let position = plan.openingPosition;
  let down = position !== undefined && !isStanding(like(position));
  for (const part of sequence) {
    if (part.position === position) continue;
    position = part.position;
    const here = !isStanding(like(position));
    if (down && !here) trips.push(part);
    down = here;
  }
  return trips;
}

/** Blocks for which a prop is fetched that had been put away before. */
export function shufflesOf(sequence: readonly Part[]): Part[] {
  const shuffles: Part[] = [];
  const away = new Set<string>();
  for (const part of sequence) {
    const { taken, putAway } = part.change;
    if (taken.length > 0 && away.size > 0 && taken.some(({ id }) => away.has(id))) shuffles.push(part);
    for (const { id } of putAway) away.add(id);
  }
  return shuffles;
}
