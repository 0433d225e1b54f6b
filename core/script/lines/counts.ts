import { doseOf, type Slot, type TimedBlock } from '../../plan';
import { type Dose, type Phase, phaseCounts, type Rung, workingLimb } from '../../repertoire';
import { liesOnSide } from '../../vocabulary/bodies/position';
import { otherSide } from '../../vocabulary/bodies/side';
import { capital } from '../../vocabulary/words/words';
import type { BlockPass, DraftedFrom } from './keptLines';
import { drafted, type LineSource, type Unnamed } from './line';

/** Counts from which a phase is held, and counted down. */
const HELD = 6;

export const isHeld = (phase: Phase): boolean => phaseCounts(phase) >= HELD && phase.breath !== 'in';

/** Numbers as they are said: “8”, “8 to 10”. */
const range = (least: number, most: number | undefined): string =>
  most === undefined || most === least ? `${least}` : `${least} to ${most}`;

const howMany = (reps: number): string => (Number.isInteger(reps) ? `${reps}` : `about ${Math.round(reps)}`);

/** “8 times”, “2 sets of 8 to 10”. */
function timesWords({ sets, reps, repsTo, until }: Dose): string {
  const many = range(reps, repsTo);
  const times = sets > 1 ? `${sets} sets of ${many}` : many === '1' ? 'once' : `${many} times`;
  return until === 'tired' ? `${times}, or until you tire` : times;
}

/** A dose that is prescribed for later, in words. @example prescribedWords({ sets: 3, reps: 10, days: 4, daysTo: 5 }, true) */
export function prescribedWords(dose: Dose, sided: boolean): string {
  const { days, daysTo } = dose;
  const often = days === undefined ? '' : `, ${range(days, daysTo)} ${days === 1 && !daysTo ? 'day' : 'days'} a week`;
  return `${timesWords(dose)}${sided ? ' on each side' : ''}${often}`;
}

/** The phase that is held so long that it is counted down, if there is one. */
const heldPhase = ({ phases }: Rung) => phases.find(isHeld);

/** How many, on which side: computed from the dose, so that it is never wrong. */
export function countLines(part: TimedBlock, { side }: Slot, pass: 1 | 2): Unnamed[] {
  const { entry, block, secondReps, reps, slots } = part;
  const dose = doseOf(entry, block);
  if (block.mode === 'show') return shownLines(part, dose);
  const own = pass === 2 && secondReps !== reps ? { ...dose, reps: secondReps, repsTo: undefined } : dose;
  const where =
    slots.length > 1 && side !== null
      ? ` on the ${side}`
      : entry.sides === 'alternate' && block.side === undefined
        ? ' on each side'
        : block.side !== undefined
          ? ` on the ${block.side}`
          : '';
  return [
    drafted('count', `${capital(timesWords(own))}${where}${heldWords(part, dose)}.`),
    ...(pass === 1 ? stageLines(dose, block.dose?.stages ? 'class' : 'rung') : []),
  ];
}

/** “hold for 10 to 15, counted down”: where there are few repetitions to count. */
function heldWords({ entry: { rung } }: TimedBlock, { reps }: Dose): string {
  const held = reps <= 3 ? heldPhase(rung) : undefined;
  return held ? `, hold for ${range(held.counts, held.countsTo)} and count down` : '';
}

/** Each stage of a set on the repetition it begins with. */
function stageLines({ stages = [] }: Dose, source: LineSource): Unnamed[] {
  let rep = 0;
  return stages.map(({ reps, text }) => {
    const line: Unnamed = { ...drafted('count', text, source), rep };
    rep += reps;
    return line;
  });
}

/** What is shown, and what is prescribed for later. */
function shownLines({ entry, block, reps }: TimedBlock, dose: Dose): Unnamed[] {
  const sided = entry.sides !== 'both' && block.side === undefined;
  return [
    drafted('count', reps === 1 ? 'Watch once.' : `Watch ${howMany(reps)} of them.`),
    drafted('count', `For later: ${prescribedWords(dose, sided)}.`),
  ];
}

/** Which side begins, and what changes: once a block, in a run once for all of it. */
export function sideLines({ choices, inRun }: DraftedFrom, { part, slot: { side }, pass }: BlockPass): Unnamed[] {
  const { entry, block, firstSide, slots } = part;
  if (entry.sides === 'both' || side === null || firstSide === null || inRun === 'later') return [];
  const lies = liesOnSide(entry.like);
  const limb = lies ? null : workingLimb(entry.rung);
  const one = (which: string) => (lies ? `lying on your ${which} side` : `${which} ${limb ?? 'side'}`);
  const say = (words: string): Unnamed[] => [drafted('side', `${capital(words)}.`)];
  if (block.mode === 'show') return say(`${one(firstSide)} is shown`);
  const first = choices.sideChange === 'alternate' ? 'first this time' : 'first';
  if (entry.sides === 'alternate' && block.side === undefined)
    return say(`${one(firstSide)} ${first}, then change every time`);
  if (block.side !== undefined) return say(`${one(block.side)} only`);
  if (slots.length < 2) return [];
  if (pass === 2) return say(inRun ? `change sides: all of it again, ${one(side)}` : `change sides: ${one(side)} now`);
  const all = `all of this ${lies ? '' : 'with the '}${one(side)} first, then the ${otherSide(side)}`;
  return say(inRun ? all : `${one(side)} ${first}`);
}

/** Which side begins, or is done alone, as papers write it; `null` for both at once. */
export function sideText({ entry: { sides }, block: { side }, firstSide }: TimedBlock): string | null {
  if (sides === 'both' || firstSide === null) return null;
  return side === undefined ? `${firstSide} first` : `${side} only`;
}
