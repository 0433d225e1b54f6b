/** Planned seconds from which the day’s own pace counts in full. Source: contract, “Live”. */
const CERTAIN_SECONDS = 900;

/**
 * How many times as long as planned a class under way takes: what it took so far against what was planned for it, the
 * less the shorter that is.
 * @param taken seconds since it began
 * @param planned seconds planned until then
 * @example dayPace(990, 900) // 1.1
 */
export function dayPace(taken: number, planned: number): number {
  const ratio = planned > 0 && taken > 0 ? taken / planned : 1;
  return Math.exp(Math.log(ratio) * Math.min(1, planned / CERTAIN_SECONDS));
}
