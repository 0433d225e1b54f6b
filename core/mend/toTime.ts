import { applyEdits, type PlanEdit } from '../plan';
import { clock, measureClass, spell, titleOf } from '../review';
import { fitted } from './fit';
import { givesFor } from './give';
import type { Ground } from './trial';

/** A class brought to its length, with a plan for when it runs late. */
export interface ToTime {
  readonly edits: readonly PlanEdit[];
  /** What each edit changes, in words. */
  readonly told: readonly string[];
  /** Why it is still not as long as it should be; `null` where it is. */
  readonly short: string | null;
}

/** Seconds from its target at which a class is fitted well enough. */
const FITS = 60;

/** A class fitted to its length, and what may go marked where nothing is yet. */
export function toTime(ground: Ground): ToTime {
  const { catalog, context, measure } = ground;
  const { plan } = measure.timed;
  const fit = fitted(ground);
  const after = fit?.measure ?? measure;
  const gives = plan.blocks.some(({ give }) => give !== undefined) ? [] : givesFor(catalog, after, context);
  const edits = [...(fit?.edits ?? []), ...gives];
  const { timed } = measureClass(catalog, applyEdits(catalog, plan, edits), context);
  const marked = timed.sequence
    .filter(({ block }) => block.give !== undefined)
    .sort((a, b) => (a.block.give as number) - (b.block.give as number));
  const late =
    gives.length === 0 ? [] : [`May go when it runs late: ${marked.map((part) => titleOf(part)).join('; then ')}`];
  const apart = timed.seconds - plan.targetMinutes * 60;
  return {
    edits,
    told: [...(fit?.told ?? []), ...late],
    short: Math.abs(apart) <= FITS ? null : whyNot(apart, plan.targetMinutes),
  };
}

function whyNot(apart: number, minutes: number): string {
  const off = `${spell(Math.abs(apart))} too ${apart < 0 ? 'short' : 'long'}`;
  const blocks = apart < 0 ? 'the most' : 'the fewest';
  const way = apart < 0 ? 'Add a block or two' : 'Leave out a block or two';
  return `It is still ${off} for ${clock(minutes * 60)}: every block that may change is at ${blocks} repetitions of its range. ${way}, or set another length.`;
}
