import { type ClassPlan, type TimedBlock, type TimedClass, timeClass } from '../../plan';
import type { Catalog } from '../../repertoire';
import type { ReviewContext } from '../../review';
import { type Script, type ScriptSection, scriptOf } from '../../script';
import type { Else, Found } from './aligning/align';
import { begins, bestRow, burstsIn, TELLING } from './aligning/begins';
import { differencesIn } from './aligning/differences';
import { type Laid, layAlong, within } from './aligning/layAlong';
import type { ReadCue } from './hearing/captions';
import { repsCounted } from './hearing/counted';
import { RungWords } from './hearing/rungWords';
import { breathIn, firstSideIn, kindsIn } from './hearing/spoken';
import { type HeardWord, heardIn } from './hearing/words';
import type { Added, Take, TakenBlock } from './take';
import { logOf } from './takeLog';

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
  // At its own length: the teacher's pace is what is read.
  const script = scriptOf(catalog, timed, { ...context, teacher: undefined });
  const words = heardIn(cues);
  const seconds = cues.at(-1)?.to ?? 0;
  const alignment = layAlong(script, words, seconds);
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
  /** Made when something was added: most takes add nothing. */
  #rungs: RungWords | undefined;

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
    const startSeconds = begins(this.#alignment, this.#words, first);
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
    const { said, unsaid } = kindsIn(this.#words, this.#sectionOf(first), first);
    const sides = part.kind === 'block' ? repsOf(part, passes) : null;
    return {
      id: part.block.id,
      startSeconds: from,
      setupSeconds: Math.max(0, first.work - startSeconds),
      workSeconds: found.reduce((sum, { work, end }) => sum + end - work, 0),
      endSeconds: to,
      confidence: confidenceOf(found.reduce((sum, { evidence }) => sum + evidence, 0)),
      reps: sides,
      firstSide: part.kind === 'block' ? firstSideIn(this.#words, part, first) : null,
      wordsPerMinute: speech > 0 ? (count * 60) / speech : 0,
      silenceShare: lasted > 0 ? Math.max(0, 1 - speech / lasted) : 0,
      said,
      unsaid,
      effortBreath:
        part.kind === 'block' ? breathIn(this.#words, this.#sectionOf(first), found) : { with: 0, against: 0 },
      // One pass of both sides in turns holds as many repetitions as a side has.
      passes:
        passes.length === 1 && sides?.left !== undefined && sides.right !== undefined
          ? passes.map((pass) => ({ ...pass, reps: Math.max(sides.left ?? 0, sides.right ?? 0) }))
          : passes,
    };
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
    this.#rungs ??= new RungWords(this.#catalog);
    const { entry, confidence } = this.#rungs.nearest(spoken);
    return { startSeconds: first.at, endSeconds: to, rung: entry?.key ?? null, confidence };
  }
}

/** What a word that says nothing counts against a stretch. */
const FOREIGN = 0.15;
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
