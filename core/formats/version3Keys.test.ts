import type { ClassPlan } from '../plan';
import type { Exercise } from '../repertoire';
import { block, bundleOf, classOf, exercise, must, rung } from '../testing/studio';
import { checkBundle } from './checks/checkBundle';
import { pathText } from './checks/problems';
import type { Bundle } from './file/bundle';
import { bundleInOrder } from './file/keyOrder';
import { readBundle } from './file/parseBundle';

type Pose = Exercise['rungs'][number]['poses'][string];
const LYING: Pose = { supports: ['head', 'ribs', 'pelvis', 'feet'], hip: 45, knee: 90 };

/** A file that says every key of version 3 that version 2 has not. */
function full(): Bundle & {
  exercises: [Exercise, ...Exercise[]];
  classes: [ClassPlan, ...ClassPlan[]];
} {
  const every = rung('low', {
    sides: 'each',
    position: 'standing',
    props: ['ball'],
    feltAt: ['belly', 'waist'],
    goodFor: ['breath'],
    choices: { lowBack: 'imprint' },
    dose: {
      sets: 3,
      reps: 8,
      repsTo: 10,
      stages: [
        { reps: 4, text: 'The first four level.' },
        { reps: 5, text: 'Then farther.' },
      ],
      days: 4,
      daysTo: 5,
    },
    poses: {
      home: {
        ...LYING,
        between: [{ prop: 'ball', parts: ['knee.left', 'knee.right'] }],
        landmarks: [{ mark: 'heels-at-hips', within: 5 }],
      },
      away: { ...LYING, hip: 60 },
      sag: { ...LYING, lumbar: -20 },
    },
    phases: [
      { id: 'p1', breath: 'hold', counts: 10, countsTo: 15, pose: 'away' },
      { id: 'p2', breath: 'in', counts: 2, pose: 'home' },
    ],
    cues: [
      { id: 'c1', kind: 'fault', text: 'Draw the ribs in.', sign: 'The back sags.', pose: 'sag' },
      { id: 'c2', kind: 'action', text: 'And the last one.', at: 'last' },
      { id: 'c3', kind: 'note', text: 'Walk round the room.' },
    ],
  });
  const branch = rung('beside', { branchOf: 'low', spares: ['wrists'] });
  const plan = classOf(
    [
      block('full', { give: 1, lines: [{ id: 'l1', kind: 'fault', text: 'Lift.', pose: 'sag', at: 'first' }] }),
      { interlude: 'check', name: 'Level', seconds: 20, props: ['ball'], give: 2 },
      block('curl'),
    ],
    {
      theme: 'One long line',
      description: 'For an easy evening.',
      effort: 'gentle',
      choices: { seat: 'squeeze' },
      short: { leaveOut: ['b3'] },
      spare: [{ id: 's1', after: 'b3', exercise: 'curl', rung: 'high', mode: 'flow' }],
    },
  );
  const logged = {
    id: 'log-1',
    class: 'test-class',
    series: 'term',
    episode: 0,
    date: '2027-01-11',
    begun: '18:32',
    teacher: 'ilva',
    audience: 'choir',
    room: 'kiln',
    present: 11,
    source: 'hand' as const,
    plan: {
      seconds: 2698,
      names: { class: 'Test class' },
      blocks: [
        {
          id: 'b1',
          name: 'Full',
          passes: [{ side: 'left' as const, startSeconds: 132, setup: 25, work: 60, reps: 8 }],
        },
      ],
    },
    blocks: [
      {
        id: 'b1',
        did: 'planned' as const,
        passes: [
          { side: 'left' as const, startSeconds: 150, setupSeconds: 31, workSeconds: 66, reps: 8, endSeconds: 247 },
        ],
        options: { beside: 4 },
        faults: ['c1'],
      },
      { id: 's1', did: 'other' as const, rung: 'curl/high', passes: [{ startSeconds: 300 }] },
      { id: 'new', did: 'added' as const, rung: 'curl/low', passes: [{ startSeconds: 350 }] },
    ],
    endedSeconds: 2760,
  };
  return bundleOf({
    exercises: [exercise('full', { feltAt: ['seat'], goodFor: ['spine'], rungs: [every, branch] }), exercise('curl')],
    audiences: [
      {
        id: 'choir',
        name: 'Choir',
        knows: ['curl', 'full/low'],
        size: 12,
        props: { ball: 8 },
        abdominalChecks: [{ date: '2026-11-01', fingers: 2, mark: 'A', checkedBy: 'Ilva' }],
      },
    ],
    teachers: [{ id: 'ilva', name: 'Ilva' }],
    rooms: [{ id: 'kiln', name: 'Kiln room' }],
    classes: [plan],
    series: [
      {
        id: 'term',
        name: 'Term',
        description: 'A course.',
        choices: { legs: 'small-v' },
        episodes: [{ class: 'test-class', idea: 'Breath first' }],
      },
    ],
    logs: [logged],
    questions: [
      {
        id: 'q1',
        text: 'Which hips?',
        rung: 'full/low',
        cue: 'c1',
        class: 'test-class',
        log: 'log-1',
        date: '2027-01-11',
        state: 'answered',
        answer: 'Both.',
      },
    ],
    method: { lessonTempo: 1.3, uncertainty: { setupUnknown: 0.6 } },
  }) as ReturnType<typeof full>;
}

/** What a file that was changed is refused with first. */
function refusal(change: (bundle: ReturnType<typeof full>) => unknown): string {
  const bundle = full();
  change(bundle);
  const parsed = readBundle(JSON.parse(JSON.stringify(bundle)));
  const [problem] = parsed.ok ? checkBundle(parsed.bundle) : parsed.problems;
  return problem ? `${pathText(problem.path)}: ${problem.message}` : 'accepted';
}

test('every key is read, kept and written as it came', () => {
  const parsed = readBundle(full());
  expect(parsed).toEqual({ ok: true, bundle: full(), notes: [] });
  expect(checkBundle(full())).toEqual([]);
  expect(bundleInOrder(full())).toEqual(full());
});

const low = (bundle: ReturnType<typeof full>) => must(bundle.exercises[0].rungs[0]);
const b1 = (bundle: ReturnType<typeof full>) => must(bundle.classes[0].blocks[0]);
const log = (bundle: ReturnType<typeof full>) => must(bundle.logs?.[0]);
const logged = (bundle: ReturnType<typeof full>, i: number) => must(log(bundle).blocks?.[i]);
const check = (bundle: ReturnType<typeof full>) => must(bundle.audiences?.[0]?.abdominalChecks?.[0]);

test.each<[string, Parameters<typeof refusal>[0], RegExp]>([
  [
    'a name for a mark',
    (b) => Object.assign(check(b), { mark: 'Anna' }),
    /abdominalChecks\[0\]\.mark: .*one letter, A to Z/i,
  ],
  ['a small letter for a mark', (b) => Object.assign(check(b), { mark: 'a' }), /mark: .*one letter/i],
  [
    'a thing known that is not there',
    (b) => Object.assign(must(b.audiences?.[0]), { knows: ['full/top'] }),
    /audiences\[0\]\.knows\[0\]: There is no rung “full\/top”/,
  ],
  [
    'an exercise known that is not there',
    (b) => Object.assign(must(b.audiences?.[0]), { knows: ['arch'] }),
    /knows\[0\]: There is no exercise “arch”/,
  ],
  [
    'a prop at hand that nobody has',
    (b) => Object.assign(must(b.audiences?.[0]), { props: { sled: 1 } }),
    /props\.sled: There is no prop “sled”/,
  ],
  [
    'a place of work that is none',
    (b) => Object.assign(low(b), { feltAt: ['soul'] }),
    /rungs\[0\]\.feltAt\[0\]: .*belly/,
  ],
  [
    'a position nobody knows',
    (b) => Object.assign(low(b), { position: 'wall' }),
    /rungs\[0\]\.position: “wall” is not a position/,
  ],
  [
    'a press of what is not in the rung',
    (b) => Object.assign(low(b), { props: [] }),
    /between\[0\]\.prop: “ball” is not among the props/,
  ],
  [
    'a press between one part',
    (b) => Object.assign(must(low(b).poses.home?.between?.[0]), { parts: ['knee.left', 'knee.left'] }),
    /parts: .*two different parts/,
  ],
  [
    'a landmark that is not on the list',
    (b) => Object.assign(must(low(b).poses.home?.landmarks?.[0]), { mark: 'nose-to-toes' }),
    /landmarks\[0\]\.mark: .*heels-at-hips/,
  ],
  [
    'a wrong form that a phase reaches',
    (b) => Object.assign(must(low(b).cues?.[0]), { pose: 'away' }),
    /cues\[0\]\.pose: The pose “away” is done in this rung/,
  ],
  [
    'a wrong form beside what is no fault',
    (b) => Object.assign(must(low(b).cues?.[1]), { pose: 'sag' }),
    /cues\[1\]\.pose: Only a fault shows a wrong form/,
  ],
  [
    'a wrong form of a line that is not there',
    (b) => Object.assign(must(b1(b).lines?.[0]), { pose: 'slump' }),
    /blocks\[0\]\.lines\[0\]\.pose: There is no pose “slump”/,
  ],
  [
    'a repetition that is none',
    (b) => Object.assign(must(low(b).cues?.[1]), { at: 'second' }),
    /cues\[1\]\.at: .*first/,
  ],
  [
    'a note marked as spoken',
    (b) => Object.assign(must(low(b).cues?.[2]), { kind: 'note', at: 'last' }),
    /cues\[2\]\.at: A note is never said/,
  ],
  [
    'a note of a class on a side',
    (b) =>
      Object.assign(must(b1(b).lines?.[0]), {
        kind: 'note',
        pose: undefined,
        phase: undefined,
        at: undefined,
        pass: 2,
      }),
    /blocks\[0\]\.lines\[0\]\.pass: A note is never said/,
  ],
  [
    'a hold that shrinks',
    (b) => Object.assign(must(low(b).phases[0]), { countsTo: 8 }),
    /phases\[0\]\.countsTo: The range goes from 10 to 8/,
  ],
  [
    'stages that do not add up',
    (b) => Object.assign(low(b).dose, { repsTo: 8 }),
    /dose\.stages: The stages have 9 repetitions in all; expected 8/,
  ],
  ['days backwards', (b) => Object.assign(low(b).dose, { daysTo: 3 }), /dose\.daysTo: The range goes from 4 to 3/],
  [
    'a range of days without a beginning',
    (b) => Reflect.deleteProperty(low(b).dose, 'days'),
    /dose\.daysTo: .*expected where it begins/,
  ],
  [
    'a spare block after nothing',
    (b) => Object.assign(must(b.classes[0].spare?.[0]), { after: 'b9' }),
    /spare\[0\]\.after: There is no block “b9”/,
  ],
  [
    'a spare block with a block’s id',
    (b) => Object.assign(must(b.classes[0].spare?.[0]), { id: 'b1' }),
    /spare\[0\]\.id: The id “b1” stands twice/,
  ],
  [
    'a spare block in a run',
    (b) => Object.assign(must(b.classes[0].spare?.[0]), { run: 'a' }),
    /spare\[0\]\.run: The key “run” is not known/,
  ],
  ['a give on a locked block', (b) => Object.assign(b1(b), { locked: true }), /blocks\[0\]\.give: The block is locked/],
  [
    'a short form without a block',
    (b) => Object.assign(b.classes[0], { short: { leaveOut: ['b9'] } }),
    /short\.leaveOut\[0\]: There is no block “b9”/,
  ],
  ['an effort that is none', (b) => Object.assign(b.classes[0], { effort: 'wild' }), /classes\[0\]\.effort: .*gentle/],
  [
    'a choice nobody offers',
    (b) => Object.assign(must(b.series?.[0]), { choices: { legs: 'crossed' } }),
    /series\[0\]\.choices\.legs: .*parallel/,
  ],
  [
    'a check with a prop nobody has',
    (b) => Object.assign(must(b.classes[0].blocks[1]), { props: ['sled'] }),
    /blocks\[1\]\.props\[0\]: There is no prop “sled”/,
  ],
  ['a log of nobody', (b) => Object.assign(log(b), { teacher: 'mo' }), /logs\[0\]\.teacher: There is no teacher “mo”/],
  ['a log of no class', (b) => Object.assign(log(b), { class: 'gone' }), /logs\[0\]\.class: There is no class “gone”/],
  [
    'a logged block from nowhere',
    (b) => Object.assign(logged(b, 0), { id: 'b7' }),
    /logs\[0\]\.blocks\[0\]\.id: There is no block “b7”/,
  ],
  [
    'a logged rung from nowhere',
    (b) => Object.assign(logged(b, 1), { rung: 'curl/top' }),
    /blocks\[1\]\.rung: There is no rung “curl\/top”/,
  ],
  [
    'times that run backwards',
    (b) => Object.assign(must(logged(b, 1).passes?.[0]), { startSeconds: 100 }),
    /blocks\[1\]\.passes\[0\]\.startSeconds: The times run backwards: 100 s after 150 s/,
  ],
  [
    'an end before the last block',
    (b) => Object.assign(log(b), { endedSeconds: 200 }),
    /endedSeconds: The times run backwards/,
  ],
  ['options below nought', (b) => Object.assign(logged(b, 0), { options: { beside: -1 } }), /options\.beside: .*>=0/],
  ['repetitions below nought', (b) => Object.assign(must(logged(b, 0).passes?.[0]), { reps: -2 }), /reps: .*>=0/],
  [
    'a question in no state',
    (b) => Object.assign(must(b.questions?.[0]), { state: 'maybe' }),
    /questions\[0\]\.state: .*open/,
  ],
  [
    'a person’s name for a key',
    (b) => Object.assign(log(b), { participant: 'Anna' }),
    /logs\[0\]\.participant: The key “participant” is not known/,
  ],
])('%s is refused with where and what', (_name, change, sentence) => {
  expect(refusal(change)).toMatch(sentence);
});

test('of a run all blocks give or none', () => {
  const sided = exercise('reach', { position: 'four-point', sides: 'each' });
  const run = (give?: number) => [
    block('reach', { run: 'a', give: 1 }),
    block('reach/high', { run: 'a', ...(give ? { give } : {}) }),
  ];
  const found = (blocks: ReturnType<typeof run>) =>
    checkBundle(bundleOf({ exercises: [sided], classes: [classOf(blocks)] })).map(({ path }) => pathText(path));
  expect(found(run())).toEqual(['classes[0].blocks[0].give']);
  expect(found(run(2))).toEqual([]);
});

test('a log kept with its plan outlives its class, its rungs and its people; one without needs them', () => {
  const bundle = full();
  const { names } = must(log(bundle).plan);
  Object.assign(must(names), { teacher: 'Ilva', audience: 'Choir', room: 'Kiln room' });
  const blocks = [
    { id: 'b1', exercise: 'full', rung: 'low' },
    { id: 's1', exercise: 'curl', rung: 'high' },
  ];
  const planned = { ...must(log(bundle).plan), blocks };
  const alone = { ...log(bundle), plan: planned, blocks: log(bundle).blocks?.slice(0, 2) };
  expect(checkBundle({ format: bundle.format, version: bundle.version, logs: [alone] })).toEqual([]);
  expect(checkBundle({ format: bundle.format, version: bundle.version, logs: [log(bundle)] })).not.toEqual([]);
});

test('a rung’s own sides and position stand over its exercise’s, wherever they are asked for', () => {
  const { exercises } = full();
  const bundle = bundleOf({
    exercises,
    classes: [classOf([block('full'), block('full/beside', { secondDose: { reps: 2 } })])],
  });
  expect(checkBundle(bundle).map(({ path }) => pathText(path))).toEqual(['classes[0].blocks[1].secondDose']);
});
