import { tableOf } from '../review';
import { SERIES_RULES } from './rules';

/** The table of docs/series.md: every rule of the series review, in the order in which findings of one severity stand. */
export const seriesTable = (): string =>
  tableOf(
    ['code', 'severity', 'says', 'limit'],
    SERIES_RULES.map(({ code, severity, except, says, limit }) => [
      `\`${code}\``,
      except ? `${severity}; ${except}` : severity,
      says,
      limit,
    ]),
  );
