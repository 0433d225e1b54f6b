import { MEASURES } from './measures';
import { RULES } from './rules';

/** A Markdown table, its columns as wide as their widest cell. */
export function tableOf(head: readonly string[], rows: ReadonlyArray<readonly string[]>): string {
  const widths = head.map((cell, i) => Math.max(cell.length, ...rows.map((row) => row[i]?.length ?? 0)));
  const line = (cells: readonly string[]) => `| ${cells.map((cell, i) => cell.padEnd(widths[i] ?? 0)).join(' | ')} |`;
  return [line(head), line(widths.map((width) => '-'.repeat(width))), ...rows.map(line)].join('\n');
}

/** The table of docs/review.md: every rule, in the order in which findings of one severity stand. */
export function rulesTable(): string {
  const rows = RULES.map(({ code, severity, except, says, limit, purposes, orders, part }) => {
    const when = [...(purposes ? [purposes.join(', ')] : ['all']), ...(orders ? [`order ${orders.join(', ')}`] : [])];
    return [`\`${code}\``, except ? `${severity}; ${except}` : severity, says, limit, when.join('; '), part];
  });
  return tableOf(['code', 'severity', 'says', 'limit', 'speaks for', 'part'], rows);
}

/** The table of measures. */
export const measuresTable = (): string =>
  tableOf(
    ['measure', 'is'],
    Object.entries(MEASURES).map(([name, words]) => [`\`${name}\``, words]),
  );
