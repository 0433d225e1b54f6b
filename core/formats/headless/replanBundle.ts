import { type Moment, NoMoment, type Replan, replan } from '../../taught';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';
import { studioOf } from '../studioOf';

/** The answer of `replan` (contract: docs/taught.md). */
export interface ReplanDocument {
  readonly target: number;
  /** `asPlanned`, and under the key the contract has for it when it ends with the edits taken. */
  readonly endsAt: { readonly asPlanned: number };
  readonly edits: ReadonlyArray<Omit<Replan['edits'][number], 'edits'>>;
  readonly blocks: Replan['blocks'];
  readonly keeps: Replan['keeps'];
  readonly why: readonly string[];
}

/**
 * What to leave out, shorten or add so that a class under way ends on time.
 * @returns `null` when the bundle has no such class
 * @throws NoMoment for a moment that can’t be
 */
export function replanBundle(
  bundle: Bundle,
  id: string,
  moment: Moment,
  asked: { readonly today?: string | undefined; readonly teacher?: string | undefined } = {},
): { readonly document: ReplanDocument; readonly ends: boolean } | null {
  const { catalog, classOf, contextOf } = studioOf(bundle, asked);
  const plan = classOf(id);
  if (!plan) return null;
  const { target, endsAt, edits, blocks, keeps, why, ends } = replan(catalog, plan, contextOf(plan), moment);
  const { asPlanned, replanned } = endsAt;
  const document: ReplanDocument = tidy({
    target,
    // The key is the file’s; it is never awaited.
    endsAt: Object.fromEntries([
      ['asPlanned', asPlanned],
      ['then', replanned],
    ]) as ReplanDocument['endsAt'],
    edits: edits.map(({ edits: _edits, ...edit }) => edit),
    blocks,
    keeps,
    why,
  });
  return { document, ends };
}

export { NoMoment };
