/** Prints one figure as one line of JSON: its name, its value and unit, and the bound it must keep. */
export function report(name: string, value: number, unit: string, bound: number): void {
  const rounded = Math.round(value * 1000) / 1000;
  console.log(JSON.stringify({ name, value: rounded, unit, bound, ratio: Math.round((value / bound) * 1000) / 1000 }));
}

export const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? Number.NaN;
