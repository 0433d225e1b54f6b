import type { Side } from '../body';
import { CONDITIONS, type Condition, type Graded } from '../caution';
import { type Choices, chosen } from '../method';
import {
  getsUpOverSide,
  isLesson,
  pacingOf,
  type Teacher,
  type TimedBlock,
  type TimedClass,
  type TimedInterlude,
} from '../plan';
import { allPhases, type Catalog, type Cue } from '../repertoire';
import { straysOf } from '../school';
import { liesOnBack } from '../vocabulary/bodies/position';
import { closingDraft, type Framed, openingDraft } from './frame';
import { blockLines, phasesDone } from './lines/blockLines';
import { exitFits } from './lines/exits';
import { SaidSoFar } from './lines/houseWords';
import { type BlockPass, type DraftedFrom, keptLines } from './lines/keptLines';
import { cuesOf, drafted, known, type PassLines, type ScriptLine, type Unnamed } from './lines/line';
import { withOwnLines } from './lines/ownLines';
import { wayBetween } from './lines/way';
import { partHeading } from './parts';
import { type PassTimes, passTimes } from './passTimes';

/** One stretch of the class as it is spoken: the opening, one pass through a block, an interlude, the closing. */
export interface ScriptSection {
  readonly kind: 'opening' | 'block' | 'interlude' | 'closing';
  readonly title: string;
  /** What part of the class begins with it, as the order of the class has its parts; `null` where none begins. */
  readonly part: string | null;
  /** When it begins, from the start of the class. */
  readonly startSeconds: number;
  readonly seconds: number;
  /** Seconds of changing place, props or side just before it. */
  readonly leadSeconds: number;
  /** The way there, as it is said. */
  readonly lead: string | null;
  readonly lines: readonly ScriptLine[];
  /** What the class leaves unsaid of it. */
  readonly leftOut: readonly ScriptLine[];
  /** The block it belongs to, `null` for the opening and the closing. */
  readonly block: number | null;
  readonly side: Side | null;
  /** The second pass runs on what the first one taught. */
  readonly pass: 1 | 2;
  /** What its seconds are spent on, where people work in it. */
  readonly times: PassTimes | null;
}

export interface Script {
  readonly title: string;
  readonly sections: readonly ScriptSection[];
  /** The running time: every section and every lead, the same seconds as the class. */
  readonly seconds: number;
  /** How fast it is spoken. */
  readonly wordsPerMinute: number;
  /** What is chosen in this class where good practitioners differ. */
  readonly choices: Choices;
}

/** Who a script is spoken to, and by whom. */
export interface SpokenTo {
  /** Conditions in the room: what a block asks of them is said with it, what always holds is known from the start. */
  readonly conditions?: readonly Condition[];
  /** The same by how far checks let people go; as they are when unsaid. */
  readonly graded?: readonly Graded[] | undefined;
  /** Keys of the rungs met in earlier episodes. */
  readonly earlier?: ReadonlySet<string> | undefined;
  readonly teacher?: Teacher | undefined;
  /** Who it is for, by name. */
  readonly audience?: string | undefined;
  /** What the series of the class has chosen otherwise. */
  readonly choices?: Partial<Choices> | undefined;
  /** The class after it in its series, by name. */
  readonly next?: string | undefined;
}

interface Pass extends Omit<BlockPass, 'part'> {
  readonly part: TimedBlock | TimedInterlude;
}

/** What a script is drafted with. */
interface Room {
  readonly catalog: Catalog;
  readonly graded: readonly Graded[];
  /** From the back up by the side, and down to it. */
  readonly overSide: boolean;
  readonly choices: Choices;
  /** What is said once in a class. */
  readonly sofar: SaidSoFar;
  /** In a lesson an image may come as often as it helps. */
  readonly repeatsImages: boolean;
}

/**
 * A script drafted from a class: what is said, in the order it is said, each pass at its clock time. Words come from the
 * class, else from the rungs' cues; what they leave unsaid is drafted from poses, phases and doses and marked so.
 */
export function draftScript(catalog: Catalog, timed: TimedClass, to: SpokenTo = {}): Script {
  const { conditions = [], graded = conditions, earlier, teacher, audience, next } = to;
  const { plan, parts } = timed;
  const overSide = getsUpOverSide({ cautions: [...conditions] });
  const choices = chosen(catalog.method.choices, to.choices, plan.choices);
  const repeatsImages = isLesson(plan.purpose);
  const room: Room = { catalog, graded, overSide, choices, sofar: new SaidSoFar(catalog), repeatsImages };
  const { wordsPerMinute } = pacingOf(catalog.method, { teacher });
  const framed: Framed = { catalog, timed, choices, audience, next, wordsPerMinute, overSide };
  const passes = passesOf(timed);
  let clock = parts.opening;
  let heading: string | null = null;
  const beginning = ({ part, pass }: Pass): string | null => {
    if (pass > 1 || part.kind !== 'block') return null;
    const own = partHeading(catalog, plan, part, earlier);
    if (own === heading) return null;
    heading = own;
    return own;
  };
  const spoken = passes.map((pass, i): ScriptSection => {
    const leadSeconds = pass.slot.startSeconds - clock;
    clock = pass.slot.startSeconds + pass.slot.seconds;
    const part = beginning(pass);
    return pass.part.kind === 'block'
      ? { part, ...blockSection(room, pass as BlockPass, passes[i + 1], leadSeconds) }
      : { part, ...interludeSection(room, pass.part, leadSeconds) };
  });
  const still = { part: null, leadSeconds: 0, lead: null, block: null, side: null, pass: 1, leftOut: [] } as const;
  const always = conditions.map((each) => known('safety', `${CONDITIONS[each].spoken}: ${CONDITIONS[each].always}`));
  const opening = plan.openingWords ? words(plan.openingWords) : openingDraft(framed);
  const sections: ScriptSection[] = [
    {
      ...still,
      kind: 'opening',
      title: 'Opening',
      startSeconds: 0,
      seconds: parts.opening,
      lines: named([...opening, ...always], 'opening'),
      times: null,
    },
    ...spoken,
    {
      ...still,
      kind: 'closing',
      title: 'Closing',
      startSeconds: clock,
      seconds: parts.closing,
      lines: named(plan.closingWords ? words(plan.closingWords) : closingDraft(framed), 'closing'),
      times: null,
    },
  ];
  return {
    title: plan.name,
    sections,
    seconds: sections.reduce((sum, section) => sum + section.leadSeconds + section.seconds, 0),
    wordsPerMinute,
    choices,
  };
}

/** Every pass through a block, and every interlude, in the order they come. */
const passesOf = ({ sequence }: TimedClass): Pass[] =>
  sequence
    .flatMap((part): Pass[] =>
      part.kind === 'block'
        ? part.slots.map((slot, i) => ({ part, slot, pass: i === 0 ? 1 : 2 }))
        : [{ part, slot: { side: null, startSeconds: part.startSeconds, seconds: part.seconds }, pass: 1 }],
    )
    .sort((a, b) => a.slot.startSeconds - b.slot.startSeconds || a.part.index - b.part.index);

type Unheaded = Omit<ScriptSection, 'part'>;

const words = (texts: readonly string[] = [], kind: Cue['kind'] = 'setup'): Unnamed[] =>
  texts.map((text) => drafted(kind, text, 'class'));

/** Lines with ids: the class's own as it has them, the others by what they are and where. */
function named(lines: ReadonlyArray<Unnamed & Partial<Pick<ScriptLine, 'id'>>>, place: string): ScriptLine[] {
  const seen = new Map<string, number>();
  return lines.map((line): ScriptLine => {
    if (line.id !== undefined) return { ...line, id: line.id };
    // Counted by what is short and known already: the whole name would be put together and looked up for every line.
    const own = line.cue ?? line.kind;
    const number = (seen.get(own) ?? 0) + 1;
    seen.set(own, number);
    return { ...line, id: number === 1 ? `${place}-${own}` : `${place}-${own}-${number}` };
  });
}

const namedBoth = ({ lines, leftOut }: PassLines<Unnamed>, place: string): PassLines => ({
  lines: named(lines, place),
  leftOut: named(leftOut, `${place}-left-out`),
});

function interludeSection({ catalog, overSide }: Room, part: TimedInterlude, leadSeconds: number): Unheaded {
  const { block, change, startSeconds, seconds, index } = part;
  const kind = block.interlude === 'check' ? 'check' : 'setup';
  const own = [
    ...(block.words ? words(block.words, kind) : [drafted(kind, `${block.name.replace(/[.!?]$/, '')}.`)]),
    ...(block.finds ? [known('check', `It should find: ${block.finds}`, 'class')] : []),
    ...(block.otherwise ? [known('check', `If not: ${block.otherwise}`, 'class')] : []),
    ...noted(block.notes),
  ];
  return {
    kind: 'interlude',
    title: block.name,
    startSeconds,
    seconds,
    leadSeconds,
    lead: wayBetween(catalog, change, overSide),
    ...namedBoth(withOwnLines(own, block.lines ?? [], [], 1), block.id),
    block: index,
    side: null,
    pass: 1,
    times: null,
  };
}

/** What the director has written for the staff. */
const noted = (notes: string | undefined): Unnamed[] => (notes ? [known('setup', notes, 'class')] : []);

function blockSection(room: Room, own: BlockPass, next: Pass | undefined, leadSeconds: number): Unheaded {
  const { part, slot, pass } = own;
  const { entry, change, block } = part;
  const { catalog, choices, sofar } = room;
  const first = pass === 1;
  const from: DraftedFrom = {
    catalog,
    graded: room.graded,
    news: first ? sofar.newWith(entry, choices) : [],
    strays: straysLeftOut(catalog, entry, choices),
    choices,
    out: wayOut(room, own, next),
    firstOfLadder: first && sofar.firstOf(entry),
    imageSaid: first && sofar.imageSaid(entry) && !room.repeatsImages,
    inRun: block.run === undefined ? null : part.leadsRun ? 'first' : 'later',
  };
  const spoken = keptLines(part.laid, pass, from, () => {
    const lines = [...blockLines(from, own), ...(first ? noted(block.notes) : [])];
    const done = new Set(phasesDone(part).map(({ id }) => id));
    // Words for a way in or out that nobody takes here are not said.
    const ownLines = (block.lines ?? []).filter(({ phase }) => phase === undefined || done.has(phase));
    return namedBoth(withOwnLines(lines, ownLines, allPhases(entry.rung), pass), `${block.id}-${pass}`);
  });
  return {
    kind: 'block',
    title: `${entry.exercise.name}, ${entry.rung.name}`,
    startSeconds: slot.startSeconds,
    seconds: slot.seconds,
    leadSeconds,
    lead: pass === 2 ? null : wayBetween(catalog, change, room.overSide),
    ...spoken,
    block: part.index,
    side: entry.sides === 'alternate' ? null : slot.side,
    pass,
    times: passTimes(part, pass),
  };
}

/** Kinds of line that a house line can stand in for where they go against it. */
const LEFT_OUT: ReadonlySet<Cue['kind']> = new Set<Cue['kind']>(['alignment', 'image', 'feel', 'check']);

const NO_STRAYS: readonly string[] = [];
/** Cues of a rung that go against what is chosen, and that carry no movement of their own. */
function straysLeftOut(catalog: Catalog, entry: TimedBlock['entry'], choices: Choices): readonly string[] {
  const strays = straysOf(catalog, entry, choices);
  if (strays.length === 0) return NO_STRAYS;
  return strays.flatMap(({ cue: id }) => {
    const kind = entry.rung.cues?.find((cue) => cue.id === id)?.kind;
    return id !== undefined && kind && LEFT_OUT.has(kind) ? [id] : [];
  });
}

const NO_WAY: readonly Cue[] = [];
/**
 * What the rung says of the way out, where people leave its shape and it is true: nobody who stays in the shape, is
 * inside a run or has the second side before them is told to leave it; where the room rolls to the side to get up, or
 * the words lead elsewhere or take away what is still needed, the way there says what to do.
 */
function wayOut({ catalog, overSide }: Room, { part }: BlockPass, next: Pass | undefined): readonly Cue[] {
  const cues = cuesOf(part.entry, 'transition');
  if (cues.length === 0 || next?.part === part || part.carried || part.shown) return NO_WAY;
  if (next) {
    const inRun = next.part.kind === 'block' && part.block.run !== undefined && part.block.run === next.part.block.run;
    if (inRun) return NO_WAY;
    const { places } = next.part.change;
    if (overSide && liesOnBack(places[0]) && places.length > 1) return NO_WAY;
  }
  return cues.filter(({ text }) => exitFits(catalog, text, part, next?.part));
}
