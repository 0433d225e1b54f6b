import { type CautionRule, rulesFor, speaksOf, VERDICTS } from '../caution';
import type { TimedBlock, TimedInterlude } from '../plan';
import type { TimeFeature } from '../vocabulary/features';
import { isOver } from '../vocabulary/measure';
import { type Known, peaksOf } from './known';
import type { Subject } from './subject';

/** A rule of the table with all it fired on in a class. */
export interface Fired {
  readonly rule: CautionRule;
  readonly worst: number;
  /** Indexes of the blocks, each once, in order. */
  readonly blocks: readonly number[];
}

/**
 * What the conditions in a room ask of a class: by the peaks of every rung done in it, and by the longest stretches of
 * time, which run across blocks. Of the rules of one condition on one feature only the gravest speaks of a block.
 */
export class FiredRules {
  readonly all: readonly Fired[];
  readonly #byPeaks: readonly Fired[];
  /** By the place of the rule among those on time. */
  readonly #byTime: ReadonlyArray<Fired | null>;

  /** @param alike a class with the same rungs in the same order: what has not changed is taken over */
  constructor(subject: Subject, alike?: Subject) {
    const { peak, time } = rulesFor(subject.catalog.method, subject.conditions);
    const before = alike?.fired;
    this.#byPeaks = before && samePeaks(subject, alike) ? before.#byPeaks : firedByPeaks(subject, peak);
    this.#byTime = time.map((rule, place) => {
      const feature = rule.feature as TimeFeature;
      const same = before && alike.stretches.of(feature) === subject.stretches.of(feature);
      return same ? (before.#byTime[place] as Fired | null) : firedByTime(subject, rule, time);
    });
    this.all = [...this.#byPeaks, ...this.#byTime.filter((fired) => fired !== null)];
  }
}

const samePeaks = (a: Subject, b: Subject): boolean =>
  a.known.every(({ peaks }, i) => peaks === (b.known[i] as Known).peaks);

function firedByPeaks(subject: Subject, rules: readonly CautionRule[]): readonly Fired[] {
  if (rules.length === 0) return NONE;
  const blocks: Array<number[] | undefined> = new Array(rules.length).fill(undefined);
  const worst: number[] = new Array(rules.length).fill(0);
  let at = 0;
  for (const part of subject.timed.sequence) {
    const { entry, index } = part;
    if (!entry) continue;
    const peaks = part.kind === 'block' ? (subject.known[at++] as Known).peaks : peaksOf(subject.room, entry);
    for (const { place, value } of peaks) {
      const known = blocks[place];
      if (known) known.push(index);
      else blocks[place] = [index];
      if (value > (worst[place] as number)) worst[place] = value;
    }
  }
  return rules.flatMap((rule, place): Fired[] => {
    const own = blocks[place];
    return own ? [{ rule, worst: worst[place] as number, blocks: own }] : [];
  });
}

const NONE: readonly Fired[] = [];

/** All stretches that one rule on time speaks of. */
function firedByTime(subject: Subject, rule: CautionRule, rules: readonly CautionRule[]): Fired | null {
  let worst = 0;
  const blocks = new Set<number>();
  for (const stretch of subject.stretches.of(rule.feature as TimeFeature).stretches) {
    const { seconds } = stretch;
    if (!isOver(seconds, rule.over, 's')) continue;
    const own = stretch.blocks.filter((index) => speaksOf(rule, likeAt(subject, index)));
    if (own.length === 0 || graverSpeaks(rules, rule, seconds)) continue;
    worst = Math.max(worst, seconds);
    for (const index of own) blocks.add(index);
  }
  return blocks.size > 0 ? { rule, worst, blocks: [...blocks].sort((a, b) => a - b) } : null;
}

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
