import type { Catalog, RungEntry } from './catalog';
import { featureAt, type RungFeatures } from './features';
import type { Preparation } from './preparations';

/** A rung hotter than this wants preparing itself. */
const PREPARES_BELOW = 32;

/** How a rung is seen to prepare: read from what it does, so that a new exercise prepares the moment its poses exist. */
const GIVES: Readonly<Record<Preparation, (features: RungFeatures, entry: RungEntry) => boolean>> = {
  'breath-found': ({ peaks }, { rung }) =>
    peaks.legLever < 1 &&
    peaks.curlLever < 1 &&
    rung.phases.some(({ breath }) => breath === 'in') &&
    rung.phases.some(({ breath }) => breath === 'out'),
  'spine-articulated': (_features, { exercise }) => exercise.directions.includes('articulation'),
  'hamstrings-lengthened': ({ peaks }) => peaks.hamstrings >= 50,
  'shoulders-placed': (features, { rung }) =>
    features.peaks.armOverhead >= 80 || featureAt(features, 'armsBearing', rung.dose) > 0,
  'hips-opened': ({ peaks }, { rung, like }) =>
    like !== 'standing' && Object.values(rung.poses).some(({ hip }) => opened(hip)) && peaks.hipFlexion < 120,
  'wrists-warmed': (features, { rung }) => featureAt(features, 'extendedWrists', rung.dose) > 0,
};

const opened = (hip: number | { left?: number | undefined; right?: number | undefined } | undefined): boolean =>
  (typeof hip === 'object' ? Math.min(hip.left ?? 0, hip.right ?? 0) : (hip ?? 0)) <= -8;

/** Whether a rung, done earlier in the class, prepares for it. */
export const prepares = (catalog: Catalog, entry: RungEntry, preparation: Preparation): boolean =>
  catalog.heat(entry) < PREPARES_BELOW && GIVES[preparation](catalog.features(entry), entry);

/** Rungs that prepare for it, those in the given position first, then the coolest. */
export function preparersOf(catalog: Catalog, preparation: Preparation, position: string): RungEntry[] {
  const near = (entry: RungEntry) => (entry.exercise.position === position ? 0 : 1);
  return catalog.rungs
    .filter((entry) => prepares(catalog, entry, preparation))
    .sort((a, b) => near(a) - near(b) || catalog.heat(a) - catalog.heat(b));
}
