import type { Audience } from '../plan';
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
/** What speaks because of what has, or has not, been learnt before: in a series the series says it. */
const OF_THE_PAST: ReadonlySet<FindingCode> = new Set<FindingCode>(['REQUIREMENT_UNMET', 'OPTION_UNMET', 'NOT_TAUGHT']);

/**
 * The circumstances in which a finding of a class arises, for who might wonder why here and not elsewhere; `null` where
 * it is the class's own.
 * @example arisesIn('CAUTION_SWAP', choir) // 'for Choir singers'
 */
export function arisesIn(code: FindingCode, audience: Audience | undefined): string | null {
  if (OF_AUDIENCE.has(code)) return audience ? `for ${audience.name}` : 'for anyone';
  return OF_THE_PAST.has(code) ? 'taught by itself, in no series' : null;
}
