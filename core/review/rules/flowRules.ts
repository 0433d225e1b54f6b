import type { Catalog } from '../../repertoire';
import { isStanding } from '../../vocabulary/bodies/position';
import { type Found, type Remedy, titleOf } from '../finding';
import type { Part, Stay } from '../patterns/flow';
import { DONE, NOTHING, WHOLE_CLASS, type WholeRule } from '../rule';
import type { Subject } from '../subject/subject';

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
  find: ({ limits, returns }) => {
    const limit = limits.positionReturns;
    if (returns.length <= limit) return NOTHING;
    return returns.map(
      (stay): Found => ({
        blocks: stay.parts.map(({ index }) => index),
        value: returns.length,
        limit,
      }),
    );
  },
  sentence: (found, subject) => {
    const { position, parts } = stayOf(subject, found);
    const { seconds } = (parts[0] as Part).change;
    return `Back to ${subject.catalog.graph.name(position)} after having left it; the way there costs ${Math.round(seconds)} s.`;
  },
  mend: (found, subject) => joinStay(stayOf(subject, found), subject.timed.sequence),
};

const stayOf = ({ returns }: Subject, { blocks }: Found): Stay =>
  returns.find(({ parts }) => parts[0]?.index === blocks[0]) as Stay;

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
    if (choices.begin !== 'standing' || beginsStanding(catalog, first)) return NOTHING;
    return [{ blocks: [first.index], value: 1, limit: 0 }];
  },
  sentence: ({ blocks: [at] }, { timed, catalog }) => {
    const { position } = timed.sequence[at as number] as Part;
    return `The class begins ${catalog.graph.name(position)}; the house begins standing.`;
  },
  mend: (_found, subject) => beginStanding(subject),
};

const beginsStanding = ({ graph }: Catalog, { position }: Part): boolean => isStanding(graph.like(position));

/** The first stay in standing, brought to the front. */
function beginStanding({ timed: { sequence }, catalog }: Subject): Remedy[] {
  const at = sequence.findIndex((part) => beginsStanding(catalog, part));
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
  arisesFrom: 'audience',
  part: 'flow',
  severity: 'fix',
  purposes: DONE,
  unit: 'times',
  limit: '`limits.floorTrips`, or the audience’s own',
  says: 'people are sent up from the floor to standing too often',
  ofOrder: true,
  find: ({ limits, trips: up }) => {
    const limit = limits.floorTrips;
    if (up.length <= limit) return NOTHING;
    return [
      {
        blocks: up.map(({ index }) => index),
        value: up.length,
        limit,
      },
    ];
  },
  sentence: ({ value, limit }, { audience }) =>
    `People are sent up from the floor to standing ${value} times; ${limit} ${limit === 1 ? 'is' : 'are'} the most for ${audience?.name ?? 'this class'}.`,
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
    return [
      {
        blocks: again.map(({ index }) => index),
        value: again.length,
        limit: limits.propReturns,
      },
    ];
  },
  sentence: ({ value }, { shuffles }) => {
    const names = new Set(shuffles.flatMap(({ change }) => change.taken.map(({ name }) => name.toLowerCase())));
    return `Put away and fetched again: ${[...names].join(', ')} (${value === 1 ? 'once' : `${value} times`}).`;
  },
};

export const FLOW_RULES: readonly WholeRule[] = [floorTrips, beginningOther, positionReturn, propShuffle];
