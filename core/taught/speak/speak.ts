import {
  type Audience,
  applyEdits,
  type ClassPlan,
  doseOf,
  isInterlude,
  type PlanEdit,
  repsOf,
  type TimedClass,
  timeClass,
} from '../../plan';
import { type Catalog, splitRungKey } from '../../repertoire';
import type { ReviewContext } from '../../review';
import { scriptOf } from '../../script';
import { type Chance, chanceOf } from '../../vocabulary/chance';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import type { Habits } from './habitsSchema';
import { type HeardCue, type Length, type Pass, Saying } from './saying';

/** What a stand-in teacher said, and what it really did. */
export interface Spoken {
  readonly cues: readonly HeardCue[];
  readonly log: Log;
}

interface Speaking {
  readonly seed: number;
  /** `YYYY-MM-DD`, of the log. */
  readonly date: string;
}

/**
 * A teacher with a microphone, played: teaches a class by its script with habits and mistakes of its own, and keeps what
 * it really did. The same seed says the same.
 * @throws RangeError for a block or a rung among the habits that is not there
 */
export function speak(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext,
  habits: Habits,
  { seed, date }: Speaking,
): Spoken {
  const { audience } = context;
  const chance = chanceOf(seed);
  const planned = timeClass(catalog, plan, { audience });
  const taught = applyEdits(catalog, plan, editsFor(catalog, plan, planned, habits));
  const timed = timedFor(catalog, taught, audience, habits);
  const script = scriptOf(catalog, timed, { ...context, teacher: undefined });
  const wordsPerMinute = habits.wordsPerMinute ?? catalog.method.wordsPerMinute;
  const lengths = lengthsOf(timed, habits, chance);
  const said = new Saying(wordsPerMinute, habits, chance);
  const passes: Pass[] = [];
  let clock = lengths.opening;
  for (const section of script.sections) {
    const own = lengths.passes.find((each) => each.block === section.block && each.pass === section.pass);
    if (section.kind === 'opening') said.from(0, section.lines);
    else if (section.kind === 'closing') said.from(clock, section.lines);
    else if (own) {
      const pass = said.pass(section, own, clock);
      passes.push(pass);
      clock = pass.end;
    }
  }
  const ended = (passes.at(-1)?.end ?? 0) + timed.parts.closing;
  return { cues: said.cues(), log: logOf(plan, planned, timed, passes, habits, { seed, date, ended }) };
}

/** What it does otherwise than planned, as edits. */
function editsFor(catalog: Catalog, plan: ClassPlan, planned: TimedClass, habits: Habits): PlanEdit[] {
  const { skips, moves, adds, reps } = habits;
  const has = (id: string) => {
    if (!plan.blocks.some((block) => block.id === id)) throw new RangeError(`There is no block “${id}” in this class.`);
    return id;
  };
  const edits: PlanEdit[] = [];
  for (const [id, change] of Object.entries(reps)) {
    const part = planned.blocks.find(({ block }) => block.id === has(id));
    if (!part) continue;
    const own = repsOf(doseOf(part.entry, part.block));
    const { both = 0, left = both, right = both } = change;
    const [first, second] = part.firstSide === 'right' ? [right, left] : [left, right];
    const other = Math.max(1, own + second);
    edits.push({ kind: 'dose', id, dose: { reps: Math.max(1, own + first), repsTo: null } });
    if (part.slots.length > 1 && second !== first)
      edits.push({ kind: 'set', id, change: { secondDose: { reps: other } } });
  }
  const order = plan.blocks.map(({ id }) => id);
  for (const [id, place] of moves) {
    order.splice(order.indexOf(has(id)), 1);
    edits.push({ kind: 'move', id, before: order[place] ?? null });
    order.splice(place, 0, id);
  }
  adds.forEach(({ after, rung }, i) => {
    if (!catalog.rungByKey(rung)) throw new RangeError(`There is no rung “${rung}” to add.`);
    const block = { id: `added-${i + 1}`, ...splitRungKey(rung), mode: 'teach' } as const;
    const before = order[order.indexOf(has(after)) + 1] ?? null;
    edits.push({ kind: 'insert', before, block });
  });
  return [...edits, ...skips.map((id): PlanEdit => ({ kind: 'remove', id: has(id) }))];
}

/** The class at the stand-in's own pace. */
function timedFor(catalog: Catalog, taught: ClassPlan, audience: Audience | undefined, habits: Habits): TimedClass {
  const { tempo, setup, carry, change } = habits;
  const factors = { work: tempo, setup, carry, change, opening: 1 };
  const teacher = { id: 'stand-in', name: 'Stand-in', pace: { factors, day: 0 } };
  return timeClass(catalog, taught, { audience, teacher });
}

function lengthsOf({ sequence, parts }: TimedClass, { scatter }: Habits, chance: Chance) {
  const own = () => (scatter === 0 ? 1 : Math.exp(scatter * normal(chance)));
  const slots = sequence
    .flatMap((part) => {
      if (part.kind === 'interlude') {
        const { startSeconds, seconds, index } = part;
        return [{ block: index, pass: 1 as const, startSeconds, setup: 0, work: seconds, rest: 0 }];
      }
      return part.slots.map(({ startSeconds, seconds }, i) => {
        const rest = i === part.slots.length - 1 ? part.rest : 0;
        const setup = i === 0 ? part.setup - part.second.setup + part.options : part.second.setup;
        return { block: part.index, pass: (i + 1) as 1 | 2, startSeconds, setup, work: seconds - setup - rest, rest };
      });
    })
    .sort((a, b) => a.startSeconds - b.startSeconds || a.block - b.block);
  let before = parts.opening;
  const passes = slots.map(({ block, pass, startSeconds, setup, work, rest }): Length => {
    const way = Math.max(0, startSeconds - before);
    before = startSeconds + setup + work + rest;
    return { block, pass, way: way * own(), setup: setup * own(), work: work * own(), rest };
  });
  return { opening: parts.opening * own(), passes };
}

/** A draw of the normal distribution (Box and Muller). */
const normal = (chance: Chance): number =>
  Math.sqrt(-2 * Math.log(1 - chance.share())) * Math.cos(2 * Math.PI * chance.share());

/** What it really did, as its log. */
function logOf(
  plan: ClassPlan,
  planned: TimedClass,
  { sequence, parts }: TimedClass,
  passes: readonly Pass[],
  { skips }: Habits,
  { seed, date, ended }: Speaking & { readonly ended: number },
): Log {
  const round = (seconds: number) => Math.round(seconds * 10) / 10;
  const own = sequence.map((part) => {
    const { block } = part;
    const was = plan.blocks.some(({ id }) => id === block.id);
    const mine = passes.filter((each) => each.block === part.index);
    return {
      id: block.id,
      did: was ? ('planned' as const) : ('added' as const),
      ...(was || isInterlude(block) ? {} : { rung: `${block.exercise}/${block.rung}` }),
      passes: mine.map(({ pass, start, worked, done }) => ({
        side: part.kind === 'block' ? (part.slots[pass - 1]?.side ?? null) : null,
        startSeconds: round(start),
        ...(part.kind === 'block' ? { setupSeconds: round(worked - start) } : {}),
        workSeconds: round(done - worked),
        ...(part.kind === 'block' ? { reps: Math.round(pass === 1 ? part.reps : part.secondReps) } : {}),
        endSeconds: round(done),
      })),
    };
  });
  return {
    id: `spoken-${plan.id}-${seed}`,
    class: plan.id,
    date,
    ...(plan.audience === undefined ? {} : { audience: plan.audience }),
    source: 'take',
    plan: plannedDay(planned, { class: plan.name }),
    openingSeconds: round(passes[0]?.leaves ?? parts.opening),
    closingSeconds: parts.closing,
    endedSeconds: round(ended),
    blocks: [...own, ...skips.map((id) => ({ id, did: 'skipped' as const }))],
  };
}
