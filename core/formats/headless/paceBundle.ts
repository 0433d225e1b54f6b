import { Catalog } from '../../repertoire';
import { type Pace, paceOf } from '../../taught';
import type { Bundle } from '../file/bundle';
import { tidy } from '../file/tidy';

/** The answer of `pace` (docs/taught.md). */
export interface PaceDocument {
  readonly teacher: string;
  readonly classes: number;
  readonly factors: Pace['kinds'];
  readonly day: number;
  readonly inside: Pace['inside'];
}

/** A teacher's pace, from the logs of a bundle. @returns `null` when the bundle has no such teacher */
export function paceBundle(bundle: Bundle, id: string): PaceDocument | null {
  const teacher = bundle.teachers?.find((each) => each.id === id);
  if (!teacher) return null;
  const { method } = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
  const { classes, kinds, day, inside } = paceOf(bundle.logs ?? [], teacher, method);
  return tidy({ teacher: id, classes, factors: kinds, day, inside });
}
