import type { RungRef } from '../../repertoire';
import type { Severity } from '../finding';
import type { ClassReview } from '../reviewClass';

/** What a class is hottest in, as its block does it. */
export interface PeakBlock extends RungRef {
  readonly range?: number;
  /** 0 to 100. */
  readonly heat: number;
}

/** A class as it is told where many are listed: data, without what it was worked out with. */
export interface Glance {
  readonly seconds: number;
  /** How many findings of each severity it has. */
  readonly counts: Readonly<Record<Severity, number>>;
  /** `null` where nothing is done in it. */
  readonly peak: PeakBlock | null;
}

export function glanceOf({ timed, raised, subject: { catalog } }: ClassReview): Glance {
  const counts = { stop: 0, fix: 0, look: 0 };
  for (const { severity } of raised) counts[severity] += 1;
  let peak: PeakBlock | null = null;
  for (const { entry, block } of timed.blocks) {
    const heat = catalog.heat(entry);
    if (peak && heat <= peak.heat) continue;
    const { exercise, rung, range } = block;
    peak = { exercise, rung, heat, ...(range === undefined ? {} : { range }) };
  }
  return { seconds: timed.seconds, counts, peak };
}
