import type { TimedClass } from '@warm-ladder/core/plan';
import type { Catalog, RungEntry } from '@warm-ladder/core/repertoire';
import type { CSSProperties } from 'react';
import { SoonRungFigure } from '../figure/SoonRungFigure';
import { heatStep } from './heat';

/** What a class is hottest in. */
export interface Peak {
  readonly entry: RungEntry;
  /** 0 to 100. */
  readonly heat: number;
}

export function peakOf(catalog: Catalog, timed: TimedClass | undefined): Peak | null {
  const all = timed?.blocks.map(({ entry }) => ({ entry, heat: catalog.heat(entry) })) ?? [];
  return all.length === 0 ? null : all.reduce((a, b) => (b.heat > a.heat ? b : a));
}

/** The least and the most heat of peaks that are drawn beside each other; what has none counts nothing. */
export function heatsOf(peaks: ReadonlyArray<Peak | null>): readonly [number, number] {
  const heats = peaks.flatMap((peak) => peak?.heat ?? []);
  return [Math.min(...heats), Math.max(...heats)];
}

/** Pixels the hottest stands above the coolest. */
const CLIMBS = 64;

/** A style by which what is hotter stands higher: `md:mt-(--drop)`. */
export const climbing = (peak: Peak | null, [least, most]: readonly [number, number]): CSSProperties =>
  ({
    '--drop': `${Math.round(((most - (peak?.heat ?? least)) / Math.max(1, most - least)) * CLIMBS)}px`,
  }) as CSSProperties;

/** The hardest body of a class, on a floor as warm and as thick as it is hard. */
export function PeakBody({ peak: { entry, heat } }: { readonly peak: Peak }) {
  const { ground, weight } = heatStep(heat);
  return (
    <>
      <SoonRungFigure entry={entry} className="h-16 w-full" />
      <span className={`block rounded-sm ${ground} ${weight}`} />
    </>
  );
}
