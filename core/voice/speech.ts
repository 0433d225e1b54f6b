import type { TimedBlock } from '../plan';
import type { Script, ScriptLine, ScriptSection } from '../script';
import { wordsIn } from '../vocabulary/words/words';

/** Kinds spoken while people work, once in the first pass of a block. */
const ONCE_IN_WORK: ReadonlySet<ScriptLine['kind']> = new Set<ScriptLine['kind']>([
  'alignment',
  'image',
  'feel',
  'fault',
]);

/** Repetitions an action is spoken on, in the first pass and in the second: the rest is counted. */
const SPOKEN_ON = { 1: 2, 2: 1 } as const;

/**
 * Words said while people work in one pass: actions on the first repetitions, those of a way and those of one repetition
 * once, what keeps and pictures the shape once, unless it is explained afterwards, and a word for each repetition.
 * @param reps repetitions of the pass, all sets together
 */
export function wordsInWork({ lines, pass, times }: SpokenPass, reps: number): number {
  const explained = (times?.explained ?? 0) > 0;
  const repeated = Math.min(SPOKEN_ON[pass], Math.max(1, Math.round(reps)));
  let words = reps;
  for (const { kind, text, said, phase, at, rep } of lines) {
    if (!said) continue;
    const once = at !== undefined || (phase !== undefined && times?.phases.rep.every(({ id }) => id !== phase.id));
    if (kind === 'action') words += wordsIn(text) * (once ? 1 : repeated);
    else if (rep !== undefined || (pass === 1 && !explained && ONCE_IN_WORK.has(kind))) words += wordsIn(text);
  }
  return words;
}

type SpokenPass = Pick<ScriptSection, 'lines' | 'pass' | 'times'>;

/** Repetitions of each pass, all sets together. */
export const repsOfPasses = ({ sets, reps, secondReps, slots, entry }: TimedBlock): readonly number[] => {
  const alternates = entry.sides === 'alternate' && slots.length === 1;
  return slots.length > 1 ? [sets * reps, sets * secondReps] : [sets * reps * (alternates ? 2 : 1)];
};

/** Words that are said in a script, each line once. */
export const wordsOf = ({ sections }: Pick<Script, 'sections'>): number =>
  sections.reduce(
    (sum, { lines }) => sum + lines.reduce((own, { said, text }) => own + (said ? wordsIn(text) : 0), 0),
    0,
  );
