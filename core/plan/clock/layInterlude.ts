import type { PlaceId } from '../../body';
import type { Prop } from '../../repertoire/exercise';
import { speechSeconds } from '../../vocabulary/words/words';
import { type ClassPlan, type Interlude, isInterlude } from '../class';
import { changeBetween } from '../edits/change';
import { wordsInInterlude } from '../spokenWords';
import type { Pacing } from './blockTime';
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
  const props = block.props?.flatMap((id) => catalog.prop(id) ?? []) ?? NO_PROPS;
  const change = changeBetween(catalog, from ?? place, place, stance.props, beside(stance.props, props), mover);
  const seconds = interludeSeconds(block, pacing);
  return {
    kind: 'interlude',
    props,
    block,
    entry: block.rung === undefined ? null : (catalog.rungByKey(block.rung) ?? null),
    change,
    seconds,
    position: positionAt(place),
    uncertain: { work: 0, setup: 0, setupUnknown: 0, changes: change.seconds, rest: seconds },
  };
}

const NO_PROPS: readonly Prop[] = [];

/** What is in hand stays in hand; its own props are fetched beside it. */
function beside(held: readonly Prop[], own: readonly Prop[]): readonly Prop[] {
  const fetched = own.filter(({ id }) => held.every((prop) => prop.id !== id));
  return fetched.length === 0 ? held : [...held, ...fetched];
}

/** Seconds of a pause after which people still go on in the shape they waited in. Source: docs/timing.md. */
const SHORT_PAUSE = 20;

/** Where the walk stands after an interlude. */
export function stanceAfter({ block, change, seconds }: LaidInterlude, before: Stance): Stance {
  const { place, props, since } = before;
  const short = seconds <= SHORT_PAUSE && block.rung === undefined && change.places.length === 1;
  return {
    ...before,
    place: place === null && block.position === undefined ? null : (change.places.at(-1) as PlaceId),
    props: change.taken.length === 0 ? props : [...props, ...change.taken],
    since: short && since === 'nothing' ? 'a pause' : 'more',
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

/** Seconds of an interlude: as given, and at least its words. */
const interludeSeconds = (block: Interlude, { wordsPerMinute }: Pacing): number =>
  Math.max(block.seconds, speechSeconds(wordsInInterlude(block), wordsPerMinute));
