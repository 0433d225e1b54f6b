import {
  type Caution,
  type CautionRule,
  CONDITIONS,
  graver,
  measuredText,
  peakCautions,
  type Verdict,
} from '../../caution';
import { doseOf, type Option, optionOf, repsOf, type TimedBlock } from '../../plan';
import { FEATURES, type Feature, rungKey } from '../../repertoire';
import { isOver } from '../../vocabulary/measure';
import { spell } from '../clock';
import { type Found, type OwnFound, type Remedy, rungTitle, type Severity } from '../finding';
import type { Known } from '../known';
import type { Offer } from '../offer';
import { cautionsOn, type OfferCaution } from '../offerCautions';
import { BIT } from '../reading';
import { type BlockRule, NOTHING, type Rule, type WholeRule } from '../rule';
import { EXPOSURES } from './exposureRules';
import { isMet, unmetSeverity } from './ladderRules';
import { lackingOf } from './propRules';

/** Offering it no longer. */
function withdraw({ home: { block }, option }: Offer, index: number): Remedy[] {
  const options = (block.options ?? []).filter((each) => optionOf(each).rung !== option.rung);
  return [
    {
      label: `Offer it no longer in block ${index + 1}`,
      edits: [{ kind: 'set', id: block.id, change: { options } }],
    },
  ];
}

const SEVERITY = { 'clear-first': 'stop', swap: 'fix', adapt: 'look' } as const satisfies Record<
  Exclude<Verdict, 'fine'>,
  Severity
>;

/** What the main version asks of the same people already is said there; what must be swapped is said in any case. */
const isSaid = (home: readonly Caution[], { verdict, condition, feature }: CautionRule): boolean =>
  verdict === 'adapt' && home.some((each) => each.condition === condition && each.feature === feature);

/** What is to be said of an offered rung: by feature, the gravest first, with all whom it concerns. */
function cautionsOf(offer: Offer): ReadonlyArray<readonly [OfferCaution, ...OfferCaution[]]> {
  const { home, room } = offer;
  const said = peakCautions(room.catalog, home.entry, room.graded);
  const byFeature = new Map<Feature, [OfferCaution, ...OfferCaution[]]>();
  for (const caution of cautionsOn(offer)) {
    const { rule } = caution;
    if (isSaid(said, rule)) continue;
    const others = byFeature.get(rule.feature);
    if (!others) byFeature.set(rule.feature, [caution]);
    else if (graver(others[0].rule.verdict, rule.verdict) === others[0].rule.verdict) others.push(caution);
    else others.unshift(caution);
  }
  return [...byFeature.values()];
}

/** What is found in each offered rung; most blocks offer few, and most of what is offered is fine. */
function eachOffer(offers: readonly Offer[], find: (offer: Offer) => readonly OwnFound[]): readonly OwnFound[] {
  let all: readonly OwnFound[] = NOTHING;
  for (const offer of offers) {
    const found = find(offer);
    if (found.length > 0) all = all.length === 0 ? found : [...all, ...found];
  }
  return all;
}

const optionCaution: BlockRule = {
  code: 'OPTION_CAUTION',
  part: 'options',
  severity: 'fix',
  except: 'stop where a professional decides first, look where it can be adapted',
  unit: 'times',
  limit: 'the rule’s own, as for a main version',
  says: 'an offered rung is one that somebody in the room must not take, or must adapt',
  findIn: ({ offers, room }) => {
    if (room.conditions.length === 0) return NOTHING;
    return eachOffer(offers, (offer) =>
      cautionsOf(offer).map(([{ rule, value, how }, ...others]): OwnFound => {
        const { condition, feature, over, verdict, why } = rule;
        const people = [condition, ...others.map((each) => each.rule.condition)].map((each) => CONDITIONS[each].name);
        return {
          severity: SEVERITY[verdict],
          value,
          limit: over,
          unit: FEATURES[feature].unit,
          sentence: () =>
            `${people.join(', ')}: “${offer.entry.rung.name}” is offered in ${rungTitle(offer.home.entry)}, ${measuredText(feature, value, over)}. ${why} ${how}`,
          mend: (index) => (verdict === 'adapt' ? [] : withdraw(offer, index)),
        };
      }),
    );
  },
};

const optionUnmet: WholeRule = {
  code: 'OPTION_UNMET',
  part: 'options',
  severity: 'fix',
  except: 'stop when the offered rung is harder than the room can take',
  purposes: ['class', 'drill', 'lesson'],
  unit: 'times',
  presence: true,
  limit: 'met earlier in the class, or what the class follows; in a series `OPTION_UNEARNED` stands in its place',
  says: 'an offered rung requires what people have not learnt',
  find: (subject) => {
    const { known, room, timed } = subject;
    if (subject.place !== 'alone') return NOTHING;
    let found: Found[] | undefined;
    for (let at = 0; at < known.length; at++) {
      const { offersRequire, offers } = known[at] as Known;
      if (!offersRequire) continue;
      const { index } = timed.blocks[at] as TimedBlock;
      for (const offer of offers) {
        for (const required of offer.entry.rung.requires ?? []) {
          // What the block itself teaches is learnt when its upper rung is taken.
          if (isMet(subject, required, at + 1)) continue;
          const need = room.catalog.rung(required);
          found ??= [];
          found.push({
            severity: unmetSeverity(room, offer.entry),
            blocks: [index],
            value: 0,
            limit: 1,
            sentence: () =>
              `“${offer.entry.rung.name}” is offered in ${rungTitle(offer.home.entry)} before people have learnt ${need ? rungTitle(need) : rungKey(required)}.`,
            mend: () => withdraw(offer, index),
          });
        }
      }
    }
    return found ?? NOTHING;
  },
};

const optionProp: BlockRule = {
  code: 'OPTION_PROP',
  part: 'options',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the audience’s `equipment`',
  says: 'an offered rung needs a prop the audience does not have at hand',
  findIn: ({ offers, room: { audience } }) => {
    if (!audience?.equipment) return NOTHING;
    return eachOffer(offers, (offer) =>
      lackingOf(offer.entry, audience.equipment).map(
        ({ name }): OwnFound => ({
          value: 0,
          limit: 1,
          sentence: () =>
            `“${offer.entry.rung.name}”, offered in ${rungTitle(offer.home.entry)}, needs “${name}”, which ${audience.name} do not have at hand.`,
          mend: (index) => withdraw(offer, index),
        }),
      ),
    );
  },
};

const optionExposed: BlockRule = {
  code: 'OPTION_EXPOSED',
  part: 'options',
  severity: 'look',
  unit: 's',
  limit: 'the limit of the exposure at a stretch',
  says: 'an offered rung loads a part too long at a stretch',
  findIn: ({ offers, room }) =>
    eachOffer(offers, (offer) => {
      const { ever } = offer.reading;
      if ((ever & EXPOSED) === 0) return NOTHING;
      return EXPOSURES.flatMap(({ feature, words, stretch }): OwnFound[] => {
        if (!(ever & BIT[feature])) return [];
        const value = offer.longest(feature);
        const limit = room.limits[stretch];
        if (!isOver(value, limit, 's')) return [];
        return [
          {
            value,
            limit,
            sentence: () =>
              `${words} for ${spell(value)} at a stretch in “${offer.entry.rung.name}”, offered in ${rungTitle(offer.home.entry)}; ${spell(limit)} is the most.`,
            mend: (index) => withdraw(offer, index),
          },
        ];
      });
    }),
};

/** What any of the exposures is about. */
const EXPOSED = EXPOSURES.reduce((bits, { feature }) => bits | BIT[feature], 0);

/** How much longer than the main version an option may be: a tenth, and ten seconds. */
const LONGER_SHARE = 0.1;
const LONGER_SECONDS = 10;

const optionLong: BlockRule = {
  code: 'OPTION_LONG',
  part: 'options',
  severity: 'fix',
  purposes: ['class', 'drill'],
  unit: 's',
  limit: 'the main version’s work and a tenth more, and 10 s more',
  says: 'an offered rung takes longer than the main version, so the room falls apart',
  findIn: ({ offers, laid: { block, work, entry: main } }) => {
    if (block.mode === 'show') return NOTHING;
    const limit = Math.max(work * (1 + LONGER_SHARE), work + LONGER_SECONDS);
    return eachOffer(offers, (offer): readonly OwnFound[] => {
      const value = offer.seconds();
      if (!isOver(value, limit, 's')) return NOTHING;
      return [
        {
          value,
          limit,
          sentence: () =>
            `“${offer.entry.rung.name}”, offered in ${rungTitle(main)}, takes ${spell(value)}; the main version takes ${spell(work)}.`,
          mend: (index) => fitting(offer, value, index),
        },
      ];
    });
  },
};

/** The option with the repetitions that fit the main version's time. */
function fitting(offer: Offer, seconds: number, index: number): Remedy[] {
  const { home, option, entry } = offer;
  const { block, work } = home;
  const reps = repsOf(doseOf(entry, option));
  for (let fewer = Math.min(Math.ceil(reps) - 1, Math.floor((reps * work) / seconds) + 1); fewer >= 1; fewer--) {
    const dosed: Option = { ...option, dose: { ...option.dose, reps: fewer } };
    if (offer.seconds(dosed) > work) continue;
    const options = (block.options ?? []).map((each) => (optionOf(each).rung === option.rung ? dosed : each));
    return [
      {
        label: `“${entry.rung.name}”: ${fewer} instead of ${reps}`,
        edits: [{ kind: 'set', id: block.id, change: { options } }],
      },
    ];
  }
  return withdraw(offer, index);
}

export const OPTION_RULES: readonly Rule[] = [optionCaution, optionUnmet, optionProp, optionExposed, optionLong];
