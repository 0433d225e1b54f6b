import { offeredRungs, type TimedBlock } from '../../plan';
import {
  type Catalog,
  laneOf,
  PREPARATIONS,
  type Preparation,
  preparedBy,
  preparersOf,
  type RungEntry,
  type RungRef,
  rungKey,
} from '../../repertoire';
import { isOver } from '../../vocabulary/measure';
import { type Found, type Remedy, rungTitle, type Severity } from '../finding';
import { freeId } from '../remedies/freeId';
import { DONE, NOTHING, type Rule } from '../rule';
import type { Subject } from '../subject';

/** A rung is met by itself or by a higher one of its own ladder. */
export function isMet(catalog: Catalog, required: RungRef, met: ReadonlySet<string>): boolean {
  if (met.has(rungKey(required))) return true;
  const entry = catalog.rung(required);
  if (!entry) return false;
  return catalog.ladder(required.exercise).some((each) => each.step > entry.step && met.has(each.key));
}

/** Rungs met before each block, in the order of the blocks: those of earlier episodes and of this class so far. */
export function* metSoFar({ timed, earlier }: Subject): Generator<{ block: TimedBlock; met: ReadonlySet<string> }> {
  const met = new Set(earlier);
  for (const block of timed.blocks) {
    yield { block, met };
    met.add(block.entry.key);
  }
}

/** Rungs met before one block. */
function metBefore({ timed, earlier }: Subject, block: TimedBlock): ReadonlySet<string> {
  const before = timed.blocks.slice(0, timed.blocks.indexOf(block));
  return new Set([...earlier, ...before.map(({ entry }) => entry.key)]);
}

/** Unprepared is a fix; unprepared and hotter than the room can take is unsafe. */
export const unmetSeverity = ({ catalog, limits }: Subject, entry: RungEntry): Severity =>
  isOver(catalog.heat(entry), limits.homeHeat, 'heat') ? 'stop' : 'fix';

const requirementUnmet: Rule = {
  code: 'REQUIREMENT_UNMET',
  part: 'ladders',
  severity: 'fix',
  except: 'stop when the rung is hotter than the room can take',
  purposes: ['class', 'drill', 'lesson'],
  unit: 'times',
  presence: true,
  limit: 'met earlier in the class or the series',
  says: 'a rung comes before people have learnt what it requires',
  find: (subject) => {
    const { catalog } = subject;
    let found: Found[] | undefined;
    for (const { block, met } of metSoFar(subject)) {
      const { entry, index } = block;
      for (const required of entry.rung.requires ?? []) {
        if (isMet(catalog, required, met)) continue;
        const need = catalog.rung(required);
        found ??= [];
        found.push({
          severity: unmetSeverity(subject, entry),
          blocks: [index],
          value: 0,
          limit: 1,
          sentence: () =>
            `${rungTitle(entry)} comes before people have learnt ${need ? rungTitle(need) : rungKey(required)}.`,
          mend: () => [
            ...lowerInstead(catalog, block, metBefore(subject, block)),
            ...(need ? [teachBefore(subject, block, need)] : []),
          ],
        });
      }
    }
    return found ?? NOTHING;
  },
};

/** The nearest lower rung of a ladder whose own requirements are met. */
function lowerInstead(catalog: Catalog, { entry, block }: TimedBlock, met: ReadonlySet<string>): Remedy[] {
  const lower = catalog
    .ladder(entry.exercise.id)
    .slice(0, entry.step)
    .findLast(({ rung: { requires = [] } }) => requires.every((required) => isMet(catalog, required, met)));
  if (!lower) return [];
  return [
    {
      label: `Teach the lower rung “${lower.rung.name}” instead`,
      edits: [{ kind: 'set', id: block.id, change: { rung: lower.rung.id } }],
    },
  ];
}

const teachBefore = (subject: Subject, { block }: TimedBlock, need: RungEntry): Remedy => ({
  label: `Teach ${rungTitle(need)} before it`,
  edits: [
    {
      kind: 'insert',
      before: block.id,
      block: { id: freeId(subject), exercise: need.exercise.id, rung: need.rung.id, mode: 'teach' },
    },
  ],
});

/** A home rung hotter than the audience's own needs a lower rung offered beside it. */
const optionMissing: Rule = {
  code: 'OPTION_MISSING',
  part: 'ladders',
  severity: 'fix',
  purposes: DONE,
  unit: 'heat',
  limit: 'the audience’s `homeHeat`, else `limits.homeHeat`',
  says: 'a main version is hotter than the audience can take, and no lower one is offered',
  find: ({ timed, catalog, limits, audience }) => {
    let found: Found[] | undefined;
    for (const { index, entry, block } of timed.blocks) {
      const value = catalog.heat(entry);
      if (!isOver(value, limits.homeHeat, 'heat')) continue;
      const lower = offeredRungs(block).some((rung) => {
        const option = catalog.rung({ exercise: block.exercise, rung });
        return option !== undefined && laneOf(entry, option) === 'lower';
      });
      if (lower) continue;
      found ??= [];
      found.push({
        blocks: [index],
        value,
        limit: limits.homeHeat,
        sentence: () =>
          `${rungTitle(entry)} has heat ${Math.round(value)}, above ${audience?.name ?? 'the room'} (${limits.homeHeat}), and no lower rung is offered.`,
        mend: () => {
          const below = catalog.ladder(entry.exercise.id).findLast((each) => laneOf(entry, each) === 'lower');
          if (!below) return [];
          const options = [below.rung.id, ...(block.options ?? [])];
          return [
            {
              label: `Offer the lower rung “${below.rung.name}”`,
              edits: [{ kind: 'set', id: block.id, change: { options } }],
            },
          ];
        },
      });
    }
    return found ?? NOTHING;
  },
};

/** What a rung wants to have happened earlier in the same class. */
const preparationMissing: Rule = {
  code: 'PREPARATION_MISSING',
  part: 'ladders',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  presence: true,
  limit: 'done earlier in the class',
  says: 'nothing earlier in the class prepares what a rung wants prepared',
  find: (subject) => {
    const { timed, catalog } = subject;
    let found: Found[] | undefined;
    timed.blocks.forEach((block, at) => {
      for (const preparation of block.entry.rung.preparation ?? []) {
        if (isPrepared(subject, at, preparation)) continue;
        found ??= [];
        found.push({
          blocks: [block.index],
          value: 0,
          limit: 1,
          sentence: () =>
            `${rungTitle(block.entry)} wants ${PREPARATIONS[preparation]} first; nothing before it in this class does that.`,
          mend: () => {
            const preparers = preparersOf(catalog, preparation, block.entry.exercise.position);
            const first = preparers.find(({ key }) => key !== block.entry.key);
            return first ? [{ ...teachBefore(subject, block, first), label: `Do ${rungTitle(first)} before it` }] : [];
          },
        });
      }
    });
    return found ?? NOTHING;
  },
};

function isPrepared({ timed, catalog }: Subject, at: number, preparation: Preparation): boolean {
  for (let i = 0; i < at; i++) {
    if (preparedBy(catalog, (timed.blocks[i] as TimedBlock).entry).has(preparation)) return true;
  }
  return false;
}

export const LADDER_RULES: readonly Rule[] = [requirementUnmet, optionMissing, preparationMissing];
