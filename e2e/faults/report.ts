/** One line of what was tried: what, what came of it, and whether that is as promised. */
export interface Row {
  readonly what: string;
  readonly measured: string;
  readonly holds: boolean;
  readonly faults?: readonly string[];
}
