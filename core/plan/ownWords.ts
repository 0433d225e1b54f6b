import { CUE_KINDS, type CueKind } from '../vocabulary/words/cue';
import type { Line } from './class';

/** Something said, or known by whoever teaches, as far as a class can say it otherwise. */
export interface Worded {
  readonly kind: CueKind;
  readonly text: string;
  readonly said: boolean;
  /** The phase it is spoken on. */
  readonly phase?: { readonly id: string };
}

/** What is said, and what the class leaves unsaid. */
export interface Wording<L> {
  readonly lines: readonly L[];
  readonly leftOut: readonly L[];
}

/**
 * Lines of a pass with the class's own words in their place: those of a kind replace every line of that kind, or of that
 * phase of it where they say one, each beside the words it replaced; no words leave it out. What says a pass is of that
 * pass alone; what says none stands in the first, and in the second where it replaces something. The clock counts words
 * by it and the script speaks by it.
 * @param written a line of the class as one of these, and the words that it replaced
 */
export function withOwnWords<L extends Worded>(
  drafted: readonly L[],
  own: readonly Line[],
  pass: 1 | 2,
  written: (line: Line, instead: string | undefined) => L,
): Wording<L> {
  let lines: readonly L[] = drafted;
  let leftOut: readonly L[] = [];
  for (const target of targetsOf(own, pass)) {
    // What is only known, as what a check should find, is of a kind that is said: it stays.
    const replaces = (line: L) =>
      (line.said || line.kind === 'note') &&
      line.kind === target.kind &&
      (target.phase === undefined || line.phase?.id === target.phase);
    const at = lines.findIndex(replaces);
    if (at < 0 && pass === 2 && target.lines.every((line) => line.pass === undefined)) continue;
    const said = target.lines.filter(({ text }) => text !== '');
    const gone = lines.filter((line) => replaces(line) && said.every(({ text }) => text !== line.text));
    const own = said.map((line) => {
      const stays = lines.some((each) => replaces(each) && each.text === line.text);
      return written(line, stays ? undefined : gone.shift()?.text);
    });
    leftOut = [...leftOut, ...gone];
    const place = at < 0 ? placeFor(lines, target.kind) : at;
    const kept = lines.filter((line) => !replaces(line));
    const before = lines.slice(0, place).filter((line) => !replaces(line)).length;
    lines = kept.toSpliced(before, 0, ...own);
  }
  return { lines, leftOut };
}

interface Target {
  readonly kind: Line['kind'];
  readonly phase: string | undefined;
  lines: Line[];
}

/** What is replaced by which lines, whole kinds before single phases of them. */
function targetsOf(own: readonly Line[], pass: 1 | 2): Target[] {
  const targets = new Map<string, Target>();
  for (const line of own) {
    if (line.pass !== undefined && line.pass !== pass) continue;
    const name = `${line.kind} ${line.phase ?? ''}`;
    const target = targets.get(name) ?? { kind: line.kind, phase: line.phase, lines: [] };
    target.lines.push(line);
    targets.set(name, target);
  }
  // Words of this pass alone stand in the place of those of both.
  for (const target of targets.values()) {
    const here = target.lines.filter((line) => line.pass !== undefined);
    if (here.length > 0) target.lines = here;
  }
  return [...targets.values()].sort((a, b) => Number(a.phase !== undefined) - Number(b.phase !== undefined));
}

/** Where a kind of line that was not there is spoken, in the usual order of kinds. */
function placeFor(lines: readonly Worded[], kind: Line['kind']): number {
  const later = CUE_KINDS.slice(CUE_KINDS.indexOf(kind) + 1);
  const at = lines.findIndex((line) => later.includes(line.kind));
  return at < 0 ? lines.length : at;
}
