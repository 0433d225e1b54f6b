import fc from 'fast-check';
import type { Audience, ClassPlan } from '../plan';
import { applyEdit } from '../plan';
import type { Exercise } from '../repertoire';
import { anyClass, anyEdit } from '../testing/arbitraries';
import { ANCHORS } from '../testing/cases/anchors';
import { runs } from '../testing/runs';
import { block, catalogOf, classOf, EXERCISES, exercise } from '../testing/studio';
import { measuresOf } from './measures';
import { type ClassMeasure, findingsOf, measureClass, remediesFor } from './reviewClass';

/** Rungs that load a body, so that stretches, cautions and the arc have something to say. */
const LOADING: Exercise[] = ANCHORS.map(({ like, rung }, i) =>
  exercise(`anchor-${i}`, {
    position: like,
    directions: [['flexion', 'extension', 'rotation', 'neutral'][i % 4] as 'flexion'],
    sides: (['both', 'each', 'alternate'] as const)[i % 3] as Exercise['sides'],
    rungs: [
      { ...rung, id: 'low' },
      {
        ...rung,
        id: 'high',
        // A way in that asks more than the rung, so that carrying on asks less.
        poses: { ...rung.poses, deep: { hip: 110, lumbar: 40, thoracic: 30, supports: ['head', 'ribs', 'pelvis'] } },
        entry: [{ id: 'e1', breath: 'in', counts: 2, pose: 'deep' }],
        preparation: ['wrists-warmed'],
        requires: [{ exercise: 'hold', rung: 'low' }],
      },
    ],
  }),
);
const ALL = [...EXERCISES, ...LOADING];
const kept = catalogOf(ALL);
/** Rungs of its own, for what they are worth is remembered by themselves; a class that is copied is kept nowhere. */
const fresh = catalogOf(structuredClone(ALL));

const ROOM: Audience = {
  id: 'room',
  name: 'A room',
  pace: 1,
  homeHeat: 30,
  cautions: ['neck-pain', 'wrist', 'high-blood-pressure', 'low-back-pain'],
  equipment: ['ball'],
};

/** All that a measure says, without what makes its remedies. */
function told(measure: ClassMeasure): unknown {
  const { timed, score, subject } = measure;
  return {
    score,
    measures: measuresOf(subject),
    findings: findingsOf(measure),
    remedies: findingsOf(measure).map((finding) => remediesFor(measure, finding)),
    seconds: [timed.seconds, timed.practiceSeconds, timed.range, timed.parts],
    shares: [timed.positions, timed.directions, timed.sides],
    blocks: timed.blocks.map(({ index, slots, carries, carried, seconds, setup }) => ({
      index,
      slots,
      carries,
      carried,
      seconds,
      setup,
    })),
    interludes: timed.interludes.map(({ index, startSeconds, position }) => ({ index, startSeconds, position })),
  };
}

const withNothingKept = (plan: ClassPlan): unknown =>
  told(measureClass(fresh, structuredClone(plan), { audience: structuredClone(ROOM) }));

test('a class measured from the last change on is the class measured with nothing kept, after any edits', () => {
  const loading = fc
    .tuple(fc.constantFrom(...LOADING.map(({ id }) => id)), fc.constantFrom('low', 'high'))
    .map(([id, step]) => block(`${id}/${step}`));
  fc.assert(
    fc.property(anyClass, fc.array(loading, { minLength: 3, maxLength: 8 }), fc.gen(), (plan, more, draw) => {
      // Each twice in a row, so that what is loaded stays loaded over set-ups and rests.
      const twice = more.flatMap((each) => [each, each]);
      const blocks = [...plan.blocks, ...twice.map((each, i) => ({ id: `more-${i}`, ...each }))];
      let now: ClassPlan = { ...plan, blocks };
      for (let step = 0; step < 6; step++) {
        if (now.blocks.length > 0) {
          try {
            now = applyEdit(kept, now, draw(anyEdit, now));
          } catch (error) {
            // An edit of a rung does not fit an interlude, which is said.
            if (!(error instanceof RangeError)) throw error;
          }
        }
        expect(told(measureClass(kept, now, { audience: ROOM }))).toEqual(withNothingKept(now));
      }
    }),
    { numRuns: runs(12, 60) },
  );
});

test('a longer rest before a block that stays the same lengthens the stretch that runs over it', () => {
  const onHands = `anchor-${ANCHORS.findIndex(({ like }) => like === 'four-point')}/low`;
  const plan = classOf([block(onHands), block(onHands), block(onHands)]);
  const seconds = (of: ClassPlan) => measuresOf(measureClass(kept, of, { audience: ROOM }).subject).kneelingSeconds;
  const before = seconds(plan);
  const rested = applyEdit(kept, plan, { kind: 'set', id: 'b1', change: { restAfterSeconds: 12 } });
  expect(seconds(rested)).toBeCloseTo(before + 12, 6);
});
