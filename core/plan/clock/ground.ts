import type { Side } from '../../body';
import type { Catalog } from '../../repertoire/catalog';
import type { Mover } from '../edits/change';
import type { Pacing } from './blockTime';
import { sameFactors } from './pace';

/** All that laying out asks beside the blocks; the same object for the same room. */
export interface Ground {
  readonly catalog: Catalog;
  readonly pacing: Pacing;
  readonly mover: Mover;
  /** The side things begin on where no block says: the class's, else the house's. */
  readonly firstSide: Side;
}

/** Grounds kept of a catalogue, the last that were asked for: looking through few costs less than a key. */
const KEPT = 64;
const grounds = new WeakMap<Catalog, Ground[]>();

/** The ground of a class, one object for all that are taught alike. */
export function groundFor(
  catalog: Catalog,
  pacing: Pacing,
  overSide: boolean,
  firstSide: Side = catalog.method.firstSide,
): Ground {
  let own = grounds.get(catalog);
  if (!own) {
    own = [];
    grounds.set(catalog, own);
  }
  for (const ground of own) {
    const alike = ground.firstSide === firstSide && ground.mover.overSide === overSide;
    if (alike && samePacing(ground.pacing, pacing)) return ground;
  }
  const mover = { pace: pacing.pace, overSide, factor: pacing.factors.change ?? 1 };
  const ground: Ground = { catalog, pacing, mover, firstSide };
  own.push(ground);
  if (own.length > KEPT) own.shift();
  return ground;
}

const samePacing = (a: Pacing, b: Pacing): boolean =>
  a.pace === b.pace &&
  a.tempo === b.tempo &&
  a.wordsPerMinute === b.wordsPerMinute &&
  sameFactors(a.factors, b.factors);
