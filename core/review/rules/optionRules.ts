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
import { type Found, type OwnFound, type Remedy, rungTitle, type Severity } from '../finding';
import { type BlockRule, NOTHING, type Rule, type WholeRule } from '../rule';
import type { Known } from '../subject/known';
import type { Offer } from '../subject/offer';
import { cautionsOn, type OfferCaution } from '../subject/offerCautions';
import { BIT } from '../subject/reading';
import { spell } from '../words/clock';
import { EXPOSURES } from './exposureRules';
import { isMet, learntTitle, unmetSeverity } from './ladderRules';
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
  arisesFrom: 'audience',
  part: 'options',
  severity: 'fix',
  except: 'stop where a professional decides first, look where it can be adapted',
  unit: 'times',
  limit: 'the rule’s own, as for a main version',
  says: 'an offered rung is one that somebody in the room must not take, or must adapt',
  findIn: ({ offers, room }) => {
    if (room.conditions.length === 0) return NOTHING;
    return eachOffer(offers, (offer) =>
      cautionsOf(offer).map(
        ([{ rule, value }]): OwnFound => ({
          severity: SEVERITY[rule.verdict],
          about: aboutOf(offer, rule.feature),
          value,
          limit: rule.over,
          unit: FEATURES[rule.feature].unit,
        }),
      ),
    );
  },
  sentence: (found, { offers }) => {
    const offer = offerOf(offers, found);
    const [first, ...others] = cautionsOf(offer).find(
      ([{ rule }]) => aboutOf(offer, rule.feature) === found.about,
    ) as readonly [OfferCaution, ...OfferCaution[]];
    const { condition, feature, over, why } = first.rule;
    const people = [condition, ...others.map((each) => each.rule.condition)].map((each) => CONDITIONS[each].name);
    return `${people.join(', ')}: ${offeredIn(offer)}, ${measuredText(feature, found.value, over)}. ${why} ${first.how}`;
  },
  mend: (found, { offers }, index) =>
    found.severity === SEVERITY.adapt ? NOTHING : withdraw(offerOf(offers, found), index),
};

/** Which offered rung something was found in, and about what of it; a rung's id has no space. */
const aboutOf = ({ option }: Offer, what = ''): string => [option.rung, what].join(' ');

/** The offered rung that something was found in. */
const offerOf = (offers: readonly Offer[], { about = '' }: OwnFound): Offer =>
  offers.find(({ option }) => option.rung === about.slice(0, about.indexOf(' '))) as Offer;

const offeredIn = ({ entry, home }: Offer): string => `“${entry.rung.name}” is offered in ${rungTitle(home.entry)}`;

const optionUnmet: WholeRule = {
  code: 'OPTION_UNMET',
  arisesFrom: 'past',
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
          found ??= [];
          found.push({
            severity: unmetSeverity(room, offer.entry),
            blocks: [index],
            about: aboutOf(offer, rungKey(required)),
            value: 0,
            limit: 1,
          });
        }
      }
    }
    return found ?? NOTHING;
  },
  sentence: (found, subject) => {
    const offer = offerOf(subject.knownAt(found.blocks[0] as number).offers, found);
    const key = (found.about ?? '').slice(aboutOf(offer).length);
    return `${offeredIn(offer)} before people have learnt ${learntTitle(subject.catalog, key)}.`;
  },
  mend: (found, subject) => {
    const index = found.blocks[0] as number;
    return withdraw(offerOf(subject.knownAt(index).offers, found), index);
  },
};

const optionProp: BlockRule = {
  code: 'OPTION_PROP',
  arisesFrom: 'audience',
  part: 'options',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the audience’s `equipment`',
  says: 'an offered rung needs a prop the audience does not have at hand',
  findIn: ({ offers, room: { audience } }) => {
    if (!audience?.equipment) return NOTHING;
    return eachOffer(offers, (offer) =>
      lackingOf(offer.entry, audience.equipment).map(({ id }) => ({ about: aboutOf(offer, id), value: 0, limit: 1 })),
    );
  },
  sentence: (found, { offers, room: { catalog, audience } }) => {
    const offer = offerOf(offers, found);
    const prop = catalog.prop((found.about ?? '').slice(aboutOf(offer).length));
    return `“${offer.entry.rung.name}”, offered in ${rungTitle(offer.home.entry)}, needs “${prop?.name}”, which ${audience?.name} do not have at hand.`;
  },
  mend: (found, { offers }, index) => withdraw(offerOf(offers, found), index),
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
      return EXPOSURES.flatMap(({ feature, stretch }): OwnFound[] => {
        if (!(ever & BIT[feature])) return [];
        const value = offer.longest(feature);
        const limit = room.limits[stretch];
        return isOver(value, limit, 's') ? [{ about: aboutOf(offer, feature), value, limit }] : [];
      });
    }),
  sentence: (found, { offers }) => {
    const offer = offerOf(offers, found);
    const { entry, home } = offer;
    const exposed = EXPOSURES.find(({ feature }) => aboutOf(offer, feature) === found.about);
    return `${exposed?.words} for ${spell(found.value)} at a stretch in “${entry.rung.name}”, offered in ${rungTitle(home.entry)}; ${spell(found.limit)} is the most.`;
  },
  mend: (found, { offers }, index) => withdraw(offerOf(offers, found), index),
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
  findIn: ({ offers, laid: { block, work } }) => {
    if (block.mode === 'show') return NOTHING;
    const limit = Math.max(work * (1 + LONGER_SHARE), work + LONGER_SECONDS);
    return eachOffer(offers, (offer): readonly OwnFound[] => {
      const value = offer.seconds();
      return isOver(value, limit, 's') ? [{ about: aboutOf(offer), value, limit }] : NOTHING;
    });
  },
  sentence: (found, { offers }) => {
    const { entry, home } = offerOf(offers, found);
    return `“${entry.rung.name}”, offered in ${rungTitle(home.entry)}, takes ${spell(found.value)}; the main version takes ${spell(home.work)}.`;
  },
  mend: (found, { offers }, index) => fitting(offerOf(offers, found), found.value, index),
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
