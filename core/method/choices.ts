/** How a class is put in order; the flow rules of the review judge by it. */
export const ORDERS = ['positions', 'customary', 'layered', 'directions', 'recap'] as const;
export type Order = (typeof ORDERS)[number];

/** What each order is called. */
export const ORDER_WORDS: Readonly<Record<Order, string>> = {
  positions: 'Position after position',
  customary: 'A customary order',
  layered: 'Layer by layer',
  directions: 'Direction after direction',
  recap: 'Last time’s end first',
};

/** A question on which good practitioners differ, and the answers a house can choose among; the first is the default. */
interface School {
  /** How a sentence begins that an answer ends. */
  readonly sentence: string;
  readonly answers: Readonly<Record<string, string>>;
}

/** The schools of the house method, each answer with its words. Source: docs/method.md, "Schools". */
export const SCHOOLS = {
  lowBack: {
    sentence: 'Under the load of the legs, the lower back is',
    answers: {
      neutral: 'always kept as it is',
      'by-load': 'kept as it is while a foot is down, pressed down when both legs are up',
      imprint: 'pressed down',
    },
  },
  effortBreath: {
    sentence: 'On the effort, the breath goes',
    answers: { out: 'out', 'in-on-lowering': 'in on the lowering, as a later rung', natural: 'as it comes' },
  },
  breathStyle: {
    sentence: 'The breath is',
    answers: { natural: 'natural', ribs: 'wide into the ribs, 4 and 4 or 5 and 5' },
  },
  legs: {
    sentence: 'Legs are',
    answers: { parallel: 'parallel', 'turned-out': 'turned out', 'small-v': 'in a small V at the heels' },
  },
  seat: {
    sentence: 'Seat and pelvic floor are',
    answers: { soft: 'soft and wide', 'drawn-up': 'drawn up first', squeeze: 'squeezed' },
  },
  begin: {
    sentence: 'A class begins',
    answers: { floor: 'on the floor, with breath and pelvis', standing: 'standing' },
  },
  sideChange: {
    sentence: 'Sides change',
    answers: {
      run: 'after the whole run',
      block: 'block by block',
      alternate: 'block by block, the side that begins changing',
    },
  },
} as const satisfies Record<string, School>;
export type SchoolId = keyof typeof SCHOOLS;
export type Choices = { [S in SchoolId]: keyof (typeof SCHOOLS)[S]['answers'] };

export const answersOf = <S extends SchoolId>(school: S) =>
  Object.keys(SCHOOLS[school].answers) as [Choices[S], ...Choices[S][]];

export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[];

const made = new Map<string, Choices>();

/**
 * What is chosen where something has choices of its own: the house’s, then those of a series, a class, a rung. The same
 * object for the same answers, so that what is worked out of them is worked out once.
 */
export function chosen(house: Choices, ...instead: ReadonlyArray<Partial<Choices> | undefined>): Choices {
  if (instead.every((each) => each === undefined)) return house;
  const all = Object.assign({ ...house }, ...instead) as Choices;
  const key = SCHOOL_IDS.map((school) => all[school]).join(' ');
  if (key === SCHOOL_IDS.map((school) => house[school]).join(' ')) return house;
  const known = made.get(key) ?? all;
  made.set(key, known);
  return known;
}

/** The answer a house gives when it says nothing. */
export const DEFAULT_CHOICES = Object.fromEntries(
  SCHOOL_IDS.map((school) => [school, answersOf(school)[0]]),
) as Choices;

/** Signs on which everybody stops altogether, whatever the rung. Source: docs/cautions.md, "Always". */
export const STOP_SIGNS: readonly string[] = [
  'pain anywhere',
  'dizziness',
  'numbness or tingling',
  'leaking',
  'heaviness or bulging below',
  'breathlessness that does not pass',
];
