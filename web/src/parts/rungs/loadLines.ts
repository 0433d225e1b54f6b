import {
  type Catalog,
  heaviestLoad,
  LOAD_IDEAS,
  LOAD_WORDS,
  meanLoad,
  type RungEntry,
} from '@warm-ladder/core/repertoire';

/** Loads under this many N·m are not worth a line. */
const TELLING = 0.5;

/** Each load a rung has, at most and on average over a repetition. */
export function loadLines(catalog: Catalog, entry: RungEntry): string[] {
  const course = catalog.course(entry).rep;
  const [most, mean] = [heaviestLoad(course), meanLoad(course)];
  return LOAD_IDEAS.flatMap((idea) => {
    const peak = most[idea] ?? 0;
    if (peak < TELLING) return [];
    return [`${LOAD_WORDS[idea]} ${peak.toFixed(0)} N·m at most, ${(mean[idea] ?? 0).toFixed(0)} on average`];
  });
}
