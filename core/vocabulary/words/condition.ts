/** What is known of a condition wherever it is asked about. */
interface ConditionRow {
  readonly name: string;
  /** How it is said aloud, so that nobody hears a sign to stop in it. */
  readonly spoken: string;
  /** What is always said to those who have it. */
  readonly always: string;
  /** Nobody with it sits straight up from the back. Source: docs/timing.md, "Changing position". */
  readonly overSide?: true;
}

const ROWS = {
  'neck-pain': {
    name: 'Neck pain',
    spoken: 'With a troublesome neck',
    always: 'Head down, or in the hands, is always an equal choice; a cushion under the head is welcome.',
  },
  'neck-injury': {
    name: 'Neck injury',
    spoken: 'After a neck injury',
    always:
      'Head down is always an equal choice; nothing fast, no rolling, no lifting the head against its weight until whoever treats it agrees.',
  },
  'low-back-pain': {
    name: 'Low-back pain',
    spoken: 'With a tender low back',
    always: 'Stay in the range that is quiet; knees bent and a smaller lever are always an equal choice.',
    overSide: true,
  },
  'abdominal-separation': {
    name: 'Abdominal separation after pregnancy',
    spoken: 'With a gap along the middle of the belly',
    always:
      'Roll to the side to lie down and to get up. Stop at the first doming or gap along the middle. No crunches, no long double lever, no forceful twist.',
    overSide: true,
  },
  'pregnancy-first': {
    name: 'Pregnancy, first trimester',
    spoken: 'In the first three months of a pregnancy',
    always:
      'Stay cool and able to talk; leave out anything new and strenuous. The midwife or doctor has the last word.',
    overSide: true,
  },
  'pregnancy-second': {
    name: 'Pregnancy, second trimester',
    spoken: 'In the middle months of a pregnancy',
    always:
      'Nothing on the belly, not long flat on the back; roll to the side to get up. Stop with dizziness, bleeding or pain.',
    overSide: true,
  },
  'pregnancy-third': {
    name: 'Pregnancy, third trimester',
    spoken: 'In the last months of a pregnancy',
    always:
      'Propped up or on the side rather than flat; a hand on something when balancing; roll to the side to get up. Stop with dizziness, bleeding or pain.',
    overSide: true,
  },
  'pelvic-floor': {
    name: 'Pelvic-floor symptoms',
    spoken: 'With a sensitive pelvic floor',
    always: 'Breathe out on the effort. Heaviness, leaking or bulging means stop; have it looked at if it comes again.',
  },
  'low-bone-density': {
    name: 'Low bone density',
    spoken: 'With low bone density',
    always: 'Bend from the hips with a long spine; nothing rounded under load, nothing turned to its end, no rolling.',
  },
  'high-blood-pressure': {
    name: 'High blood pressure',
    spoken: 'With high blood pressure',
    always: 'Keep the breath moving and the grip soft; come up slowly. Head never below the heart for long.',
  },
  glaucoma: { name: 'Glaucoma', spoken: 'With glaucoma', always: 'Head never below the heart, and no held breath.' },
  vertigo: {
    name: 'Vertigo',
    spoken: 'With a sensitive sense of balance',
    always: 'Move the head slowly, eyes open on one spot; wait a breath after every change of position.',
  },
  wrist: {
    name: 'Wrist trouble',
    spoken: 'With a troublesome wrist',
    always: 'Fists, forearms or a wedge under the heel of the hand are always an equal choice.',
  },
  shoulder: {
    name: 'Shoulder trouble',
    spoken: 'With a troublesome shoulder',
    always: 'Arms stay where they are painless, in sight and below the pinch.',
  },
  knee: {
    name: 'Knee trouble',
    spoken: 'With a troublesome knee',
    always: 'A folded mat under the knee; never kneel on pain.',
  },
  ankle: {
    name: 'Ankle trouble',
    spoken: 'With a troublesome ankle',
    always: 'A rolled cloth under the ankle when kneeling; a hand on the wall when standing.',
  },
  'hip-replacement': {
    name: 'Hip replacement',
    spoken: 'With a new hip',
    always:
      'Keep to the surgeon’s own limits: as a rule not bent past a right angle, not across the middle, not turned in.',
  },
  'tight-hamstrings': {
    name: 'Tight hamstrings',
    spoken: 'With tight hamstrings',
    always: 'Sit up on a cushion and bend the knees before the back rounds.',
  },
  'tight-ankles': {
    name: 'Tight ankles',
    spoken: 'With tight ankles',
    always: 'A rolled cloth under the ankles, or the heels raised.',
  },
} as const satisfies Record<string, ConditionRow>;

export type Condition = keyof typeof ROWS;
/** What people come with that a rung must be held against. */
export const CONDITIONS: Readonly<Record<Condition, ConditionRow>> = ROWS;
export const CONDITION_IDS = Object.keys(ROWS) as [Condition, ...Condition[]];

/** How far a check lets people with abdominal separation go: all within the house's limits, or not. */
export type Grade = 'within' | 'beyond';
