import type { Log } from './logSchema';

type LoggedBlock = NonNullable<Log['blocks']>[number];
type LoggedPass = NonNullable<LoggedBlock['passes']>[number];

/** One side of a block of a log, by its place: as it stands in the log. */
export interface PassAt {
  readonly block: string;
  /** From 0. */
  readonly pass: number;
}

interface Placed extends PassAt {
  readonly own: LoggedPass;
  readonly start: number;
  readonly end: number;
}

/** Seconds that a side lasts at least. */
const LEAST = 1;

/** Sides of a log in the order they began; one without an end lasts until the next begins. */
export function passesInTime({ blocks = [], endedSeconds }: Log): Placed[] {
  const found = blocks
    .flatMap(({ id, passes = [] }) =>
      passes.flatMap((own, pass) =>
        own.startSeconds === undefined ? [] : [{ block: id, pass, own, start: own.startSeconds }],
      ),
    )
    .sort((a, b) => a.start - b.start);
  return found.map((each, i) => ({
    ...each,
    end: each.own.endSeconds ?? found[i + 1]?.start ?? Math.max(each.start + LEAST, endedSeconds ?? 0),
  }));
}

/**
 * A log with the border of a side moved. Its work begins where it did unless that would be before its start; what stood
 * before it ends no later than it begins.
 * @param seconds since the class began; kept between the neighbours
 */
export function withBorder(log: Log, at: PassAt, edge: 'start' | 'end', seconds: number): Log {
  const all = passesInTime(log);
  const place = all.findIndex(({ block, pass }) => block === at.block && pass === at.pass);
  const [before, here, next] = [all[place - 1], all[place], all[place + 1]];
  if (!here) return log;
  const workBegins = here.start + (here.own.setupSeconds ?? 0);
  if (edge === 'end') {
    const most = next?.start ?? Math.max(log.endedSeconds ?? 0, here.end);
    const end = tenths(Math.min(most, Math.max(here.start + LEAST, seconds)));
    return withPass(log, at, lasting(here.own, here.start, Math.min(workBegins, end), end));
  }
  const least = before ? before.start + LEAST : 0;
  const start = tenths(Math.min(here.end - LEAST, Math.max(least, seconds)));
  const moved = withPass(log, at, lasting(here.own, start, Math.max(start, workBegins), here.end));
  if (!before || before.end <= start) return moved;
  const begins = Math.min(before.start + (before.own.setupSeconds ?? 0), start);
  return withPass(moved, before, lasting(before.own, before.start, begins, start));
}

/** A log in which a block’s time counts with the one before it: it was one and the same. */
export function joinedToBefore(log: Log, id: string): Log {
  const all = passesInTime(log);
  const first = all.findIndex(({ block }) => block === id);
  const before = all[first - 1];
  const last = all.findLast(({ block }) => block === id);
  if (!before || !last || before.block === id) return log;
  const begins = before.start + (before.own.setupSeconds ?? 0);
  return withPass(without(log, id), before, lasting(before.own, before.start, begins, last.end));
}

/**
 * A log in which a side ends in its middle, and something else begins there that was not planned: what it was is said
 * next (`withName`).
 * @param id for what begins, new in the log
 */
export function split(log: Log, at: PassAt, id: string): Log {
  const here = passesInTime(log).find(({ block, pass }) => block === at.block && pass === at.pass);
  if (!here || here.end - here.start < 2 * LEAST) return log;
  const middle = tenths((here.start + here.end) / 2);
  const begins = Math.min(here.start + (here.own.setupSeconds ?? 0), middle);
  const shorter = withPass(log, at, lasting(here.own, here.start, begins, middle));
  const added: LoggedBlock = { id, did: 'added', passes: [{ startSeconds: middle, endSeconds: tenths(here.end) }] };
  const place = (shorter.blocks ?? []).findIndex((block) => block.id === at.block);
  return { ...shorter, blocks: (shorter.blocks ?? []).toSpliced(place + 1, 0, added) };
}

/**
 * A log in which what was taken for one block was another of the plan; `null`: it was not planned. The planned block it
 * was taken for is left out then; where the other one was found elsewhere, that was not planned.
 * @param free an id for what was not planned, new in the log
 */
export function withName(log: Log, id: string, name: string | null, free: string): Log {
  const blocks = log.blocks ?? [];
  const here = blocks.find((block) => block.id === id);
  if (!here || name === id) return log;
  const unplanned = ({ passes, note }: LoggedBlock, as: string): LoggedBlock => ({
    id: as,
    did: 'added',
    ...(passes ? { passes: passes.map(({ side: _side, ...pass }) => pass) } : {}),
    ...(note === undefined ? {} : { note }),
  });
  const other = name === null ? undefined : blocks.find((block) => block.id === name);
  const now = blocks.flatMap((block): LoggedBlock[] => {
    if (block === here) {
      if (name === null) return [unplanned(here, free)];
      const { rung: _rung, ...kept } = here;
      return [{ ...kept, id: name, did: 'planned' }];
    }
    if (block !== other) return [block];
    return other.did === 'skipped' ? [] : [unplanned(other, free)];
  });
  return { ...log, blocks: here.did === 'added' ? now : [...now, { id, did: 'skipped' }] };
}

const tenths = (seconds: number): number => Math.round(seconds * 10) / 10;

/** A side with other times: what was measured of it is measured anew where it was known. */
function lasting(own: LoggedPass, start: number, workBegins: number, end: number): LoggedPass {
  return {
    ...own,
    startSeconds: tenths(start),
    ...(own.setupSeconds === undefined ? {} : { setupSeconds: tenths(workBegins - start) }),
    ...(own.workSeconds === undefined ? {} : { workSeconds: tenths(end - workBegins) }),
    endSeconds: tenths(end),
  };
}

const withPass = (log: Log, { block, pass }: PassAt, to: LoggedPass): Log => ({
  ...log,
  blocks: (log.blocks ?? []).map((each) =>
    each.id === block ? { ...each, passes: (each.passes ?? []).map((own, i) => (i === pass ? to : own)) } : each,
  ),
});

/** A log without a block: a planned one was left out. */
const without = (log: Log, id: string): Log => ({
  ...log,
  blocks: (log.blocks ?? []).flatMap((block): LoggedBlock[] =>
    block.id !== id ? [block] : block.did === 'added' ? [] : [{ id, did: 'skipped' }],
  ),
});
