import { type WrongForm, wrongFormsOf } from '../figure';
import { propsNeeded } from '../plan';
import type { CueKind, RungEntry } from '../repertoire';
import { clock, giveText, spell } from '../review';
import {
  type CardRow,
  cuesToldIn,
  type DescribedBlock,
  describeBlock,
  detailsText,
  GENERAL_ADVICE,
  propsText,
  type RoomCard,
  roomCard,
  type ScriptLine,
  type ScriptSection,
} from '../script';
import { wordsIn } from '../vocabulary/words/words';
import { propsWords, type SpokenClass } from './spokenClass';
import { whenLate } from './whenLate';

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
  | HandoutTable
  | { readonly kind: 'text'; readonly text: string };

export interface HandoutTable {
  readonly kind: 'table';
  /** On a page of its own. */
  readonly page?: boolean;
  readonly head: readonly string[];
  /** Shares of the width. */
  readonly widths: readonly number[];
  readonly rows: ReadonlyArray<readonly HandoutCell[]>;
}

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
  /** On paper that lies on its side: a table of many columns. */
  readonly across?: boolean;
  readonly parts: readonly HandoutPart[];
  /** At the foot of every page. */
  readonly foot: string;
}

/** A table without the columns nobody wrote in, the others wider for it; as it is where it is empty. */
export function withoutEmptyColumns(table: HandoutTable): HandoutTable {
  const kept = table.head.flatMap((_, i) =>
    table.rows.some((cells) => cells[i] && (cells[i].text !== '' || cells[i].figure)) ? [i] : [],
  );
  if (kept.length === table.head.length || kept.length === 0) return table;
  const pick = <T>(list: readonly T[]): T[] => kept.flatMap((i) => list.slice(i, i + 1));
  const widths = pick(table.widths);
  const sum = widths.reduce((total, share) => total + share, 0);
  const shares = widths.map((share) => share / sum);
  return { ...table, head: pick(table.head), widths: shares, rows: table.rows.map(pick) };
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
    const part = section.block === null ? undefined : timed.sequence[section.block];
    const heading: HandoutPart[] = section.part === null ? [] : [{ kind: 'heading', text: section.part }];
    const told = part?.kind === 'block' && section.pass === 1 ? describeBlock(timed, part) : null;
    return [...heading, blockPart(section, section.pass === 1 ? (part?.entry ?? null) : null, told)];
  });
  return {
    title: spoken.plan.name,
    about: aboutOf(spoken),
    parts: [
      ...parts,
      ...whenLate(spoken).map((text): HandoutPart => ({ kind: 'text', text })),
      { kind: 'text', text: GENERAL_ADVICE },
    ],
    foot: footOf(spoken),
  };
}

function blockPart(section: ScriptSection, figure: RungEntry | null, described: DescribedBlock | null): HandoutPart {
  const { startSeconds, seconds, lead, side, title, pass, lines } = section;
  const way = lead === null ? [] : [{ label: 'Way', text: lead, said: true }];
  const told = pass === 2 ? again(lines) : grouped(lines);
  return {
    kind: 'block',
    clock: clock(startSeconds),
    title: pass === 2 ? `${title}, again` : title,
    note: [spell(seconds), ...(described ? [described.dose] : []), ...(side ? [side] : [])].join(', '),
    figure,
    wrong: figure ? wrongFormsOf(figure, cuesToldIn(lines)) : [],
    lines: [...way, ...(described ? [...toFetch(described), ...told, ...gateLines(described)] : told)],
  };
}

/** What is to be known of a block before it is taught; never said. */
const toFetch = (described: DescribedBlock) => {
  const details = detailsText(described);
  const { props } = described;
  return [
    ...(details === '' ? [] : [{ label: 'How', text: details, said: false }]),
    ...(props.length === 0 ? [] : [{ label: 'With', text: propsText(props), said: false }]),
  ];
};

/** When to move on, to go easier, to stop: for whoever teaches to see. */
const gateLines = ({ ready, stay, stop }: DescribedBlock) =>
  (
    [
      ['Ready to move on when', ready],
      ['Stay or go easier when', stay],
      ['Stop when', stop],
    ] as const
  ).flatMap(([label, signs]) => (signs.length === 0 ? [] : [{ label, text: signs.join('; '), said: false }]));

/** A figure in a table, over the first of its faults that is drawn. */
function figureCell(entry: RungEntry): HandoutCell {
  const [wrong] = wrongFormsOf(entry);
  return { text: '', figure: entry, ...(wrong ? { wrong } : {}) };
}

/** What is said a second time as one line. */
function again(lines: readonly ScriptLine[]) {
  const said = lines.filter((line) => line.said);
  const out = said.filter(({ kind }) => kind === 'transition').map(({ text }) => text);
  const others = said.filter(({ kind }) => kind !== 'transition').map(({ text }) => text);
  return [
    { label: 'Again', text: others.join(' '), said: true },
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

/** The levels of a class. */
export const cardOf = ({ catalog, timed, context, group }: SpokenClass): RoomCard =>
  roomCard(catalog, timed, context, group);

/** The class on one sheet: figure, name, dose, clock, three cues, lower and upper. */
export function oneSheet(spoken: SpokenClass): Handout {
  const { script, timed } = spoken;
  const card = cardOf(spoken);
  const rows = timed.sequence.map((part): HandoutCell[] => {
    if (part.kind === 'interlude') {
      return [
        { text: clock(part.startSeconds) },
        { text: '' },
        { text: [part.block.name, giveText(part.block.give)].filter(Boolean).join('; ') },
        { text: spell(part.seconds) },
        { text: part.block.words?.[0] ?? '' },
        { text: '' },
        { text: '' },
      ];
    }
    const { entry, block } = part;
    const row = card.rows.find(({ id }) => id === block.id);
    const section = script.sections.find((each) => each.block === part.index && each.pass === 1);
    const told = describeBlock(timed, part);
    const details = detailsText(told);
    return [
      { text: clock(part.startSeconds) },
      figureCell(entry),
      { text: [told.name, ...(details === '' ? [] : [details])].join('; ') },
      { text: told.dose },
      { text: cueWords(section?.lines ?? []) },
      { text: row?.lower?.entry.rung.name ?? '' },
      { text: [row?.upper, ...(row?.beside ?? [])].flatMap((step) => step?.entry.rung.name ?? []).join('; or ') },
    ];
  });
  const sheets = sheetsOf(rows).map(
    (own, i): HandoutPart => ({
      kind: 'table',
      head: ['', '', 'Block', 'How many', 'Say', 'Lower', 'Higher, or beside'],
      widths: [0.06, 0.09, 0.24, 0.12, 0.29, 0.1, 0.1],
      page: i > 0,
      rows: own,
    }),
  );
  return {
    title: `${spoken.plan.name}: one sheet`,
    about: aboutOf(spoken),
    parts: [...sheets, ...whenLate(spoken).map((text): HandoutPart => ({ kind: 'text', text }))],
    foot: footOf(spoken),
  };
}

/** Rows of one sheet in type that is read at arm’s length. Source: docs/voice.md. */
const SHEET_ROWS = 20;

/** As many sheets as it takes. */
const sheetsOf = <T>(rows: readonly T[]): T[][] =>
  Array.from({ length: Math.max(1, Math.ceil(rows.length / SHEET_ROWS)) }, (_, i) =>
    rows.slice(i * SHEET_ROWS, (i + 1) * SHEET_ROWS),
  );

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

/** The levels of a class: lower, main, upper and beside, with their signs, ways, props, and for whom not. */
export function roomCardHandout(spoken: SpokenClass): Handout {
  const { catalog } = spoken;
  const card = cardOf(spoken);
  const step = (each: (typeof card.rows)[number]['lower']): HandoutCell =>
    each
      ? { text: [each.entry.rung.name, each.dose, ...(each.sign ? [each.sign] : [])].join('; '), figure: each.entry }
      : { text: '' };
  return {
    title: `${card.title}: room card`,
    about: `Works from heat ${card.from} to heat ${card.to}. Everybody begins and ends together.`,
    across: true,
    parts: [
      {
        kind: 'table',
        head: ['', 'Lower', 'Main version', 'Higher', 'Props', card.askBefore ? 'Ask before' : 'Something else with'],
        widths: [0.06, 0.16, 0.43, 0.16, 0.08, 0.11],
        rows: card.rows.map((row) => [
          { text: clock(row.startSeconds) },
          step(row.lower),
          { ...step(row.home), text: mainText(row) },
          step(row.upper),
          { text: propsText(row.told.props) },
          { text: card.askBefore && row.mustNot.length > 0 ? 'ask before' : row.mustNot.join(', ') },
        ]),
      },
      { kind: 'text', text: `Everybody stops, whatever the level: ${catalog.method.stopSigns.join(', ')}.` },
    ],
    foot: footOf(spoken),
  };
}

/** A main version in full: how often, on which side, how set, the ways in and out, what is beside it, and its gate. */
function mainText({ told, beside }: CardRow): string {
  const details = detailsText(told);
  return [
    `${told.name}; ${told.dose}`,
    ...(details === '' ? [] : [details]),
    ...(told.wayIn ? [`in: ${told.wayIn}`] : []),
    ...(told.wayOut ? [`out: ${told.wayOut}`] : []),
    ...beside.map(({ entry, dose, sign }) => `or ${entry.rung.name}, ${dose}${sign ? `, ${sign}` : ''}`),
    ...(told.ready.length > 0 ? [`on when: ${told.ready.join(', ')}`] : []),
    ...(told.stay.length > 0 ? [`easier when: ${told.stay.join(', ')}`] : []),
    ...(told.stop.length > 0 ? [`stop when: ${told.stop.join(', ')}`] : []),
  ].join('; ');
}

/** What is fetched for a class, and what can stand in for it. */
export function equipmentHandout(spoken: SpokenClass): Handout {
  const { timed } = spoken;
  const props = new Map(timed.sequence.flatMap((part) => propsNeeded(part).map((prop) => [prop.id, prop] as const)));
  const uses = (id: string) => timed.sequence.filter((part) => propsNeeded(part).some((prop) => prop.id === id));
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
                .map((part) => (part.kind === 'block' ? part.entry.exercise.name : part.block.name))
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
