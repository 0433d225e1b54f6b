import { optionOf, type TimedBlock } from '../../plan';
import { type Catalog, laneOf, type Phase, phaseCounts, type RungEntry, signFor } from '../../repertoire';
import { namesStopSign } from '../../vocabulary/words/stopSigns';
import { small } from '../../vocabulary/words/words';
import { countLines, sideLines } from './counts';
import { houseLines } from './houseWords';
import type { BlockPass, DraftedFrom } from './keptLines';
import { asLine, cuesOf, drafted, type Unnamed } from './line';
import { rangeWords } from './rangeWords';
import { safetyLines } from './safety';
import { whereWords } from './way';

/**
 * The lines of a pass as the rung has them, and what is drafted beside them, in the order they are spoken: what people
 * need to know before the effort, then what moves on the breath, what to keep and see, and the way out.
 */
export function blockLines(from: DraftedFrom, own: BlockPass): Unnamed[] {
  const lines = own.pass === 1 ? firstPass(from, own) : secondPass(from, own);
  return [
    ...lines.filter(({ cue }) => cue === undefined || !from.strays.includes(cue)),
    ...from.out.map(asLine),
    ...(own.pass === 1 ? cuesOf(own.part.entry, 'note').map(asLine) : []),
  ];
}

/** Teaching says everything; flowing leaves unsaid what is known already. */
function firstPass(from: DraftedFrom, own: BlockPass): Unnamed[] {
  const { catalog, news, imageSaid } = from;
  const { part, slot } = own;
  const { entry, block } = part;
  const flows = block.mode === 'flow';
  const first = (lines: Unnamed[]) => (flows ? lines.slice(0, 1) : lines);
  const images = cuesOf(entry, 'image').slice(0, imageSaid ? 0 : 1);
  return [
    ...setUpLines(catalog, part),
    ...(block.range === undefined
      ? []
      : [drafted('setup', `${rangeWords(block.range)} as far as you could go.`, 'class')]),
    ...sideLines(from, own),
    ...countLines(part, slot, 1),
    ...options(catalog, part),
    ...safetyLines(from, part),
    ...houseLines(news, 'breath'),
    ...actions(from, part),
    ...houseLines(news, 'legs'),
    ...first(cuesOf(entry, 'alignment').map((cue) => phased(cue, entry))),
    ...houseLines(news, 'alignment'),
    ...(flows ? [] : [...images, ...cuesOf(entry, 'feel'), ...cuesOf(entry, 'fault')].map((cue) => phased(cue, entry))),
    ...cuesOf(entry, 'side').map(asLine),
    ...first(cuesOf(entry, 'count').map(asLine)),
  ];
}

/** Where everything is. Who carries on hears what comes next; what is known is there to be looked up. */
function setUpLines(catalog: Catalog, { entry, block, carries }: TimedBlock): Unnamed[] {
  const flows = block.mode === 'flow';
  const said = cuesOf(entry, 'setup').map(asLine);
  const checks = cuesOf(entry, 'check').map(asLine);
  const name = nameOf(entry);
  if (carries) return [drafted('setup', `Stay there. Next, ${name}.`), ...asKnown(checks, flows)];
  // A name that says where is not said twice.
  const where = /\b(?:on|lying|sitting|standing|kneeling)\b/i.test(name)
    ? ''
    : `, ${whereWords(catalog, entry.position)}`;
  const named = drafted('setup', `Next, ${name}${where}.`);
  if (flows || said.length === 0) return [named, ...asKnown([...said, ...checks], flows)];
  return [...said, ...checks];
}

/** What is known already is not said. */
const asKnown = (lines: readonly Unnamed[], known: boolean): Unnamed[] =>
  lines.map((line) => (known ? { ...line, said: false } : line));

/** What a block is called aloud. */
const nameOf = ({ exercise, rung }: RungEntry): string => `${small(exercise.name)}, ${small(rung.name)}`;

function secondPass(from: DraftedFrom, own: BlockPass): Unnamed[] {
  const { part, slot } = own;
  const { entry } = part;
  return [
    ...sideLines(from, own),
    ...countLines(part, slot, 2),
    ...actions(from, part),
    ...cuesOf(entry, 'alignment')
      .slice(0, 1)
      .map((cue) => phased(cue, entry)),
  ];
}

/** A cue with the phase it is spoken on, where it names one. */
function phased(cue: Parameters<typeof asLine>[0], { rung }: RungEntry): Unnamed {
  const phase = cue.phase === undefined ? undefined : rung.phases.find(({ id }) => id === cue.phase);
  return phase ? { ...asLine(cue), phase } : asLine(cue);
}

const BREATH_WORDS = { in: 'Breathe in', out: 'Breathe out', hold: 'Hold', free: 'Breathe on' } as const;
const BREATH_WORD = { in: 'In', out: 'Out', hold: 'Hold', free: 'On' } as const;

/** The phases that are done here: the way in and the way out only where people take them. */
export const phasesDone = ({ entry: { rung }, entrySeconds, exitSeconds }: TimedBlock): readonly Phase[] => [
  ...(entrySeconds > 0 ? (rung.entry ?? []) : []),
  ...rung.phases,
  ...(exitSeconds > 0 ? (rung.exit ?? []) : []),
];

/** Every phase that is done, each with all of its words; a house that leaves the breath alone is asked for none. */
function actions({ choices }: DraftedFrom, part: TimedBlock): Unnamed[] {
  const { entry, count } = part;
  const first = entry.rung.phases[0]?.id;
  const cues = cuesOf(entry, 'action');
  return phasesDone(part).flatMap((phase): Unnamed[] => {
    const own = cues.filter((each) => (each.phase ?? first) === phase.id);
    if (own.some(({ at }) => at === undefined)) return own.map((cue) => ({ ...asLine(cue), phase }));
    const breath = choices.effortBreath === 'natural' && phase.breath !== 'hold' ? 'free' : phase.breath;
    // Under a second there is time for a word.
    const words = phaseCounts(phase) * count < 1 ? BREATH_WORD : BREATH_WORDS;
    return [{ ...drafted('action', `${words[breath]}.`), phase }, ...own.map((cue) => ({ ...asLine(cue), phase }))];
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
    // A sign to stop is no reason for another version.
    const tells = sign !== undefined && !namesStopSign(sign, catalog.method.stopSigns);
    const who = tells ? `${lane === 'upper' ? 'Once' : 'If'} ${small(sign.replace(/\.$/, ''))}, take` : 'You can take';
    return [drafted('option', `${who} ${small(option.rung.name)}.`)];
  });
}
