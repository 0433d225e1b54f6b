import { type Catalog, LOAD_IDEAS, LOAD_WORDS, meanLoad, type RungEntry } from '@warm-ladder/core/repertoire';

/** Loads under this many N·m are not worth a line. */
const TELLING = 0.5;

/** Each load a rung has, at most and on average over a repetition. */
export function loadLines(catalog: Catalog, entry: RungEntry): string[] {
  const { load } = catalog.measures(entry);
  const mean = meanLoad(catalog.course(entry));
  return LOAD_IDEAS.flatMap((idea) => {
    const peak = load[idea] ?? 0;
    if (peak < TELLING) return [];
    return [`${LOAD_WORDS[idea]} ${peak.toFixed(0)} N·m at most, ${(mean[idea] ?? 0).toFixed(0)} on average`];
  });
}
