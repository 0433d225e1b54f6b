import { doseOf, timeClass, withSpare } from '../plan';
import { clock, rungTitle, spell, titleOf } from '../review';
import { doseText, isSided } from '../script';
import { replan } from '../taught/replan';
import type { SpokenClass } from './spokenClass';

/** Where in a class it is asked what to do when late, as shares of it, and how late: by this share of its target. */
const [MOMENTS, LATE] = [[0.4, 0.7], 0.06] as const;
/** Seconds a moment is told to: half a minute is read at a glance. */
const STEP = 30;

const known = new WeakMap<SpokenClass, readonly string[]>();

/** What to do when a class runs late, for two moments of it; and what to add where there is time. Nothing for lessons. */
export function whenLate(spoken: SpokenClass): readonly string[] {
  const lines = known.get(spoken) ?? [...lateLines(spoken), ...spareLines(spoken)];
  known.set(spoken, lines);
  return lines;
}

function lateLines({ catalog, plan, timed, context }: SpokenClass): string[] {
  if ((plan.purpose ?? 'class') !== 'class') return [];
  const late = Math.max(STEP, Math.round((plan.targetMinutes * 60 * LATE) / STEP) * STEP);
  const { sequence, seconds } = timed;
  const moments = MOMENTS.flatMap((share) => {
    const nearest = sequence.reduce<(typeof sequence)[number] | null>((best, part) => {
      const apart = (each: typeof part) => Math.abs(each.startSeconds - share * seconds);
      return best && apart(best) <= apart(part) ? best : part;
    }, null);
    return nearest ?? [];
  });
  return [...new Set(moments)].map((part) => {
    const elapsed = part.startSeconds + late;
    // Late from the beginning, not slow: what is left goes as planned.
    const { edits, ends } = replan(catalog, plan, context, { block: part.block.id, pass: 1, elapsed, late });
    const labels = edits.map(({ label }) => label.charAt(0).toLowerCase() + label.slice(1));
    const what = labels.length === 0 ? 'nothing has to change' : labels.join('; ');
    return `${titleOf(part)} begins at ${clock(part.startSeconds)}. Late, at ${clock(elapsed)}? ${what.charAt(0).toUpperCase()}${what.slice(1)}${ends ? '' : ', and it still ends late'}.`;
  });
}

function spareLines({ catalog, plan, timed, context }: SpokenClass): string[] {
  const { audience, teacher } = context;
  return (plan.spare ?? []).flatMap((spare) => {
    const part = timed.sequence.find(({ block }) => block.id === spare.after);
    const entry = catalog.rung(spare);
    if (!part || !entry) return [];
    const longer = timeClass(catalog, withSpare(plan, spare), { audience, teacher });
    const dose = doseText(doseOf(entry, spare), isSided(entry, spare.side));
    return `With ${spell(longer.seconds - timed.seconds)} to spare, after ${titleOf(part)}: ${rungTitle(entry)}, ${dose}.`;
  });
}
