import type { Log, PlannedDay } from '../logSchema';

type PlannedBlock = NonNullable<PlannedDay['blocks']>[number];

/** One pass of a block, as it was planned that day: seconds. */
export interface PlannedSlot {
  readonly block: PlannedBlock;
  /** Its place among its block's passes, from 0. */
  readonly pass: number;
  /** An interlude's seconds are its work, and are as planned for everybody. */
  readonly interlude: boolean;
  /** With options in the first pass. */
  readonly setup: number;
  readonly work: number;
  readonly reps: number | undefined;
  /** The way to it from the slot before: a change of position, of props or of side. */
  readonly way: number;
  /** After it: its block's, where it is the last pass. */
  readonly rest: number;
}

/** What of a slot was measured: seconds since the class began. */
export interface DoneSlot {
  readonly planned: PlannedSlot;
  /** Its place in the plan. */
  readonly at: number;
  readonly start: number | undefined;
  readonly end: number | undefined;
  readonly setup: number | undefined;
  readonly work: number | undefined;
  readonly reps: number | undefined;
}

/** The passes of a plan in the order they were to be done. */
export function slotsOf({ blocks = [], openingSeconds = 0 }: PlannedDay): PlannedSlot[] {
  const found = blocks.flatMap((block) =>
    (block.passes ?? []).map((own, pass) => ({ block, own, pass, last: pass === (block.passes?.length ?? 0) - 1 })),
  );
  const timed = found.every(({ own }) => own.startSeconds !== undefined);
  if (timed) found.sort((a, b) => (a.own.startSeconds as number) - (b.own.startSeconds as number));
  let end = openingSeconds;
  return found.map(({ block, own, pass, last }): PlannedSlot => {
    const setup = (own.setup ?? 0) + (pass === 0 ? (block.options ?? 0) : 0);
    const work = own.work ?? 0;
    const said = pass === 0 ? (block.change ?? 0) : (block.sideChange ?? 0);
    const way = timed ? Math.max(0, (own.startSeconds as number) - end) : said;
    const rest = last ? (block.rest ?? 0) : 0;
    end = (own.startSeconds ?? 0) + setup + work + rest;
    return { block, pass, interlude: block.exercise === undefined, setup, work, reps: own.reps, way, rest };
  });
}

/** What was done as planned of a log, in the order it was to be done; and the other things that were done between. */
export function doneIn(log: Log, slots: readonly PlannedSlot[]): DoneSlot[] {
  const done: DoneSlot[] = [];
  for (const { id, did, passes = [] } of log.blocks ?? []) {
    if (did !== 'planned') continue;
    const own = slots.flatMap((planned, at) => (planned.block.id === id ? [{ planned, at }] : []));
    passes.forEach((pass, i) => {
      const side = pass.side ?? undefined;
      const same = own.find(({ planned }) => side !== undefined && planned.block.passes?.[planned.pass]?.side === side);
      const slot = same ?? own[i];
      if (!slot) return;
      const { startSeconds: start, setupSeconds: setup, workSeconds: work } = pass;
      const summed = start === undefined || work === undefined ? undefined : start + (setup ?? 0) + work;
      done.push({ ...slot, start, end: pass.endSeconds ?? summed, setup, work, reps: pass.reps });
    });
  }
  return done.sort((a, b) => a.at - b.at);
}

/** Whether everything was done as it was planned, and nothing else. */
export const wholly = ({ blocks = [] }: Log): boolean => blocks.every(({ did }) => did === 'planned');

/** Repetitions done as a share of those planned; 1 where nobody counted. */
export const shareDone = ({ planned, reps }: DoneSlot): number =>
  reps === undefined || !planned.reps ? 1 : reps / planned.reps;
