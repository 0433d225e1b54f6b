import { doseOf, type TimedBlock } from '../plan';
import type { CueKind } from '../repertoire';
import { cuesOf, describeBlock, GENERAL_ADVICE, isSided, prescribedWords, propsText, type ScriptLine } from '../script';
import { countText } from '../vocabulary';
import type { Handout, HandoutPart } from './handout';
import { practiceWords } from './seriesHandouts';
import type { SpokenClass } from './spokenClass';

/** What somebody at home needs of the words of a block, in this order, and what stands before them. */
const AT_HOME: ReadonlyArray<readonly [CueKind, string]> = [
  ['action', 'Move'],
  ['alignment', 'Keep'],
  ['feel', 'Feel'],
];

/**
 * A page to take home: the bodies of a class, each once, with how to do it, how often, an easier way and when to stop.
 * Where something is prescribed for later it is that alone; else all of the class, as it was taught.
 */
export function homeHandout(spoken: SpokenClass): Handout {
  const { plan, timed, catalog, weekly } = spoken;
  const prescribed = timed.blocks.filter((part) => describeBlock(timed, part).prescribed !== null);
  const first = new Map<string, TimedBlock>();
  for (const part of prescribed.length > 0 ? prescribed : timed.blocks) {
    if (!first.has(part.entry.key)) first.set(part.entry.key, part);
  }
  const practice = weekly ? practiceWords({ weekly }) : '';
  return {
    title: `${plan.name}: to take home`,
    about: [countText(first.size, 'exercise'), ...(practice === '' ? [] : [practice])].join(' · '),
    parts: [
      ...[...first.values()].map((part) => atHome(spoken, part)),
      { kind: 'text', text: `Stop, and ask, with: ${catalog.method.stopSigns.join(', ')}.` },
      { kind: 'text', text: GENERAL_ADVICE },
    ],
    foot: plan.name,
  };
}

function atHome(spoken: SpokenClass, part: TimedBlock): HandoutPart {
  const { timed, script } = spoken;
  const { entry } = part;
  const told = describeBlock(timed, part);
  const section = script.sections.find(({ block, pass }) => block === part.index && pass === 1);
  const said = section?.lines.filter((line) => line.said) ?? [];
  // In the room some of it is said another time, or not at all.
  const begin = cuesOf(entry, 'setup')
    .map(({ text }) => text)
    .join(' ');
  const easier = easierThan(spoken, part);
  return {
    kind: 'block',
    clock: '',
    title: told.name,
    note: prescribedWords(doseOf(entry, part.block), isSided(entry, part.block.side)),
    figure: entry,
    wrong: [],
    lines: [
      ...(begin === '' ? [] : [{ label: 'Begin', text: begin, said: true }]),
      ...AT_HOME.flatMap(([kind, label]) => {
        const text = wordsOf(said, kind);
        return text === '' ? [] : [{ label, text, said: true }];
      }),
      ...(told.props.length > 0 ? [{ label: 'With', text: propsText(told.props), said: true }] : []),
      ...(easier ? [{ label: 'Easier', text: easier, said: true }] : []),
      ...(told.stop.length > 0 ? [{ label: 'Stop when', text: told.stop.join('; '), said: true }] : []),
    ],
  };
}

/** The words of a kind, each once: a phase done on both sides is told once. */
const wordsOf = (lines: readonly ScriptLine[], kind: CueKind): string =>
  [...new Set(lines.filter((line) => line.kind === kind).map(({ text }) => text))].join(' ');

/** The rung under it on its ladder, where there is one. */
function easierThan({ catalog }: SpokenClass, { entry }: TimedBlock): string | null {
  const ladder = catalog.ladder(entry.exercise.id).filter(({ rung }) => rung.branchOf === undefined);
  return ladder[ladder.findIndex(({ key }) => key === entry.key) - 1]?.rung.name ?? null;
}
