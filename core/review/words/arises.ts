import type { Audience } from '../../plan';
import type { FindingCode } from '../finding';
import { ruleOf } from '../rules';

/**
 * The circumstances in which a finding of a class arises, for who might wonder why here and not elsewhere; `null` where
 * it is the class's own.
 * @example arisesIn('CAUTION_SWAP', choir) // 'for Choir singers'
 */
export function arisesIn(code: FindingCode, audience: Audience | undefined): string | null {
  const { arisesFrom } = ruleOf(code);
  if (arisesFrom === 'audience') return audience ? `for ${audience.name}` : 'for anyone';
  return arisesFrom === 'past' ? 'taught by itself, in no series' : null;
}
