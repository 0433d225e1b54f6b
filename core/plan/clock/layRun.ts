import { mirrored, type PlaceId, type Pose, type Side, sameShape } from '../../body';
import type { Method } from '../../method';
import type { Catalog, RungEntry } from '../../repertoire/catalog';
import { formOf } from '../../repertoire/features/form';
import { liesOnSide } from '../../vocabulary/bodies/position';
import { otherSide } from '../../vocabulary/bodies/side';
import type { Block, RungBlock } from '../class';
import { type Change, changeBetween, type Mover } from '../edits/change';
import { type BlockSeconds, blockSeconds, changesSide } from './blockTime';
import type { Ground } from './ground';
import type { LaidBlock, WorkOnSides } from './laid';
import { type LaidRun, type Laying, refuse, type Stance } from './laying';
import type { UncertainSeconds } from './uncertainty';

/** Lays neighbours that share a run, or one block by itself: a run of one. */
export function layRun(ground: Ground, blocks: readonly Block[], first: number, end: number, from: Stance): LaidRun {
  const run = blocks.slice(first, end) as RungBlock[];
  const { catalog, mover } = ground;
  const { graph } = catalog;
  const entries = run.map((block) => catalog.placed(block) ?? refuse());
  const head = entries[0] as RungEntry;
  const position = head.position;
  const firstSide = sideToStart(ground, head, run[0] as RungBlock, from.place);
  const lies = liesOnSide(position);
  const place = lies ? graph.placeOn(position, firstSide ?? sideOf(from.place) ?? ground.firstSide) : position;
  const turns = firstSide !== null && run.some((block, i) => changesSide(entries[i] as RungEntry, block));
  const second = turns ? otherSide(firstSide) : null;
  const secondPlace = second && lies ? graph.placeOn(position, second) : place;
  const sideChange = turns ? sideChangeSeconds(catalog, place, secondPlace, mover) : 0;
  let stance = from;
  const laying = run.map((block, i): Laying => {
    const entry = entries[i] as RungEntry;
    // A run is one-sided throughout; else the file was refused.
    if (i > 0 && entry.position !== position) refuse();
    const side = entry.sides === 'both' ? null : firstSide;
    const change = changeBetween(catalog, stance.place ?? place, place, stance.props, entry.props, mover);
    const { carries, carryLost } = carrying(block, entry, side, change, stance);
    const twice = changesSide(entry, block);
    const turnsRound = lies || entry.rung.guided === true;
    const inside = i < run.length - 1;
    // Inside a run the next block follows on the first side; after it, on the second.
    const lastSide = inside ? side : lastSideOf(entry, block, side);
    stance = { place: inside ? place : secondPlace, props: entry.props, last: entry, lastSide, since: 'nothing' };
    return {
      block,
      entry,
      change,
      carries,
      carryLost,
      runsOn: inside,
      leadsRun: i === 0 && block.run !== undefined,
      firstSide: side,
      sideChange: inside ? 0 : sideChange,
      setsUpTwice: twice && i === 0 && (block.run !== undefined || turnsRound),
      laid: [undefined, undefined],
    };
  });
  return { laying, to: stance };
}

function lastSideOf({ sides }: RungEntry, { side, mode }: RungBlock, firstSide: Side | null): Side | null {
  if (firstSide === null || side !== undefined) return firstSide;
  return mode === 'show' && sides === 'each' ? firstSide : otherSide(firstSide);
}

/** Whether a block goes on in the last one's shape, as it says or as the poses show. */
function carrying(
  block: RungBlock,
  entry: RungEntry,
  side: Side | null,
  change: Change,
  { last, lastSide, since }: Stance,
): Pick<Laying, 'carries' | 'carryLost'> {
  if (block.carry === false || last === null) return { carries: false, carryLost: block.carry === true };
  const stays =
    change.places.length === 1 &&
    change.taken.length === 0 &&
    change.putAway.length === 0 &&
    last.position === entry.position;
  if (block.carry) return { carries: stays, carryLost: !stays };
  return { carries: stays && since !== 'more' && goesOn(last, lastSide, entry, side), carryLost: false };
}

/** Whether a block's starting shape is the one the last block ended in, each on the side it is done on. */
function goesOn(last: RungEntry, lastSide: Side | null, entry: RungEntry, side: Side | null): boolean {
  const [before, after] = [formOf(last), formOf(entry)];
  if (!before.endPose || !after.startPose) return false;
  const turned = before.drawn !== null && lastSide !== before.drawn;
  const turns = after.drawn !== null && side !== after.drawn;
  return sameShape(turned === turns ? before.endPose : (mirrored(before.endPose) as Pose), after.startPose);
}

const sideOf = (place: PlaceId | null): Side | null =>
  place === 'side-left' ? 'left' : place === 'side-right' ? 'right' : null;

/** Which side begins: the block's own, where people lie already, the class's, the house's. */
function sideToStart(
  ground: Ground,
  { sides, position }: RungEntry,
  { side, firstSide }: RungBlock,
  from: PlaceId | null,
): Side | null {
  if (sides === 'both') return null;
  const lying = liesOnSide(position) ? sideOf(from) : null;
  return side ?? firstSide ?? lying ?? ground.firstSide;
}

/** Turning over in side-lying is a change of place; elsewhere the method's change of side. */
function sideChangeSeconds(
  { graph, method }: { readonly graph: Catalog['graph']; readonly method: Method },
  from: PlaceId,
  to: PlaceId,
  mover: Mover,
): number {
  const seconds =
    from === to
      ? method.sideChangeSeconds
      : graph.path(from, to, mover.overSide).seconds * mover.pace + method.settleSeconds;
  return seconds * mover.factor;
}

/** A block as it is let go, or carried on, with its seconds. */
export function laidAs({ catalog, pacing }: Ground, laying: Laying, carried: boolean): LaidBlock {
  const { block, entry, change, carries, carryLost, runsOn, leadsRun, firstSide, sideChange, setsUpTwice } = laying;
  const time: BlockSeconds = blockSeconds(entry, block, catalog.method, pacing, { carries, carried, setsUpTwice });
  const { setup, work, options, rest, second } = time;
  const both = firstSide !== null && changesSide(entry, block);
  const first = setup + work + options - second.setup - second.work;
  // Written out: a spread into so large an object takes most of the time of a long class.
  return {
    kind: 'block',
    block,
    entry,
    change,
    carries,
    carried,
    carryLost,
    runsOn,
    leadsRun,
    shown: block.mode === 'show',
    firstSide,
    sideChange,
    seconds: setup + work + options + rest + sideChange,
    position: entry.position,
    passes: both ? [first, second.setup + second.work + rest] : [first + rest],
    sides: workOnSides(laying, time),
    uncertain: uncertainOf(time, change.seconds + sideChange),
    setup,
    explained: time.explained,
    spoken: time.spoken,
    setupKnown: time.setupKnown,
    work,
    options,
    rest,
    second,
    count: time.count,
    rep: time.rep,
    entrySeconds: time.entrySeconds,
    exitSeconds: time.exitSeconds,
    sets: time.sets,
    reps: time.reps,
    secondReps: time.secondReps,
  };
}

/** Its seconds by how they vary: a set-up of which only the rung's guess is known varies more. */
function uncertainOf(time: BlockSeconds, changes: number): UncertainSeconds {
  const { work, rest } = time;
  const talk = time.setup + time.options;
  const { setupKnown: known } = time;
  return { work, setup: known ? talk : 0, setupUnknown: known ? 0 : talk, changes, rest };
}

const NEITHER: WorkOnSides = { left: 0, right: 0 };
function workOnSides({ entry, block, firstSide }: Laying, { work, second }: BlockSeconds): WorkOnSides {
  if (firstSide === null) return NEITHER;
  if (entry.sides === 'alternate' && block.side === undefined) return { left: work / 2, right: work / 2 };
  const first = work - second.work;
  return firstSide === 'left' ? { left: first, right: second.work } : { left: second.work, right: first };
}
