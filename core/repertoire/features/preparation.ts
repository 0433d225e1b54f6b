import { isStanding } from '../../vocabulary/bodies/position';
import { PREPARATION_IDS, type Preparation } from '../../vocabulary/bodies/preparations';
import type { Catalog, RungEntry } from '../catalog';
import { peakOf, type RungFeatures } from './features';

/** A rung hotter than this wants preparing itself. */
const PREPARES_BELOW = 34;

/** How a rung is seen to prepare: read from what it does, so that a new exercise prepares the moment its poses exist. */
const GIVES: Readonly<Record<Preparation, (features: RungFeatures, entry: RungEntry) => boolean>> = {
  'breath-found': (features, { rung }) =>
    peakOf(features, 'legLever') < 1 &&
    peakOf(features, 'curlLever') < 1 &&
    rung.phases.some(({ breath }) => breath === 'in') &&
    rung.phases.some(({ breath }) => breath === 'out'),
  'spine-articulated': (_features, { exercise }) => exercise.directions.includes('articulation'),
  'hamstrings-lengthened': (features) => peakOf(features, 'hamstrings') >= 50,
  'shoulders-placed': (features) => peakOf(features, 'armOverhead') >= 80 || features.rep.runs.armsBearing.total > 0,
  'hips-opened': (features, { rung, like }) =>
    !isStanding(like) &&
    Object.values(rung.poses).some(({ hip }) => opened(hip)) &&
    peakOf(features, 'hipFlexion') < 120,
  'wrists-warmed': (features) => features.rep.runs.extendedWrists.total > 0,
};

const opened = (hip: number | { left?: number | undefined; right?: number | undefined } | undefined): boolean =>
  (typeof hip === 'object' ? Math.min(hip.left ?? 0, hip.right ?? 0) : (hip ?? 0)) <= -8;

/** Whether a rung, done earlier in the class, prepares for it. */
export const prepares = (catalog: Catalog, entry: RungEntry, preparation: Preparation): boolean =>
  preparedBy(catalog, entry).has(preparation);

const NOTHING: ReadonlySet<Preparation> = new Set();

/** All that a rung prepares for; kept with what it is worth. */
export function preparedBy(catalog: Catalog, entry: RungEntry): ReadonlySet<Preparation> {
  if (catalog.heat(entry) >= PREPARES_BELOW) return NOTHING;
  return catalog
    .worth(entry)
    .remembered(
      'preparedBy',
      () => new Set(PREPARATION_IDS.filter((each) => GIVES[each](catalog.features(entry), entry))),
    );
}

/** Rungs that prepare for it, those in the given position first, then the coolest. */
export function preparersOf(catalog: Catalog, preparation: Preparation, position: string): RungEntry[] {
  const near = (entry: RungEntry) => (entry.position === position ? 0 : 1);
  return catalog.rungs
    .filter((entry) => prepares(catalog, entry, preparation))
    .sort((a, b) => near(a) - near(b) || catalog.heat(a) - catalog.heat(b));
}
