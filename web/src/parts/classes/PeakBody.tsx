import type { PeakBlock } from '@warm-ladder/core/review';
import type { CSSProperties } from 'react';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { SoonRungFigure } from '../../figure/SoonRungFigure';
import { heatStep } from '../rungs/heat';

/** The least and the most heat of peaks that are drawn beside each other; what has none counts nothing. */
export function heatsOf(peaks: ReadonlyArray<PeakBlock | null>): readonly [number, number] {
  const heats = peaks.flatMap((peak) => peak?.heat ?? []);
  return [Math.min(...heats), Math.max(...heats)];
}

/** Pixels the hottest stands above the coolest. */
const CLIMBS = 64;

/** A style by which what is hotter stands higher: `md:mt-(--drop)`. */
export const climbing = (peak: PeakBlock | null, [least, most]: readonly [number, number]): CSSProperties =>
  ({
    '--drop': `${Math.round(((most - (peak?.heat ?? least)) / Math.max(1, most - least)) * CLIMBS)}px`,
  }) as CSSProperties;

/** The hardest body of a class, on a floor as warm and as thick as it is hard. */
export function PeakBody({ peak }: { readonly peak: PeakBlock }) {
  const entry = useAppSelector(selectCatalog).placed(peak);
  const { ground, weight } = heatStep(peak.heat);
  return (
    <>
      {entry && <SoonRungFigure entry={entry} className="h-16 w-full" />}
      <span className={`block rounded-sm ${ground} ${weight}`} />
    </>
  );
}
