import type { PlaceId } from '../../body';
import type { Catalog } from '../../repertoire/catalog';
import type { Prop } from '../../repertoire/exercise';

/** What lies between two blocks: a way through the positions, and props put away and taken. */
export interface Change {
  readonly seconds: number;
  /** Of them, those spent moving and settling. */
  readonly movingSeconds: number;
  /** Places passed, both ends included; one place when nothing moves. */
  readonly places: readonly PlaceId[];
  readonly taken: readonly Prop[];
  readonly putAway: readonly Prop[];
}

const NONE: readonly Prop[] = [];
const stays = new Map<PlaceId, Change>();

/** Nobody moves and nothing is fetched. */
function staying(place: PlaceId): Change {
  const known = stays.get(place);
  if (known) return known;
  const change: Change = { seconds: 0, movingSeconds: 0, places: [place], taken: NONE, putAway: NONE };
  stays.set(place, change);
  return change;
}

/** How people get from place to place. */
export interface Mover {
  /** Multiplies the seconds of the way. */
  readonly pace: number;
  /** From the back up by the side. */
  readonly overSide: boolean;
  /** How many times as long changes take with who teaches, of position, of props and of side. */
  readonly factor: number;
}

/**
 * Seconds along the shortest path times the audience's pace, settling on arrival, and every prop taken or put away;
 * getting onto something large and unstable and off it takes longer. Inside the same place with the same props: 0.
 */
export function changeBetween(
  catalog: Catalog,
  from: PlaceId,
  to: PlaceId,
  held: readonly Prop[],
  wanted: readonly Prop[],
  { pace, overSide, factor }: Mover,
): Change {
  const sameProps = held === wanted || (held.length === 0 && wanted.length === 0);
  if (from === to && sameProps) return staying(to);
  const { method, graph } = catalog;
  const taken = sameProps ? NONE : wanted.filter((prop) => !held.some(({ id }) => id === prop.id));
  const putAway = sameProps ? NONE : held.filter((prop) => !wanted.some(({ id }) => id === prop.id));
  if (from === to && taken.length === 0 && putAway.length === 0) return staying(to);
  let handling = 0;
  for (const prop of taken) handling += handlingSeconds(prop, method) + (mounts(prop) ? method.mountSeconds : 0);
  for (const prop of putAway) handling += handlingSeconds(prop, method) + (mounts(prop) ? method.dismountSeconds : 0);
  const path = from === to ? null : graph.path(from, to, overSide);
  const movingSeconds = path ? (path.seconds * pace + method.settleSeconds) * factor : 0;
  return {
    seconds: movingSeconds + handling * factor,
    movingSeconds,
    places: path ? path.places : [from],
    taken,
    putAway,
  };
}

const handlingSeconds = ({ large }: Prop, method: Catalog['method']): number =>
  large ? method.largePropSeconds : method.propSeconds;

/** One gets onto what is both large and unstable. */
const mounts = ({ large, unstable }: Prop): boolean => large === true && unstable === true;
