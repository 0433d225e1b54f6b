import type { Audience } from '../plan';
import type { Series } from '../series';
import type { FindingCode } from './finding';

/** What speaks because of who is in the room. */
const OF_AUDIENCE: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'CAUTION_CLEAR_FIRST',
  'CAUTION_SWAP',
  'CAUTION_ADAPT',
  'OPTION_CAUTION',
  'OPTION_MISSING',
  'OPTION_PROP',
  'PROP_LACKING',
  'FLOOR_TRIPS',
]);
/** What speaks because of what has, or has not, been learnt before. */
const OF_THE_PAST: ReadonlySet<FindingCode> = new Set<FindingCode>(['REQUIREMENT_UNMET', 'OPTION_UNMET']);

/** Who a class is taught to, and the series it is an episode of. */
export interface Around {
  readonly classId: string;
  readonly audience: Audience | undefined;
  readonly series: readonly Series[];
}

/**
 * The circumstances in which a finding arises, for who might wonder why here and not elsewhere; `null` where it is the
 * class's own.
 * @example 'as episode 2 of Bench to mat'
 */
export function arisesIn(code: FindingCode, { classId, audience, series }: Around): string | null {
  if (OF_AUDIENCE.has(code)) return audience ? `for ${audience.name}` : 'for anyone';
  if (!OF_THE_PAST.has(code)) return null;
  const places = series.flatMap(({ name, episodes }) => {
    const at = episodes.findIndex((each) => each.class === classId);
    return at < 0 ? [] : [`episode ${at + 1} of ${name}`];
  });
  return places.length > 0 ? `as ${places.join(' and as ')}` : 'taught by itself, in no series';
}
