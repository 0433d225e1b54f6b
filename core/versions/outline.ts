import { type Standing, standingOf } from '../mend';
import { DIRECTIONS, type Direction } from '../method';
import type { ClassPlan } from '../plan';
import type { Catalog } from '../repertoire';
import { conditionsOf, findingsOf, measureClass, type ReviewContext, titleOf } from '../review';
import { draftScript } from '../script';
import { schoolFindings } from '../voice';

/** A step of a class as it stands beside another version's. */
interface OutlinedStep {
  readonly id: string;
  readonly name: string;
  readonly startSeconds: number;
  readonly seconds: number;
  /** Heat, 0 to 100; `null` for an interlude. */
  readonly heat: number | null;
}

/** All of a class that two versions of it are held against each other by; it can be sent from where it was made. */
export interface Outline {
  readonly standing: Standing;
  /** Seconds in which 8 of 10 teachings end, from and to. */
  readonly range: readonly [number, number];
  /** Share of the work in each direction, 0 to 1. */
  readonly directions: Readonly<Record<Direction, number>>;
  readonly steps: readonly OutlinedStep[];
  /** What the review says, and what goes against the schools of the house. */
  readonly findings: readonly string[];
  /** What the script says, line by line. */
  readonly lines: readonly string[];
}

/**
 * A class as one version of it.
 * @throws PlanError when the class does not fit the repertoire
 */
export function outlineOf(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): Outline {
  const measure = measureClass(catalog, plan, context);
  const { timed } = measure;
  const all = DIRECTIONS.reduce((sum, each) => sum + (timed.directions[each] ?? 0), 0);
  const share = (direction: Direction) => (all === 0 ? 0 : (timed.directions[direction] ?? 0) / all);
  const script = draftScript(catalog, timed, {
    conditions: conditionsOf(plan, context.audience),
    graded: measure.subject.graded,
    earlier: context.earlier,
    choices: context.choices,
  });
  return {
    standing: standingOf(measure),
    range: [timed.range.p10, timed.range.p90],
    directions: Object.fromEntries(DIRECTIONS.map((each) => [each, share(each)])) as Record<Direction, number>,
    steps: timed.sequence.map((part) => ({
      id: part.block.id,
      name: titleOf(part),
      startSeconds: part.startSeconds,
      seconds: part.seconds,
      heat: part.kind === 'block' ? catalog.heat(part.entry) : null,
    })),
    findings: [...findingsOf(measure), ...schoolFindings(catalog, timed, script.choices)].map(({ message }) => message),
    lines: script.sections.flatMap(({ part, lead, lines }) => [
      ...(part === null ? [] : [part]),
      ...(lead === null ? [] : [lead]),
      ...lines.map(({ text }) => text),
    ]),
  };
}
