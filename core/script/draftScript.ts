import type { Side } from '../body';
import { CONDITIONS, type Condition, judge } from '../caution';
import {
  doseOf,
  getsUpOverSide,
  optionOf,
  type Slot,
  type TimedBlock,
  type TimedClass,
  type TimedInterlude,
} from '../plan';
import { type Catalog, type Cue, type CueKind, laneOf, type RungEntry } from '../repertoire';
import { HouseWords } from './houseWords';
import type { ScriptLine } from './line';
import { partHeading } from './parts';
import { rangeWords } from './rangeWords';
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
  /** The block it belongs to, `null` for the opening and the closing. */
  readonly block: number | null;
  readonly side: Side | null;
  /** The second pass of a side runs on what the first one taught. */
  readonly pass: 'first' | 'second';
}

export interface Script {
  readonly title: string;
  readonly sections: readonly ScriptSection[];
  /** The running time: every section and every lead, the same seconds as the class. */
  readonly seconds: number;
}

/** Who a script is spoken to. */
export interface SpokenTo {
  /** Conditions in the room: what is always said to them opens the class, what a block asks of them is said with it. */
  readonly conditions?: readonly Condition[];
  /** Keys of the rungs met in earlier episodes. */
  readonly earlier?: ReadonlySet<string> | undefined;
}

/** What a script is drafted with. */
interface Room {
  readonly catalog: Catalog;
  readonly timed: TimedClass;
  readonly conditions: readonly Condition[];
  /** From the back up by the side. */
  readonly overSide: boolean;
  /** What the house says by its schools, said where it is new. */
  readonly house: HouseWords;
}

/**
 * A script drafted from a class: what is said, in the order it is said, each pass at its clock time.
 * Words come from the class and from the rungs' cues; what they leave unsaid is drafted from poses, phases and doses
 * and marked so.
 */
export function draftScript(catalog: Catalog, timed: TimedClass, { conditions = [], earlier }: SpokenTo = {}): Script {
  const { plan } = timed;
  const overSide = getsUpOverSide({ cautions: [...conditions] });
  const room: Room = { catalog, timed, conditions, overSide, house: new HouseWords(catalog) };
  const passes = timed.sequence
    .flatMap((part): Pass[] =>
      part.kind === 'block'
        ? part.slots.map((slot, i) => ({ part, slot, second: i > 0 }))
        : [{ part, slot: { side: null, startSeconds: part.startSeconds, seconds: part.seconds }, second: false }],
    )
    .sort((a, b) => a.slot.startSeconds - b.slot.startSeconds || a.part.index - b.part.index);
  let clock = plan.openingSeconds;
  let heading: string | null = null;
  const beginning = (pass: Pass): string | null => {
    if (pass.second || pass.part.kind !== 'block') return null;
    const own = partHeading(catalog, plan, pass.part, earlier);
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
  const still = { part: null, leadSeconds: 0, lead: null, block: null, side: null, pass: 'first' } as const;
  const sections: ScriptSection[] = [
    {
      ...still,
      kind: 'opening',
      title: 'Opening',
      startSeconds: 0,
      seconds: plan.openingSeconds,
      lines: [
        ...(plan.openingWords ? said(plan.openingWords) : room.house.opening(timed)),
        ...conditions.map((condition) => safety(`${CONDITIONS[condition].name}: ${CONDITIONS[condition].always}`)),
      ],
    },
    ...spoken,
    {
      ...still,
      kind: 'closing',
      title: 'Closing',
      startSeconds: clock,
      seconds: plan.closingSeconds,
      lines: said(plan.closingWords),
    },
  ];
  return {
    title: plan.name,
    sections,
    seconds: sections.reduce((sum, section) => sum + section.leadSeconds + section.seconds, 0),
  };
}

type Unheaded = Omit<ScriptSection, 'part'>;

interface Pass {
  readonly part: TimedBlock | TimedInterlude;
  readonly slot: Slot;
  readonly second: boolean;
}
interface BlockPass extends Pass {
  readonly part: TimedBlock;
}

const said = (words: readonly string[] = []): ScriptLine[] =>
  words.map((text) => ({ kind: 'setup', text, written: true }));

function interludeSection({ catalog }: Room, part: TimedInterlude, leadSeconds: number): Unheaded {
  const { block, change, startSeconds, seconds, index } = part;
  const kind = block.interlude === 'check' ? 'check' : 'setup';
  const lines = [...(block.words ?? []), ...(block.finds ? [`It should find: ${block.finds}`] : [])];
  if (block.otherwise) lines.push(`If not: ${block.otherwise}`);
  return {
    kind: 'interlude',
    title: block.name,
    startSeconds,
    seconds,
    leadSeconds,
    lead: wayBetween(catalog, change),
    lines: lines.map((text) => ({ kind, text, written: true })),
    block: index,
    side: null,
    pass: 'first',
  };
}

function blockSection(
  room: Room,
  { part, slot, second }: BlockPass,
  next: Pass | undefined,
  leadSeconds: number,
): Unheaded {
  const { entry, change } = part;
  const turned = second && leadSeconds > 0;
  const leaves = next && next.part !== part ? wayOut(room, part, next) : [];
  return {
    kind: 'block',
    title: `${entry.exercise.name}, ${entry.rung.name}`,
    startSeconds: slot.startSeconds,
    seconds: slot.seconds,
    leadSeconds,
    lead: second ? (turned ? sideChangeWords(part, slot) : null) : wayBetween(room.catalog, change),
    lines: [...(second ? secondPass(room.catalog, part, slot) : firstPass(room, part)), ...leaves],
    block: part.index,
    side: entry.exercise.sides === 'alternate' ? null : slot.side,
    pass: second ? 'second' : 'first',
  };
}

/** A run is changed as one: everything of it that was done on the one side is done again on the other. */
const sideChangeWords = ({ block }: TimedBlock, { side }: Slot): string =>
  block.run === undefined ? `Change sides: ${side} side now.` : `Change sides: all of it again, ${side} side now.`;

/**
 * How to leave a block, where people do: nobody who stays in the shape is told to leave it, and where the room rolls
 * to the side to get up, what the rung says of sitting up is left to the way there.
 */
function wayOut({ overSide }: Room, { entry, carried, slots }: TimedBlock, next: Pass): ScriptLine[] {
  const goesOn = next.part.kind === 'block' && (carried || next.second || slots.length > 1);
  if (carried || (goesOn && next.second)) return [];
  const { places } = next.part.change;
  if (overSide && places[0] === 'supine' && places.length > 1) return [];
  return cuesOf(entry, 'transition').map(asLine);
}

const cuesOf = ({ rung }: RungEntry, kind: CueKind): Cue[] => (rung.cues ?? []).filter((cue) => cue.kind === kind);
const asLine = ({ kind, text, sign }: Cue): ScriptLine => ({ kind, text, written: true, ...(sign ? { sign } : {}) });

/** Teaching says everything; flowing says what is known already in one line each. */
function firstPass({ catalog, conditions, house }: Room, timedBlock: TimedBlock): ScriptLine[] {
  const { entry, block, carries } = timedBlock;
  const share = (cues: Cue[]) => (block.mode === 'flow' ? cues.slice(0, 1) : cues).map(asLine);
  const setup = share(cuesOf(entry, 'setup'));
  const drafted: ScriptLine = {
    kind: 'setup',
    text: carries
      ? `Stay in the shape: ${entry.exercise.name}, ${entry.rung.name}.`
      : `${entry.exercise.name}: ${entry.rung.name}, ${catalog.graph.name(entry.exercise.position)}.`,
    written: false,
  };
  return [
    ...(setup.length > 0 && !carries ? setup : [drafted]),
    ...(block.range === undefined ? [] : [rangeLine(block.range)]),
    ...house.of(entry, 'setup'),
    ...(block.mode === 'flow' ? [] : cuesOf(entry, 'check').map(asLine)),
    ...house.of(entry, 'breath'),
    ...actions(catalog, entry),
    ...share(cuesOf(entry, 'alignment')),
    ...house.of(entry, 'alignment'),
    ...(block.mode === 'flow'
      ? []
      : [...cuesOf(entry, 'image').slice(0, 1), ...cuesOf(entry, 'feel'), ...cuesOf(entry, 'fault')].map(asLine)),
    ...options(catalog, timedBlock),
    ...cuesOf(entry, 'safety').map(asLine),
    ...cautionLines(catalog, timedBlock, conditions),
    countLine(catalog, timedBlock),
    ...share(cuesOf(entry, 'count')),
  ];
}

const safety = (text: string): ScriptLine => ({ kind: 'safety', text, written: true });

/** What a block asks of the people in the room, from the rules that fired. */
function cautionLines(catalog: Catalog, { entry, block }: TimedBlock, conditions: readonly Condition[]): ScriptLine[] {
  const { cautions } = judge(catalog, entry, conditions, block.dose ? doseOf(entry, block) : undefined);
  return cautions.map(({ condition, verdict, how }) =>
    safety(`${CONDITIONS[condition].name}${verdict === 'clear-first' ? ', ask a professional first' : ''}: ${how}`),
  );
}

function secondPass(catalog: Catalog, timedBlock: TimedBlock, slot: Slot): ScriptLine[] {
  const { entry, reps, secondReps } = timedBlock;
  const times = reps === secondReps ? `${countText(reps)}, as on the first` : countText(secondReps);
  return [
    ...actions(catalog, entry),
    ...cuesOf(entry, 'alignment').slice(0, 1).map(asLine),
    {
      kind: 'count',
      text: `${slot.side === 'left' ? 'Left' : 'Right'} side: ${times}.`,
      written: true,
    },
  ];
}

const BREATH_WORDS = { in: 'Breathe in', out: 'Breathe out', hold: 'Hold', free: 'Breathe freely' } as const;

/** In a house that leaves the breath alone, what is drafted asks for none. */
function actions({ method }: Catalog, entry: RungEntry): ScriptLine[] {
  const free = method.choices.effortBreath === 'natural';
  return entry.rung.phases.map((phase, index): ScriptLine => {
    const first = index === 0 ? phase.id : undefined;
    const cue = cuesOf(entry, 'action').find((each) => (each.phase ?? first) === phase.id);
    if (cue) return { ...asLine(cue), phase };
    const breath = free && phase.breath !== 'hold' ? 'free' : phase.breath;
    return { kind: 'action', text: `${BREATH_WORDS[breath]} for ${phase.counts}.`, written: false, phase };
  });
}

function options(catalog: Catalog, { entry, block }: TimedBlock): ScriptLine[] {
  return (block.options ?? []).flatMap((each): ScriptLine[] => {
    const { rung, sign: own } = optionOf(each);
    const option = catalog.rung({ exercise: block.exercise, rung });
    if (!option) return [];
    const [cue] = cuesOf(option, 'option');
    if (cue) return [asLine(cue)];
    const lane = laneOf(entry, option);
    const sign = own ?? (lane === 'upper' ? entry.rung.gate?.ready?.[0] : entry.rung.gate?.stay?.[0]);
    const who = sign ? `${lane === 'upper' ? 'Once' : 'If'} ${sign.replace(/\.$/, '')}: ` : '';
    return [{ kind: 'option', text: `${who}${option.rung.name}.`, written: false }];
  });
}

const countText = (reps: number): string => (Number.isInteger(reps) ? `${reps}` : `about ${Math.round(reps)}`);

/** Said where less than the whole way is gone. @example rangeLine(0.5) // “Half as far as you could go.” */
const rangeLine = (share: number): ScriptLine => ({
  kind: 'setup',
  text: `${rangeWords(share)} as far as you could go.`,
  written: true,
});

/** How many and on which side, in words; computed from the dose, so it is never wrong. */
function countLine({ method }: Catalog, { entry, block, firstSide, sets, reps }: TimedBlock): ScriptLine {
  const dose = doseOf(entry, block);
  const { sides } = entry.exercise;
  const range = dose.repsTo !== undefined && block.mode !== 'show' ? `${dose.reps} to ${dose.repsTo}` : countText(reps);
  const until = dose.until === 'tired' ? ', or until tired' : '';
  const shown = block.mode === 'show' ? ' shown' : '';
  const each =
    sides === 'both' ? '' : block.side ? `, ${block.side} side only` : block.mode === 'show' ? '' : ' each side';
  const first =
    sides === 'both' || block.side || !firstSide
      ? ''
      : `, ${firstSide} first${method.choices.sideChange === 'alternate' ? ' this time' : ''}`;
  const sequence = sides === 'alternate' && !block.side ? ', alternating' : '';
  const times = sets > 1 ? `${sets} sets of ${range}` : `${range}${shown}`;
  return { kind: 'count', text: `${times}${until}${each}${sequence}${first}. Say the last one.`, written: true };
}
