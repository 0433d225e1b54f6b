import type { TimedBlock } from '../../plan';
import {
  type Catalog,
  laneOf,
  PREPARATIONS,
  type Preparation,
  preparersOf,
  type RungEntry,
  type RungRef,
  rungKey,
} from '../../repertoire';
import { isOver } from '../../vocabulary/measure';
import { type Found, type Remedy, rungTitle, type Severity } from '../finding';
import { freeId, freeIds } from '../remedies/freeId';
import { type BlockRule, DONE, NOTHING, type Rule, type WholeRule } from '../rule';
import type { Known } from '../subject/known';
import type { Room } from '../subject/room';
import type { Subject } from '../subject/subject';

/**
 * Whether what a rung requires is met before a block: by itself, or by a higher rung of its own ladder.
 * @param at the block, counted among blocks with a rung
 */
export function isMet({ catalog, earlier, known }: Subject, required: RungRef, at: number): boolean {
  const need = catalog.rung(required);
  if (!need) return earlier.has(rungKey(required));
  const meets = (entry: RungEntry) => entry === need || (entry.exercise === need.exercise && entry.step > need.step);
  for (let i = 0; i < at; i++) if (meets((known[i] as Known).laid.entry)) return true;
  return earlier.size > 0 && catalog.ladder(required.exercise).some((each) => meets(each) && earlier.has(each.key));
}

/** Unprepared is a fix; unprepared and hotter than the room can take is unsafe. */
export const unmetSeverity = ({ catalog, limits }: Room, entry: RungEntry): Severity =>
  isOver(catalog.heat(entry), limits.homeHeat, 'heat') ? 'stop' : 'fix';

const requirementUnmet: WholeRule = {
  code: 'REQUIREMENT_UNMET',
  arisesFrom: 'past',
  part: 'ladders',
  severity: 'fix',
  except: 'stop when the rung is harder than the room can take',
  purposes: ['class', 'drill', 'lesson'],
  unit: 'times',
  presence: true,
  limit: 'met earlier in the class, or what the class follows; in a series `RUNG_UNEARNED` stands in its place',
  says: 'a rung comes before people have learnt what it requires',
  ofOrder: true,
  find: (subject) => {
    const { known } = subject;
    // In a series what has to be learnt before is the series' to say.
    if (subject.place !== 'alone') return NOTHING;
    let found: Found[] | undefined;
    for (let at = 0; at < known.length; at++) {
      const { requires } = known[at] as Known;
      for (const required of requires) {
        const { entry, index } = subject.timed.blocks[at] as TimedBlock;
        if (isMet(subject, required, at)) continue;
        found ??= [];
        found.push({
          severity: unmetSeverity(subject.room, entry),
          blocks: [index],
          about: rungKey(required),
          value: 0,
          limit: 1,
        });
      }
    }
    return found ?? NOTHING;
  },
  sentence: ({ blocks, about = '' }, subject) =>
    `${subject.titleAt(blocks[0])} comes before people have learnt ${learntTitle(subject.catalog, about)}.`,
  mend: ({ blocks, about = '' }, subject) => {
    const { timed, catalog } = subject;
    const at = timed.blocks.findIndex(({ index }) => index === blocks[0]);
    const block = timed.blocks[at] as TimedBlock;
    const need = catalog.rungByKey(about);
    return [...lowerInstead(subject, block, at), ...(need ? [withAllBefore(subject, block, need, at)] : [])];
  },
};

/** What is to be learnt before, by the key of its rung; the key itself where the repertoire has no such rung. */
export function learntTitle(catalog: Catalog, key: string): string {
  const entry = catalog.rungByKey(key);
  return entry ? rungTitle(entry) : key;
}

/** The nearest lower rung of a ladder whose own requirements are met. */
function lowerInstead(subject: Subject, { entry, block }: TimedBlock, at: number): Remedy[] {
  const lower = subject.catalog
    .ladder(entry.exercise.id)
    .slice(0, entry.step)
    .findLast(({ rung: { requires = [] } }) => requires.every((required) => isMet(subject, required, at)));
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
const optionMissing: BlockRule = {
  code: 'OPTION_MISSING',
  arisesFrom: 'audience',
  part: 'ladders',
  severity: 'fix',
  purposes: DONE,
  unit: 'heat',
  limit: 'the audience’s `homeHeat`, else `limits.homeHeat`',
  says: 'a main version is harder than the audience can take, and no lower one is offered',
  findIn: ({ laid: { entry }, heat, offers, room: { limits } }) => {
    if (!isOver(heat, limits.homeHeat, 'heat')) return NOTHING;
    if (offers.some((offer) => laneOf(entry, offer.entry) === 'lower')) return NOTHING;
    return [{ value: heat, limit: limits.homeHeat }];
  },
  sentence: ({ value, limit }, { laid, room: { audience } }) =>
    `${rungTitle(laid.entry)} has heat ${Math.round(value)}, above ${audience?.name ?? 'the room'} (${limit}), and no lower rung is offered.`,
  mend: (_found, { laid: { entry, block }, room: { catalog } }) => {
    const below = catalog.ladder(entry.exercise.id).findLast((each) => laneOf(entry, each) === 'lower');
    if (!below) return NOTHING;
    const options = [below.rung.id, ...(block.options ?? [])];
    return [
      {
        label: `Offer the lower rung “${below.rung.name}”`,
        edits: [{ kind: 'set', id: block.id, change: { options } }],
      },
    ];
  },
};

const notTaught: WholeRule = {
  code: 'NOT_TAUGHT',
  arisesFrom: 'past',
  ofOrder: true,
  part: 'ladders',
  severity: 'look',
  except: 'fix in a series',
  purposes: ['class', 'drill', 'lesson'],
  unit: 'times',
  presence: true,
  limit: 'taught in an earlier block, or in an earlier episode',
  says: 'a block flows that nobody was taught',
  find: ({ known, timed, earlier, place }) => {
    // Of a class in a series the series says it, in each by what that one has taught.
    if (place === 'member') return NOTHING;
    let found: Found[] | undefined;
    const taught = new Set<RungEntry['rung']>();
    for (let at = 0; at < known.length; at++) {
      const { entry, block, index } = timed.blocks[at] as TimedBlock;
      // Through part of its range it is the same rung.
      const { rung, key } = entry.whole ?? entry;
      if (block.mode !== 'flow') taught.add(rung);
      else if (!taught.has(rung) && !earlier.has(key)) {
        found ??= [];
        found.push({
          severity: place === 'episode' ? 'fix' : undefined,
          blocks: [index],
          value: 0,
          limit: 1,
        });
      }
    }
    return found ?? NOTHING;
  },
  sentence: ({ blocks }, subject) => `${subject.titleAt(blocks[0])} is run as known, and nobody was taught it.`,
  mend: ({ blocks }, { timed }) => {
    const id = timed.sequence[blocks[0] as number]?.block.id ?? '';
    return [{ label: 'Teach it here', edits: [{ kind: 'set', id, change: { mode: 'teach' } }] }];
  },
};

/** What is required taught before a block, with all that it requires in its turn. */
function withAllBefore(subject: Subject, { block }: TimedBlock, need: RungEntry, at: number): Remedy {
  const chain: RungEntry[] = [];
  const visit = (entry: RungEntry) => {
    if (chain.includes(entry)) return;
    for (const required of entry.rung.requires ?? []) {
      const lower = subject.catalog.rung(required);
      if (lower && !isMet(subject, required, at)) visit(lower);
    }
    chain.push(entry);
  };
  visit(need);
  const ids = freeIds(subject, chain.length);
  return {
    label: `Teach ${IN_WORDS.format(chain.map(rungTitle))} before it`,
    edits: chain.map(({ exercise, rung }, i) => ({
      kind: 'insert',
      before: block.id,
      block: { id: ids[i] as string, exercise: exercise.id, rung: rung.id, mode: 'teach' },
    })),
  };
}
const IN_WORDS = new Intl.ListFormat('en');

/** What a rung wants to have happened earlier in the same class. */
const preparationMissing: WholeRule = {
  code: 'PREPARATION_MISSING',
  part: 'ladders',
  severity: 'look',
  purposes: DONE,
  unit: 'times',
  presence: true,
  limit: 'done earlier in the class',
  says: 'nothing earlier in the class prepares what a rung wants prepared',
  ofOrder: true,
  find: (subject) => {
    const { timed, known } = subject;
    let found: Found[] | undefined;
    for (let at = 0; at < known.length; at++) {
      for (const preparation of (known[at] as Known).wants) {
        if (isPrepared(known, at, preparation)) continue;
        const { index } = timed.blocks[at] as TimedBlock;
        found ??= [];
        found.push({ blocks: [index], about: preparation, value: 0, limit: 1 });
      }
    }
    return found ?? NOTHING;
  },
  sentence: ({ blocks, about }, subject) =>
    `${subject.titleAt(blocks[0])} needs ${PREPARATIONS[about as Preparation]} first; nothing before it in this class does that.`,
  mend: ({ blocks, about }, subject) => {
    const block = subject.timed.sequence[blocks[0] as number] as TimedBlock;
    const { key, position } = block.entry;
    const first = preparersOf(subject.catalog, about as Preparation, position).find((each) => each.key !== key);
    return first ? [{ ...teachBefore(subject, block, first), label: `Do ${rungTitle(first)} before it` }] : NOTHING;
  },
};

function isPrepared(known: readonly Known[], at: number, preparation: Preparation): boolean {
  for (let i = 0; i < at; i++) if ((known[i] as Known).prepares.has(preparation)) return true;
  return false;
}

export const LADDER_RULES: readonly Rule[] = [requirementUnmet, notTaught, optionMissing, preparationMissing];
