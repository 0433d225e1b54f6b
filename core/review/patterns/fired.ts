import { adviceOf, type CautionRule, rulesFor, speaksOf, VERDICTS } from '../../caution';
import { type TimedBlock, type TimedInterlude, tempoOf } from '../../plan';
import type { Already } from '../../repertoire';
import type { TimeFeature } from '../../vocabulary/bodies/features';
import { isOver } from '../../vocabulary/measure';
import { type Known, peaksOf } from '../subject/known';
import type { Subject } from '../subject/subject';

/** A block that a rule fired on, with its own value and what it advises there. */
export interface FiredOn {
  readonly index: number;
  readonly value: number;
  readonly how: string;
}

/** A rule of the table with all it fired on in a class. */
export interface Fired {
  readonly rule: CautionRule;
  /** Each block once, in order. */
  readonly on: readonly FiredOn[];
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
    const { peak, time } = rulesFor(subject.catalog.method, subject.graded);
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
  const on: Array<FiredOn[] | undefined> = new Array(rules.length).fill(undefined);
  let at = 0;
  for (const part of subject.timed.sequence) {
    const { entry, index } = part;
    if (!entry) continue;
    const peaks =
      part.kind === 'block' ? (subject.known[at++] as Known).peaks : peaksOf(subject.room, entry, countOf(subject));
    for (const { place, value, how } of peaks) {
      const known = on[place];
      if (known) known.push({ index, value, how });
      else on[place] = [{ index, value, how }];
    }
  }
  return rules.flatMap((rule, place): Fired[] => {
    const own = on[place];
    return own ? [{ rule, on: own }] : [];
  });
}

/** Seconds of a count in what an interlude does. */
const countOf = ({ catalog, room }: Subject): number => catalog.method.secondsPerCount * tempoOf(room.pacing);

const NONE: readonly Fired[] = [];

/** All stretches that one rule on time speaks of. */
function firedByTime(subject: Subject, rule: CautionRule, rules: readonly CautionRule[]): Fired | null {
  const values = new Map<number, number>();
  for (const stretch of subject.stretches.of(rule.feature as TimeFeature).stretches) {
    const { seconds } = stretch;
    if (!isOver(seconds, rule.over, 's')) continue;
    const own = stretch.blocks.filter((index) => speaksOf(rule, likeAt(subject, index)));
    if (own.length === 0 || graverSpeaks(rules, rule, seconds)) continue;
    for (const index of own) values.set(index, Math.max(values.get(index) ?? 0, seconds));
  }
  if (values.size === 0) return null;
  const on = [...values]
    .sort(([a], [b]) => a - b)
    .map(([index, value]) => ({ index, value, how: adviceOf(rule, alreadyAt(subject, index)) }));
  return { rule, on };
}

function alreadyAt({ timed, catalog }: Subject, index: number): ReadonlySet<Already> {
  const entry = timed.sequence[index]?.entry;
  return entry ? catalog.features(entry).already : NOTHING_YET;
}
const NOTHING_YET: ReadonlySet<Already> = new Set();

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
