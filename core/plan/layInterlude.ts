import type { PlaceId } from '../body';
import type { Pacing } from './blockTime';
import { changeBetween } from './change';
import { type ClassPlan, type Interlude, isInterlude } from './class';
import type { Ground } from './ground';
import type { LaidInterlude } from './laid';
import type { Stance } from './laying';

/** An interlude where it stands: it may move people, and lasts at least as long as its words. */
export function layInterlude(
  ground: Ground,
  plan: ClassPlan,
  block: Interlude,
  index: number,
  stance: Stance,
): LaidInterlude {
  const { catalog, pacing, mover, firstSide } = ground;
  const { graph } = catalog;
  const from = stance.place;
  const moves = block.position !== undefined && (from === null || !graph.placesOf(block.position).includes(from));
  // Before anything says where people are, they are where the first part that says so finds them.
  const place = moves ? graph.placeOn(block.position as string, firstSide) : (from ?? firstPlace(ground, plan, index));
  const change = changeBetween(catalog, from ?? place, place, stance.props, stance.props, mover);
  const seconds = interludeSeconds(block, pacing);
  return {
    kind: 'interlude',
    block,
    entry: block.rung === undefined ? null : (catalog.rungByKey(block.rung) ?? null),
    change,
    seconds,
    position: positionAt(place),
    uncertain: { work: 0, setup: 0, setupUnknown: 0, changes: change.seconds, rest: seconds },
  };
}

/** The position a place belongs to: lying on either side is one position. */
const positionAt = (place: PlaceId): string => (place.startsWith('side-') ? 'side-lying' : place);

function firstPlace({ catalog, firstSide }: Ground, plan: ClassPlan, from: number): PlaceId {
  for (const block of plan.blocks.slice(from)) {
    const position = isInterlude(block) ? block.position : catalog.rung(block)?.position;
    if (position !== undefined) return catalog.graph.placeOn(position, firstSide);
  }
  return 'standing';
}

/** Seconds of an interlude: as given, and a talk at least its words. */
function interludeSeconds({ interlude, seconds, words }: Interlude, { wordsPerMinute }: Pacing): number {
  if (interlude !== 'talk' || !words) return seconds;
  return Math.max(seconds, (wordsIn(words) * 60) / wordsPerMinute);
}

/** Words are runs between spaces that hold a letter or a digit. */
function wordsIn(lines: readonly string[]): number {
  const known = counted.get(lines);
  if (known !== undefined) return known;
  const words = lines.flatMap((line) => line.split(/\s+/)).filter((each) => /[\p{L}\p{N}]/u.test(each)).length;
  counted.set(lines, words);
  return words;
}
const counted = new WeakMap<readonly string[], number>();
