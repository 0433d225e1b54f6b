import type { TimedBlock } from '../plan';
import { type Finding, type Remedy, type Rule, rungTitle } from './finding';

/** Neighbouring blocks in one position. */
interface Stay {
  readonly position: string;
  readonly blocks: TimedBlock[];
}

function staysOf(blocks: readonly TimedBlock[]): Stay[] {
  const stays: Stay[] = [];
  for (const block of blocks) {
    const { position } = block.entry.exercise;
    const last = stays.at(-1);
    if (last?.position === position) last.blocks.push(block);
    else stays.push({ position, blocks: [block] });
  }
  return stays;
}

/** A position already left and come back to. Ending where the class began is a frame, not a return. */
export const returnsRule: Rule = ({ timed, catalog }) => {
  const stays = staysOf(timed.blocks);
  const left = new Map<string, number>();
  const returns: Stay[] = [];
  stays.forEach((stay, index) => {
    const frame = index === stays.length - 1 && stay.position === stays[0]?.position;
    if (left.has(stay.position) && !frame) returns.push(stay);
    left.set(stay.position, Math.max(...stay.blocks.map((block) => block.index)));
  });
  const limit = catalog.method.limits.positionReturns;
  if (returns.length <= limit) return [];
  return returns.map((stay): Finding => {
    const first = stay.blocks[0]?.index ?? 0;
    const earlier = timed.blocks.findLast(
      ({ index, entry }) => index < first && entry.exercise.position === stay.position,
    );
    return {
      code: 'POSITION_RETURN',
      severity: 'look',
      blocks: stay.blocks.map(({ index }) => index),
      value: returns.length,
      limit,
      unit: '',
      message: `Back to ${catalog.graph.name(stay.position)} after having left it; the way there costs ${Math.round(stay.blocks[0]?.change.seconds ?? 0)} s.`,
      remedies: earlier ? [joinStay(stay, earlier)] : [],
    };
  });
};

/** Brings the whole stay up behind the earlier one, in its order. */
function joinStay(stay: Stay, earlier: TimedBlock): Remedy {
  const [first] = stay.blocks;
  return {
    label: `Do ${first ? rungTitle(first.entry) : 'it'}${stay.blocks.length > 1 ? ` and ${stay.blocks.length - 1} more` : ''} after ${rungTitle(earlier.entry)}`,
    edits: stay.blocks.map((block, i) => ({ kind: 'move', from: block.index, to: earlier.index + 1 + i })),
  };
}

/** Positions from which getting up is a trip from the floor. */
const isFloor = (like: string): boolean => like !== 'standing';

export const floorTripsRule: Rule = ({ timed, catalog, audience }) => {
  const { openingPosition } = timed.plan;
  const limit = audience?.floorTrips ?? catalog.method.limits.floorTrips;
  let down = openingPosition !== undefined && isFloor(catalog.graph.like(openingPosition));
  const up: TimedBlock[] = [];
  for (const block of timed.blocks) {
    const onFloor = isFloor(block.entry.like);
    if (down && !onFloor) up.push(block);
    down = onFloor;
  }
  if (up.length <= limit) return [];
  return [
    {
      code: 'FLOOR_TRIPS',
      severity: 'fix',
      blocks: up.map(({ index }) => index),
      value: up.length,
      limit,
      unit: '',
      message: `People are sent up from the floor to standing ${up.length} times; ${limit} ${limit === 1 ? 'is' : 'are'} the most for ${audience?.name ?? 'this class'}.`,
      remedies: [],
    },
  ];
};

export const sidesRule: Rule = ({ timed }) => {
  const { left, right } = timed.sides;
  const value = Math.abs(left - right);
  if (value < 0.5) return [];
  const heavy = left > right ? 'left' : 'right';
  const limited = timed.blocks.filter(({ block }) => block.side === heavy);
  return [
    {
      code: 'SIDES_UNEVEN',
      severity: 'fix',
      blocks: limited.map(({ index }) => index),
      value,
      limit: 0,
      unit: 's',
      message: `The ${heavy} side works ${Math.round(value)} s longer than the ${heavy === 'left' ? 'right' : 'left'}.`,
      remedies: limited.flatMap(({ index, entry, block }): Remedy[] => [
        {
          label: `${rungTitle(entry)}: both sides`,
          edits: [{ kind: 'set', block: index, change: { side: undefined } }],
        },
        {
          label: `Add the ${heavy === 'left' ? 'right' : 'left'} side of ${rungTitle(entry)} after it`,
          edits: [
            {
              kind: 'insert',
              at: index + 1,
              block: { ...block, mode: 'flow', side: heavy === 'left' ? 'right' : 'left', options: undefined },
            },
          ],
        },
      ]),
    },
  ];
};

export const heatJumpRule: Rule = ({ timed, catalog }) => {
  const limit = catalog.method.limits.heatJump;
  return timed.blocks.flatMap((block, i): Finding[] => {
    const before = timed.blocks[i - 1];
    if (!before) return [];
    const rise = catalog.heat(block.entry) - catalog.heat(before.entry);
    if (rise <= limit) return [];
    return [
      {
        code: 'HEAT_JUMP',
        severity: 'look',
        blocks: [before.index, block.index],
        value: rise,
        limit,
        unit: '',
        message: `Heat jumps by ${Math.round(rise)} into ${rungTitle(block.entry)}; ${limit} is the most between neighbours.`,
        remedies: [],
      },
    ];
  });
};
