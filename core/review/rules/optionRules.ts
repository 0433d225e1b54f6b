import {
  type Caution,
  type CautionRule,
  CONDITIONS,
  measuredText,
  peakCautions,
  timeRulesOn,
  type Verdict,
} from '../../caution';
import { blockSeconds, doseOf, type Option, optionOf, repsOf } from '../../plan';
import { type Doing, FEATURES, rungKey, workRun } from '../../repertoire';
import type { TimeFeature } from '../../vocabulary/features';
import { isOver } from '../../vocabulary/measure';
import { spell } from '../clock';
import { type Found, type Remedy, rungTitle, type Severity } from '../finding';
import type { Offered } from '../offers';
import { NOTHING, type Rule } from '../rule';
import type { Subject } from '../subject';
import { EXPOSURES } from './exposureRules';
import { isMet, metSoFar, unmetSeverity } from './ladderRules';
import { lackingOf } from './propRules';

/** What is found in every offer; written without a list in between, for this is asked at every step of a search. */
function eachOffer({ offers }: Subject, find: (offer: Offered, found: Found[]) => void): readonly Found[] {
  if (offers.length === 0) return NOTHING;
  const found: Found[] = [];
  for (const offer of offers) find(offer, found);
  return found;
}

/** Offering it no longer. */
function withdraw({ block, option }: Offered): Remedy[] {
  const options = (block.block.options ?? []).filter((each) => optionOf(each).rung !== option.rung);
  return [
    {
      label: `Offer it no longer in block ${block.index + 1}`,
      edits: [{ kind: 'set', id: block.block.id, change: { options } }],
    },
  ];
}

/** How an offered rung is done on one side, as the room counts. */
function doingOf({ catalog, pacing }: Subject, { block, option, entry }: Offered): Doing {
  const dose = doseOf(entry, option);
  const alternates = entry.exercise.sides === 'alternate' && block.block.side === undefined;
  return {
    entry: !block.carries,
    exit: !block.carried,
    sets: dose.sets,
    reps: repsOf(dose) * (alternates ? 2 : 1),
    count: (dose.secondsPerCount ?? catalog.method.secondsPerCount) * pacing.tempo,
    restSeconds: catalog.method.restBetweenSetsSeconds,
  };
}

/** Seconds a feature holds at a stretch in an offered rung. */
const longestOf = (subject: Subject, offer: Offered, feature: TimeFeature, doing: Doing): number =>
  workRun(subject.catalog.features(offer.entry), feature, doing).longest +
  (offer.option.holdSeconds ?? 0) * held(subject, offer, feature);
/** What is held longer holds what the shape holds. */
const held = ({ catalog }: Subject, { entry }: Offered, feature: TimeFeature): number =>
  catalog.features(entry).endHolds.has(feature) ? 1 : 0;

const SEVERITY = { 'clear-first': 'stop', swap: 'fix', adapt: 'look' } as const satisfies Record<
  Exclude<Verdict, 'fine'>,
  Severity
>;

const saidBy = new WeakMap<readonly Caution[], WeakMap<readonly Caution[], readonly Caution[]>>();

/** The cautions of an offered rung that its main version does not raise already; remembered, for both lists are. */
function newTo(home: readonly Caution[], offered: readonly Caution[]): readonly Caution[] {
  const known = saidBy.get(home) ?? new WeakMap<readonly Caution[], readonly Caution[]>();
  saidBy.set(home, known);
  const found = known.get(offered) ?? offered.filter((caution) => !isSaid(home, caution));
  known.set(offered, found);
  return found;
}

/** What the main version asks of the same people already is said there; what must be swapped is said in any case. */
const isSaid = (home: readonly Caution[], { verdict, condition, feature }: CautionRule): boolean =>
  verdict === 'adapt' && home.some((each) => each.condition === condition && each.feature === feature);

/** What the conditions in the room say of an offered rung, by its peaks and by its time at a stretch. */
function cautionsOf(subject: Subject, offer: Offered, raise: (caution: CautionRule, value: number) => void): void {
  const { catalog, conditions } = subject;
  const { entry, block } = offer;
  const home = peakCautions(catalog, block.entry, conditions);
  const peaks = peakCautions(catalog, entry, conditions, { entry: !block.carries, exit: !block.carried });
  for (const caution of newTo(home, peaks)) raise(caution, caution.value);
  const timed = timeRulesOn(catalog, entry, conditions);
  if (timed.length === 0) return;
  const doing = doingOf(subject, offer);
  for (const rule of timed) {
    const value = longestOf(subject, offer, rule.feature as TimeFeature, doing);
    if (isOver(value, rule.over, 's') && !isSaid(home, rule)) raise(rule, value);
  }
}

const optionCaution: Rule = {
  code: 'OPTION_CAUTION',
  part: 'options',
  severity: 'fix',
  except: 'stop where a professional decides first, look where it can be adapted',
  unit: 'times',
  limit: 'the rule’s own, as for a main version',
  says: 'an offered rung is one that somebody in the room must not take, or must adapt',
  find: (subject) => {
    if (subject.conditions.length === 0) return NOTHING;
    return eachOffer(subject, (offer, found) => {
      cautionsOf(subject, offer, (caution, value) => {
        const { condition, feature, over, verdict, why, how } = caution;
        found.push({
          severity: SEVERITY[verdict],
          blocks: [offer.block.index],
          value,
          limit: over,
          unit: FEATURES[feature].unit,
          sentence: () =>
            `${CONDITIONS[condition].name}: “${offer.entry.rung.name}” is offered in ${rungTitle(offer.block.entry)}, ${measuredText(feature, value, over)}. ${why} ${how}`,
          mend: () => (verdict === 'adapt' ? [] : withdraw(offer)),
        });
      });
    });
  },
};

const optionUnmet: Rule = {
  code: 'OPTION_UNMET',
  part: 'options',
  severity: 'fix',
  except: 'stop when the offered rung is hotter than the room can take',
  purposes: ['class', 'drill', 'lesson'],
  unit: 'times',
  presence: true,
  limit: 'met earlier in the class or the series',
  says: 'an offered rung requires what people have not learnt',
  find: (subject) => {
    const { offers, catalog } = subject;
    if (!offers.some(({ entry }) => entry.rung.requires)) return NOTHING;
    const found: Found[] = [];
    let next = 0;
    for (const { block, met } of metSoFar(subject)) {
      // Offers stand in the order of their blocks.
      for (; offers[next]?.block === block; next++) {
        const offer = offers[next] as Offered;
        for (const required of offer.entry.rung.requires ?? []) {
          if (isMet(catalog, required, met)) continue;
          const need = catalog.rung(required);
          found.push({
            severity: unmetSeverity(subject, offer.entry),
            blocks: [block.index],
            value: 0,
            limit: 1,
            sentence: () =>
              `“${offer.entry.rung.name}” is offered in ${rungTitle(block.entry)} before people have learnt ${need ? rungTitle(need) : rungKey(required)}.`,
            mend: () => withdraw(offer),
          });
        }
      }
    }
    return found;
  },
};

const optionProp: Rule = {
  code: 'OPTION_PROP',
  part: 'options',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the audience’s `equipment`',
  says: 'an offered rung needs a prop the audience does not have at hand',
  find: (subject) => {
    const { audience } = subject;
    if (!audience?.equipment) return NOTHING;
    return eachOffer(subject, (offer, found) => {
      for (const { name } of lackingOf(offer.entry, audience.equipment)) {
        found.push({
          blocks: [offer.block.index],
          value: 0,
          limit: 1,
          sentence: () =>
            `“${offer.entry.rung.name}”, offered in ${rungTitle(offer.block.entry)}, needs “${name}”, which ${audience.name} do not have at hand.`,
          mend: () => withdraw(offer),
        });
      }
    });
  },
};

const optionExposed: Rule = {
  code: 'OPTION_EXPOSED',
  part: 'options',
  severity: 'look',
  unit: 's',
  limit: 'the limit of the exposure at a stretch',
  says: 'an offered rung loads a part too long at a stretch',
  find: (subject) =>
    eachOffer(subject, (offer, found) => {
      const { rep } = subject.catalog.features(offer.entry);
      for (const { feature, words, stretch } of EXPOSURES) {
        if (rep.runs[feature].total === 0) continue;
        const value = longestOf(subject, offer, feature, doingOf(subject, offer));
        const limit = subject.limits[stretch];
        if (!isOver(value, limit, 's')) continue;
        found.push({
          blocks: [offer.block.index],
          value,
          limit,
          sentence: () =>
            `${words} for ${spell(value)} at a stretch in “${offer.entry.rung.name}”, offered in ${rungTitle(offer.block.entry)}; ${spell(limit)} is the most.`,
          mend: () => withdraw(offer),
        });
      }
    }),
};

/** Seconds of an option: its work on the sides the home rung is done on, held and paused as it says. */
function optionSeconds(subject: Subject, { block, option, entry }: Offered): number {
  const { catalog, pacing } = subject;
  const { secondDose: _second, dose: _dose, ...own } = block.block;
  const asBlock = { ...own, rung: option.rung, ...(option.dose ? { dose: option.dose } : {}) };
  const { work } = blockSeconds(entry, asBlock, catalog.method, pacing, {
    carries: block.carries,
    carried: block.carried,
    setsUpTwice: false,
  });
  return work + block.slots.length * ((option.holdSeconds ?? 0) + (option.pauseSeconds ?? 0));
}

/** How much longer than the main version an option may be: a tenth, and ten seconds. */
const LONGER_SHARE = 0.1;
const LONGER_SECONDS = 10;

const optionLong: Rule = {
  code: 'OPTION_LONG',
  part: 'options',
  severity: 'fix',
  purposes: ['class', 'drill'],
  unit: 's',
  limit: 'the main version’s work and a tenth more, and 10 s more',
  says: 'an offered rung takes longer than the main version, so the room falls apart',
  find: (subject) =>
    eachOffer(subject, (offer, found) => {
      const { block, entry } = offer;
      if (block.block.mode === 'show') return;
      const value = optionSeconds(subject, offer);
      const limit = Math.max(block.work * (1 + LONGER_SHARE), block.work + LONGER_SECONDS);
      if (!isOver(value, limit, 's')) return;
      found.push({
        blocks: [block.index],
        value,
        limit,
        sentence: () =>
          `“${entry.rung.name}”, offered in ${rungTitle(block.entry)}, takes ${spell(value)}; the main version takes ${spell(block.work)}.`,
        mend: () => fitting(subject, offer, value),
      });
    }),
};

/** The option with the repetitions that fit the main version's time. */
function fitting(subject: Subject, offer: Offered, seconds: number): Remedy[] {
  const { block, option, entry } = offer;
  const reps = repsOf(doseOf(entry, option));
  for (let fewer = Math.min(Math.ceil(reps) - 1, Math.floor((reps * block.work) / seconds) + 1); fewer >= 1; fewer--) {
    const dosed: Option = { ...option, dose: { ...option.dose, reps: fewer } };
    if (optionSeconds(subject, { ...offer, option: dosed }) > block.work) continue;
    const options = (block.block.options ?? []).map((each) => (optionOf(each).rung === option.rung ? dosed : each));
    return [
      {
        label: `“${entry.rung.name}”: ${fewer} instead of ${reps}`,
        edits: [{ kind: 'set', id: block.block.id, change: { options } }],
      },
    ];
  }
  return withdraw(offer);
}

export const OPTION_RULES: readonly Rule[] = [optionCaution, optionUnmet, optionProp, optionExposed, optionLong];
