import type { ClassPlan } from '../plan';
import { isRungBlock } from '../plan';
import type { Catalog, Cue, CueKind, Exercise, Rung, RungEntry } from '../repertoire';
import type { Question } from '../taught';

/** A place where words are a cue. */
interface CuePlace {
  readonly entry: RungEntry;
  readonly cue: Cue;
}

/** Words of one kind, with every rung that says them. */
export interface SharedCue {
  readonly kind: CueKind;
  readonly text: string;
  readonly places: readonly CuePlace[];
  /** What learners asked of them, wherever. */
  readonly questions: readonly Question[];
}

/** What is looked for among cues. */
export interface CueQuery {
  readonly text?: string;
  readonly kind?: CueKind | undefined;
  /** The studio's questions. */
  readonly questions?: readonly Question[] | undefined;
  /** Only words that raised a question. */
  readonly asked?: boolean;
}

/** Every cue of the repertoire by kind and words, those said in most places first; then by their words. */
export function sharedCues(
  catalog: Catalog,
  { text = '', kind, questions = [], asked = false }: CueQuery = {},
): SharedCue[] {
  const raised = (entry: RungEntry, cue: Cue) =>
    questions.filter((question) => question.cue === cue.id && question.rung === entry.key);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = new Map<string, { kind: CueKind; text: string; places: CuePlace[] }>();
  for (const entry of catalog.rungs) {
    for (const cue of entry.rung.cues ?? []) {
      if (kind !== undefined && cue.kind !== kind) continue;
      const lower = `${cue.text} ${cue.sign ?? ''}`.toLowerCase();
      if (!words.every((word) => lower.includes(word))) continue;
      const key = `${cue.kind} ${cue.text}`;
      const shared = found.get(key) ?? { kind: cue.kind, text: cue.text, places: [] };
      shared.places.push({ entry, cue });
      found.set(key, shared);
    }
  }
  return [...found.values()]
    .map((shared) => ({ ...shared, questions: shared.places.flatMap(({ entry, cue }) => raised(entry, cue)) }))
    .filter((shared) => !asked || shared.questions.length > 0)
    .sort((a, b) => b.places.length - a.places.length || a.text.localeCompare(b.text));
}

/** The classes that speak words of the repertoire: those that teach a rung of theirs and say nothing else in their place. */
export const classesSpeaking = (plans: readonly ClassPlan[], { kind, places }: SharedCue): ClassPlan[] =>
  plans.filter(({ blocks }) =>
    blocks.some(
      (block) =>
        isRungBlock(block) &&
        !block.lines?.some((line) => line.kind === kind) &&
        places.some(({ entry }) => entry.exercise.id === block.exercise && entry.rung.id === block.rung),
    ),
  );

/** The ladders with these words changed wherever they are said; only the ladders that change. */
export function withCuesChanged({ places }: SharedCue, change: (cue: Cue) => Cue): Exercise[] {
  const byLadder = new Map<Exercise, Map<Rung, ReadonlySet<string>>>();
  for (const { entry, cue } of places) {
    const rungs = byLadder.get(entry.exercise) ?? new Map<Rung, ReadonlySet<string>>();
    rungs.set(entry.rung, new Set([...(rungs.get(entry.rung) ?? []), cue.id]));
    byLadder.set(entry.exercise, rungs);
  }
  return [...byLadder].map(([exercise, rungs]) => ({
    ...exercise,
    rungs: exercise.rungs.map((rung) => {
      const ids = rungs.get(rung);
      return ids ? { ...rung, cues: (rung.cues ?? []).map((cue) => (ids.has(cue.id) ? change(cue) : cue)) } : rung;
    }),
  }));
}
