/** Prints one figure as one line of JSON: its name, its value and unit, and the bound it must keep. */
export function report(name: string, value: number, unit: string, bound: number, loop?: number): void {
  const figure = { name, value: round(value), unit, bound, ratio: round(value / bound) };
  // The reference loop's own time says how quick the machine is just now: the quotient can be compared between runs.
  console.log(JSON.stringify(loop === undefined ? figure : { ...figure, loops: round(value / loop) }));
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

export const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? Number.NaN;

/** Rounds a figure is taken in, and the milliseconds between two: what disturbs one has often passed by the next. */
const [ROUNDS, APART] = [5, 500];

/**
 * A figure as an idle machine gives it: whatever else runs on this one only adds to what a piece of work takes, so of a
 * few rounds the quietest tells.
 */
export function quietest(round: () => number): number {
  let least = round();
  for (let i = 1; i < ROUNDS; i++) {
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, APART);
    least = Math.min(least, round());
  }
  return least;
}

/** The same of what is waited for. */
export async function quietestOf(round: () => Promise<number>): Promise<number> {
  let least = await round();
  for (let i = 1; i < ROUNDS; i++) {
    await new Promise((resolve) => setTimeout(resolve, APART));
    least = Math.min(least, await round());
  }
  return least;
}

/** A fixed piece of work of the core's own kind: small objects made, looked up by word, and added over. */
export function referenceLoop(): number {
  const table = new Map<string, { readonly heat: number; readonly blocks: number[] }>();
  for (let i = 0; i < 2000; i++) {
    const key = `rung-${i % 319}`;
    const known = table.get(key) ?? { heat: i % 100, blocks: [] };
    known.blocks.push(i);
    table.set(key, known);
  }
  let sum = 0;
  for (const { heat, blocks } of table.values()) sum += heat * blocks.filter((block) => block % 3 === 0).length;
  return sum;
}
