import { SIDES } from '../../vocabulary/bodies/side';
import { type Hand, type HeldPart, type Paired, SINGLE_OF } from './joints';
import { type Pose, type Support, supportsOf } from './pose';

/** Parts named one side at a time, two of a pair written as the pair. */
export function paired(parts: ReadonlySet<string>): Support[] {
  const left = new Set(parts);
  const pairs = (Object.keys(SINGLE_OF) as Paired[]).filter((pair) => {
    const both = SIDES.map((side) => `${SINGLE_OF[pair]}.${side}`);
    if (!both.every((part) => left.has(part))) return false;
    for (const part of both) left.delete(part);
    return true;
  });
  return [...left, ...pairs] as Support[];
}

/** A pose with some parts resting, or no longer; parts are named one side at a time: `foot.left`, `pelvis`. */
export function withSupports(pose: Pose, changed: readonly string[], rest: boolean): Pose {
  const parts = new Set(supportsOf(pose));
  for (const part of changed) {
    if (rest) parts.add(part);
    else parts.delete(part);
  }
  return { ...pose, supports: paired(parts) };
}

/** A pose with a hand holding something, or nothing. @param held a part of the body, or the id of a prop */
export function withHold(pose: Pose, hand: Hand, held: HeldPart | string | null): Pose {
  const { holds: old, ...rest } = pose;
  const { [hand]: _was, ...others } = old ?? {};
  const holds = held === null ? others : { ...others, [hand]: held };
  return Object.keys(holds).length > 0 ? { ...rest, holds } : rest;
}

/** A place a load is held at. */
export type WeightPlace = keyof NonNullable<Pose['weights']>;

/** A pose with a load at a place. @param kg 0 for none */
export function withWeight(pose: Pose, place: WeightPlace, kg: number): Pose {
  const { weights: old, ...rest } = pose;
  const { [place]: _was, ...others } = old ?? {};
  const weights = kg > 0 ? { ...others, [place]: kg } : others;
  return Object.keys(weights).length > 0 ? { ...rest, weights } : rest;
}
