import { type ClassPlan, type TimedBlock, type TimedClass, timeClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import { conditionsOf, type ReviewContext } from '../../review';
import { draftScript, inTurn, type Script, type ScriptSection } from '../../script';
import type { CueKind } from '../../vocabulary/cue';
import type { Side } from '../../vocabulary/side';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import { type Alignment, align, type Else, type Found, type PlannedParts } from './align';
import type { ReadCue } from './captions';
import { repsCounted } from './counted';
import { type Difference, differencesIn } from './differences';
import { Coverage, Evidence } from './evidence';
import { RungWords } from './rungWords';
import { type HeardWord, heardIn, stemOf, tokensOf } from './words';

/** A block as it was found in a take: seconds. */
export interface TakenBlock {
  readonly id: string;
  readonly startSeconds: number;
  readonly setupSeconds: number;
  readonly workSeconds: number;
  readonly endSeconds: number;
  /** How sure it is that it was this one, from 0 to 1. */
  readonly confidence: number;
  /** Of one set; `null` where nothing was counted. */
  readonly reps: Readonly<Partial<Record<Side | 'both', number>>> | null;
  readonly firstSide: Side | null;
  readonly wordsPerMinute: number;
  readonly silenceShare: number;
  readonly said: readonly CueKind[];
  readonly unsaid: readonly CueKind[];
  readonly effortBreath: { readonly with: number; readonly against: number };
  readonly passes: ReadonlyArray<
    { readonly side: Side | null; readonly reps: number | null } & Omit<Found, 'section' | 'evidence'>
  >;
}

/** Something that was done and not planned. */
export interface Added {
  readonly startSeconds: number;
  readonly endSeconds: number;
  /** What it most likely was. */
  readonly rung: string | null;
  readonly confidence: number;
}

export interface Take {
  readonly class: string;
  readonly seconds: number;
  /** The share of blocks that were found with a confidence of a half or more. */
  readonly matched: number;
  readonly blocks: readonly TakenBlock[];
  readonly missed: readonly string[];
  readonly moved: readonly string[];
  readonly added: readonly Added[];
  readonly words: number;
  readonly wordsPerMinute: number;
  readonly silenceShare: number;
  readonly differences: readonly Difference[];
  readonly log: Log;
}

/** How many times slower or faster than planned a take may be. */
const [SLOWEST, FASTEST] = [1.6, 0.6];

/**
 * A take of a class read back: when each block really began, what was left out, moved and added, what was counted and
 * said. Laid along the whole class at once; what can’t be told is `null`.
 * @param date of its log, `YYYY-MM-DD`
 */
export function readTake(
  catalog: Catalog,
  plan: ClassPlan,
  context: ReviewContext,
  cues: readonly ReadCue[],
  date: string,
): Take {
  const { audience } = context;
  const timed = timeClass(catalog, plan, { audience });
  const script = draftScript(catalog, timed, {
    conditions: conditionsOf(plan, audience),
    earlier: context.earlier,
    choices: context.choices,
    audience: audience?.name,
  });
  const words = heardIn(cues);
  const seconds = cues.at(-1)?.to ?? 0;
  const alignment = aligned(script, words, seconds);
  const reading = new Reading(catalog, timed, script, cues, words, alignment);
  const { blocks, missed, moved, added } = reading.blocks();
  const found = blocks.filter(({ confidence }) => confidence >= 0.5).length;
  const speech = speechSeconds(cues, 0, seconds);
  const all = plan.blocks.length;
  return {
    class: plan.id,
    seconds,
    matched: all === 0 ? 0 : found / all,
    blocks,
    missed,
    moved,
    added,
    words: words.length,
    wordsPerMinute: speech > 0 ? (words.length * 60) / speech : 0,
    silenceShare: seconds > 0 ? Math.max(0, 1 - speech / seconds) : 0,
    differences: differencesIn(timed, { seconds, blocks, missed, moved, added }),
    log: logOf(plan, timed, { blocks, missed, added, alignment, script, seconds }, date, context),
  };
}

/** Heard of a stretch that was left out, as a share of what is heard of most: less than this. */
const UNHEARD = 0.5;
/** The same of a talk, a check or a small rest: few words, said as they come. */
const UNHEARD_REST = 0.15;
/** Alignments at most: what is left out frees what stands beside it. */
const ROUNDS = 3;

/** Several times: how long everything took, and what was not done at all, is known after the first. */
function aligned(script: Script, words: readonly HeardWord[], seconds: number): Laid {
  const { sections } = script;
  const [evidence, coverage] = [new Evidence(sections), new Coverage(sections)];
  const planned = sections.map((section, i) => partsOf(section, sections[i - 1]));
  const limited = (pace: number) => Math.max(FASTEST, Math.min(SLOWEST, pace));
  let now = align(sections, planned, words, evidence, seconds, limited(seconds / script.seconds));
  const left = new Set<number>();
  let usual = 1;
  for (let round = 0; round < ROUNDS; round++) {
    const heard = now.found.map(({ section, start, end }) => ({
      section,
      share: coverage.of(section, within(words, start - NEAR, end + NEAR)),
    }));
    const own = heard.filter(({ section }) => sections[section]?.pass === 1 && sections[section]?.block !== null);
    usual = medianOf(own.map(({ share }) => share));
    const before = left.size;
    for (const { section, share } of own) {
      const least = sections[section]?.kind === 'block' ? UNHEARD : UNHEARD_REST;
      if (share >= least * usual) continue;
      // Both sides of it.
      sections.forEach(({ block }, i) => {
        if (block === sections[section]?.block) left.add(i);
      });
    }
    if (round > 0 && left.size === before) break;
    const sure = now.found.filter(
      ({ evidence: its, section }) => its > SURE && (planned[section] as PlannedParts).work > 10 && !left.has(section),
    );
    const [was, meant] = sure.reduce(
      ([a, b], { work, end, section }) => [a + end - work, b + (planned[section] as PlannedParts).work],
      [0, 0],
    );
    now = align(sections, planned, words, evidence, seconds, limited(meant > 0 ? was / meant : 1), left);
  }
  return { ...now, unheard: UNHEARD * usual, coverage, evidence };
}
/** Captions laid along a class, with how little of a stretch is too little. */
interface Laid extends Alignment {
  readonly unheard: number;
  readonly coverage: Coverage;
  readonly evidence: Evidence;
}
/** Seconds around a stretch in which its words count to it, and evidence from which its length tells the pace. */
const [NEAR, SURE] = [2, 3];

function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** Planned seconds: a rest lies on the way to what comes next. */
function partsOf(section: ScriptSection, before: ScriptSection | undefined): PlannedParts {
  const way = section.leadSeconds + (before ? restOf(before) : 0);
  const { times } = section;
  if (!times) return { way, setup: 0, work: section.seconds };
  return { way, setup: times.setup + times.options, work: times.work + times.explained };
}

function restOf({ times, seconds }: ScriptSection): number {
  return times ? Math.max(0, seconds - times.setup - times.options - times.work - times.explained) : 0;
}

const within = (words: readonly HeardWord[], from: number, to: number) =>
  words.filter(({ at }) => at >= from && at < to);

/** Seconds in which somebody speaks; what overlaps counts once. */
function speechSeconds(cues: readonly ReadCue[], from: number, to: number): number {
  let [sum, last] = [0, from];
  for (const cue of cues) {
    const [begin, end] = [Math.max(cue.from, last), Math.min(cue.to, to)];
    if (end > begin) {
      sum += end - begin;
      last = end;
    }
  }
  return sum;
}

class Reading {
  readonly #catalog: Catalog;
  readonly #timed: TimedClass;
  readonly #script: Script;
  readonly #cues: readonly ReadCue[];
  readonly #words: readonly HeardWord[];
  readonly #alignment: Laid;

  constructor(
    catalog: Catalog,
    timed: TimedClass,
    script: Script,
    cues: readonly ReadCue[],
    words: readonly HeardWord[],
    alignment: Laid,
  ) {
    this.#catalog = catalog;
    this.#timed = timed;
    this.#script = script;
    this.#cues = cues;
    this.#words = words;
    this.#alignment = alignment;
  }

  blocks() {
    const byBlock = new Map<string, Found[]>();
    for (const found of this.#alignment.found) {
      const { block } = this.#script.sections[found.section] as ScriptSection;
      const id = block === null ? undefined : this.#timed.plan.blocks[block]?.id;
      if (id !== undefined) byBlock.set(id, [...(byBlock.get(id) ?? []), found]);
    }
    const unfound = this.#timed.sequence.filter(({ block }) => !byBlock.has(block.id));
    const moved: TakenBlock[] = [];
    const added: Added[] = [];
    for (const stretch of this.#alignment.elsewhere) {
      const known = this.#movedInto(
        stretch,
        unfound.filter(({ block }) => !moved.some(({ id }) => id === block.id)),
      );
      if (known) moved.push(known);
      else {
        const more = this.#addedIn(stretch);
        if (more) added.push(more);
      }
    }
    const own = this.#timed.sequence.flatMap((part) => {
      const found = byBlock.get(part.block.id);
      return found ? [this.#taken(part, found)] : [];
    });
    const blocks = [...own, ...moved].sort((a, b) => a.startSeconds - b.startSeconds);
    const missed = unfound.map(({ block }) => block.id).filter((id) => !moved.some((each) => each.id === id));
    return { blocks, missed, moved: moved.map(({ id }) => id), added };
  }

  #sectionOf(found: Found): ScriptSection {
    return this.#script.sections[found.section] as ScriptSection;
  }

  #taken(part: TimedClass['sequence'][number], found: readonly Found[]): TakenBlock {
    const [first] = found as [Found];
    const startSeconds = this.#begins(first);
    const passes = found.map((each) => {
      const section = this.#sectionOf(each);
      const side = part.kind === 'block' ? section.side : null;
      const { times } = section;
      const scale = times && times.work > 0 ? (each.end - each.work) / (times.work + times.explained) : 1;
      const reps = times
        ? repsCounted(
            this.#words,
            each.work,
            each.end - (times.exit + times.explained) * scale,
            times.rep * scale,
            times.reps,
          )
        : null;
      return { side, start: each === first ? startSeconds : each.start, work: each.work, end: each.end, reps };
    });
    const [from, to] = [startSeconds, Math.max(...found.map(({ end }) => end))];
    const speech = found.reduce((sum, { start, end }) => sum + speechSeconds(this.#cues, start, end), 0);
    const lasted = found.reduce((sum, { start, end }) => sum + end - start, 0);
    const count = found.reduce((sum, { start, end }) => sum + within(this.#words, start, end).length, 0);
    const { said, unsaid } = this.#kindsIn(first);
    const sides = part.kind === 'block' ? repsOf(part, passes) : null;
    return {
      id: part.block.id,
      startSeconds: from,
      setupSeconds: Math.max(0, first.work - startSeconds),
      workSeconds: found.reduce((sum, { work, end }) => sum + end - work, 0),
      endSeconds: to,
      confidence: confidenceOf(found.reduce((sum, { evidence }) => sum + evidence, 0)),
      reps: sides,
      firstSide: part.kind === 'block' ? this.#firstSide(part, first) : null,
      wordsPerMinute: speech > 0 ? (count * 60) / speech : 0,
      silenceShare: lasted > 0 ? Math.max(0, 1 - speech / lasted) : 0,
      said,
      unsaid,
      effortBreath: part.kind === 'block' ? this.#breath(found) : { with: 0, against: 0 },
      // One pass of both sides in turns holds as many repetitions as a side has.
      passes:
        passes.length === 1 && sides?.left !== undefined && sides.right !== undefined
          ? passes.map((pass) => ({ ...pass, reps: Math.max(sides.left ?? 0, sides.right ?? 0) }))
          : passes,
    };
  }

  /**
   * The first word of a set-up. What is said between two pauses belongs to the way while it rather speaks of that, and
   * where somebody goes on speaking from one thing to the next, to what was done before while it speaks of that. Where
   * nothing is said before the effort, it is where the stretch begins.
   */
  #begins({ section, start, work }: Found): number {
    const { evidence, found } = this.#alignment;
    const before = found.findLast((each) => each.section !== section && each.start < start && each.end <= start + 1);
    const spoken = within(this.#words, Math.max(start - BEFORE, before?.work ?? 0), Math.max(work, start + 2));
    const sumOf = (part: 'way' | 'setup', words: readonly HeardWord[]) =>
      words.reduce((all, word) => all + evidence.of(section, part, word), 0);
    let weak: number | null = null;
    for (const burst of burstsIn(spoken)) {
      const [first, last] = [burst[0], burst.at(-1)] as [HeardWord, HeardWord];
      if (last.at < start - 1) continue;
      const own = first.at >= start - 1 ? burst : this.#goesOver(burst, section, before?.section);
      const sum = sumOf('setup', own);
      const begins = own[0]?.at;
      if (begins === undefined || sum <= 0 || sum <= sumOf('way', own)) continue;
      if (sum >= TELLING) return begins;
      weak ??= begins;
    }
    return weak ?? within(this.#words, start, work)[0]?.at ?? start;
  }

  /** Of what is said without a pause, from where on it speaks of a stretch and no more of the one before. */
  #goesOver(burst: readonly HeardWord[], section: number, before: number | undefined): readonly HeardWord[] {
    const { evidence } = this.#alignment;
    let [sum, best, begins] = [0, 0, burst.length];
    for (let i = burst.length - 1; i >= 0; i--) {
      const word = burst[i] as HeardWord;
      const other = before === undefined ? 0 : evidence.of(before, 'work', word);
      sum += evidence.of(section, 'setup', word) - Math.max(other, evidence.of(section, 'way', word));
      if (sum > best) [best, begins] = [sum, i];
    }
    return burst.slice(begins);
  }

  /** Kinds of cues that were said: of one of its lines at least half of the words that tell something. */
  #kindsIn(found: Found): { said: CueKind[]; unsaid: CueKind[] } {
    const heard = new Set(within(this.#words, found.start - 2, found.end + 2).map(({ stem }) => stem));
    const kinds = new Map<CueKind, boolean>();
    for (const { kind, text, said, source } of this.#sectionOf(found).lines) {
      if (!said || kind === 'note' || (source === 'drafted' && kind === 'count')) continue;
      const telling = tokensOf(text)
        .filter((word) => word.length > 3)
        .map(stemOf);
      const known = telling.filter((stem) => heard.has(stem)).length;
      const was = telling.length > 0 && known * 2 >= telling.length;
      kinds.set(kind, (kinds.get(kind) ?? false) || was);
    }
    const of = (was: boolean) => [...kinds].flatMap(([kind, each]) => (each === was ? [kind] : []));
    return { said: of(true), unsaid: of(false) };
  }

  /** The side that was named before the effort, where only one was; else the one planned. */
  #firstSide({ firstSide }: TimedBlock, { start, work }: Found): Side | null {
    if (firstSide === null) return null;
    const named = within(this.#words, start - 3, work).map(({ text }) => text);
    const [left, right] = [
      named.filter((word) => word === 'left').length,
      named.filter((word) => word === 'right').length,
    ];
    // “right” is said for much else: it counts where the planned side is not named at all.
    if (firstSide === 'right' && left > 0 && right === 0) return 'left';
    if (firstSide === 'left' && right > 1 && left === 0) return 'right';
    return firstSide;
  }

  /** On which breath the effort was called. */
  #breath(found: readonly Found[]): TakenBlock['effortBreath'] {
    const { lines } = this.#sectionOf(found[0] as Found);
    const { actions } = inTurn(lines);
    let [by, against] = [0, 0];
    for (const { work, end } of found) {
      const spoken = within(this.#words, work, end);
      spoken.forEach(({ text }, i) => {
        const breath = breathAt(text, spoken[i + 1]?.text);
        if (!breath) return;
        const after = spoken.slice(i + 1, i + 9).map(({ stem }) => stem);
        const nearest = nearestAction(actions, after);
        const phase = nearest?.phase;
        if (!phase || !(phase.effort ?? false)) return;
        if (phase.breath === breath) by += 1;
        else against += 1;
      });
    }
    return { with: by, against };
  }

  /** A block that was missed in its place and is heard in another. */
  #movedInto({ from, to }: Else, missed: readonly TimedClass['sequence'][number][]): TakenBlock | null {
    const { evidence } = this.#alignment;
    const spoken = within(this.#words, from, to);
    let [best, most]: [TakenBlock | null, number] = [null, MOVED];
    for (const part of missed) {
      const at = this.#script.sections.findIndex(({ block, pass }) => block === part.index && pass === 1);
      if (at < 0) continue;
      const window = bestRow(
        spoken.map((word) => Math.max(evidence.of(at, 'setup', word), evidence.of(at, 'work', word)) - FOREIGN),
      );
      if (!window || window.sum <= most) continue;
      const { coverage, unheard } = this.#alignment;
      if (coverage.of(at, spoken.slice(window.from, window.to)) < unheard) continue;
      const { times } = this.#script.sections[at] as ScriptSection;
      const share = times ? (times.setup + times.options) / Math.max(1, times.setup + times.options + times.work) : 0;
      const said = burstsIn(spoken.slice(window.from, window.to)).map((burst) => ({
        burst,
        sum: burst.reduce((all, word) => all + evidence.of(at, 'setup', word), 0),
      }));
      const densest = Math.max(...said.map(({ burst, sum }) => sum / burst.length));
      const telling = said.find(({ burst, sum }) => sum >= TELLING && sum / burst.length >= densest / 2)?.burst;
      const start = (telling?.[0] ?? (spoken[window.from] as HeardWord)).at;
      const end = Math.max(spoken[window.to]?.at ?? to, start + 1);
      const found = { section: at, start, work: start + (end - start) * share, end, evidence: window.sum };
      best = this.#taken(part, [found]);
      most = window.sum;
    }
    return best;
  }

  #addedIn({ from, to }: Else): Added | null {
    const spoken = within(this.#words, from, to);
    const [first, last] = [spoken[0], spoken.at(-1)];
    if (!first || !last || spoken.length < ADDED_WORDS || last.at - first.at < ADDED_SECONDS) return null;
    const { entry, confidence } = new RungWords(this.#catalog).nearest(spoken);
    return { startSeconds: first.at, endSeconds: to, rung: entry?.key ?? null, confidence };
  }
}

/** What a word that says nothing counts against a stretch. */
const FOREIGN = 0.15;

/** The row of values with the greatest sum, from its first to after its last. */
function bestRow(
  values: readonly number[],
): { readonly from: number; readonly to: number; readonly sum: number } | null {
  let best: { from: number; to: number; sum: number } | null = null;
  let [from, sum] = [0, 0];
  values.forEach((value, i) => {
    if (sum <= 0) [from, sum] = [i, 0];
    sum += value;
    if (!best || sum > best.sum) best = { from, to: i + 1, sum };
  });
  return best;
}

/** Seconds before a stretch in which its first words are looked for; of silence between two things said; what a beginning tells. */
const [BEFORE, PAUSE, TELLING] = [12, 1.5, 2];

/** Words that are said without a pause. */
function burstsIn(words: readonly HeardWord[]): HeardWord[][] {
  const bursts: HeardWord[][] = [];
  let last = Number.NEGATIVE_INFINITY;
  for (const word of words) {
    if (word.at - last >= PAUSE) bursts.push([]);
    bursts.at(-1)?.push(word);
    last = word.at;
  }
  return bursts;
}

/** Evidence from which what was missed in its place is found in another. */
const MOVED = 8;
/** Words and seconds of something that was added, at least. */
const [ADDED_WORDS, ADDED_SECONDS] = [10, 10];

/** From evidence, a logarithm, to how sure it is: even where the words tell little. */
const confidenceOf = (evidence: number): number => 1 / (1 + Math.exp(-(evidence - 1.5) / 2));

function repsOf(part: TimedBlock, passes: TakenBlock['passes']): TakenBlock['reps'] {
  const [first] = passes;
  const counted = first?.reps ?? null;
  if (part.slots.length > 1) {
    const sides = passes.flatMap(({ side, reps }) => (side === null || reps === null ? [] : [[side, reps] as const]));
    return sides.length > 0 ? Object.fromEntries(sides) : null;
  }
  if (counted === null) return null;
  if (part.entry.sides === 'alternate' && part.block.side === undefined) {
    // Each movement may be counted, or each pair of them: whichever is nearer to what was planned.
    const pairs = Math.abs(counted - part.reps) <= Math.abs(counted / 2 - part.reps);
    const [one, other] = pairs ? [counted, counted] : [Math.ceil(counted / 2), Math.floor(counted / 2)];
    return part.firstSide === 'right' ? { left: other, right: one } : { left: one, right: other };
  }
  return part.firstSide === null ? { both: counted } : { [part.firstSide]: counted };
}

/** “in”, “out” as a breath that is called; `null` for other words. */
function breathAt(word: string, next: string | undefined): 'in' | 'out' | null {
  if (word === 'inhale') return 'in';
  if (word === 'exhale') return 'out';
  if (word !== 'breathe' && word !== 'breath') return null;
  return next === 'in' || next === 'out' ? next : null;
}

function nearestAction<T extends { readonly text: string }>(actions: readonly T[], stems: readonly string[]): T | null {
  const own = new Set(stems);
  let [best, most]: [T | null, number] = [null, 0];
  for (const action of actions) {
    const shared = tokensOf(action.text).filter((word) => word.length > 3 && own.has(stemOf(word))).length;
    if (shared > most) [best, most] = [action, shared];
  }
  return best;
}

interface TakeFound {
  readonly blocks: readonly TakenBlock[];
  readonly missed: readonly string[];
  readonly added: readonly Added[];
  readonly alignment: Alignment;
  readonly script: Script;
  readonly seconds: number;
}

function logOf(
  plan: ClassPlan,
  timed: TimedClass,
  { blocks, missed, added, alignment, script, seconds }: TakeFound,
  date: string,
  { teacher }: ReviewContext,
): Log {
  const round = (value: number) => Math.round(value * 10) / 10;
  const ends = (kind: ScriptSection['kind']) =>
    alignment.found.find(({ section }) => script.sections[section]?.kind === kind);
  const [opening, closing] = [ends('opening'), ends('closing')];
  const done = blocks.map(({ id, passes, setupSeconds }) => ({
    at: passes[0]?.start ?? 0,
    log: {
      id,
      did: 'planned' as const,
      passes: passes.map(({ side, start, work, end, reps }, i) => ({
        side,
        startSeconds: round(start),
        setupSeconds: round(i === 0 ? setupSeconds : work - start),
        workSeconds: round(end - work),
        ...(reps === null ? {} : { reps }),
        endSeconds: round(end),
      })),
    },
  }));
  const more = added.map(({ startSeconds, endSeconds, rung }, i) => ({
    at: startSeconds,
    log: {
      id: `added-${i + 1}`,
      did: 'added' as const,
      ...(rung === null ? {} : { rung }),
      passes: [{ startSeconds: round(startSeconds), endSeconds: round(endSeconds) }],
    },
  }));
  return {
    id: `take-${plan.id}-${date}`,
    class: plan.id,
    date,
    ...(teacher === undefined ? {} : { teacher: teacher.id }),
    ...(plan.audience === undefined ? {} : { audience: plan.audience }),
    source: 'take',
    plan: plannedDay(timed, { class: plan.name }),
    ...(opening ? { openingSeconds: round(opening.end) } : {}),
    ...(closing ? { closingSeconds: round(closing.end - closing.start) } : {}),
    endedSeconds: round(seconds),
    blocks: [
      ...[...done, ...more].sort((a, b) => a.at - b.at).map(({ log }) => log),
      ...missed.map((id) => ({ id, did: 'skipped' as const })),
    ],
  };
}
