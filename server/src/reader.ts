import { parentPort } from 'node:worker_threads';
import { studioOf } from '@warm-ladder/core/formats';
import { seriesHandouts, spokenIn, wholeTerm } from '@warm-ladder/core/handouts';
import { packageOf } from '@warm-ladder/core/package';
import { handOut, pagesOf } from './handouts/handOut';
import { calendarOf } from './series/calendarOf';
import { digest, zipped } from './series/packed';
import { sentError } from './threads/messages';
import { READS, type Reading } from './threads/reading';
import type { FromThread, MakeName, ReadName, Tasks, ToThread } from './threads/tasks';

/*
 * A thread that reads what is sent to the server and makes the pages it is asked for: what takes long there holds
 * nobody else up. It does one task at a time (`Readers`).
 */

const MAKES: { readonly [K in MakeName]: (given: Tasks[K]['given']) => Promise<Tasks[K]['said']> } = {
  handout: async ({ bundle, id, form, teacher, today, wanted }) => {
    const spoken = spokenIn(studioOf(bundle, { teacher, today }), id, form);
    return spoken && handOut(spoken, wanted);
  },
  sheets: async ({ paper, ...given }) => {
    const found = seriesIn(given);
    return found && pagesOf(seriesHandouts(found.whole, found.series), paper);
  },
  calendar: async (given) => {
    const found = seriesIn(given);
    return found && calendarOf(found.whole, [found.series]);
  },
  termSheet: async ({ bundle, today, from, to, paper }) =>
    pagesOf([wholeTerm(studioOf(bundle, { today }), { from, to })], paper),
  termCalendar: async ({ bundle, today }) => {
    const whole = studioOf(bundle, { today });
    return calendarOf(whole, whole.allSeries);
  },
  package: async (given) => {
    const found = seriesIn(given);
    return found && zipped(await packageOf(found.whole, found.series, digest));
  },
};

function seriesIn({ bundle, id, today }: Tasks['calendar']['given']) {
  const whole = studioOf(bundle, { today });
  const series = whole.seriesOf(id);
  return series ? { whole, series } : null;
}

const port = parentPort;
const tell = (message: FromThread): void => port?.postMessage(message);

/** Characters of items sent at once: as much as who takes them reads without holding others up. */
const MOST_AT_ONCE = 200_000;
/** What an item costs beside its text. */
const ITEM = 100;

const weightOf = (item: unknown): number =>
  typeof item === 'object' && item !== null
    ? Object.values(item).reduce((sum, part) => sum + (typeof part === 'string' ? part.length : 0), ITEM)
    : ITEM;

/** The word that the last items were taken. */
let taken: () => void = () => {};

/** Sends what a reading gives, so much at a time, each once the one before was taken. */
async function sent(reading: Reading<ReadName>): Promise<unknown> {
  let items: unknown[] = [];
  let weight = 0;
  const flush = async () => {
    if (items.length === 0) return;
    const heard = new Promise<void>((resolve) => {
      taken = resolve;
    });
    tell({ items });
    items = [];
    weight = 0;
    await heard;
  };
  for (;;) {
    const step = reading.next();
    if (step.done) {
      await flush();
      return step.value;
    }
    if (step.value === undefined) continue;
    items.push(step.value);
    weight += weightOf(step.value);
    if (weight > MOST_AT_ONCE) await flush();
  }
}

function done(asked: Exclude<ToThread, { taken: true }>): Promise<unknown> {
  switch (asked.task) {
    case 'bundle':
      return sent(READS.bundle(asked.given));
    case 'changes':
      return sent(READS.changes(asked.given));
    case 'document':
      return sent(READS.document(asked.given));
    case 'edited':
      return sent(READS.edited(asked.given));
    case 'table':
      return sent(READS.table(asked.given));
    case 'handout':
      return MAKES.handout(asked.given);
    case 'sheets':
      return MAKES.sheets(asked.given);
    case 'calendar':
      return MAKES.calendar(asked.given);
    case 'termSheet':
      return MAKES.termSheet(asked.given);
    case 'termCalendar':
      return MAKES.termCalendar(asked.given);
    case 'package':
      return MAKES.package(asked.given);
  }
}

port?.on('message', async (message: ToThread) => {
  if ('taken' in message) return taken();
  try {
    tell({ said: await done(message) });
  } catch (error) {
    tell({ error: sentError(error) });
  }
});
