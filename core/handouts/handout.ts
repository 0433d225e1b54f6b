import { type WrongForm, wrongFormsOf } from '../figure';
import { doseOf } from '../plan';
import type { CueKind, RungEntry } from '../repertoire';
import { clock, spell } from '../review';
import { cuesToldIn, GENERAL_ADVICE, rangeWords, type ScriptLine, type ScriptSection } from '../script';
import { wordsIn } from '../vocabulary/words';
import { propsWords, type SpokenClass } from './spokenClass';

/** A part of a handout, whatever it is written as: on paper, as a text document, as plain text. */
export type HandoutPart =
  | { readonly kind: 'heading'; readonly text: string }
  | {
      readonly kind: 'block';
      readonly clock: string;
      readonly title: string;
      readonly note: string;
      /** The figure of the rung, where it is taught for the first time. */
      readonly figure: RungEntry | null;
      /** Faults that are drawn, beside the right form. */
      readonly wrong: readonly WrongForm[];
      readonly lines: ReadonlyArray<{ readonly label: string; readonly text: string; readonly said: boolean }>;
    }
  | {
      readonly kind: 'table';
      readonly head: readonly string[];
      /** Shares of the width. */
      readonly widths: readonly number[];
      readonly rows: ReadonlyArray<readonly HandoutCell[]>;
    }
  | { readonly kind: 'text'; readonly text: string };

export interface HandoutCell {
  readonly text: string;
  readonly figure?: RungEntry;
  /** A fault that is drawn, under the figure. */
  readonly wrong?: WrongForm;
}

/** A sheet to hand out. */
export interface Handout {
  readonly title: string;
  /** Under the title: how long, for whom, what is needed. */
  readonly about: string;
  readonly parts: readonly HandoutPart[];
  /** At the foot of every page. */
  readonly foot: string;
}

/** What stands before a line of each kind; set-up stands by itself. */
export const LINE_LABELS: Readonly<Partial<Record<CueKind, string>>> = {
  check: 'Check',
  action: 'Breath',
  alignment: 'Keep',
  image: 'Image',
  feel: 'Feel',
  fault: 'See',
  option: 'Option',
  safety: 'Safety',
  side: 'Side',
  count: 'Count',
  transition: 'Then',
};

const aboutOf = (spoken: SpokenClass): string => {
  const { script, plan, audience, teacher } = spoken;
  return [
    `${clock(script.seconds)} of ${plan.targetMinutes} minutes`,
    `for ${audience}`,
    propsWords(spoken),
    ...(teacher ? [`taught by ${teacher.name}`] : []),
  ].join(' · ');
};

const footOf = ({ plan }: SpokenClass): string => `${plan.name}   Teacher: ______________   Date: ______________`;

/** The whole script, close: parts by the order of the class, each pass once, a second side as one line. */
export function scriptHandout(spoken: SpokenClass): Handout {
  const { script, timed } = spoken;
  const parts = script.sections.flatMap((section): HandoutPart[] => {
    const entry = section.block === null ? undefined : timed.sequence[section.block]?.entry;
    const heading: HandoutPart[] = section.part === null ? [] : [{ kind: 'heading', text: section.part }];
    return [...heading, blockPart(section, section.pass === 1 ? (entry ?? null) : null)];
  });
  return {
    title: spoken.plan.name,
    about: aboutOf(spoken),
    parts: [...parts, { kind: 'text', text: GENERAL_ADVICE }],
    foot: footOf(spoken),
  };
}

function blockPart(section: ScriptSection, figure: RungEntry | null): HandoutPart {
  const { startSeconds, seconds, lead, side, title, pass, lines } = section;
  const way = lead === null ? [] : [{ label: 'Way', text: lead, said: true }];
  const told = pass === 2 ? again(lines) : grouped(lines);
  return {
    kind: 'block',
    clock: clock(startSeconds),
    title: pass === 2 ? `${title}, again` : title,
    note: [spell(seconds), ...(side ? [side] : [])].join(', '),
    figure,
    wrong: figure ? wrongFormsOf(figure, cuesToldIn(lines)) : [],
    lines: [...way, ...told],
  };
}

/** A figure in a table, over the first of its faults that is drawn. */
export function figureCell(entry: RungEntry): HandoutCell {
  const [wrong] = wrongFormsOf(entry);
  return { text: '', figure: entry, ...(wrong ? { wrong } : {}) };
}

/** What is said a second time as one line. */
function again(lines: readonly ScriptLine[]) {
  const said = lines.filter((line) => line.said);
  const count = said.filter(({ kind }) => kind === 'count').map(({ text }) => text);
  const others = said.filter(({ kind }) => kind !== 'count' && kind !== 'transition').map(({ text }) => text);
  const out = said.filter(({ kind }) => kind === 'transition').map(({ text }) => text);
  return [
    { label: 'Again', text: [...count, ...others].join(' '), said: true },
    ...(out.length > 0 ? [{ label: 'Then', text: out.join(' '), said: true }] : []),
  ];
}

/** Lines of a kind beside one another: set-up first, the breath as one line, what is only known last. */
function grouped(lines: readonly ScriptLine[]) {
  const groups: Array<{ label: string; text: string; said: boolean }> = [];
  for (const line of lines) {
    const label = line.said ? (LINE_LABELS[line.kind] ?? '') : 'To know';
    const text = textOf(line);
    const last = groups.at(-1);
    if (last && last.label === label && line.kind !== 'safety')
      last.text += `${line.kind === 'action' ? ' · ' : ' '}${text}`;
    else groups.push({ label, text, said: line.said });
  }
  return groups;
}

function textOf({ kind, text, phase, sign }: ScriptLine): string {
  if (kind === 'action' && phase) return `${phase.breath} ${phase.counts}: ${text}`;
  return sign ? `${sign} → ${text}` : text;
}

/** Cue words on the one sheet, and how many. */
const CUE_KINDS_SHOWN: readonly CueKind[] = ['action', 'alignment', 'image', 'setup'];
const [CUES_SHOWN, CUE_WORDS] = [3, 5];

/** The class on one sheet: figure, name, dose, clock, three cues, lower and upper. */
export function oneSheet(spoken: SpokenClass): Handout {
  const { script, timed, card } = spoken;
  const rows = timed.sequence.map((part): HandoutCell[] => {
    if (part.kind === 'interlude') {
      return [
        { text: clock(part.startSeconds) },
        { text: '' },
        { text: part.block.name },
        { text: spell(part.seconds) },
        { text: part.block.words?.[0] ?? '' },
        { text: '' },
        { text: '' },
      ];
    }
    const { entry, block } = part;
    const row = card.rows.find(({ id }) => id === block.id);
    const section = script.sections.find((each) => each.block === part.index && each.pass === 1);
    const { sets, reps, repsTo } = doseOf(entry, block);
    const times = `${sets > 1 ? `${sets} × ` : ''}${reps}${repsTo === undefined ? '' : `–${repsTo}`}`;
    const sides = part.slots.length > 1 ? ' a side' : '';
    const range = block.range === undefined ? '' : `, ${rangeWords(block.range).toLowerCase()} the range`;
    return [
      { text: clock(part.startSeconds) },
      figureCell(entry),
      { text: `${entry.exercise.name}, ${entry.rung.name}` },
      { text: `${times}${sides}${range}` },
      { text: cueWords(section?.lines ?? []) },
      { text: row?.lower?.entry.rung.name ?? '' },
      { text: row?.upper?.entry.rung.name ?? '' },
    ];
  });
  return {
    title: `${spoken.plan.name}: one sheet`,
    about: aboutOf(spoken),
    parts: [
      {
        kind: 'table',
        head: ['', '', 'Block', 'How many', 'Say', 'Lower', 'Higher'],
        widths: [0.06, 0.09, 0.24, 0.12, 0.29, 0.1, 0.1],
        rows,
      },
    ],
    foot: footOf(spoken),
  };
}

/** The first words of the cues that carry a block. */
function cueWords(lines: readonly ScriptLine[]): string {
  const said = lines.filter((line) => line.said && line.source !== 'drafted');
  const ordered = CUE_KINDS_SHOWN.flatMap((kind) => said.filter((line) => line.kind === kind));
  const short = ordered.filter(({ text }) => wordsIn(text) <= CUE_WORDS);
  return (short.length >= CUES_SHOWN ? short : ordered)
    .slice(0, CUES_SHOWN)
    .map(({ text }) => text)
    .join(' ');
}

/** The levels of a class: lower, main, upper, with their signs, props, and whom not. */
export function roomCardHandout(spoken: SpokenClass): Handout {
  const { card, catalog } = spoken;
  const step = (each: (typeof card.rows)[number]['lower']): HandoutCell =>
    each
      ? { text: [each.entry.rung.name, each.dose, ...(each.sign ? [each.sign] : [])].join('; '), figure: each.entry }
      : { text: '' };
  return {
    title: `${card.title}: room card`,
    about: `Works from heat ${card.from} to heat ${card.to}. Everybody begins and ends together.`,
    parts: [
      {
        kind: 'table',
        head: ['', 'Lower', 'Main version', 'Higher', 'Props', card.askBefore ? 'Ask before' : 'Something else with'],
        widths: [0.06, 0.22, 0.25, 0.22, 0.09, 0.16],
        rows: card.rows.map((row) => [
          { text: clock(row.startSeconds) },
          step(row.lower),
          { ...step(row.home), text: `${row.home.entry.exercise.name}, ${step(row.home).text}` },
          step(row.upper),
          { text: row.props.join(', ') },
          { text: card.askBefore && row.mustNot.length > 0 ? 'ask before' : row.mustNot.join(', ') },
        ]),
      },
      { kind: 'text', text: `Everybody stops, whatever the level: ${catalog.method.stopSigns.join(', ')}.` },
    ],
    foot: footOf(spoken),
  };
}

/** What is fetched for a class, and what can stand in for it. */
export function equipmentHandout(spoken: SpokenClass): Handout {
  const { timed } = spoken;
  const props = new Map(timed.blocks.flatMap(({ entry }) => entry.props.map((prop) => [prop.id, prop] as const)));
  const uses = (id: string) => timed.blocks.filter(({ entry }) => entry.props.some((prop) => prop.id === id));
  return {
    title: `${spoken.plan.name}: what is needed`,
    about: aboutOf(spoken),
    parts: [
      {
        kind: 'table',
        head: ['What', 'From', 'For', 'At home'],
        widths: [0.2, 0.1, 0.4, 0.3],
        rows: [
          [{ text: 'A mat' }, { text: clock(0) }, { text: 'everything' }, { text: 'a folded blanket' }],
          ...[...props.values()].map((prop): HandoutCell[] => [
            { text: prop.name },
            { text: clock(uses(prop.id)[0]?.startSeconds ?? 0) },
            {
              text: uses(prop.id)
                .map(({ entry }) => entry.exercise.name)
                .join(', '),
            },
            { text: prop.standIn ?? '' },
          ]),
        ],
      },
    ],
    foot: footOf(spoken),
  };
}
