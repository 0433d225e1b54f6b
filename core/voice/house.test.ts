import { studioOf } from '../formats';
import { type RungBlock, timeClass } from '../plan';
import { draftScript } from '../script';
import { demoBundle } from '../testing/demo';
import { classOf } from '../testing/studio';
import { reviewVoice, type VoiceFinding, voiceOf } from '.';

const studio = studioOf(demoBundle(), {});
const { catalog } = studio;

const heardOn = (blocks: readonly RungBlock[]): VoiceFinding[] => {
  const timed = timeClass(catalog, classOf(blocks));
  return reviewVoice(voiceOf(catalog, timed, draftScript(catalog, timed)));
};

test('the words of every rung of the house fit its breath, promise nothing, and lead people safely', () => {
  const found = catalog.rungs.flatMap(({ exercise, rung }) =>
    heardOn([{ id: 'b', exercise: exercise.id, rung: rung.id, mode: 'teach' }]),
  );
  const grave = found.filter(({ severity }) => severity === 'fix');
  expect(grave.map(({ message }) => message)).toEqual([]);
  const told = [
    'CUE_LONG',
    'EFFORT_ON_IN_BREATH',
    'PROMISE',
    'DONTS_MANY',
    'SCHOOL_BACK',
    'SCHOOL_SEAT',
    'TERM_REFUSED',
    'READING_HARD',
  ];
  expect(found.filter(({ code }) => told.includes(code)).map(({ message }) => message)).toEqual([]);
});

test('no image of the house serves two ladders', () => {
  const by = new Map<string, Set<string>>();
  for (const { exercise, rung } of catalog.rungs) {
    for (const { kind, text } of rung.cues ?? []) {
      if (kind === 'image') by.set(text, (by.get(text) ?? new Set()).add(exercise.id));
    }
  }
  expect([...by].filter(([, ladders]) => ladders.size > 1).map(([text]) => text)).toEqual([]);
});
