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
import { type Catalog, phaseCounts, splitRungKey } from '../../repertoire';
import { conditionsOf, type ReviewContext } from '../../review';
import { draftScript, inTurn, type ScriptLine, type ScriptSection } from '../../script';
import { type Chance, chanceOf } from '../../vocabulary/chance';
import { wordsIn } from '../../vocabulary/words';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import type { Habits } from './habitsSchema';
import { heard, otherwise } from './mumble';

/** Words as they were heard, from when to when. Seconds since the class began. */
export interface HeardCue {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

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
  const script = draftScript(catalog, timed, {
    conditions: conditionsOf(taught, audience),
    earlier: context.earlier,
    choices: context.choices,
    audience: audience?.name,
  });
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

/** How long a pass of a block, or an interlude, takes. */
interface Length {
  readonly block: number;
  readonly pass: 1 | 2;
  readonly way: number;
  readonly setup: number;
  readonly work: number;
  readonly rest: number;
}

/** The same as it really went: nobody moves on before what is said of it is said. */
interface Pass extends Pick<Length, 'block' | 'pass'> {
  /** When the way to it begins, when its set-up begins to be said, when its effort begins and ends, and its rest. */
  readonly leaves: number;
  readonly start: number;
  readonly worked: number;
  readonly done: number;
  readonly end: number;
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

/** A word with when it is said. */
interface Word {
  readonly at: number;
  readonly text: string;
}

const NUMBERS =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );

/** Everything said, word by word, never two things at once. */
class Saying {
  readonly #words: Word[] = [];
  readonly #secondsAWord: number;
  readonly #habits: Habits;
  readonly #chance: Chance;
  #cursor = 0;

  constructor(wordsPerMinute: number, habits: Habits, chance: Chance) {
    this.#secondsAWord = 60 / wordsPerMinute;
    this.#habits = habits;
    this.#chance = chance;
  }

  /** Lines one after another, from a second on or as soon as what is being said is over. */
  from(second: number, lines: ReadonlyArray<Pick<ScriptLine, 'kind' | 'text' | 'said'>>): void {
    for (const { kind, text, said } of lines) {
      if (said && !this.#habits.unsaid.includes(kind)) this.#say(second, text);
    }
  }

  #say(second: number, text: string): void {
    const { paraphrase } = this.#habits;
    const own = this.#chance.share() < paraphrase && wordsIn(text) > 2 ? otherwise(text, this.#chance) : text;
    this.#cursor = Math.max(this.#cursor, second);
    for (const word of heard(own.split(/\s+/).filter(Boolean), this.#habits, this.#chance)) {
      this.#words.push({ at: this.#cursor, text: word });
      this.#cursor += this.#secondsAWord;
    }
  }

  /** A pass by its script: the way, what comes before the effort, the first repetitions with words, the others counted. */
  pass({ lead, lines, times }: ScriptSection, { block, pass, way, setup, work, rest }: Length, leaves: number): Pass {
    if (lead) this.#say(leaves, lead);
    const said = lines.filter((line) => line.said && !this.#habits.unsaid.includes(line.kind));
    const start = Math.max(leaves + way, this.#cursor);
    const as = (worked: number): Pass => {
      const done = worked + work;
      return { block, pass, leaves, start, worked, done, end: done + rest };
    };
    if (!times) {
      this.from(start, said);
      return as(start);
    }
    const { before, actions, during, out } = inTurn(said);
    this.from(start, before);
    const own = as(Math.max(start + setup, this.#cursor));
    const scale = times.work > 0 ? work / (times.work + times.explained) : 1;
    const set = times.entry + times.reps * times.rep + times.exit + times.restBetween;
    const spoken = pass === 1 ? SPOKEN_REPS : 1;
    const left = [...during];
    for (let number = 0; number < times.sets; number++) {
      for (let rep = 0; rep < times.reps; rep++) {
        const begins = own.worked + (number * set + times.entry + rep * times.rep) * scale;
        if (number === 0 && rep < spoken) {
          this.#actions(actions, times, begins, scale);
          continue;
        }
        this.#say(begins, `${rep === times.reps - 1 && times.reps > 2 ? 'last one ' : ''}${NUMBERS[rep] ?? rep + 1}`);
        const next = left.shift();
        if (next) this.#say(this.#cursor, next.text);
      }
    }
    this.from(own.done - 2, left);
    this.from(own.done - 1, out);
    return own;
  }

  #actions(
    actions: readonly ScriptLine[],
    { phases, count }: NonNullable<ScriptSection['times']>,
    begins: number,
    scale: number,
  ): void {
    let at = begins;
    for (const phase of phases.rep) {
      this.from(
        at,
        actions.filter((line) => line.phase?.id === phase.id),
      );
      at += phaseCounts(phase) * count * scale;
    }
  }

  /** As captions: broken wherever so many words are full, and at pauses. */
  cues(): HeardCue[] {
    const cues: HeardCue[] = [];
    const plain = this.#habits.misheard > 0;
    let open: Word[] = [];
    let most = 8;
    const close = () => {
      const [first, last] = [open[0], open.at(-1)];
      if (first && last) {
        const text = open.map(({ text: each }) => each).join(' ');
        cues.push({ from: first.at, to: last.at + this.#secondsAWord, text: plain ? bare(text) : text });
      }
      open = [];
      most = 5 + this.#chance.below(8);
    };
    for (const word of this.#words) {
      const last = open.at(-1);
      if (last && (open.length >= most || word.at - last.at > PAUSE)) close();
      open.push(word);
    }
    close();
    return cues.filter(({ text }) => text !== '');
  }
}

/** Repetitions of a first side that the action is spoken on. */
const SPOKEN_REPS = 2;
/** Seconds of silence that end a caption. */
const PAUSE = 2;
/** As a recogniser writes: small letters, no marks. */
const bare = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}'’ -]/gu, '')
    .replace(/\s+/g, ' ')
    .trim();

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
