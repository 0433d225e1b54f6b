import type { AbdominalCheck } from '../vocabulary/schemas';
import { agoText, daysBetween } from './calendar';

/** What the house takes into class (`method.limits`). */
export interface CheckLimits {
  readonly fingerWidth: number;
  /** Weeks after which a check no longer says how things are. */
  readonly checkWeeks: number;
}

/** What one person's record says: her latest check, and whether it lets her in. */
export interface PersonReading {
  /** The neutral letter; undefined for the one person whose checks carry none. */
  readonly mark: string | undefined;
  /** None where all of hers are dated ahead. */
  readonly latest: AbdominalCheck | undefined;
  readonly clear: boolean;
  /** Why someone must be seen first; empty when the check is clear. */
  readonly reason: string;
}

/** What the record of finger-width checks says of an audience with abdominal separation. */
export interface CheckReading {
  /** Each person's, the worst first. */
  readonly persons: readonly PersonReading[];
  /** Whether everybody on record is within the limits; nobody on record is not. */
  readonly clear: boolean;
  /** Why someone must be seen first, of everybody for whom somebody must; empty when all are clear. */
  readonly reason: string;
}

/** From bad to worse: within the limits, too long ago, none yet, wider than the house takes in, domed. */
const GRAVITY = ['clear', 'old', 'none', 'wide', 'domed'] as const;
type Gravity = (typeof GRAVITY)[number];

/**
 * Reads the record by the calendar. A check is of one person: each person's latest counts, of two on one day the worse,
 * and the worst of all persons decides. One within the limit never clears another. A check dated after today is none yet.
 * @param today `YYYY-MM-DD`; without it no age is judged
 * @example readChecks([{ mark: 'A', fingers: 4, … }, { mark: 'B', fingers: 1, … }], limits).clear // false
 */
export function readChecks(checks: readonly AbdominalCheck[], limits: CheckLimits, today?: string): CheckReading {
  const latest = new Map<string | undefined, AbdominalCheck | undefined>();
  for (const check of checks) {
    const { mark } = check;
    const known = latest.get(mark);
    if (today !== undefined && check.date > today) latest.set(mark, known);
    else if (!known || known.date < check.date || (known.date === check.date && isWorse(check, known))) {
      latest.set(mark, check);
    }
  }
  const persons = [...latest]
    .map(([mark, check]) => ({ mark, check, gravity: gravityOf(check, limits, today) }))
    .sort(
      (a, b) =>
        GRAVITY.indexOf(b.gravity) - GRAVITY.indexOf(a.gravity) ||
        (b.check?.fingers ?? 0) - (a.check?.fingers ?? 0) ||
        (a.mark ?? '').localeCompare(b.mark ?? ''),
    )
    .map(
      ({ mark, check, gravity }): PersonReading => ({
        mark,
        latest: check,
        clear: gravity === 'clear',
        reason: check ? reasonOf(check, gravity, limits, today) : `No check${ofMark(mark)} is on record yet.`,
      }),
    );
  if (persons.length === 0) return { persons, clear: false, reason: 'No finger-width check is on record.' };
  return {
    persons,
    clear: persons.every(({ clear }) => clear),
    reason: persons.flatMap(({ reason }) => (reason ? [reason] : [])).join(' '),
  };
}

/** The worse of two checks: one that domed, else the wider gap. */
const isWorse = (a: AbdominalCheck, b: AbdominalCheck): boolean =>
  (a.doming ?? false) === (b.doming ?? false) ? a.fingers > b.fingers : (a.doming ?? false);

function gravityOf(check: AbdominalCheck | undefined, limits: CheckLimits, today?: string): Gravity {
  if (!check) return 'none';
  const { date, fingers, doming } = check;
  if (doming) return 'domed';
  if (fingers > limits.fingerWidth) return 'wide';
  return today !== undefined && daysBetween(date, today) > limits.checkWeeks * 7 ? 'old' : 'clear';
}

function reasonOf(check: AbdominalCheck, gravity: Gravity, limits: CheckLimits, today?: string): string {
  const { fingers, checkedBy, date, mark } = check;
  const by = `${checkedBy} on ${date}`;
  switch (gravity) {
    case 'domed':
      return `The belly domed in the check${ofMark(mark)} by ${by}.`;
    case 'wide':
      return `${fingers} finger-widths in the check${ofMark(mark)} by ${by}; the house limit is ${limits.fingerWidth}.`;
    case 'old': {
      const ago = agoText(daysBetween(date, today ?? date));
      return `The last check${ofMark(mark)}, by ${by}, was ${ago}; it counts for ${limits.checkWeeks} weeks.`;
    }
    default:
      return '';
  }
}

const ofMark = (mark: string | undefined): string => (mark === undefined ? '' : ` of ${mark}`);
