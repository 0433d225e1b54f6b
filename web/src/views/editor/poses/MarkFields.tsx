import type { Pose } from '@warm-ladder/core/body';
import { freeIdAmong, type MarkRead, markText, type Rung } from '@warm-ladder/core/repertoire';
import { LANDMARK_IDS, LANDMARKS, type Landmark } from '@warm-ladder/core/vocabulary';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import { RemoveButton } from '../../../parts/RemoveButton';

interface MarkFieldsProps {
  readonly rung: Rung;
  readonly pose: Pose;
  readonly marks: readonly MarkRead[];
  readonly onPose: (pose: Pose, field?: string) => void;
  readonly onRung: (change: (rung: Rung) => Rung, label: string) => void;
}

/** How far a new mark may be missed: centimetres or degrees. */
const WITHIN = 5;

/** The words of a mark as a line that is said. */
const lineOf = (mark: Landmark): string =>
  LANDMARKS[mark].words.replace(/^./, (first) => first.toUpperCase()).concat('.');

/** Places of the body the pose is held to: measured while it is drawn, and said where somebody wants it. */
export default function MarkFields({ rung, pose, marks, onPose, onRung }: MarkFieldsProps) {
  const { landmarks = [] } = pose;
  const put = (next: typeof landmarks, field = '') => {
    const { landmarks: _old, ...rest } = pose;
    onPose(next.length > 0 ? { ...rest, landmarks: [...next] } : rest, field);
  };
  const free = LANDMARK_IDS.filter((id) => !landmarks.some(({ mark }) => mark === id));
  const said = (mark: Landmark) =>
    (rung.cues ?? []).some(({ text }) => text.toLowerCase().includes(LANDMARKS[mark].words));
  const say = (mark: Landmark) =>
    onRung(({ cues = [], ...each }) => {
      const cue = { id: freeIdAmong(cues, 'c'), kind: 'alignment' as const, text: lineOf(mark) };
      return { ...each, cues: [...cues, cue] };
    }, 'a cue more');
  return (
    <section aria-label="Marks of the pose" className="mt-1 text-[15px]">
      <ul>
        {marks.map(({ mark, within, miss }, i) => (
          <li key={mark} className="flex flex-wrap items-baseline gap-x-2">
            <span className="font-semibold">{LANDMARKS[mark].words}</span>
            <span>
              within{' '}
              <NumberField
                label={`How far ${LANDMARKS[mark].words} may be missed`}
                value={within}
                limits={LIMITS.PoseLandmark.within}
                className="w-10"
                onChange={(value) => put(landmarks.with(i, { mark, within: value }), `mark ${mark}`)}
              />{' '}
              {LANDMARKS[mark].unit}
            </span>
            <span className={miss > within ? 'font-semibold text-alarm' : 'text-moss'}>
              {miss > within ? `missed by ${markText(mark, miss)}` : 'met'}
            </span>
            {!said(mark) && (
              <button type="button" className="underline decoration-dotted" onClick={() => say(mark)}>
                Say it
              </button>
            )}
            <RemoveButton name={`the mark ${LANDMARKS[mark].words}`} onPress={() => put(landmarks.toSpliced(i, 1))} />
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <select
          aria-label="A mark for the pose"
          className="field"
          value=""
          onChange={({ target }) => put([...landmarks, { mark: target.value as Landmark, within: WITHIN }])}
        >
          <option value="">Add a mark: a place the pose is held to</option>
          {free.map((id) => (
            <option key={id} value={id}>
              {LANDMARKS[id].words}
            </option>
          ))}
        </select>
      )}
    </section>
  );
}
