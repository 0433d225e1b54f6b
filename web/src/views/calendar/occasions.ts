import type { Glance } from '@warm-ladder/core/review';
import { clashesOf, type Occasion, occasionsOf, type Series, type WholeStudio } from '@warm-ladder/core/series';

/** A class of a series on its day. */
export interface Dated extends Occasion {
  /** What its class is called; missing where it is gone. */
  readonly name: string | undefined;
  /** The class as it is now; missing where it is gone, or not worked out yet. */
  readonly glance: Glance | undefined;
  /** What keeps it from being taught then, in sentences. */
  readonly clashes: readonly string[];
}

/** The dated episodes of a series, as long as they are now, with what clashes; until that is known, as long as they are meant to be. */
export function datedIn(studio: WholeStudio, series: Series, glances: ReadonlyMap<string, Glance>): Dated[] {
  const minutes = (id: string): number =>
    Math.ceil((glances.get(id)?.seconds ?? (studio.classOf(id)?.targetMinutes ?? 0) * 60) / 60);
  const clashes = clashesOf(studio, series);
  return occasionsOf(series, minutes).map((occasion) => ({
    ...occasion,
    name: studio.classOf(occasion.class)?.name,
    glance: glances.get(occasion.class),
    clashes: clashes.get(occasion.episode) ?? [],
  }));
}
