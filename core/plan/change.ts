import type { PlaceId } from '../body';
import type { Catalog } from '../repertoire/catalog';
import type { Prop } from '../repertoire/exercise';

/** What lies between two blocks: a way through the positions, and props put away and taken. */
export interface Change {
  readonly seconds: number;
  /** Places passed, both ends included; one place when nothing moves. */
  readonly places: readonly PlaceId[];
  readonly taken: readonly Prop[];
  readonly putAway: readonly Prop[];
}

/**
 * Seconds along the shortest path times the audience's pace, settling on arrival, and every prop taken or put away.
 * Inside the same place with the same props: 0.
 */
export function changeBetween(
  catalog: Catalog,
  from: PlaceId,
  to: PlaceId,
  held: readonly Prop[],
  wanted: readonly Prop[],
  pace: number,
): Change {
  const { method, graph } = catalog;
  const path = graph.path(from, to);
  const taken = wanted.filter((prop) => !held.some(({ id }) => id === prop.id));
  const putAway = held.filter((prop) => !wanted.some(({ id }) => id === prop.id));
  const props = [...taken, ...putAway].reduce(
    (sum, { large }) => sum + (large ? method.largePropSeconds : method.propSeconds),
    0,
  );
  const moving = from === to ? 0 : path.seconds * pace + method.settleSeconds;
  return { seconds: moving + props, places: from === to ? [from] : path.places, taken, putAway };
}
