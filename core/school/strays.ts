import { anglesOf, type Pose, SIDES } from '../body';
import { type Choices, chosen, type SchoolId } from '../method/choices';
import type { Catalog, Cue, Phase, RungEntry } from '../repertoire';
import { isSeated, liesOnFront, liesOnSide } from '../vocabulary/bodies/position';
import { type BackAsk, backAskIn, bearsLowBack, drawnAgainst, loadsLowBack, shapesOf } from './lowBack';
import { asksFor, type Says } from './words';

export const SCHOOL_CODES = [
  'SCHOOL_BACK',
  'SCHOOL_SEAT',
  'SCHOOL_LEGS',
  'SCHOOL_BREATH',
  'EFFORT_ON_IN_BREATH',
] as const;
export type SchoolCode = (typeof SCHOOL_CODES)[number];

/** Something of a rung that goes against what the house has chosen. */
export interface Stray {
  readonly school: SchoolId;
  readonly code: SchoolCode;
  /** The cue that says it; none where the rung itself does it. */
  readonly cue?: Cue['id'];
  /** What it is, what the house does, and what to do: without the name of the rung. */
  readonly sentence: string;
}

/**
 * What of a rung goes against what is chosen, as domain knowledge has it in “Schools”.
 * @param house what is chosen here; the rung's own choices come before them
 */
export function straysOf(catalog: Catalog, entry: RungEntry, house: Choices): readonly Stray[] {
  const choices = chosen(house, entry.rung.choices);
  return catalog
    .worth(entry)
    .remembered(choices, () => [
      ...backStrays(catalog, entry, choices.lowBack),
      ...effortStrays(entry, choices.effortBreath),
      ...breathStrays(entry, choices.breathStyle),
      ...legStrays(entry, choices.legs),
      ...seatStrays(entry, choices.seat),
    ]);
}

/** Kinds of cue that tell people what to do; a fault says what is seen, and its words are the way out of it. */
const TELLS: ReadonlySet<Cue['kind']> = new Set(['setup', 'check', 'action', 'alignment', 'image', 'feel', 'option']);
const telling = ({ rung }: RungEntry): Cue[] => (rung.cues ?? []).filter(({ kind }) => TELLS.has(kind));

function backStrays(catalog: Catalog, entry: RungEntry, choice: Choices['lowBack']): Stray[] {
  if (!bearsLowBack(entry)) return [];
  const against = telling(entry).flatMap((cue): Stray[] => {
    const ask = backAskIn(choice, entry, cue.phase);
    if (ask === null) return [];
    const other = ask === 'keep-gap' ? 'press-back' : 'keep-gap';
    if (!asksFor(cue.text, other)) return [];
    return [{ school: 'lowBack', code: 'SCHOOL_BACK', cue: cue.id, sentence: backSentence(cue.text, ask) }];
  });
  return [...against, ...backShape(catalog, entry, choice)];
}

/** What is said of words that ask for the other thing. @param ask what is asked for here */
export const backSentence = (text: string, ask: BackAsk | null): string =>
  ask === 'keep-gap'
    ? `“${text}” presses the low back down; here the house keeps the small gap under the waist.`
    : `“${text}” keeps the gap under the waist; here the house presses the low back down.`;

/** What is drawn can go against the house as well as what is said. */
function backShape(catalog: Catalog, entry: RungEntry, choice: Choices['lowBack']): Stray[] {
  const stray = (sentence: string): Stray[] => [{ school: 'lowBack', code: 'SCHOOL_BACK', sentence }];
  if (choice === 'imprint' && drawnAgainst(entry, 'press-back') && loadsLowBack(catalog, entry)) {
    return stray('it is drawn with the low back hollowed under the load of the legs; the house presses it down.');
  }
  return [];
}
function effortStrays({ rung, step, like }: RungEntry, choice: Choices['effortBreath']): Stray[] {
  if (choice === 'natural' || liesOnFront(like) || rung.spring) return [];
  if (choice === 'in-on-lowering' && step > 0) return [];
  const against = rung.phases.filter(({ effort, breath, onPurpose }) => effort && breath === 'in' && !onPurpose);
  if (against.length === 0) return [];
  return [
    {
      school: 'effortBreath',
      code: 'EFFORT_ON_IN_BREATH',
      sentence:
        'the effort is on the in-breath; the house breathes out on it. Turn the breath round, or mark the phase as meant.',
    },
  ];
}

/** Counts of an even breath where it goes wide into the ribs. Source: domain, “Schools”: 4/4 or 5/5. */
const WIDE = new Set([4, 5]);

/** Only what is about breathing is held to the counts of the breath: elsewhere the movement sets them. */
function breathStrays({ rung }: RungEntry, choice: Choices['breathStyle']): Stray[] {
  if (choice !== 'ribs' || rung.phases.some(({ pose, effort }) => effort || pose !== rung.start)) return [];
  const counts = (breath: Phase['breath']) =>
    rung.phases.reduce((sum, phase) => sum + (phase.breath === breath ? phase.counts : 0), 0);
  const [inward, outward] = [counts('in'), counts('out')];
  if (inward === 0 || outward === 0 || (inward === outward && WIDE.has(inward))) return [];
  return [
    {
      school: 'breathStyle',
      code: 'SCHOOL_BREATH',
      sentence: `it breathes in for ${inward} and out for ${outward}; the house breathes wide into the ribs, 4 and 4 or 5 and 5.`,
    },
  ];
}

/** Degrees from which legs are drawn turned out, or in; with knees bent further than so the seat needs it. */
const [TURNED, LONG_LEG] = [15, 45];

/** How the legs are carried throughout, not where turning them is the movement. */
function legStrays(entry: RungEntry, choice: Choices['legs']): Stray[] {
  const turned = legsTurned(entry, choice);
  const stray = (drawn: string, house: string): Stray[] => [
    {
      school: 'legs',
      code: 'SCHOOL_LEGS',
      sentence: `the legs are drawn turned ${drawn}; the house has them ${house}.`,
    },
  ];
  if (turned === 'out') return stray('out', 'parallel');
  if (turned === 'in') return stray('in', choice === 'small-v' ? 'in a small V at the heels' : 'turned out');
  return [];
}

/** How the legs of a rung are drawn turned throughout where the house has them otherwise; `null` where they go with it. */
export function legsTurned({ rung, like }: RungEntry, choice: Choices['legs']): 'out' | 'in' | null {
  const shapes = shapesOf(rung);
  if (liesOnSide(like) || isSeated(like) || !shapes.every(legsLong)) return null;
  const turns = shapes.flatMap((pose) => SIDES.map((side) => anglesOf(pose).hipRotation[side]));
  if (choice === 'parallel') return turns.every((turn) => turn >= TURNED) ? 'out' : null;
  return turns.every((turn) => turn <= -TURNED) ? 'in' : null;
}

/** Both legs about straight: what is said of how they are carried is seen in them. */
export const legsLong = (pose: Pose): boolean => SIDES.every((side) => anglesOf(pose).knee[side] < LONG_LEG);

const SEAT_AGAINST: Readonly<Record<Choices['seat'], ReadonlyArray<readonly [Says, string]>>> = {
  soft: [
    ['squeeze-seat', 'squeezes the seat; the house keeps it soft and wide'],
    ['draw-up', 'draws the pelvic floor up; the house keeps it soft and wide'],
  ],
  'drawn-up': [['squeeze-seat', 'squeezes the seat; the house draws the pelvic floor up first']],
  squeeze: [['soft-seat', 'keeps the seat soft; the house squeezes it']],
};

/** What is said of words that ask the seat for another thing than is chosen; `null` where they do not. */
export function seatAgainst(text: string, choice: Choices['seat']): string | null {
  const against = SEAT_AGAINST[choice].find(([says]) => asksFor(text, says));
  return against ? `“${text}” ${against[1]}.` : null;
}

const seatStrays = (entry: RungEntry, choice: Choices['seat']): Stray[] =>
  telling(entry).flatMap((cue) => {
    const sentence = seatAgainst(cue.text, choice);
    return sentence === null ? [] : [{ school: 'seat', code: 'SCHOOL_SEAT', cue: cue.id, sentence }];
  });
