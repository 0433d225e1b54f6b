import { type Found, type Remedy, titleOf } from '../finding';
import type { Part, Stay } from '../flow';
import { DONE, NOTHING, WHOLE_CLASS, type WholeRule } from '../rule';

const positionReturn: WholeRule = {
  code: 'POSITION_RETURN',
  part: 'flow',
  severity: 'look',
  purposes: DONE,
  orders: ['positions', 'layered'],
  unit: 'times',
  limit: '`limits.positionReturns`',
  says: 'people are sent back to a position already left (ending where the class began is none)',
  ofOrder: true,
  find: ({ timed, catalog, limits, returns }) => {
    const limit = limits.positionReturns;
    if (returns.length <= limit) return NOTHING;
    return returns.map((stay): Found => {
      const first = stay.parts[0] as Part;
      return {
        blocks: stay.parts.map(({ index }) => index),
        value: returns.length,
        limit,
        sentence: () =>
          `Back to ${catalog.graph.name(stay.position)} after having left it; the way there costs ${Math.round(first.change.seconds)} s.`,
        mend: () => joinStay(stay, timed.sequence),
      };
    });
  },
};

/** Brings the whole stay up behind the earlier one, in its order. */
function joinStay({ parts, position }: Stay, sequence: readonly Part[]): Remedy[] {
  const first = parts[0] as Part;
  const earlier = sequence.findLast((each) => each.index < first.index && each.position === position);
  if (!earlier) return [];
  const before = sequence[earlier.index + 1]?.block.id ?? null;
  const more = parts.length > 1 ? ` and ${parts.length - 1} more` : '';
  return [
    {
      label: `Do ${titleOf(first)}${more} after ${titleOf(earlier)}`,
      edits: parts.map(({ block }) => ({ kind: 'move', id: block.id, before })),
    },
  ];
}

const beginningOther: WholeRule = {
  code: 'BEGINNING_OTHER',
  part: 'flow',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'times',
  presence: true,
  limit: 'only where the house begins standing (`choices.begin`) and the class names no opening position of its own',
  says: 'the class begins on the floor, though the house begins standing',
  ofOrder: true,
  find: ({ timed, catalog, choices }) => {
    const [first] = timed.sequence;
    if (timed.plan.openingPosition !== undefined || !first) return NOTHING;
    const standing = (position: string) => catalog.graph.like(position) === 'standing';
    if (choices.begin !== 'standing' || standing(first.position)) return NOTHING;
    return [
      {
        blocks: [first.index],
        value: 1,
        limit: 0,
        sentence: () => `The class begins ${catalog.graph.name(first.position)}; the house begins standing.`,
        mend: () => beginStanding(timed.sequence, standing),
      },
    ];
  },
};

/** The first stay in standing, brought to the front. */
function beginStanding(sequence: readonly Part[], standing: (position: string) => boolean): Remedy[] {
  const at = sequence.findIndex(({ position }) => standing(position));
  const first = sequence[at];
  if (!first) return [];
  const until = sequence.findIndex(({ position }, i) => i > at && position !== first.position);
  const stay = sequence.slice(at, until < 0 ? undefined : until);
  const before = sequence[0]?.block.id ?? null;
  return [
    {
      label: `Begin with ${titleOf(first)}`,
      edits: stay.map(({ block }) => ({ kind: 'move', id: block.id, before })),
    },
  ];
}

const floorTrips: WholeRule = {
  code: 'FLOOR_TRIPS',
  part: 'flow',
  severity: 'fix',
  purposes: DONE,
  unit: 'times',
  limit: '`limits.floorTrips`, or the audience’s own',
  says: 'people are sent up from the floor to standing too often',
  ofOrder: true,
  find: ({ limits, audience, trips: up }) => {
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

const propShuffle: WholeRule = {
  code: 'PROP_SHUFFLE',
  part: 'props',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  limit: '`limits.propReturns`',
  says: 'a prop is put away and fetched again',
  ofOrder: true,
  find: ({ limits, shuffles: again }) => {
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

export const FLOW_RULES: readonly WholeRule[] = [floorTrips, beginningOther, positionReturn, propShuffle];
