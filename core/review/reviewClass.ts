import type { Method } from '../method';
import { type ClassPlan, type TimedBlock, type TimedClass, timeClass } from '../plan';
import type { Catalog } from '../repertoire';
import type { Unit } from '../vocabulary/measure';
import { craftCost } from './craft/craft';
import {
  type Finding,
  type FindingName,
  type Found,
  findingKey,
  type OwnFound,
  type Remedy,
  SEVERITIES,
} from './finding';
import { type Measures, measuresOf } from './measures';
import { type BlockRule, NOTHING, type Raised, type Rule, type WholeRule } from './rule';
import { RULES } from './rules';
import { costOf, easeOf, emptyParts, excessOf, type Score } from './score';
import type { Known } from './subject/known';
import type { Room } from './subject/room';
import { type ReviewContext, Subject } from './subject/subject';

/** A class measured and scored; nobody has asked for sentences yet. */
export interface ClassMeasure {
  readonly subject: Subject;
  readonly timed: TimedClass;
  readonly score: Score;
  readonly raised: readonly Raised[];
}

export interface ClassReview extends ClassMeasure {
  readonly measures: Measures;
  /** Gravest first. */
  readonly findings: readonly Finding[];
}

/** The rules that speak in a room, those of the class as a whole and those of a block apart. */
interface Speaking {
  readonly whole: ReadonlyArray<{ readonly place: number; readonly rule: WholeRule }>;
  readonly block: ReadonlyArray<{ readonly place: number; readonly rule: BlockRule }>;
}

const speaking = new WeakMap<Room, Speaking>();
function rulesThatSpeak(room: Room): Speaking {
  const known = speaking.get(room);
  if (known) return known;
  const own = RULES.map((rule, place) => ({ rule, place })).filter(({ rule: { purposes, orders } }) => {
    const inPurpose = purposes === undefined || purposes.includes(room.purpose);
    return inPurpose && (orders === undefined || orders.includes(room.order));
  });
  const found: Speaking = {
    whole: own.flatMap(({ rule, place }) => ('find' in rule ? [{ rule, place }] : [])),
    block: own.flatMap(({ rule, place }) => ('findIn' in rule ? [{ rule, place }] : [])),
  };
  speaking.set(room, found);
  return found;
}

function raise(weights: Method['score'], place: number, rule: Rule, found: Found): Raised {
  const unit = found.unit ?? rule.unit;
  const severity = found.severity ?? (rule.severity === 'look' && isGross(rule, found, unit) ? 'fix' : rule.severity);
  const excess = excessOf(found.value, found.limit, unit, found.presence ?? rule.presence === true);
  return { place, rule, found, severity, cost: costOf(weights, severity, excess) };
}

/** Twice its limit and more is no longer a matter of taste, where it is time or a share. */
const isGross = ({ part }: Rule, { value, limit }: Found, unit: Unit): boolean =>
  (unit === 's' || unit === '') && limit > 0 && value >= 2 * limit && part !== 'arc' && part !== 'craft';

/** Most rules find nothing, and then there is nothing to make. */
const raisedBy = (weights: Method['score'], place: number, rule: Rule, found: readonly Found[]): readonly Raised[] =>
  found.length === 0 ? NOTHING : found.map((each) => raise(weights, place, rule, each));

/** What was found in a block, where the block stands in a class. Written out: a spread costs more than the rule. */
const inBlock = ({ severity, about, value, limit, unit }: OwnFound, blocks: readonly number[]): Found => ({
  severity,
  blocks,
  about,
  value,
  limit,
  unit,
});

/** What the rules that ask of one block alone raise about it. */
function raisedIn(known: Known, index: number, rules: Speaking['block']): readonly Raised[] {
  if (known.raised?.index === index) return known.raised.raised;
  const { score } = known.room.catalog.method;
  const raised: Raised[] = [];
  const blocks = [index];
  for (const { rule, place } of rules) {
    for (const found of rule.findIn(known)) raised.push(raise(score, place, rule, inBlock(found, blocks)));
  }
  known.raised = { index, raised };
  return raised;
}

/**
 * The class measured, held against every rule, and scored: a pure function of the plan, and what a sequencer
 * optimises. Sentences and remedies are made by who asks for them.
 * @throws PlanError when the class does not fit the repertoire
 */
export function measureClass(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): ClassMeasure {
  return measureTimed(catalog, timeClass(catalog, plan, context), context);
}

/** The same of a class that is timed already. */
export const measureTimed = (catalog: Catalog, timed: TimedClass, context: ReviewContext = {}): ClassMeasure =>
  measuredUnder(catalog, timed, context, Number.POSITIVE_INFINITY) as ClassMeasure;

/** The same; `null` as soon as what is raised has made it plain that the score is over `most`. */
export function measuredUnder(
  catalog: Catalog,
  timed: TimedClass,
  context: ReviewContext,
  most: number,
): ClassMeasure | null {
  const subject = new Subject(catalog, timed, context);
  const raised: Raised[] = [];
  const parts = emptyParts();
  const costs: number[] = new Array(RULES.length).fill(0);
  let sum = 0;
  const take = (each: Raised) => {
    raised.push(each);
    costs[each.place] = (costs[each.place] as number) + each.cost;
    sum += each.cost;
  };
  const weights = catalog.method.score;
  const rules = rulesThatSpeak(subject.room);
  // Craft costs by its distances, whether or not it is told of.
  parts.craft = craftCost(subject);
  sum += parts.craft;
  // What each block raises by itself is kept with it: it comes first, since it costs least to ask.
  for (let i = 0; i < subject.known.length; i++) {
    const { index } = timed.blocks[i] as TimedBlock;
    for (const each of raisedIn(subject.known[i] as Known, index, rules.block)) take(each);
  }
  for (const { rule, place } of rules.whole) {
    if (sum > most) {
      subject.settle();
      return null;
    }
    if (rule.costs) {
      const [found] = rule.find(subject);
      if (found) raised.push({ ...raise(weights, place, rule, found), cost: rule.costs(subject) });
      continue;
    }
    const own = subject.raisedByOrder[place] ?? raisedBy(weights, place, rule, rule.find(subject));
    if (rule.ofOrder) subject.raisedByOrder[place] = own;
    for (const each of own) take(each);
  }
  for (let place = 0; place < RULES.length; place++) {
    const cost = costs[place] as number;
    if (cost > 0) parts[(RULES[place] as Rule).part] += cost;
  }
  parts.ease = easeOf(subject, measuresOf(subject));
  subject.settle();
  let total = 0;
  for (const part of Object.values(parts)) total += part;
  return { subject, timed, score: { total, sound: total - parts.craft, parts }, raised };
}

/** The findings of a measured class, each with its sentence; first what costs most, and so cures most when mended. */
export const findingsOf = (measure: ClassMeasure): Finding[] =>
  [...measure.raised]
    .sort(
      (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || b.cost - a.cost || a.place - b.place,
    )
    .map((raised) => told(measure, raised));

function told({ subject, timed }: ClassMeasure, raised: Raised): Finding {
  const { rule, found, severity } = raised;
  return {
    ...nameOf(timed, raised),
    severity,
    blocks: found.blocks,
    value: found.value,
    limit: found.limit,
    unit: found.unit ?? rule.unit,
    message: 'find' in rule ? rule.sentence(found, subject) : rule.sentence(found, subject.knownAt(onlyBlock(found))),
    ...(found.values ? { values: found.values } : {}),
  };
}

const nameOf = ({ plan }: TimedClass, { rule, found: { blocks, about } }: Raised): FindingName => ({
  code: rule.code,
  ids: blocks.flatMap((index) => plan.blocks[index]?.id ?? []),
  ...(about === undefined ? {} : { about }),
});

const onlyBlock = ({ blocks }: Found): number => blocks[0] as number;

/** Ways that might mend a finding, in the class as it was measured; none where the class has no such finding. */
export function remediesFor({ subject, timed, raised }: ClassMeasure, name: FindingName): readonly Remedy[] {
  const key = findingKey(name);
  const own = raised.find((each) => each.rule.code === name.code && findingKey(nameOf(timed, each)) === key);
  if (!own) return NOTHING;
  const { rule, found } = own;
  if ('find' in rule) return rule.mend?.(found, subject) ?? NOTHING;
  const index = onlyBlock(found);
  return rule.mend?.(found, subject.knownAt(index), index) ?? NOTHING;
}

/**
 * The one review: the class measured, scored and explained.
 * @throws PlanError when the class does not fit the repertoire
 */
export function reviewClass(catalog: Catalog, plan: ClassPlan, context: ReviewContext = {}): ClassReview {
  const measured = measureClass(catalog, plan, context);
  return { ...measured, measures: measuresOf(measured.subject), findings: findingsOf(measured) };
}
