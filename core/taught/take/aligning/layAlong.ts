import type { Script, ScriptSection } from '../../../script';
import { Coverage, Evidence } from '../hearing/evidence';
import type { HeardWord } from '../hearing/words';
import { type Alignment, align, type PlannedParts, sumsOf } from './align';

/** How many times slower or faster than planned a take may be. */
const [SLOWEST, FASTEST] = [1.6, 0.6];

/** Heard of a stretch that was left out, as a share of what is heard of most: less than this. */
const UNHEARD = 0.5;
/** The same of a talk, a check or a small rest: few words, said as they come. */
const UNHEARD_REST = 0.15;
/** Alignments at most: what is left out frees what stands beside it. */
const ROUNDS = 3;

/** Several times: how long everything took, and what was not done at all, is known after the first. */
export function layAlong(script: Script, words: readonly HeardWord[], seconds: number): Laid {
  const { sections } = script;
  const [evidence, coverage] = [new Evidence(sections), new Coverage(sections)];
  const planned = sections.map((section, i) => partsOf(section, sections[i - 1]));
  const limited = (pace: number) => Math.max(FASTEST, Math.min(SLOWEST, pace));
  const sums = sumsOf(sections, words, evidence, seconds);
  let now = align(sections, planned, sums, limited(seconds / script.seconds));
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
    now = align(sections, planned, sums, limited(meant > 0 ? was / meant : 1), left);
  }
  return { ...now, unheard: UNHEARD * usual, coverage, evidence };
}
/** Captions laid along a class, with how little of a stretch is too little. */
export interface Laid extends Alignment {
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

/** Words that are said in a time. */
export const within = (words: readonly HeardWord[], from: number, to: number) =>
  words.filter(({ at }) => at >= from && at < to);
