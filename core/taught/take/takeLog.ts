import type { ClassPlan, TimedClass } from '../../plan';
import type { ReviewContext } from '../../review';
import type { Script, ScriptSection } from '../../script';
import type { Log } from '../logSchema';
import { plannedDay } from '../plannedDay';
import type { Alignment } from './aligning/align';
import type { Added, TakenBlock } from './take';

interface TakeFound {
  readonly blocks: readonly TakenBlock[];
  readonly missed: readonly string[];
  readonly added: readonly Added[];
  readonly alignment: Alignment;
  readonly script: Script;
  readonly seconds: number;
}

/** A take as the log of its day. */
export function logOf(
  plan: ClassPlan,
  timed: TimedClass,
  { blocks, missed, added, alignment, script, seconds }: TakeFound,
  date: string,
  { teacher }: ReviewContext,
): Log {
  const round = (value: number) => Math.round(value * 10) / 10;
  const ends = (kind: ScriptSection['kind']) =>
    alignment.found.find(({ section }) => script.sections[section]?.kind === kind);
  const [opening, closing] = [ends('opening'), ends('closing')];
  const done = blocks.map(({ id, passes, setupSeconds }) => ({
    at: passes[0]?.start ?? 0,
    log: {
      id,
      did: 'planned' as const,
      passes: passes.map(({ side, start, work, end, reps }, i) => ({
        side,
        startSeconds: round(start),
        setupSeconds: round(i === 0 ? setupSeconds : work - start),
        workSeconds: round(end - work),
        ...(reps === null ? {} : { reps }),
        endSeconds: round(end),
      })),
    },
  }));
  const more = added.map(({ startSeconds, endSeconds, rung }, i) => ({
    at: startSeconds,
    log: {
      id: `added-${i + 1}`,
      did: 'added' as const,
      ...(rung === null ? {} : { rung }),
      passes: [{ startSeconds: round(startSeconds), endSeconds: round(endSeconds) }],
    },
  }));
  return {
    id: `take-${plan.id}-${date}`,
    class: plan.id,
    date,
    ...(teacher === undefined ? {} : { teacher: teacher.id }),
    ...(plan.audience === undefined ? {} : { audience: plan.audience }),
    source: 'take',
    plan: plannedDay(timed, { class: plan.name }),
    ...(opening ? { openingSeconds: round(opening.end) } : {}),
    ...(closing ? { closingSeconds: round(closing.end - closing.start) } : {}),
    endedSeconds: round(seconds),
    blocks: [
      ...[...done, ...more].sort((a, b) => a.at - b.at).map(({ log }) => log),
      ...missed.map((id) => ({ id, did: 'skipped' as const })),
    ],
  };
}
