/** Prints one figure as one line of JSON: its name, its value and unit, and the bound it must keep. */
export function report(name: string, value: number, unit: string, bound: number, loop?: number): void {
  const figure = { name, value: round(value), unit, bound, ratio: round(value / bound) };
  // The reference loop's own time says how quick the machine is just now: the quotient can be compared between runs.
  console.log(JSON.stringify(loop === undefined ? figure : { ...figure, loops: round(value / loop) }));
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

export const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? Number.NaN;

/** Rounds a figure is taken in: at least and at most, and the milliseconds between two, so that a disturbance passes. */
const [LEAST, MOST, APART] = [3, 12, 1000];

/**
 * Takes and prints a figure as an idle machine gives it: whatever else runs on this one only adds to what a piece of work
 * takes, so of a few rounds the quietest tells. While that is over the bound there are more of them.
 * @returns the figure
 */
export async function figure(
  name: string,
  unit: string,
  bound: number,
  round: () => number | Promise<number>,
  loop?: number,
): Promise<number> {
  const least = await quietest(bound, round);
  report(name, least, unit, bound, loop);
  return least;
}

/** The quietest of a few rounds. */
export async function quietest(bound: number, round: () => number | Promise<number>): Promise<number> {
  let least = await round();
  for (let rounds = 1; rounds < LEAST || (rounds < MOST && least > bound); rounds++) {
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
