/** What people bring to class that a rung must be held against, each with what is always said to them. */
export const CONDITIONS = {
  'neck-pain': {
    name: 'Neck pain',
    always: 'Head down, or in the hands, is always an equal choice; a cushion under the head is welcome.',
  },
  'low-back-pain': {
    name: 'Low-back pain',
    always: 'Stay in the range that is quiet; knees bent and a smaller lever are always an equal choice.',
  },
  'abdominal-separation': {
    name: 'Abdominal separation after pregnancy',
    always:
      'Roll to the side to lie down and to get up. Stop at the first doming or gap along the middle. No crunches, no long double lever, no forceful twist.',
  },
  'pregnancy-first': {
    name: 'Pregnancy, first trimester',
    always:
      'Stay cool and able to talk; leave out anything new and strenuous. The midwife or doctor has the last word.',
  },
  'pregnancy-second': {
    name: 'Pregnancy, second trimester',
    always:
      'Nothing on the belly, not long flat on the back; roll to the side to get up. Stop with dizziness, bleeding or pain.',
  },
  'pregnancy-third': {
    name: 'Pregnancy, third trimester',
    always:
      'Propped up or on the side rather than flat; a hand on something when balancing; roll to the side to get up. Stop with dizziness, bleeding or pain.',
  },
  'pelvic-floor': {
    name: 'Pelvic-floor symptoms',
    always: 'Breathe out on the effort. Heaviness, leaking or bulging means stop; have it looked at if it comes again.',
  },
  'low-bone-density': {
    name: 'Low bone density',
    always: 'Bend from the hips with a long spine; nothing rounded under load, nothing turned to its end, no rolling.',
  },
  'high-blood-pressure': {
    name: 'High blood pressure',
    always: 'Keep the breath moving and the grip soft; come up slowly. Head never below the heart for long.',
  },
  glaucoma: { name: 'Glaucoma', always: 'Head never below the heart, and no held breath.' },
  vertigo: {
    name: 'Vertigo',
    always: 'Move the head slowly, eyes open on one spot; wait a breath after every change of position.',
  },
  wrist: {
    name: 'Wrist trouble',
    always: 'Fists, forearms or a wedge under the heel of the hand are always an equal choice.',
  },
  shoulder: { name: 'Shoulder trouble', always: 'Arms stay where they are painless, in sight and below the pinch.' },
  knee: { name: 'Knee trouble', always: 'A folded mat under the knee; never kneel on pain.' },
  ankle: {
    name: 'Ankle trouble',
    always: 'A rolled cloth under the ankle when kneeling; a hand on the wall when standing.',
  },
  'hip-replacement': {
    name: 'Hip replacement',
    always:
      'Keep to the surgeon’s own limits: as a rule not bent past a right angle, not across the middle, not turned in.',
  },
  'tight-hamstrings': {
    name: 'Tight hamstrings',
    always: 'Sit up on a cushion and bend the knees before the back rounds.',
  },
  'tight-ankles': { name: 'Tight ankles', always: 'A rolled cloth under the ankles, or the heels raised.' },
} as const satisfies Record<string, { name: string; always: string }>;
export type Condition = keyof typeof CONDITIONS;
export const CONDITION_IDS = Object.keys(CONDITIONS) as [Condition, ...Condition[]];
