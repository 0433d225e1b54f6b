import type { Cue, CueKind, Phase, RepPlace, RungEntry } from '../../repertoire';

/** Where the words of a line come from: the class, the rung's cues, or nobody yet. */
export type LineSource = 'class' | 'rung' | 'drafted';

export interface ScriptLine {
  /** Unique in its section: the class's own line, the cue with its block, or what was drafted for it. */
  readonly id: string;
  readonly kind: CueKind;
  readonly text: string;
  readonly source: LineSource;
  /** Said aloud; otherwise it is for the teacher to know. */
  readonly said: boolean;
  /** The cue of the rung it is. */
  readonly cue?: string;
  /** For an action: the phase it is spoken on. */
  readonly phase?: Phase;
  /** The repetition of a set it is said on: first, middle or last; or the one it begins, counted from 0. */
  readonly at?: RepPlace;
  readonly rep?: number;
  /** For a fault: what is seen. */
  readonly sign?: string;
  /** For words of the class: what would be said in their place, as the rung has it now. */
  readonly instead?: string;
}

/** The cues of the rung that lines tell or know, by their ids. */
export const cuesToldIn = (lines: readonly ScriptLine[]): ReadonlySet<string> =>
  new Set(lines.flatMap(({ cue }) => cue ?? []));

/** Kinds that say no more than the figure while nobody has written them; the others are worked out, and so never wrong. */
const WANT_WORDS: ReadonlySet<CueKind> = new Set<CueKind>(['setup', 'action', 'option']);

/** Whether a line was drafted and wants writing. */
export const wantsWords = ({ source, kind }: Pick<ScriptLine, 'source' | 'kind'>): boolean =>
  source === 'drafted' && WANT_WORDS.has(kind);

/** A line without its id: it is named when its section is put together. */
export type Unnamed = Omit<ScriptLine, 'id'>;

/** A line that is worked out, or stands in for one that nobody has written. */
export const drafted = (kind: CueKind, text: string, source: LineSource = 'drafted'): Unnamed => ({
  kind,
  text,
  source,
  said: true,
});

/** What a teacher has to know and does not say. */
export const known = (kind: CueKind, text: string, source: LineSource = 'drafted'): Unnamed => ({
  kind,
  text,
  source,
  said: false,
});

/** What is said and known on a pass, and what the class leaves unsaid of it. */
export interface PassLines<L = ScriptLine> {
  readonly lines: readonly L[];
  readonly leftOut: readonly L[];
}

/** The cues of a kind, as the rung has them. */
export const cuesOf = ({ rung }: RungEntry, kind: CueKind): Cue[] =>
  (rung.cues ?? []).filter((cue) => cue.kind === kind);

/** A cue as a line of the script. */
export const asLine = ({ id, kind, text, sign, at }: Cue): Unnamed => ({
  kind,
  text,
  source: 'rung',
  said: kind !== 'note',
  cue: id,
  ...(sign ? { sign } : {}),
  ...(at ? { at } : {}),
});

/** Kinds that people need to hear before they begin. */
const BEFORE: ReadonlySet<CueKind> = new Set<CueKind>(['setup', 'check', 'side', 'count', 'option', 'safety']);

/** Whether a line belongs to one repetition. */
export const onRepetition = ({ at, rep }: Pick<ScriptLine, 'at' | 'rep'>): boolean =>
  at !== undefined || rep !== undefined;

/** Lines in the order they are spoken: before the effort, on the breath, while it goes on, and on the way out. */
export interface Spoken<L> {
  readonly before: readonly L[];
  readonly actions: readonly L[];
  readonly during: readonly L[];
  readonly out: readonly L[];
}

/** What is said of a pass, by when: what the house says of the breath stands before the first action, and is heard before it. */
export function inTurn<L extends Unnamed>(said: readonly L[]): Spoken<L> {
  const first = said.findIndex(({ kind }) => kind === 'action');
  const isBefore = (line: L, i: number) => (BEFORE.has(line.kind) || i < first) && !onRepetition(line);
  return {
    before: said.filter(isBefore),
    actions: said.filter(({ kind }) => kind === 'action'),
    during: said.filter((line, i) => !isBefore(line, i) && line.kind !== 'action' && line.kind !== 'transition'),
    out: said.filter(({ kind }) => kind === 'transition'),
  };
}
