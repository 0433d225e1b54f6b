/** Least squares by normal equations: a dozen unknowns, so that a dense elimination is the quickest there is. */
export class LeastSquares {
  readonly #size: number;
  readonly #left: Float64Array;
  readonly #right: Float64Array;

  constructor(size: number) {
    this.#size = size;
    this.#left = new Float64Array(size * size);
    this.#right = new Float64Array(size);
  }

  /** An unknown wants its whole change, with what it has changed already, to be small. */
  keep(i: number, already: number, gives: number): void {
    const weight = 1 / (gives * gives);
    this.#left[i * this.#size + i] = (this.#left[i * this.#size + i] as number) + weight;
    this.#right[i] = (this.#right[i] as number) - weight * already;
  }

  /** A row of derivatives wants to come to a value. */
  want(row: ArrayLike<number>, value: number, gives: number): void {
    const weight = 1 / (gives * gives);
    for (let i = 0; i < this.#size; i++) {
      const own = row[i] as number;
      if (own === 0) continue;
      this.#right[i] = (this.#right[i] as number) + weight * own * value;
      // The matrix is symmetric: its lower half is all that is read.
      for (let j = 0; j <= i; j++) {
        const at = i * this.#size + j;
        this.#left[at] = (this.#left[at] as number) + weight * own * (row[j] as number);
      }
    }
  }

  /** Cholesky: the matrix is symmetric and, with every unknown kept, positive. */
  solve(): Float64Array {
    const n = this.#size;
    const l = this.#left;
    const x = this.#right;
    for (let j = 0; j < n; j++) {
      for (let i = j; i < n; i++) {
        let sum = l[i * n + j] as number;
        for (let k = 0; k < j; k++) sum -= (l[i * n + k] as number) * (l[j * n + k] as number);
        l[i * n + j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / (l[j * n + j] as number);
      }
    }
    for (let i = 0; i < n; i++) {
      let sum = x[i] as number;
      for (let k = 0; k < i; k++) sum -= (l[i * n + k] as number) * (x[k] as number);
      x[i] = sum / (l[i * n + i] as number);
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = x[i] as number;
      for (let k = i + 1; k < n; k++) sum -= (l[k * n + i] as number) * (x[k] as number);
      x[i] = sum / (l[i * n + i] as number);
    }
    return x;
  }
}
