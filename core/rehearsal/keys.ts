import type { ClassPlan } from '../plan';
import type { ScriptSection } from '../script';

/** Which stretch of a class a section of its script is: `opening`, `closing`, or a block and its pass, as `b3/1`. */
export const keyOf = (
  { kind, block, pass }: Pick<ScriptSection, 'kind' | 'block' | 'pass'>,
  plan: ClassPlan,
): string => (block === null ? kind : `${plan.blocks[block]?.id}/${pass}`);

/** The block and pass a key names; null for the opening and the closing. */
export function passOf(key: string): { readonly block: string; readonly pass: 1 | 2 } | null {
  const [block, pass] = key.split('/');
  return block === undefined || pass === undefined ? null : { block, pass: pass === '2' ? 2 : 1 };
}
