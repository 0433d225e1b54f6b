import { type CautionRule, peakCautions, rulesFor, speaksOf, VERDICTS } from '../caution';
import type { TimedBlock, TimedInterlude } from '../plan';
import type { TimeFeature } from '../vocabulary/features';
import { isOver } from '../vocabulary/measure';
import type { Subject } from './subject';

/** A rule of the table with all it fired on in a class. */
export interface Fired {
  readonly rule: CautionRule;
  worst: number;
  readonly blocks: Set<number>;
}

/**
 * What the conditions in a room ask of a class: by the peaks of every rung done in it, and by the longest stretches of
 * time, which run across blocks. Of the rules of one condition on one feature only the gravest speaks of a block.
 */
export function firedIn(subject: Subject): readonly Fired[] {
  const { conditions, timed, catalog } = subject;
  if (conditions.length === 0) return NONE;
  const fired = new Map<CautionRule, Fired>();
  const add = (rule: CautionRule, value: number, blocks: readonly number[]) => {
    let known = fired.get(rule);
    if (!known) {
      known = { rule, worst: value, blocks: new Set() };
      fired.set(rule, known);
    }
    known.worst = Math.max(known.worst, value);
    for (const block of blocks) known.blocks.add(block);
  };
  for (const part of timed.sequence) {
    if (!part.entry) continue;
    const passing = part.kind === 'block' ? passingOf(part) : undefined;
    for (const caution of peakCautions(catalog, part.entry, conditions, passing))
      add(caution.rule, caution.value, [part.index]);
  }
  const { time } = rulesFor(catalog.method, conditions);
  for (const rule of time) {
    for (const { seconds, blocks } of subject.stretches.of(rule.feature as TimeFeature).stretches) {
      if (!isOver(seconds, rule.over, 's')) continue;
      const own = blocks.filter((index) => speaksOf(rule, likeAt(subject, index)));
      if (own.length === 0 || graverSpeaks(time, rule, seconds)) continue;
      add(rule, seconds, own);
    }
  }
  return [...fired.values()];
}
const NONE: readonly Fired[] = [];

const passingOf = ({ entrySeconds, exitSeconds }: TimedBlock) => ({ entry: entrySeconds > 0, exit: exitSeconds > 0 });

function likeAt({ timed, catalog }: Subject, index: number) {
  const part = timed.sequence[index] as TimedBlock | TimedInterlude;
  return part.entry ? part.entry.like : catalog.graph.like(part.position);
}

/** Whether a graver rule of the same condition on the same feature speaks of the same time. */
const graverSpeaks = (rules: readonly CautionRule[], rule: CautionRule, seconds: number): boolean =>
  rules.some(
    (other) =>
      other.condition === rule.condition &&
      other.feature === rule.feature &&
      VERDICTS.indexOf(other.verdict) > VERDICTS.indexOf(rule.verdict) &&
      isOver(seconds, other.over, 's'),
  );
