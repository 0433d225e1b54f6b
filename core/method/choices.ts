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
  readonly question: string;
  readonly answers: Readonly<Record<string, string>>;
}

/** The schools of the house method, each answer with its words. Source: docs/method.md, "Schools". */
export const SCHOOLS = {
  lowBack: {
    question: 'The lower back under the load of the legs',
    answers: {
      'by-load': 'kept as it is while a foot is down, pressed down when both legs are up',
      neutral: 'always kept as it is',
      imprint: 'pressed down',
    },
  },
  effortBreath: {
    question: 'Breath on the effort',
    answers: { out: 'out', 'in-on-lowering': 'in on the lowering, as a later rung', natural: 'as it comes' },
  },
  breathStyle: {
    question: 'Style of breath',
    answers: { natural: 'as it comes', ribs: 'wide into the ribs' },
  },
  legs: {
    question: 'Legs',
    answers: { parallel: 'parallel', 'turned-out': 'turned out', 'small-v': 'a small V at the heels' },
  },
  seat: {
    question: 'Seat and pelvic floor',
    answers: { soft: 'soft and wide', 'drawn-up': 'drawn up first', squeeze: 'squeezed' },
  },
  begin: {
    question: 'Where a class begins',
    answers: { floor: 'on the floor, with breath and pelvis', standing: 'standing' },
  },
  sideChange: {
    question: 'Change of side',
    answers: {
      run: 'the whole run, then the other side',
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
