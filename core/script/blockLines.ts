import { CONDITIONS, type Graded, judge } from '../caution';
import { doseOf, optionOf, type Slot, type TimedBlock } from '../plan';
import { type Catalog, type Cue, type CueKind, laneOf, type RungEntry, signFor } from '../repertoire';
import { houseLines } from './houseWords';
import type { DraftedFrom } from './keptLines';
import type { LineSource, Unnamed } from './line';
import { rangeWords } from './rangeWords';

/** One pass through a block. */
export interface BlockPass {
  readonly part: TimedBlock;
  readonly slot: Slot;
  readonly pass: 1 | 2;
}

/** The lines of a pass as the rung has them, and what is drafted beside them, in the order they are usually spoken. */
export function blockLines(from: DraftedFrom, { part, slot, pass }: BlockPass): Unnamed[] {
  const lines = pass === 1 ? firstPass(from, part) : secondPass(from.catalog, part, slot);
  return from.leaves ? [...lines, ...cuesOf(part.entry, 'transition').map(asLine)] : lines;
}

const cuesOf = ({ rung }: RungEntry, kind: CueKind): Cue[] => (rung.cues ?? []).filter((cue) => cue.kind === kind);
const asLine = ({ id, kind, text, sign }: Cue): Unnamed => ({
  kind,
  text,
  source: 'rung',
  said: kind !== 'note',
  cue: id,
  ...(sign ? { sign } : {}),
});
const drafted = (kind: CueKind, text: string, source: LineSource = 'drafted'): Unnamed => ({
  kind,
  text,
  source,
  said: true,
});

/** Teaching says everything; flowing says what is known already in one line each. */
function firstPass({ catalog, graded, news }: DraftedFrom, timedBlock: TimedBlock): Unnamed[] {
  const { entry, block, carries } = timedBlock;
  const flows = block.mode === 'flow';
  const share = (cues: Cue[]) => (flows ? cues.slice(0, 1) : cues).map(asLine);
  const setup = share(cuesOf(entry, 'setup'));
  const title = `${entry.exercise.name}, ${entry.rung.name}`;
  const begins = carries
    ? [drafted('setup', `Stay in the shape: ${title}.`)]
    : [drafted('setup', `${entry.exercise.name}: ${entry.rung.name}, ${catalog.graph.name(entry.position)}.`)];
  return [
    ...(setup.length > 0 && !carries ? setup : begins),
    ...(block.range === undefined
      ? []
      : [drafted('setup', `${rangeWords(block.range)} as far as you could go.`, 'class')]),
    ...(flows ? [] : cuesOf(entry, 'check').map(asLine)),
    ...houseLines(news, 'breath'),
    ...actions(catalog, entry),
    ...houseLines(news, 'legs'),
    ...share(cuesOf(entry, 'alignment')),
    ...houseLines(news, 'alignment'),
    ...(flows
      ? []
      : [...cuesOf(entry, 'image').slice(0, 1), ...cuesOf(entry, 'feel'), ...cuesOf(entry, 'fault')].map(asLine)),
    ...options(catalog, timedBlock),
    ...cuesOf(entry, 'safety').map(asLine),
    ...cautionLines(catalog, timedBlock, graded),
    countLine(catalog, timedBlock),
    ...share(cuesOf(entry, 'count')),
    ...cuesOf(entry, 'note').map(asLine),
  ];
}

/** What a block asks of the people in the room, from the rules that fired. */
function cautionLines(catalog: Catalog, { entry, block }: TimedBlock, graded: readonly Graded[]): Unnamed[] {
  const { cautions } = judge(catalog, entry, graded, block.dose ? doseOf(entry, block) : undefined);
  return cautions.map(({ condition, verdict, how }) =>
    drafted(
      'safety',
      `${CONDITIONS[condition].spoken}${verdict === 'clear-first' ? ', only once a professional has agreed' : ''}: ${how}`,
    ),
  );
}

function secondPass(catalog: Catalog, timedBlock: TimedBlock, slot: Slot): Unnamed[] {
  const { entry, reps, secondReps } = timedBlock;
  const times = reps === secondReps ? `${countText(reps)}, as on the first` : countText(secondReps);
  return [
    ...actions(catalog, entry),
    ...cuesOf(entry, 'alignment').slice(0, 1).map(asLine),
    drafted('count', `${slot.side === 'left' ? 'Left' : 'Right'} side: ${times}.`),
  ];
}

const BREATH_WORDS = { in: 'Breathe in', out: 'Breathe out', hold: 'Hold', free: 'Breathe freely' } as const;

/** In a house that leaves the breath alone, what is drafted asks for none. */
function actions({ method }: Catalog, entry: RungEntry): Unnamed[] {
  const free = method.choices.effortBreath === 'natural';
  return entry.rung.phases.map((phase, index): Unnamed => {
    const first = index === 0 ? phase.id : undefined;
    const cue = cuesOf(entry, 'action').find((each) => (each.phase ?? first) === phase.id);
    if (cue) return { ...asLine(cue), phase };
    const breath = free && phase.breath !== 'hold' ? 'free' : phase.breath;
    return { ...drafted('action', `${BREATH_WORDS[breath]} for ${phase.counts}.`), phase };
  });
}

function options(catalog: Catalog, { entry, block }: TimedBlock): Unnamed[] {
  return (block.options ?? []).flatMap((each): Unnamed[] => {
    const { rung, sign: own } = optionOf(each);
    const option = catalog.rung({ exercise: block.exercise, rung });
    if (!option) return [];
    const [cue] = cuesOf(option, 'option');
    if (cue) return [{ ...asLine(cue), cue: `${rung}-${cue.id}` }];
    const lane = laneOf(entry, option);
    const sign = own ?? signFor(entry.rung, lane);
    const who = sign ? `${lane === 'upper' ? 'Once' : 'If'} ${sign.replace(/\.$/, '')}: ` : '';
    return [drafted('option', `${who}${option.rung.name}.`)];
  });
}

const countText = (reps: number): string => (Number.isInteger(reps) ? `${reps}` : `about ${Math.round(reps)}`);

/** How many and on which side, in words; computed from the dose, so it is never wrong. */
function countLine({ method }: Catalog, { entry, block, firstSide, sets, reps }: TimedBlock): Unnamed {
  const dose = doseOf(entry, block);
  const { sides } = entry;
  const range = dose.repsTo !== undefined && block.mode !== 'show' ? `${dose.reps} to ${dose.repsTo}` : countText(reps);
  const until = dose.until === 'tired' ? ', or until tired' : '';
  const shown = block.mode === 'show' ? ' shown' : '';
  const each =
    sides === 'both' ? '' : block.side ? `, ${block.side} side only` : block.mode === 'show' ? '' : ' each side';
  const begins = method.choices.sideChange === 'alternate' ? ' this time' : '';
  const first = sides === 'both' || block.side || !firstSide ? '' : `, ${firstSide} first${begins}`;
  const sequence = sides === 'alternate' && !block.side ? ', alternating' : '';
  const times = sets > 1 ? `${sets} sets of ${range}` : `${range}${shown}`;
  return drafted('count', `${times}${until}${each}${sequence}${first}. Say the last one.`);
}
