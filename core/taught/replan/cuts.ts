import { doseOf, isInterlude, type PlanEdit, repsOf, repsRangeOf, type TimedBlock, type TimedClass } from '../../plan';
import { type Catalog, type RungEntry, rungKey } from '../../repertoire';
import { learntBy, limitsOf, type ReviewContext, titleOf } from '../../review';
import type { Left } from './moment';

/** What can be done to a class under way. */
const CUTS = ['leave-out', 'reps', 'flow', 'no-options', 'no-rest', 'spare'] as const;
export type CutKind = (typeof CUTS)[number];

/** One thing that makes what is left shorter, or longer. */
export interface Cut {
  readonly kind: CutKind;
  /** The blocks it concerns: a run as one. */
  readonly ids: readonly string[];
  readonly labels: readonly string[];
  readonly edits: readonly PlanEdit[];
  readonly reps?: number;
  /** How much of a class it takes, before anything is measured: of two that are as good, the smaller one. */
  readonly weight: number;
}

/** What of it a teacher would rather not do: the more is lost, the later it is taken. */
const WEIGHTS = { options: 0.3, flow: 0.4, rest: 0.6, reps: 0.8, interlude: 0.5, out: 1.6 } as const;

interface Asked {
  readonly catalog: Catalog;
  readonly context: ReviewContext;
  readonly timed: TimedClass;
  readonly left: Left;
  /** The block the class stands at: it is not left out any more. */
  readonly at: string;
}

/** What is left and free to be changed: never the peak, the ease, a second side, or what is locked. */
function freeIn({ left: { whole, peak, ease } }: Asked) {
  return whole.filter((part) => part !== peak && part !== ease && !part.block.locked);
}

/** Everything that may be left out, each with all of its run. */
export function leavings(asked: Asked): Cut[] {
  const { timed, at } = asked;
  const free = new Set(freeIn(asked).map(({ block }) => block.id));
  const units = new Map<string, string[]>();
  for (const { block } of timed.sequence) {
    const run = isInterlude(block) ? undefined : block.run;
    const key = run === undefined ? `block ${block.id}` : `run ${run}`;
    units.set(key, [...(units.get(key) ?? []), block.id]);
  }
  return [...units.values()]
    .filter((ids) => ids.every((id) => free.has(id) && id !== at) && !isNeeded(timed, ids))
    .map((ids) => {
      const parts = timed.sequence.filter(({ block }) => ids.includes(block.id));
      return {
        kind: 'leave-out',
        ids,
        labels: parts.map((part) => `Leave out ${titleOf(part)}`),
        edits: ids.map((id) => ({ kind: 'remove', id })),
        weight: parts.reduce((sum, { kind }) => sum + (kind === 'block' ? WEIGHTS.out : WEIGHTS.interlude), 0),
      };
    });
}

/** Whether something that stays requires one of some blocks. */
const isNeeded = ({ blocks }: TimedClass, ids: readonly string[]): boolean => {
  const out = new Set(blocks.filter(({ block }) => ids.includes(block.id)).map(({ entry }) => entry.key));
  return blocks.some(
    ({ block, entry }) => !ids.includes(block.id) && (entry.rung.requires ?? []).some((each) => out.has(rungKey(each))),
  );
};

/** Everything that makes a block shorter. @param seconds that are to be saved: repetitions go by as many as that takes */
export function shortenings(asked: Asked, seconds: number): Cut[] {
  return freeIn(asked).flatMap((part) =>
    part.kind === 'interlude'
      ? []
      : [...noOptions(asked, part), ...flowing(asked, part), ...noRest(part), ...fewerReps(part, seconds)],
  );
}

function noOptions({ catalog, context }: Asked, part: TimedBlock): Cut[] {
  const { block, entry, options } = part;
  // What is too much for somebody in the room keeps its easier version.
  if (options === 0 || catalog.heat(entry) > limitsOf(catalog.method, context.audience).homeHeat) return [];
  return [one('no-options', part, 'Offer nothing beside', WEIGHTS.options, { options: null }, block.id)];
}

/** What was taught before can be done without being explained again. */
function flowing({ catalog, context, timed }: Asked, part: TimedBlock): Cut[] {
  const { block, entry, index, setup } = part;
  if (block.mode !== 'teach' || setup === 0) return [];
  const taught = timed.blocks.some((each) => each.index < index && each.entry.key === entry.key);
  const { homeHeat } = limitsOf(catalog.method, context.audience);
  const known = context.earlier?.has(entry.key) || learntBy(catalog, context.audience, homeHeat).has(entry.key);
  if (!taught && !known) return [];
  return [one('flow', part, 'Run without explaining', WEIGHTS.flow, { mode: 'flow' }, block.id)];
}

function noRest(part: TimedBlock): Cut[] {
  const { block, rest } = part;
  return rest === 0 ? [] : [one('no-rest', part, 'No rest after', WEIGHTS.rest, { restAfterSeconds: null }, block.id)];
}

const one = (
  kind: CutKind,
  part: TimedBlock,
  words: string,
  weight: number,
  change: Extract<PlanEdit, { kind: 'set' }>['change'],
  id: string,
): Cut => ({ kind, ids: [id], labels: [`${words} ${titleOf(part)}`], edits: [{ kind: 'set', id, change }], weight });

/** Fewer, but never fewer than its range has. */
function fewerReps(part: TimedBlock, seconds: number): Cut[] {
  const now = repsNow(part);
  const [least] = repsRangeOf(part.entry.rung);
  if (part.shown || now <= least) return [];
  const needed = Math.max(least, Math.floor(now - seconds / Math.max(0.1, part.work / now)));
  return [...new Set([Math.min(now - 1, needed), least])].map((reps) => toReps(part, Math.floor(reps)));
}

const repsNow = ({ entry, block }: TimedBlock): number => repsOf(doseOf(entry, block));

/** Both sides alike. */
function toReps(part: TimedBlock, reps: number): Cut {
  const { block } = part;
  const now = repsNow(part);
  return {
    kind: 'reps',
    ids: [block.id],
    labels: [`${reps} instead of ${now} of ${titleOf(part)}`],
    edits: [
      { kind: 'dose', id: block.id, dose: { reps, repsTo: null } },
      ...(block.secondDose ? [{ kind: 'set', id: block.id, change: { secondDose: null } } as const] : []),
    ],
    reps,
    weight: WEIGHTS.reps * (0.5 + Math.abs(now - reps) / now),
  };
}

/** More repetitions, within a rung's range; never of what is above the room. @param seconds there are to fill */
export function lengthenings(asked: Asked, seconds: number): Cut[] {
  const { catalog, context } = asked;
  const { homeHeat } = limitsOf(catalog.method, context.audience);
  return freeIn(asked).flatMap((part) => {
    if (part.kind === 'interlude' || part.shown || catalog.heat(part.entry) > homeHeat) return [];
    const now = repsNow(part);
    const [, most] = repsRangeOf(part.entry.rung);
    const reps = Math.min(most, Math.floor(now + seconds / Math.max(0.1, part.work / now)));
    return reps > now ? [toReps(part, reps)] : [];
  });
}

/** Blocks for when there is time, each after its block where that is still to come. */
export function spares({ catalog, timed, left, at }: Asked): Cut[] {
  const { plan, sequence } = timed;
  const last = sequence.at(-1);
  return (plan.spare ?? []).flatMap((spare): Cut[] => {
    const { after, ...block } = spare;
    const place = plan.blocks.findIndex(({ id }) => id === after);
    const part = sequence[place];
    const entry: RungEntry | undefined = catalog.rung(block);
    if (!part || !entry || part === last || plan.blocks.some(({ id }) => id === block.id)) return [];
    const toCome = left.whole.includes(part) || left.second.some((each) => each === part) || part.block.id === at;
    const next = plan.blocks[place + 1];
    const parts = (run: unknown) => next && !isInterlude(next) && run !== undefined && next.run === run;
    if (!toCome || (!isInterlude(part.block) && parts(part.block.run))) return [];
    return [
      {
        kind: 'spare',
        ids: [block.id],
        labels: [`Add ${entry.exercise.name}, ${entry.rung.name}`],
        edits: [{ kind: 'insert', before: next?.id ?? null, block }],
        weight: 0,
      },
    ];
  });
}
