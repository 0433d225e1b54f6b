import { join } from 'node:path';
import { POSITIONS } from '@warm-ladder/core/body';
import { poolOf } from '@warm-ladder/core/mend';
import { DIRECTIONS } from '@warm-ladder/core/method';
import { Catalog, cueGaps, ladderDoubts } from '@warm-ladder/core/repertoire';
import { demoFiles, sampled } from '@warm-ladder/core/testing';
import { readFiles } from './files';

// Reading refuses whatever does not fit the schema, or one another.
const { bundle } = readFiles(demoFiles());
const exercises = bundle.exercises ?? [];
const catalog = new Catalog({ ...bundle, exercises });

/** Cells that no one teaches: nobody bends forward lying on the front. */
const EMPTY_CELLS = new Set(['prone/flexion', 'side-lying/articulation']);

test('the repertoire covers every cell of position and direction that exists in practice, and every prop', () => {
  expect(exercises.length).toBeGreaterThanOrEqual(90);
  expect(catalog.rungs.length).toBeGreaterThanOrEqual(280);
  const cells = new Set(
    exercises.flatMap(({ position, directions }) => directions.map((each) => `${position}/${each}`)),
  );
  const wanted = POSITIONS.flatMap((position) => DIRECTIONS.map((each) => `${position}/${each}`));
  expect(wanted.filter((cell) => !cells.has(cell) && !EMPTY_CELLS.has(cell))).toEqual([]);
  const used = new Set(catalog.rungs.flatMap(({ rung }) => rung.props ?? []));
  expect((bundle.props ?? []).filter(({ id }) => !used.has(id))).toEqual([]);
  expect(used.size).toBeGreaterThanOrEqual(8);
});

test.each(sampled(exercises, 6).map((exercise) => [exercise.id, exercise] as const))(
  '%s is a sound ladder whose poses show what it declares',
  (_id, exercise) => {
    expect(ladderDoubts(catalog, exercise)).toEqual([]);
  },
);

test.each(catalog.rungs.map((entry) => [entry.key, entry] as const))(
  '%s has cues of every kind, words on every phase, and a gate',
  (_key, { rung }) => {
    expect(cueGaps(rung)).toEqual({ kinds: [], phases: [] });
    expect(rung.gate?.ready?.length).toBeGreaterThan(0);
    expect(rung.gate?.stay?.length).toBeGreaterThan(0);
  },
);

test('no set-up leans on another rung: whoever hears it first knows where everything is', () => {
  const first = catalog.rungs.map(({ key, rung }) => [
    key,
    rung.cues?.find(({ kind }) => kind === 'setup')?.text ?? '',
  ]);
  expect(first.filter(([, text]) => /^(?:as before|same)\b/i.test(text ?? ''))).toEqual([]);
});

/** Words that put a part of the body on something, unless they leave it to whoever wants it. */
const PUT_ON = new RegExp(
  [
    String.raw`\b(hands?|palms|forearms|fingertips) (on|under|behind|around|round|woven|light on|hold)\b`,
    String.raw`\bhands? (down|planted)\b|\bin (each|both|the) hands?\b`,
    String.raw`\b(feet|foot|soles|toes?|heels?|knees?|shins?|thighs?|head|forehead|cheek|pelvis|tail|seat bones|ribs|shoulders|back)( lightly| heavy| stays?)? (down|planted|flat|on the (mat|floor|wall|chair|roller|cushion|bar))\b`,
  ].join('|'),
  'i',
);
/** As wanted, or only said to be free: palms that face down touch nothing, and hands that slide are on their way. */
const NOT_MEANT = /if wanted|when you need|palms down|hands (slide )?down the/i;
/** What leads out of a rung is spoken when its last pose is over, and a check is made by hands that leave it. */
const SPOKEN_IN_A_POSE = new Set(['setup', 'alignment', 'action']);

test('a cue that puts a part of the body on something says what it brings to touch', () => {
  const unsaid = catalog.rungs.flatMap(({ key, rung }) =>
    (rung.cues ?? [])
      .filter(({ kind, touches }) => SPOKEN_IN_A_POSE.has(kind) && !touches)
      .filter(({ text }) => PUT_ON.test(text) && !NOT_MEANT.test(text))
      .map(({ text }) => `${key}: ${text}`),
  );
  expect(unsaid).toEqual([]);
});

test('the common audiences a new studio begins with can be read, and each finds enough to choose from', () => {
  const { bundle: common } = readFiles([join(__dirname, '../../house/audiences/common.json')]);
  expect(common.audiences?.length).toBeGreaterThanOrEqual(4);
  for (const audience of common.audiences ?? []) {
    const conditions = audience.cautions ?? [];
    const homeHeat = audience.homeHeat ?? 60;
    const { fit } = poolOf(catalog, { audience, graded: conditions, homeHeat, earlier: new Set() });
    expect(fit.length).toBeGreaterThanOrEqual(40);
  }
});
