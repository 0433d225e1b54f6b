import { doseOf, type TimedBlock, type TimedClass } from '../plan';
import type { Dose, Phase, Prop, RungEntry } from '../repertoire';
import { giveText, spell } from '../review';
import { phasesDone } from './lines/blockLines';
import { prescribedWords, sideText } from './lines/counts';
import { cuesOf } from './lines/line';
import { rangeWords } from './lines/rangeWords';

/** A block as every paper and page tells it: one description, so that none forgets what another says. */
export interface DescribedBlock {
  readonly id: string;
  /** “Leg lower, bent knee”. */
  readonly name: string;
  /** “2 × 8–10 a side, half the range”. */
  readonly dose: string;
  /** What is prescribed for later, where it is only shown: “3 sets of 10 times, 4 to 5 days a week”. */
  readonly prescribed: string | null;
  /** “left first”, “left only”; `null` for both sides at once. */
  readonly side: string | null;
  /** Its place in a run: “run A, 1 of 3”. */
  readonly run: string | null;
  /** Springs and settings of an apparatus. */
  readonly settings: readonly string[];
  readonly props: readonly Prop[];
  /** “then rest 30 s”. */
  readonly rest: string | null;
  /** When it is left out, where the class runs late: “may go first”. */
  readonly give: string | null;
  /** Signs of the main version. */
  readonly ready: readonly string[];
  readonly stay: readonly string[];
  readonly stop: readonly string[];
  /** The way into the shape and out of it, where they are taken. */
  readonly wayIn: string | null;
  readonly wayOut: string | null;
}

/** Repetitions as papers write them. @example doseText({ sets: 2, reps: 8, repsTo: 10 }, true) // '2 × 8–10 a side' */
export function doseText({ sets, reps, repsTo, until }: Dose, sided: boolean): string {
  const range = repsTo === undefined ? `${reps}` : `${reps}–${repsTo}`;
  const times = sets > 1 ? `${sets} × ${range}` : range;
  return `${times}${sided ? ' a side' : ''}${until === 'tired' ? ', or until tired' : ''}`;
}

/** Whether a dose is done on one side and on the other. */
export const isSided = ({ sides }: RungEntry, side?: string): boolean => sides !== 'both' && side === undefined;

const list = (words: readonly (string | null | undefined | false)[]): string => words.filter(Boolean).join(', ');

/** A block of a class in the words of its papers. */
export function describeBlock(timed: TimedClass, part: TimedBlock): DescribedBlock {
  const { entry, block, shown, reps, secondReps } = part;
  const { exercise, rung } = entry;
  const dose = doseOf(entry, block);
  const sided = isSided(entry, block.side);
  const uneven = part.slots.length > 1 && reps !== secondReps;
  const other = part.firstSide === 'left' ? 'right' : 'left';
  const times = uneven ? `${reps} ${part.firstSide}, ${secondReps} ${other}` : doseText(dose, sided);
  return {
    id: block.id,
    name: `${exercise.name}, ${rung.name}`,
    dose: list([
      shown ? `shown ${reps}` : times,
      block.range !== undefined && `${rangeWords(block.range).toLowerCase()} the range`,
    ]),
    prescribed: shown || dose.days !== undefined ? prescribedWords(dose, sided) : null,
    side: sideText(part),
    run: runText(timed, part),
    settings: settingsOf(entry),
    props: entry.props,
    rest: block.restAfterSeconds ? `then rest ${spell(block.restAfterSeconds)}` : null,
    give: giveText(block.give),
    ready: rung.gate?.ready ?? [],
    stay: rung.gate?.stay ?? [],
    stop: rung.gate?.stop ?? [],
    wayIn: wayWords(part, rung.entry),
    wayOut: wayWords(part, rung.exit),
  };
}

/** Springs and settings in words. @example ['spring 120 N at the feet, resisting', 'foot bar high'] */
const settingsOf = ({ rung: { spring, settings = [] } }: RungEntry): readonly string[] => [
  ...(spring
    ? [`spring ${spring.newtons} N at the ${spring.at}, ${spring.does === 'resist' ? 'resisting' : 'carrying'}`]
    : []),
  ...settings.map(({ name, value }) => `${name} ${value}`),
];

/** Props with what can stand in for them at home. @example 'Cushion (at home a folded towel)' */
export const propsText = (props: readonly Prop[]): string =>
  props.map(({ name, standIn }) => (standIn ? `${name} (at home ${standIn})` : name)).join(', ');

/** Everything of a description but its name, how often and its gate, as one line. */
export const detailsText = ({ side, run, settings, prescribed, rest, give }: DescribedBlock): string =>
  list([side, run, ...settings, prescribed && `for later ${prescribed}`, rest, give]);

function runText({ blocks }: TimedClass, { block: { run }, index }: TimedBlock): string | null {
  if (run === undefined) return null;
  const names = [...new Set(blocks.flatMap((each) => each.block.run ?? []))];
  const own = blocks.filter((each) => each.block.run === run);
  const place = own.findIndex((each) => each.index === index) + 1;
  return `run ${String.fromCharCode(65 + (names.indexOf(run) % 26))}, ${place} of ${own.length}`;
}

function wayWords(part: TimedBlock, phases: readonly Phase[] = []): string | null {
  const done = new Set(phasesDone(part).map(({ id }) => id));
  const taken = phases.filter(({ id }) => done.has(id));
  if (taken.length === 0) return null;
  const cues = cuesOf(part.entry, 'action');
  return taken
    .map(({ id, breath, counts }) => cues.find(({ phase }) => phase === id)?.text ?? `${breath} ${counts}`)
    .join(' ');
}
