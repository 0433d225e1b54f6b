import type { ClassMeasure, Severity } from '../review';

/** How a class stands: how many findings of each kind, its score, its length and how often people change position. */
export interface Standing extends Readonly<Record<Severity, number>> {
  readonly score: number;
  readonly seconds: number;
  readonly positionChanges: number;
}

export function standingOf({ raised, score, timed }: ClassMeasure): Standing {
  let [stop, fix, look] = [0, 0, 0];
  for (const { severity } of raised) {
    if (severity === 'stop') stop += 1;
    else if (severity === 'fix') fix += 1;
    else look += 1;
  }
  const positionChanges = timed.sequence.filter(({ change }) => change.places.length > 1).length;
  return { stop, fix, look, score: score.total, seconds: timed.seconds, positionChanges };
}
