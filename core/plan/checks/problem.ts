/** Something in a plan or a file that does not hold together. */
export interface Problem {
  /** Where: the keys and indexes leading to it. */
  readonly path: ReadonlyArray<string | number>;
  /** A whole sentence: what is wrong and what was expected. */
  readonly message: string;
}
