import { type Pose, SIDES, type Side, supportsOf } from '@warm-ladder/core/body';
import type { Handle, Moved } from './drag';

/** What of a body can rest at the place one takes hold of, the nearest first. */
export const RESTS: Readonly<Record<Handle['name'], readonly string[]>> = {
  knee: ['knee', 'shin', 'thigh'],
  ankle: ['foot', 'heel', 'toe'],
  elbow: ['elbow', 'forearm'],
  wrist: ['hand', 'fist', 'forearm'],
  hip: ['pelvis'],
  ribs: ['ribs'],
  shoulder: ['shoulders'],
  head: ['head'],
};
export const sidesOf = ({ side }: Handle, moved: Moved): readonly Side[] =>
  side === null ? [] : moved === 'both' ? SIDES : [moved];
/** A part by the sides it is meant for: itself where it has none. */
export const named = (part: string, sides: readonly Side[]): string[] =>
  sides.length === 0 ? [part] : sides.map((side) => `${part}.${side}`);

/** Whether anything rests at a handle, on every side it stands for. */
export function restsAt(pose: Pose, handle: Handle, moved: Moved): boolean {
  const bearing = supportsOf(pose);
  return RESTS[handle.name].some((part) => named(part, sidesOf(handle, moved)).every((each) => bearing.has(each)));
}
