/** How something that holds and lets go runs through a stretch of time: in counts, or in seconds. */
export interface Run {
  /** How much of it in which it holds; what counts half counts half. */
  readonly total: number;
  /** From the beginning until it first lets go; all of it when it never does. */
  readonly lead: number;
  /** From where it last began until the end; all of it when it never lets go. */
  readonly tail: number;
  /** The longest without a break. */
  readonly longest: number;
  /** It never lets go. */
  readonly whole: boolean;
}

/** A run, and how long the whole stretch is. */
export interface Span {
  readonly run: Run;
  readonly length: number;
}

/** The same in other units. */
export const scaled = ({ total, lead, tail, longest, whole }: Run, counts: number, by: number): Span => ({
  run: { total: total * by, lead: lead * by, tail: tail * by, longest: longest * by, whole },
  length: counts * by,
});

/** A stretch of time that holds throughout, or not at all. @param share how much of it counts where it holds */
export function span(holding: boolean, seconds: number, share = 1): Span {
  const all = seconds * share;
  return {
    run: holding
      ? { total: all, lead: all, tail: all, longest: all, whole: true }
      : { total: 0, lead: 0, tail: 0, longest: 0, whole: false },
    length: seconds,
  };
}

/** One part so many times over; half a repetition counts as half of it. */
export function repeated({ run, length }: Span, times: number): Span {
  if (run.whole) {
    const all = run.total * times;
    return { run: { total: all, lead: all, tail: all, longest: all, whole: true }, length: length * times };
  }
  const joint = times >= 2 ? run.tail + run.lead : 0;
  return {
    run: {
      total: run.total * times,
      lead: run.lead,
      tail: run.tail,
      longest: Math.max(run.longest, joint),
      whole: false,
    },
    length: length * times,
  };
}

/** Parts one after another. */
export function joined(parts: readonly Span[]): Span {
  let [total, longest, running, lead, length] = [0, 0, 0, 0, 0];
  let whole = true;
  for (const { run, length: own } of parts) {
    if (own === 0) continue;
    total += run.total;
    length += own;
    longest = Math.max(longest, run.longest, running + run.lead);
    if (whole) lead += run.lead;
    running = run.whole ? running + run.total : run.tail;
    whole = whole && run.whole;
  }
  return { run: { total, longest, lead, tail: running, whole: whole && length > 0 }, length };
}
