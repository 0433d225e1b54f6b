import type { Condition, Graded } from '../caution';
import type { Audience, TimedBlock, TimedClass } from '../plan';
import type { Catalog } from '../repertoire';
import type { Script, ScriptLine, ScriptSection } from '../script';
import { speechSeconds } from '../vocabulary/words/words';
import { repsOfPasses, wordsInWork } from './speech';

/** A block with all that is spoken on it. */
export interface SpokenBlock {
  readonly part: TimedBlock;
  /** Its passes: the first, and the second where it has one. */
  readonly passes: readonly ScriptSection[];
  /** Every line that is said, whichever pass. */
  readonly said: readonly ScriptLine[];
  /** The same with each text once: the second pass repeats the first. */
  readonly once: readonly ScriptLine[];
  /** Seconds that what is said while people work takes, were there time for all of it, and the seconds they work. */
  readonly speech: number;
  readonly work: number;
}

/** What the language review reads: a class as it is timed for a teacher, and its script. */
export interface Voice {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly script: Script;
  readonly conditions: readonly Condition[];
  /** The same by how far checks let people go. */
  readonly graded: readonly Graded[];
  readonly audience: Audience | undefined;
  readonly blocks: readonly SpokenBlock[];
}

export function voiceOf(
  catalog: Catalog,
  timed: TimedClass,
  script: Script,
  { conditions = [], graded = conditions, audience }: Partial<Pick<Voice, 'conditions' | 'graded' | 'audience'>> = {},
): Voice {
  const byBlock = new Map<number, ScriptSection[]>();
  for (const section of script.sections) {
    if (section.block === null || section.kind !== 'block') continue;
    const passes = byBlock.get(section.block);
    if (passes) passes.push(section);
    else byBlock.set(section.block, [section]);
  }
  const blocks = timed.blocks.map((part): SpokenBlock => {
    const passes = byBlock.get(part.index) ?? [];
    const own = linesSaid(passes);
    const reps = repsOfPasses(part);
    const words = passes.reduce((sum, pass, i) => sum + wordsInWork(pass, reps[i] ?? 0), 0);
    return {
      part,
      passes,
      said: own.said,
      once: own.once,
      speech: speechSeconds(words, script.wordsPerMinute),
      work: part.work,
    };
  });
  return { catalog, timed, script, conditions, graded, audience, blocks };
}

type LinesSaid = Pick<SpokenBlock, 'said' | 'once'>;
/** By the lines of the first pass, which stay the same objects while nothing of their block changes. */
const knownSaid = new WeakMap<
  ScriptSection['lines'],
  LinesSaid & { readonly second: ScriptSection['lines'] | undefined }
>();

function linesSaid(passes: readonly ScriptSection[]): LinesSaid {
  const [first, second] = passes.map(({ lines }) => lines);
  if (!first) return { said: [], once: [] };
  const known = knownSaid.get(first);
  if (known && known.second === second) return known;
  const said = [...first, ...(second ?? [])].filter((line) => line.said);
  const found = { said, once: eachOnce(said), second };
  knownSaid.set(first, found);
  return found;
}

/** By its words, and of its kind where they are said as two: what hangs together of both is slow to look up. */
function eachOnce(lines: readonly ScriptLine[]): ScriptLine[] {
  const seen = new Map<string, ScriptLine['kind']>();
  return lines.filter(({ kind, text }) => {
    if (seen.get(text) === kind) return false;
    seen.set(text, kind);
    return true;
  });
}

/** The share of the work in which nobody speaks, over the whole class; 1 where nobody works. */
export function silenceOf({ blocks }: Pick<Voice, 'blocks'>): number {
  const work = blocks.reduce((sum, block) => sum + block.work, 0);
  const speech = blocks.reduce((sum, block) => sum + Math.min(block.speech, block.work), 0);
  return work > 0 ? 1 - speech / work : 1;
}
