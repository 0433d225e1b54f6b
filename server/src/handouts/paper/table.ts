import { FORM_WORDS } from '@warm-ladder/core/figure';
import { type HandoutCell, type HandoutTable, withoutEmptyColumns } from '@warm-ladder/core/handouts';
import { drawFigure, drawWrong, type Size } from './figures';
import { ACCENT, INK, LINE, SOFT } from './ink';
import { LEAST_TYPE, type Sheet, type Style } from './sheet';

/** Points: the largest type of a table, its steps, the air between columns and rows. */
const [MOST_TYPE, STEP, GAP, AIR] = [13, 0.5, 8, 4.5];
/** How tall a figure is for its type: as tall as the page has room for. */
const TALL = [4.4, 4, 3.6, 3.2, 2.8, 2.4, 2];
const WIDE = 1.65;

type Role = 'TH' | 'TD';

/** How a table is set. */
interface Setting {
  readonly table: HandoutTable;
  readonly size: number;
  /** Points, the gap after each column not counted. */
  readonly widths: readonly number[];
  readonly figureHeight: number;
}

/**
 * A table as large as its page takes it, in type that is never under the least; a table that needs more goes on on the
 * next page under its head. Columns nobody wrote in are left out, wrong forms where there is no room for them.
 * @param below points kept free for what stands under it
 */
export function table(sheet: Sheet, whole: HandoutTable, below: number): void {
  if (whole.page) sheet.newPage();
  const setting = settingFor(sheet, withoutEmptyColumns(whole), below);
  const head = setting.table.head.map((text) => ({ text }));
  sheet.group('Table', () => {
    row(sheet, setting, head, 'TH');
    for (const own of setting.table.rows) {
      // The head again is for the eye: who hears the page has heard it.
      if (!sheet.fit(heightOf(sheet, setting, own, 'TD'))) headAgain(sheet, setting, head);
      row(sheet, setting, own, 'TD');
    }
  });
}

function settingFor(sheet: Sheet, whole: HandoutTable, below: number): Setting {
  const room = sheet.bottom - sheet.y - below;
  const plain = withoutWrong(whole);
  for (const table of plain === whole ? [whole] : [whole, plain]) {
    for (let size = MOST_TYPE; size >= LEAST_TYPE; size -= STEP) {
      const widths = widthsFor(sheet, table, size);
      // The smallest figure first: most sizes are too large whatever the figure.
      const fits = (tall: number) => heightOfAll(sheet, { table, size, widths, figureHeight: size * tall }) <= room;
      if (!fits(TALL.at(-1) ?? 0)) continue;
      return { table, size, widths, figureHeight: size * (TALL.find(fits) ?? 0) };
    }
  }
  // Over several pages: as few as there can be, with figures as tall as that lets them be.
  const widths = widthsFor(sheet, plain, LEAST_TYPE);
  const set = (tall: number): Setting => ({ table: plain, size: LEAST_TYPE, widths, figureHeight: LEAST_TYPE * tall });
  const fewest = pagesFor(sheet, set(TALL.at(-1) ?? 0), below);
  return set(TALL.find((tall) => pagesFor(sheet, set(tall), below) === fewest) ?? 0);
}

/** How many pages a table goes over from here, with what stands under it. */
function pagesFor(sheet: Sheet, setting: Setting, below: number): number {
  const head = heightOfHead(sheet, setting);
  let [pages, y] = [1, sheet.y + head];
  for (const cells of setting.table.rows) {
    const height = heightOf(sheet, setting, cells, 'TD');
    if (y + height > sheet.bottom) [pages, y] = [pages + 1, sheet.top + head];
    y += height;
  }
  return y + below > sheet.bottom ? pages + 1 : pages;
}

/**
 * Widths by their shares; what a column does not need for its longest line goes to those that do, and none stays under its
 * longest word where others have room to give.
 */
function widthsFor(sheet: Sheet, { widths, head, rows }: HandoutTable, size: number): number[] {
  const columns = widths.map((share, i) => {
    const cells = rows.map((row) => row[i]);
    const pictured = cells.some((cell) => cell?.figure);
    const lines: ReadonlyArray<readonly [string, Style]> = [
      [head[i] ?? '', cellStyle(size, 'TH', i)],
      ...cells.map((cell) => [cell?.text ?? '', cellStyle(size, 'TD', i)] as const),
    ];
    const longest = (pieces: (line: string) => string[]) =>
      Math.max(0, ...lines.flatMap(([line, style]) => pieces(line).map((piece) => sheet.widthOf(piece, style)))) + 1;
    const own = share * sheet.width - GAP;
    const most = longest((line) => [line]);
    if (!pictured) return { own, least: longest((line) => line.split(' ')), most };
    // Room for a body is never given away; words beside it may ask for more.
    return { own, least: own, most: cells.some((cell) => cell?.text) ? Math.max(own, most) : own };
  });
  const first = shared(columns.map(({ own, most }) => ({ own, spare: own - most, short: most - own })));
  return shared(
    columns.map(({ least }, i) => ({
      own: first[i] ?? 0,
      spare: (first[i] ?? 0) - least,
      short: least - (first[i] ?? 0),
    })),
  );
}

/** Room moved from columns that have it to spare to those that are short of it, as far as it goes, each by its share. */
function shared(columns: ReadonlyArray<{ own: number; spare: number; short: number }>): number[] {
  const sum = (key: 'spare' | 'short') => columns.reduce((total, each) => total + Math.max(0, each[key]), 0);
  const moved = Math.min(sum('spare'), sum('short'));
  const part = (key: 'spare' | 'short', each: number) => (moved === 0 ? 0 : (Math.max(0, each) / sum(key)) * moved);
  return columns.map(({ own, spare, short }) => own - part('spare', spare) + part('short', short));
}

function withoutWrong(whole: HandoutTable): HandoutTable {
  if (!whole.rows.some((cells) => cells.some(({ wrong }) => wrong))) return whole;
  return { ...whole, rows: whole.rows.map((cells) => cells.map((cell) => ({ ...cell, wrong: undefined }))) };
}

const heightOfHead = (sheet: Sheet, setting: Setting): number =>
  heightOf(
    sheet,
    setting,
    setting.table.head.map((text) => ({ text })),
    'TH',
  );

const heightOfAll = (sheet: Sheet, setting: Setting): number =>
  setting.table.rows.reduce((sum, cells) => sum + heightOf(sheet, setting, cells, 'TD'), heightOfHead(sheet, setting));

/** A figure as wide as its column lets it be. */
function figureIn({ figureHeight, widths }: Setting, column: number, beside: boolean): Size {
  const own = (widths[column] ?? 0) * (beside ? 0.4 : 1);
  const width = Math.min(own, figureHeight * WIDE);
  return { width, height: width / WIDE };
}

const cellStyle = (size: number, role: Role, column: number): Style =>
  role === 'TH'
    ? { face: 'strong', size: LEAST_TYPE, colour: SOFT }
    : { face: column === 0 ? 'strong' : 'plain', size, colour: INK };

function heightOf(sheet: Sheet, setting: Setting, cells: readonly HandoutCell[], role: Role): number {
  const heights = cells.map((cell, i) => {
    const figure = cell.figure ? figureIn(setting, i, cell.text !== '') : null;
    const beside = figure && cell.text !== '' ? figure.width + 4 : 0;
    const words = sheet.heightOf(cell.text, cellStyle(setting.size, role, i), (setting.widths[i] ?? 0) - beside);
    return Math.max(words, figure?.height ?? 0) + (cell.wrong && figure ? figure.height + LEAST_TYPE + 3 : 0);
  });
  return Math.max(setting.size, ...heights) + AIR;
}

function row(sheet: Sheet, setting: Setting, cells: readonly HandoutCell[], role: Role): void {
  const height = heightOf(sheet, setting, cells, role);
  const top = sheet.y;
  sheet.group('TR', () => {
    placed(sheet, setting, cells, (cell, x, width, column) => {
      sheet.group(role, () => cellOf(sheet, setting, cell, { x, top, width, column, role }));
    });
  });
  sheet.rule(top + height, role === 'TH' ? 1 : 0.4, role === 'TH' ? INK : LINE);
  sheet.y = top + height;
}

interface Place {
  readonly x: number;
  readonly top: number;
  readonly width: number;
  readonly column: number;
  readonly role: Role;
}

function cellOf(sheet: Sheet, setting: Setting, cell: HandoutCell, { x, top, width, column, role }: Place): void {
  const { text, figure: entry, wrong } = cell;
  const figure = figureIn(setting, column, text !== '');
  if (entry) drawFigure(sheet, entry, x, top + 2, figure);
  if (wrong) {
    drawWrong(
      sheet,
      wrong.wrong,
      `${FORM_WORDS.wrong}: ${wrong.cue.sign ?? wrong.cue.text}`,
      x,
      top + figure.height + 3,
      figure,
    );
    const under = { face: 'plain', size: LEAST_TYPE, colour: ACCENT } as const;
    const y = top + 2 * figure.height + 3;
    sheet.part('P', () => sheet.text([[FORM_WORDS.wrong, under]], x, y, { width: figure.width, align: 'center' }));
  }
  if (text === '') return;
  const beside = entry ? figure.width + 4 : 0;
  const style = cellStyle(setting.size, role, column);
  sheet.part('P', () => sheet.text([[text, style]], x + beside, top + 2, { width: width - beside }));
}

/** Cells with where their column begins and how wide it is. */
function placed(
  sheet: Sheet,
  { widths }: Setting,
  cells: readonly HandoutCell[],
  each: (cell: HandoutCell, x: number, width: number, column: number) => void,
): void {
  let x = sheet.left;
  cells.forEach((cell, column) => {
    const width = widths[column] ?? 0;
    each(cell, x, width, column);
    x += width + GAP;
  });
}

function headAgain(sheet: Sheet, setting: Setting, head: readonly HandoutCell[]): void {
  const top = sheet.y;
  const height = heightOf(sheet, setting, head, 'TH');
  sheet.seen(() =>
    placed(sheet, setting, head, ({ text }, x, width, column) => {
      sheet.text([[text, cellStyle(setting.size, 'TH', column)]], x, top + 2, { width });
    }),
  );
  sheet.rule(top + height, 1, INK);
  sheet.y = top + height;
}
