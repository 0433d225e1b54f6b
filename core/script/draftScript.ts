import type { Side } from '../body';
import { CONDITIONS, type Condition, judge } from '../caution';
import { doseOf, type Slot, type TimedBlock, type TimedClass } from '../plan';
import type { Catalog, Cue, CueKind, Phase, RungEntry } from '../repertoire';
import { wayBetween } from './way';

export interface ScriptLine {
  readonly kind: CueKind;
  readonly text: string;
  /** Whether the rung carries these words; otherwise they were drafted from its figures and want writing. */
  readonly written: boolean;
  /** For an action: the phase it is spoken on. */
  readonly phase?: Phase;
  /** For a fault: what is seen. */
  readonly sign?: string;
}

/** One stretch of the class as it is spoken: the opening, one pass through a block, the closing. */
export interface ScriptSection {
  readonly kind: 'opening' | 'block' | 'closing';
  readonly title: string;
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

/**
 * A script drafted from a class: what is said, in the order it is said, each pass at its clock time.
 * Words come from the rungs' cues; what they leave unsaid is drafted from poses, phases and doses and marked so.
 * @param conditions those in the room: what is always said to them opens the class, what a block asks of them is
 * said with it
 */
export function draftScript(catalog: Catalog, timed: TimedClass, conditions: readonly Condition[] = []): Script {
  const { plan } = timed;
  const passes = timed.blocks
    .flatMap((block) => block.slots.map((slot, i) => ({ block, slot, second: i > 0 })))
    .sort((a, b) => a.slot.startSeconds - b.slot.startSeconds);
  let clock = plan.openingSeconds;
  const spoken = passes.map(({ block, slot, second }) => {
    const leadSeconds = slot.startSeconds - clock;
    clock = slot.startSeconds + slot.seconds;
    return sectionOf(catalog, timed, block, slot, second, leadSeconds, conditions);
  });
  const still = { leadSeconds: 0, lead: null, lines: [], block: null, side: null, pass: 'first' } as const;
  const closing = { startSeconds: clock, seconds: plan.closingSeconds };
  const sections: ScriptSection[] = [
    {
      ...still,
      kind: 'opening',
      title: 'Opening',
      startSeconds: 0,
      seconds: plan.openingSeconds,
      lines: conditions.map((condition) => safety(`${CONDITIONS[condition].name}: ${CONDITIONS[condition].always}`)),
    },
    ...spoken,
    { ...still, kind: 'closing', title: 'Closing', ...closing },
  ];
  return {
    title: plan.name,
    sections,
    seconds: sections.reduce((sum, section) => sum + section.leadSeconds + section.seconds, 0),
  };
}

function sectionOf(
  catalog: Catalog,
  timed: TimedClass,
  block: TimedBlock,
  slot: Slot,
  second: boolean,
  leadSeconds: number,
  conditions: readonly Condition[],
): ScriptSection {
  const { entry, change } = block;
  const turned = second && leadSeconds > 0;
  return {
    kind: 'block',
    title: `${entry.exercise.name}, ${entry.rung.name}`,
    startSeconds: slot.startSeconds,
    seconds: slot.seconds,
    leadSeconds,
    lead: second ? (turned ? `Change sides: ${slot.side} side now.` : null) : wayBetween(catalog, change),
    lines: second ? secondPass(block, slot) : firstPass(catalog, block, timed, conditions),
    block: block.index,
    side: entry.exercise.sides === 'alternate' ? null : slot.side,
    pass: second ? 'second' : 'first',
  };
}

const cuesOf = ({ rung }: RungEntry, kind: CueKind): Cue[] => (rung.cues ?? []).filter((cue) => cue.kind === kind);
const asLine = ({ kind, text, sign }: Cue): ScriptLine => ({ kind, text, written: true, ...(sign ? { sign } : {}) });

/** Teaching says everything; flowing says what is known already in one line each. */
function firstPass(
  catalog: Catalog,
  timedBlock: TimedBlock,
  timed: TimedClass,
  conditions: readonly Condition[],
): ScriptLine[] {
  const { entry, block } = timedBlock;
  const share = (cues: Cue[]) => (block.mode === 'teach' ? cues : cues.slice(0, 1)).map(asLine);
  const setup = share(cuesOf(entry, 'setup'));
  const drafted: ScriptLine = {
    kind: 'setup',
    text: `${entry.exercise.name}: ${entry.rung.name}, ${catalog.graph.name(entry.exercise.position)}.`,
    written: false,
  };
  const last = timedBlock.index === timed.blocks.length - 1;
  return [
    ...(setup.length > 0 ? setup : [drafted]),
    ...actions(entry),
    ...share(cuesOf(entry, 'alignment')),
    ...(block.mode === 'teach' ? [...cuesOf(entry, 'image').slice(0, 1), ...cuesOf(entry, 'fault')].map(asLine) : []),
    ...options(catalog, timedBlock),
    ...cuesOf(entry, 'safety').map(asLine),
    ...cautionLines(catalog, timedBlock, conditions),
    countLine(timedBlock),
    ...share(cuesOf(entry, 'count')),
    ...(timedBlock.slots.length === 1 && !last ? cuesOf(entry, 'transition').map(asLine) : []),
  ];
}

const safety = (text: string): ScriptLine => ({ kind: 'safety', text, written: true });

/** What a block asks of the people in the room, from the rules that fired. */
function cautionLines(catalog: Catalog, { entry, block }: TimedBlock, conditions: readonly Condition[]): ScriptLine[] {
  const { cautions } = judge(catalog.features(entry), doseOf(entry, block), conditions);
  return cautions.map(({ condition, verdict, how }) =>
    safety(`${CONDITIONS[condition].name}${verdict === 'clear-first' ? ', ask a professional first' : ''}: ${how}`),
  );
}

function secondPass(timedBlock: TimedBlock, slot: Slot): ScriptLine[] {
  const { entry } = timedBlock;
  const { reps } = doseOf(entry, timedBlock.block);
  return [
    ...actions(entry),
    ...cuesOf(entry, 'alignment').slice(0, 1).map(asLine),
    {
      kind: 'count',
      text: `${slot.side === 'left' ? 'Left' : 'Right'} side: ${reps}, as on the first.`,
      written: true,
    },
    ...cuesOf(entry, 'transition').map(asLine),
  ];
}

const BREATH_WORDS = { in: 'Breathe in', out: 'Breathe out', hold: 'Hold', free: 'Breathe freely' } as const;

function actions(entry: RungEntry): ScriptLine[] {
  return entry.rung.phases.map((phase, index): ScriptLine => {
    const cue = cuesOf(entry, 'action').find((each) => (each.phase ?? 0) === index);
    if (cue) return { ...asLine(cue), phase };
    return { kind: 'action', text: `${BREATH_WORDS[phase.breath]} for ${phase.counts}.`, written: false, phase };
  });
}

function options(catalog: Catalog, { entry, block }: TimedBlock): ScriptLine[] {
  return (block.options ?? []).flatMap((id): ScriptLine[] => {
    const option = catalog.rung({ exercise: block.exercise, rung: id });
    if (!option) return [];
    const lower = option.step < entry.step;
    const [cue] = cuesOf(option, 'option');
    if (cue) return [asLine(cue)];
    const sign = lower ? entry.rung.gate?.stay?.[0] : entry.rung.gate?.ready?.[0];
    const who = sign ? `${lower ? 'If' : 'Once'} ${sign.replace(/\.$/, '')}: ` : '';
    return [{ kind: 'option', text: `${who}${option.rung.name}.`, written: false }];
  });
}

/** How many and on which side, in words; computed from the dose, so it is never wrong. */
function countLine({ entry, block, firstSide }: TimedBlock): ScriptLine {
  const { sets, reps } = doseOf(entry, block);
  const each = entry.exercise.sides === 'both' ? '' : block.side ? `, ${block.side} side only` : ' each side';
  const first = entry.exercise.sides === 'both' || block.side || !firstSide ? '' : `, ${firstSide} first`;
  const sequence = entry.exercise.sides === 'alternate' && !block.side ? ', alternating' : '';
  const times = sets > 1 ? `${sets} sets of ${reps}` : `${reps}`;
  return { kind: 'count', text: `${times}${each}${sequence}${first}. Say the last one.`, written: true };
}
