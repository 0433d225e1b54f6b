import type { TimedBlock, TimedInterlude } from '../../plan';
import { type Found, type Remedy, rungTitle } from '../finding';
import { DONE, NOTHING, type Rule } from '../rule';

type Part = TimedBlock | TimedInterlude;

/** Neighbouring parts in one position. */
interface Stay {
  readonly position: string;
  readonly parts: Part[];
}

function staysOf(sequence: readonly Part[]): Stay[] {
  const stays: Stay[] = [];
  for (const part of sequence) {
    const last = stays.at(-1);
    if (last?.position === part.position) last.parts.push(part);
    else stays.push({ position: part.position, parts: [part] });
  }
  return stays;
}

/** Stays in a position already left. Ending where the class began is a frame, not a return. */
export function returnsOf(sequence: readonly Part[]): Stay[] {
  const stays = staysOf(sequence);
  const left = new Set<string>();
  return stays.filter((stay, index) => {
    const frame = index === stays.length - 1 && stay.position === stays[0]?.position;
    const again = left.has(stay.position) && !frame;
    left.add(stay.position);
    return again;
  });
}

const positionReturn: Rule = {
  code: 'POSITION_RETURN',
  part: 'flow',
  severity: 'look',
  purposes: DONE,
  orders: ['positions', 'layered'],
  unit: 'times',
  limit: '`limits.positionReturns`',
  says: 'people are sent back to a position already left (ending where the class began is none)',
  find: ({ timed, catalog, limits }) => {
    const returns = returnsOf(timed.sequence);
    const limit = limits.positionReturns;
    if (returns.length <= limit) return NOTHING;
    return returns.map((stay): Found => {
      const first = stay.parts[0] as Part;
      const earlier = timed.sequence.findLast(
        ({ index, position }) => index < first.index && position === stay.position,
      );
      return {
        blocks: stay.parts.map(({ index }) => index),
        value: returns.length,
        limit,
        sentence: () =>
          `Back to ${catalog.graph.name(stay.position)} after having left it; the way there costs ${Math.round(first.change.seconds)} s.`,
        mend: () => (earlier ? [joinStay(stay, earlier, timed.sequence)] : []),
      };
    });
  },
};

const nameOf = (part: Part): string => (part.kind === 'block' ? rungTitle(part.entry) : part.block.name);

/** Brings the whole stay up behind the earlier one, in its order. */
function joinStay({ parts }: Stay, earlier: Part, sequence: readonly Part[]): Remedy {
  const before = sequence[earlier.index + 1]?.block.id ?? null;
  const more = parts.length > 1 ? ` and ${parts.length - 1} more` : '';
  return {
    label: `Do ${nameOf(parts[0] as Part)}${more} after ${nameOf(earlier)}`,
    edits: parts.map(({ block }) => ({ kind: 'move', id: block.id, before })),
  };
}

/** Blocks that people are sent up from the floor to; standing is the only position that is none. */
export function tripsUp(
  { sequence, plan }: { sequence: readonly Part[]; plan: { openingPosition?: string | undefined } },
  like: (position: string) => string,
): Part[] {
  const onFloor = (position: string) => like(position) !== 'standing';
  let down = plan.openingPosition !== undefined && onFloor(plan.openingPosition);
  return sequence.filter(({ position }) => {
    const here = onFloor(position);
    const up = down && !here;
    down = here;
    return up;
  });
}

const floorTrips: Rule = {
  code: 'FLOOR_TRIPS',
  part: 'flow',
  severity: 'fix',
  purposes: DONE,
  unit: 'times',
  limit: '`limits.floorTrips`, or the audience’s own',
  says: 'people are sent up from the floor to standing too often',
  find: ({ timed, catalog, limits, audience }) => {
    const up = tripsUp(timed, (position) => catalog.graph.like(position));
    const limit = limits.floorTrips;
    if (up.length <= limit) return NOTHING;
    return [
      {
        blocks: up.map(({ index }) => index),
        value: up.length,
        limit,
        sentence: () =>
          `People are sent up from the floor to standing ${up.length} times; ${limit} ${limit === 1 ? 'is' : 'are'} the most for ${audience?.name ?? 'this class'}.`,
      },
    ];
  },
};

/** Blocks for which a prop is fetched that had been put away before. */
export function shufflesOf(sequence: readonly Part[]): Part[] {
  const away = new Set<string>();
  return sequence.filter(({ change: { taken, putAway } }) => {
    if (taken.length === 0 && putAway.length === 0) return false;
    const again = taken.some(({ id }) => away.has(id));
    for (const { id } of putAway) away.add(id);
    return again;
  });
}

const propShuffle: Rule = {
  code: 'PROP_SHUFFLE',
  part: 'props',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  limit: '`limits.propReturns`',
  says: 'a prop is put away and fetched again',
  find: ({ timed, limits }) => {
    const again = shufflesOf(timed.sequence);
    if (again.length <= limits.propReturns) return NOTHING;
    const names = [...new Set(again.flatMap(({ change }) => change.taken.map(({ name }) => name.toLowerCase())))];
    return [
      {
        blocks: again.map(({ index }) => index),
        value: again.length,
        limit: limits.propReturns,
        sentence: () =>
          `Put away and fetched again: ${names.join(', ')} (${again.length === 1 ? 'once' : `${again.length} times`}).`,
      },
    ];
  },
};

export const FLOW_RULES: readonly Rule[] = [floorTrips, positionReturn, propShuffle];
