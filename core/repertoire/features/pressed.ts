import {
  apart,
  FLESH,
  type FleshyPart,
  type Point,
  type PressedPart,
  restingPoint,
  type Side,
  type Skeleton,
} from '../../body';
import type { Prop } from '../exercise';
import { propShape } from '../measuring/propShape';

/** What a part that presses is called where it rests. */
const RESTING: Readonly<Partial<Record<string, FleshyPart>>> = { ankle: 'heel', hips: 'pelvis' };

/** A part that presses, by the name it has where it rests: `ankle.left` as `heel.left`. */
export function restingNameOf(part: PressedPart): string {
  const [name = '', side] = part.split('.');
  return [RESTING[name] ?? name, ...(side ? [side] : [])].join('.');
}

/** Metres across of a prop that is pressed and says no size, by what it looks like. */
const ACROSS_M = { ball: 0.22, other: 0.12 } as const;

/** Metres across of a prop that is pressed between two parts. */
export const pressedAcross = (prop: Prop): number =>
  prop.heightM ?? (propShape(prop) === 'ball' ? ACROSS_M.ball : ACROSS_M.other);

/** Metres that two parts leave between them, flesh aside; below 0 where they are in each other. */
export function gapBetween(
  bones: Skeleton,
  [one, other]: readonly [PressedPart, PressedPart],
  heightM: number,
): number {
  const [a, b] = [placeOf(bones, one), placeOf(bones, other)];
  if (!a || !b) return 0;
  return apart(a.at, b.at) - (a.flesh + b.flesh) * heightM;
}

function placeOf(bones: Skeleton, pressed: PressedPart): { at: Point; flesh: number } | null {
  const [part, side = 'left'] = restingNameOf(pressed).split('.') as [FleshyPart, Side?];
  const at = restingPoint(bones, part, side);
  return at && { at, flesh: FLESH[part] };
}
