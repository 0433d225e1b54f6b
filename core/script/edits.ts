import type { Block, Line } from '../plan';
import type { Cue, CueKind, Rung } from '../repertoire';
import type { ScriptLine } from './lines/line';

/** A section as far as an edit of its lines reads it. */
interface Spoken {
  readonly lines: readonly ScriptLine[];
  readonly leftOut?: readonly ScriptLine[];
  readonly pass: 1 | 2;
}

/** What of the class's own lines an edit is about: a kind, a phase of it where it is an action, a pass where it says one. */
interface About {
  readonly kind: CueKind;
  readonly phase?: string;
  readonly pass?: 2;
}

const isAbout = ({ kind, phase, pass }: Line, about: About): boolean =>
  kind === about.kind && phase === about.phase && (pass === 2) === (about.pass === 2);

/** What is changed on the second pass is changed there alone; on the first, wherever it is said. */
const aboutOf = ({ kind, phase }: Pick<ScriptLine, 'kind' | 'phase'>, pass: 1 | 2): About => ({
  kind,
  ...(phase === undefined ? {} : { phase: phase.id }),
  ...(pass === 2 ? { pass } : {}),
});

/** Lines spoken beside one that is changed: of its kind, and of its phase where it has one. */
const besides = ({ lines }: Spoken, line: ScriptLine): ScriptLine[] =>
  lines.filter(({ kind, phase, said }) => said && kind === line.kind && phase?.id === line.phase?.id);

/**
 * The class's own lines of a block with one line said otherwise. Since words of a class replace every line of their kind,
 * the lines beside it are kept as they are spoken now.
 * @param text `null` leaves the line out
 */
export function withLineSaid(block: Block, section: Spoken, id: string, text: string | null): Line[] {
  const line = section.lines.find((each) => each.id === id);
  if (!line) return [...(block.lines ?? [])];
  const texts = besides(section, line).flatMap((each) => (each === line ? (text ?? []) : each.text));
  return withTexts(block, aboutOf(line, section.pass), texts);
}

/** The same with one more line of a kind after those there are. */
export function withLineAdded(block: Block, section: Spoken, kind: CueKind, text: string): Line[] {
  const spoken = section.lines.filter((each) => each.said && each.kind === kind).map((each) => each.text);
  return withTexts(block, aboutOf({ kind }, section.pass), [...spoken, text]);
}

/** The class's own lines without those that stand in the place of a line, or leave it out: it is spoken as the rung has it. */
export function withoutOwn(block: Block, section: Spoken, id: string): Line[] {
  const line = [...section.lines, ...(section.leftOut ?? [])].find((each) => each.id === id);
  const own = block.lines ?? [];
  if (!line) return [...own];
  const here = aboutOf(line, section.pass);
  const left = own.filter((each) => !isAbout(each, here));
  if (left.length < own.length) return left;
  // Said on the second pass, and written for both.
  return own.filter((each) => !isAbout(each, aboutOf(line, 1)));
}

function withTexts(block: Block, about: About, texts: readonly string[]): Line[] {
  const own = block.lines ?? [];
  const before = own.filter((each) => isAbout(each, about));
  const others = own.filter((each) => !isAbout(each, about));
  const taken = new Set(own.map(({ id }) => id));
  const fresh = () => {
    let number = taken.size + 1;
    while (taken.has(`${block.id}-l${number}`)) number += 1;
    const id = `${block.id}-l${number}`;
    taken.add(id);
    return id;
  };
  // No words silence what the rung would say.
  const said = texts.length > 0 ? texts : [''];
  return [...others, ...said.map((text, i): Line => ({ id: before[i]?.id ?? fresh(), ...about, text }))];
}

/**
 * The cues of a rung with what a class says in the place of a line made the rung's own: in their place, with the ids of
 * those they replace.
 */
export function cuesWithOwn({ cues = [], phases }: Rung, block: Block, line: ScriptLine): Cue[] {
  const about = aboutOf(line, 1);
  const texts = (block.lines ?? []).filter((each) => isAbout(each, about) && each.text !== '').map(({ text }) => text);
  const replaced = (cue: Cue) =>
    cue.kind === line.kind && (line.phase === undefined || (cue.phase ?? phases[0]?.id) === line.phase.id);
  const before = cues.filter(replaced);
  const taken = new Set(cues.map(({ id }) => id));
  const fresh = () => {
    let number = taken.size + 1;
    while (taken.has(`c${number}`)) number += 1;
    taken.add(`c${number}`);
    return `c${number}`;
  };
  const made = texts.map((text, i): Cue => {
    const old = before[i];
    if (old) return { ...old, text };
    return { id: fresh(), kind: line.kind, text, ...(line.phase ? { phase: line.phase.id } : {}) };
  });
  const at = cues.findIndex(replaced);
  const others = cues.filter((cue) => !replaced(cue));
  return others.toSpliced(at < 0 ? others.length : at, 0, ...made);
}
