import type { Side } from '../body';
import { CONDITIONS, type Condition, type Graded } from '../caution';
import {
  getsUpOverSide,
  pacingOf,
  type Slot,
  type Teacher,
  type TimedBlock,
  type TimedClass,
  type TimedInterlude,
} from '../plan';
import type { Catalog, CueKind } from '../repertoire';
import { type BlockPass, blockLines } from './blockLines';
import { HouseWords } from './houseWords';
import { type DraftedFrom, keptLines } from './keptLines';
import type { LineSource, PassLines, ScriptLine, Unnamed } from './line';
import { withOwnLines } from './ownLines';
import { partHeading } from './parts';
import { wayBetween } from './way';

/** One stretch of the class as it is spoken: the opening, one pass through a block, an interlude, the closing. */
export interface ScriptSection {
  readonly kind: 'opening' | 'block' | 'interlude' | 'closing';
  readonly title: string;
  /** What part of the class begins with it, as the order of the class has its parts; `null` where none begins. */
  readonly part: string | null;
  /** When it begins, from the start of the class. */
  readonly startSeconds: number;
  readonly seconds: number;
  /** Seconds of changing place, props or side just before it, and how. */
  readonly leadSeconds: number;
  readonly lead: string | null;
  readonly lines: readonly ScriptLine[];
  /** What the class leaves unsaid of it. */
  readonly leftOut: readonly ScriptLine[];
  /** The block it belongs to, `null` for the opening and the closing. */
  readonly block: number | null;
  readonly side: Side | null;
  /** The second pass runs on what the first one taught. */
  readonly pass: 1 | 2;
}

export interface Script {
  readonly title: string;
  readonly sections: readonly ScriptSection[];
  /** The running time: every section and every lead, the same seconds as the class. */
  readonly seconds: number;
  /** How fast it is spoken. */
  readonly wordsPerMinute: number;
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
}

interface Pass extends Omit<BlockPass, 'part'> {
  readonly part: TimedBlock | TimedInterlude;
}

/** What a script is drafted with. */
interface Room {
  readonly catalog: Catalog;
  readonly graded: readonly Graded[];
  /** From the back up by the side. */
  readonly overSide: boolean;
  /** What the house says by its schools, said where it is new. */
  readonly house: HouseWords;
}

/**
 * A script drafted from a class: what is said, in the order it is said, each pass at its clock time. Words come from the
 * class, else from the rungs' cues; what they leave unsaid is drafted from poses, phases and doses and marked so.
 */
export function draftScript(
  catalog: Catalog,
  timed: TimedClass,
  { conditions = [], graded = conditions, earlier, teacher }: SpokenTo = {},
): Script {
  const { plan } = timed;
  const overSide = getsUpOverSide({ cautions: [...conditions] });
  const room: Room = { catalog, graded, overSide, house: new HouseWords(catalog) };
  const passes = passesOf(timed);
  let clock = timed.parts.opening;
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
  const opening = plan.openingWords ? words(plan.openingWords) : room.house.opening(timed);
  const sections: ScriptSection[] = [
    {
      ...still,
      kind: 'opening',
      title: 'Opening',
      startSeconds: 0,
      seconds: timed.parts.opening,
      lines: named([...opening, ...always], 'opening'),
    },
    ...spoken,
    {
      ...still,
      kind: 'closing',
      title: 'Closing',
      startSeconds: clock,
      seconds: timed.parts.closing,
      lines: named(words(plan.closingWords), 'closing'),
    },
  ];
  return {
    title: plan.name,
    sections,
    seconds: sections.reduce((sum, section) => sum + section.leadSeconds + section.seconds, 0),
    wordsPerMinute: pacingOf(catalog.method, { teacher }).wordsPerMinute,
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

const words = (texts: readonly string[] = [], kind: CueKind = 'setup'): Unnamed[] =>
  texts.map((text) => ({ kind, text, source: 'class', said: true }));

/** What a teacher has to know and does not say. */
const known = (kind: CueKind, text: string, source: LineSource = 'drafted'): Unnamed => ({
  kind,
  text,
  source,
  said: false,
});

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

function interludeSection({ catalog }: Room, part: TimedInterlude, leadSeconds: number): Unheaded {
  const { block, change, startSeconds, seconds, index } = part;
  const drafted = [
    ...words(block.words, block.interlude === 'check' ? 'check' : 'setup'),
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
    lead: wayBetween(catalog, change),
    ...namedBoth(withOwnLines(drafted, block.lines ?? [], [], 1), block.id),
    block: index,
    side: null,
    pass: 1,
  };
}

/** What the director has written for the staff. */
const noted = (notes: string | undefined): Unnamed[] => (notes ? [known('setup', notes, 'class')] : []);

function blockSection(room: Room, own: BlockPass, next: Pass | undefined, leadSeconds: number): Unheaded {
  const { part, slot, pass } = own;
  const { entry, change, block } = part;
  const turned = pass === 2 && leadSeconds > 0;
  const from: DraftedFrom = {
    catalog: room.catalog,
    graded: room.graded,
    news: pass === 1 ? room.house.newWith(entry) : [],
    leaves: leavesFor(room, own, next),
  };
  const spoken = keptLines(part.laid, pass, from, () => {
    const drafted = [...blockLines(from, own), ...(pass === 1 ? noted(block.notes) : [])];
    return namedBoth(withOwnLines(drafted, block.lines ?? [], entry.rung.phases, pass), `${block.id}-${pass}`);
  });
  return {
    kind: 'block',
    title: `${entry.exercise.name}, ${entry.rung.name}`,
    startSeconds: slot.startSeconds,
    seconds: slot.seconds,
    leadSeconds,
    lead: pass === 2 ? (turned ? sideChangeWords(part, slot) : null) : wayBetween(room.catalog, change),
    ...spoken,
    block: part.index,
    side: entry.sides === 'alternate' ? null : slot.side,
    pass,
  };
}

/** A run is changed as one: everything of it that was done on the one side is done again on the other. */
const sideChangeWords = ({ block }: TimedBlock, { side }: Slot): string =>
  block.run === undefined ? `Change sides: ${side} side now.` : `Change sides: all of it again, ${side} side now.`;

/**
 * Whether people leave the shape of a block after a pass: nobody who stays in it is told to leave it, and where the room
 * rolls to the side to get up, what the rung says of sitting up is left to the way there.
 */
function leavesFor({ overSide }: Room, { part }: BlockPass, next: Pass | undefined): boolean {
  if (!next || next.part === part) return false;
  const goesOn = next.part.kind === 'block' && (part.carried || next.pass > 1 || part.slots.length > 1);
  if (part.carried || (goesOn && next.pass > 1)) return false;
  const { places } = next.part.change;
  return !(overSide && places[0] === 'supine' && places.length > 1);
}
