import type { Direction } from '../../method';
import type { Feature } from '../../vocabulary/bodies/features';
import type { Catalog, RungEntry } from '../catalog';
import { featureAt } from '../features/features';

/** Parts of the body a substitute can spare, each by the features that load it. */
export const REGIONS = {
  neck: ['headLifted', 'neckWeight', 'rolling'],
  wrists: ['extendedWrists'],
  shoulders: ['armsBearing', 'handLoad'],
  'low back': ['doubleLegLever', 'loadedFlexion', 'bellyMoment', 'backMoment'],
  hips: ['hipFlexion', 'hipAcross'],
  knees: ['kneeling', 'kneeBend'],
} as const satisfies Record<string, readonly Feature[]>;
export type Region = keyof typeof REGIONS;

export interface SubstituteQuery {
  /** Parts to spare: a rung that loads one is left out. */
  readonly spare?: readonly Region[];
  /** Ids of the props at hand; left out, every prop is. */
  readonly equipment?: readonly string[] | undefined;
  /** Further rungs to leave out: those a caution swaps or sends away. */
  readonly allowed?: (entry: RungEntry) => boolean;
}

export interface Substitute {
  readonly entry: RungEntry;
  /** 0 is the same in every way; each difference adds. */
  readonly distance: number;
  /** Heat against the rung it replaces. */
  readonly heatChange: number;
  readonly samePosition: boolean;
  readonly shared: readonly Direction[];
  /** Parts the rung loads and this one does not. */
  readonly spares: readonly Region[];
  /** Ids of props it needs beside those already in hand. */
  readonly fetches: readonly string[];
}

/** What each difference costs: ours, so that a same-place, same-direction rung ten degrees off beats another place. */
const COST = { position: 14, direction: 12, heat: 0.7, prop: 4, ladder: -3 } as const;

/** Seconds at a stretch, or the share of its working range, from which a feature loads its part. */
const LOADS: Partial<Record<Feature, number>> = {
  doubleLegLever: 22,
  loadedFlexion: 25,
  bellyMoment: 55,
  backMoment: 55,
  hipFlexion: 91,
  hipAcross: 5,
  neckWeight: 20,
  kneeBend: 95,
};

/** The parts of the body a rung loads. */
export function regionsLoaded(catalog: Catalog, entry: RungEntry): Region[] {
  return catalog.worth(entry).remembered('regionsLoaded', () => {
    const features = catalog.features(entry);
    const at = (feature: Feature) => featureAt(features, feature, entry.rung.dose, catalog.method);
    return (Object.keys(REGIONS) as Region[]).filter((region) =>
      REGIONS[region].some((feature) => at(feature) > (LOADS[feature] ?? 0)),
    );
  });
}

/**
 * Rungs that can stand in for one: same position and direction at another heat, or the same heat elsewhere; the
 * nearest first. Those that load a part to spare, need a prop that is not there or are not allowed are left out.
 */
export function substitutesFor(catalog: Catalog, entry: RungEntry, query: SubstituteQuery = {}): Substitute[] {
  const { spare = [], equipment, allowed = () => true } = query;
  const heat = catalog.heat(entry);
  const inHand = new Set(entry.rung.props ?? []);
  const loaded = regionsLoaded(catalog, entry);
  return catalog.rungs
    .flatMap((other): Substitute[] => {
      if (other.key === entry.key) return [];
      const shared = other.exercise.directions.filter((each) => entry.exercise.directions.includes(each));
      if (shared.length === 0) return [];
      const fetches = (other.rung.props ?? []).filter((prop) => !inHand.has(prop));
      if (equipment && (other.rung.props ?? []).some((prop) => !equipment.includes(prop))) return [];
      if (!allowed(other)) return [];
      const loads = regionsLoaded(catalog, other);
      if (loads.some((region) => spare.includes(region))) return [];
      const samePosition = other.position === entry.position;
      const heatChange = catalog.heat(other) - heat;
      const strays = entry.exercise.directions.length + other.exercise.directions.length - 2 * shared.length;
      const distance =
        (samePosition ? 0 : COST.position) +
        (strays / 2) * COST.direction +
        Math.abs(heatChange) * COST.heat +
        fetches.length * COST.prop +
        (other.exercise.id === entry.exercise.id ? COST.ladder : 0);
      const spares = loaded.filter((region) => !loads.includes(region));
      return [{ entry: other, distance, heatChange, samePosition, shared, spares, fetches }];
    })
    .sort((a, b) => a.distance - b.distance || a.entry.key.localeCompare(b.entry.key));
}
