import type { Method } from '../../method';
import { type Audience, timeClass } from '../../plan';
import { type Catalog, type RungEntry, splitRungKey } from '../../repertoire';
import type { Log } from '../logSchema';
import { countsForPace, doneOf, ownPaceOf } from '../pace';
import { type DoneSlot, shareDone } from '../pace/slots';

/** Classes from which on something is learnt of a rung. Source: contract, “Pace”; so are all figures here. */
const FROM_CLASSES = 3;
/** A rung takes as long as planned between these shares of it. */
const AS_PLANNED = { low: 0.8, high: 1.25 } as const;
/** Share of those present who take a lower option, and of classes that show a fault, from which on it is said. */
const HALF = 0.5;
/** Set-ups are told in steps of five seconds, counts in tenths. */
const [SETUP_STEP, COUNT_STEP] = [5, 0.1] as const;

/** How long something of a rung really takes, against the plan, teachers’ own pace taken out. */
export interface LearntSeconds {
  readonly classes: number;
  /** Median of measured over planned. */
  readonly share: number;
  /** The rung’s own figure, and what it would be. */
  readonly seconds: number;
  readonly offered: number;
}

/** A lower option that is taken so often that it could be the main version. */
interface LearntOption {
  /** The id of its rung in the same ladder. */
  readonly option: string;
  readonly audience: string | undefined;
  readonly classes: number;
  readonly taken: number;
  readonly present: number;
}

/** A fault seen so often that the words or the gate could be others. */
interface LearntFault {
  readonly cue: string;
  readonly seen: number;
  readonly classes: number;
}

/** What classes taught about one rung. */
export interface Learnt {
  /** Classes in which it was done as planned. */
  readonly classes: number;
  readonly setup: LearntSeconds | null;
  /** Seconds of a count. */
  readonly work: LearntSeconds | null;
  readonly options: readonly LearntOption[];
  readonly faults: readonly LearntFault[];
}

interface PacedTeacher {
  readonly id: string;
  readonly tempo?: number | undefined;
}

/** What logs are understood by. */
export interface LearntStudio {
  readonly catalog: Catalog;
  readonly teachers: readonly PacedTeacher[];
  readonly audiences: readonly Audience[];
}

/** One class in which a rung was done. */
interface Doing {
  readonly log: Log;
  readonly block: NonNullable<Log['blocks']>[number];
  readonly slots: readonly DoneSlot[];
}

/**
 * What classes taught about a rung: how long its set-up and its count really take, which option people took, which fault
 * was seen. Rehearsals do not count.
 * @param key of the rung, `exercise/rung`
 * @param logs all there are, of any class and teacher
 */
export function learntOf(key: string, logs: readonly Log[], studio: LearntStudio): Learnt {
  const { catalog, teachers } = studio;
  const doings = doingsOf(key, logs);
  const entry = catalog.rung(splitRungKey(key));
  const paceFor = paces(logs, teachers, catalog.method);
  return {
    classes: doings.length,
    setup: entry ? setupOf(doings, entry.rung.setupSeconds, paceFor) : null,
    work: entry ? workOf(doings, studio, entry, paceFor) : null,
    options: entry ? optionsOf(doings, (option) => isLower(catalog, key, option)) : [],
    faults: faultsOf(doings),
  };
}

/** Every class in which it was done as planned, once each. */
function doingsOf(key: string, logs: readonly Log[]): Doing[] {
  const { exercise, rung } = splitRungKey(key);
  return logs
    .filter(({ source }) => source !== 'rehearsal')
    .flatMap((log): Doing[] => {
      const planned = new Set(
        log.plan?.blocks?.flatMap((each) => (each.exercise === exercise && each.rung === rung ? [each.id] : [])),
      );
      const block = log.blocks?.find(({ id, did }) => did === 'planned' && planned.has(id));
      if (!block || !log.plan) return [];
      const slots = doneOf(log).filter(({ planned: slot }) => planned.has(slot.block.id));
      return [{ log, block, slots }];
    });
}

/** How many times as long a teacher takes for a kind of thing: their pace, or what is typed for them. */
function paces(logs: readonly Log[], teachers: readonly PacedTeacher[], method: Method) {
  const known = new Map<string, ReturnType<typeof ownPaceOf>>();
  return (log: Log, kind: 'setup' | 'work'): number => {
    if (!countsForPace(log)) return 1;
    const id = log.teacher as string;
    const teacher = teachers.find((each) => each.id === id) ?? { id };
    const pace = known.has(id) ? known.get(id) : ownPaceOf(logs, teacher, method);
    known.set(id, pace ?? null);
    return pace?.factors[kind] ?? (kind === 'work' ? (teacher.tempo ?? 1) : 1);
  };
}

type PaceFor = ReturnType<typeof paces>;

/** What one class measured of a rung, and what was planned for it: of its own set-up, as it is taught; of its work. */
function sumsOf(kind: 'setup' | 'work', { slots }: Doing): { measured: number; planned: number; options: number } {
  let [measured, planned, options] = [0, 0, 0];
  for (const slot of slots) {
    const was = slot[kind];
    const { carries, mode = 'teach', options: offers = 0 } = slot.planned.block;
    // A set-up that carries on, or of what only runs, is not the rung's own.
    if (was === undefined || (kind === 'setup' && (carries || mode !== 'teach' || slot.planned.pass > 0))) continue;
    measured += was;
    planned += kind === 'setup' ? slot.planned.setup : slot.planned.work * shareDone(slot);
    if (kind === 'setup') options += offers;
  }
  return { measured, planned, options };
}

/** The set-up as it was measured, without the options offered, is the rung’s own seconds. */
function setupOf(doings: readonly Doing[], seconds: number, paceFor: PaceFor): LearntSeconds | null {
  const told = doings.flatMap((doing) => {
    const { measured, planned, options } = sumsOf('setup', doing);
    const own = measured / paceFor(doing.log, 'setup');
    return measured > 0 && planned > 0 ? [{ share: own / planned, own: Math.max(0, own - options) }] : [];
  });
  const share = median(told.map((each) => each.share));
  const offered = Math.round(median(told.map(({ own }) => own)) / SETUP_STEP) * SETUP_STEP;
  return offeredOf({ classes: told.length, share, seconds, offered });
}

/** A count is as much longer as the work was, over the classes in which it was planned as it is today. */
function workOf(
  doings: readonly Doing[],
  studio: LearntStudio,
  entry: RungEntry,
  paceFor: PaceFor,
): LearntSeconds | null {
  const { catalog } = studio;
  const seconds = entry.rung.dose.secondsPerCount ?? catalog.method.secondsPerCount;
  const isPlannedSo = plannedToday(studio, entry);
  const shares = doings.flatMap((doing) => {
    const { measured, planned } = sumsOf('work', doing);
    const counts = measured > 0 && planned > 0 && isPlannedSo(doing);
    return counts ? [measured / planned / paceFor(doing.log, 'work')] : [];
  });
  const share = median(shares);
  const offered = Number((Math.round((seconds * share) / COUNT_STEP) * COUNT_STEP).toFixed(1));
  return offeredOf({ classes: shares.length, share, seconds, offered });
}

/** Whether the work of a class would be planned as long today: a rung may have been changed since. */
function plannedToday({ catalog, audiences }: LearntStudio, { exercise, rung }: RungEntry): (doing: Doing) => boolean {
  const plan = {
    id: 'c',
    name: 'c',
    delivery: 'group',
    targetMinutes: 1,
    openingSeconds: 0,
    closingSeconds: 0,
  } as const;
  const timed = (of: string | undefined, reps: number): number => {
    const block = { id: 'b1', exercise: exercise.id, rung: rung.id, mode: 'teach', dose: { reps } } as const;
    const audience = audiences.find(({ id }) => id === of);
    const [today] = timeClass(catalog, { ...plan, blocks: [block] }, { audience }).blocks;
    return today ? today.work - today.second.work : 0;
  };
  const known = new Map<string, number>();
  return ({ log, slots }) => {
    const [slot] = slots;
    const reps = Math.max(1, Math.round(slot?.planned.reps ?? 0));
    if (!slot?.planned.reps || slot.planned.work <= 0) return true;
    const key = `${reps} ${log.audience}`;
    const work = known.get(key) ?? timed(log.audience, reps);
    known.set(key, work);
    return Math.abs(Math.log(work / slot.planned.work)) < ALIKE;
  };
}

/** Within this, as a logarithm, two works are planned alike: a class may round and rest a little otherwise. */
const ALIKE = 0.15;

/** Offered from enough classes on, and where it is plainly not what the rung says already. */
function offeredOf(learnt: LearntSeconds): LearntSeconds | null {
  const { classes, share, seconds, offered } = learnt;
  const plainly = (value: number) => value < AS_PLANNED.low || value > AS_PLANNED.high;
  if (classes < FROM_CLASSES || seconds <= 0 || offered <= 0) return null;
  return plainly(share) && plainly(offered / seconds) ? learnt : null;
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const [low = 0, high = 0] = sorted.length % 2 === 1 ? [sorted[middle], sorted[middle]] : sorted.slice(middle - 1);
  return (low + high) / 2;
}

function isLower(catalog: Catalog, key: string, option: string): boolean {
  const main = splitRungKey(key);
  const [it, other] = [catalog.rung(main), catalog.rung({ exercise: main.exercise, rung: option })];
  return it !== undefined && other !== undefined && catalog.heat(other) < catalog.heat(it);
}

/** Lower options by audience: over the classes that know how many were there and who took what. */
function optionsOf(doings: readonly Doing[], lower: (option: string) => boolean): LearntOption[] {
  const found = new Map<
    string,
    { option: string; audience: string | undefined; classes: number; taken: number; present: number }
  >();
  for (const { log, block } of doings) {
    if (!log.present) continue;
    for (const [option, taken] of Object.entries(block.options ?? {})) {
      if (!lower(option)) continue;
      const key = JSON.stringify([option, log.audience ?? null]);
      const so = found.get(key) ?? { option, audience: log.audience, classes: 0, taken: 0, present: 0 };
      found.set(key, {
        ...so,
        classes: so.classes + 1,
        taken: so.taken + Math.min(taken, log.present),
        present: so.present + log.present,
      });
    }
  }
  return [...found.values()].filter(
    ({ classes, taken, present }) => classes >= FROM_CLASSES && taken / present >= HALF,
  );
}

/** Faults seen in half of the classes or more. */
function faultsOf(doings: readonly Doing[]): LearntFault[] {
  const logged = doings.filter(({ block }) => block.faults !== undefined);
  if (logged.length < FROM_CLASSES) return [];
  const seen = new Map<string, number>();
  for (const { block } of logged) for (const cue of new Set(block.faults)) seen.set(cue, (seen.get(cue) ?? 0) + 1);
  return [...seen]
    .filter(([, times]) => times / logged.length >= HALF)
    .map(([cue, times]) => ({ cue, seen: times, classes: logged.length }));
}
