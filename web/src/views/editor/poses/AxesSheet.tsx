import {
  AXES,
  AXIS_IDS,
  type Axis,
  type Catalog,
  draftsFromAxes,
  type Exercise,
  MOST_CROSSED,
  withDrafts,
} from '@warm-ladder/core/repertoire';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo, useState } from 'react';
import { freeId } from '../../../app/freeId';
import { selectMethod, selectPositions, selectProps } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { RungFigure } from '../../../figure/RungFigure';
import { HeatMark } from '../../../parts/rungs/HeatMark';
import { Sheet } from '../../../parts/Sheet';

interface AxesSheetProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  /** The rung in the hand: it gives the phases and the dose. */
  readonly first: string;
  readonly onClose: () => void;
  readonly onExercise: (next: Exercise, label: string) => void;
}

/** Parts of a pose that are crossed at once. */
const MOST_AXES = 3;

/** A list with one more, or one less; no more than it may hold. */
const toggled = <T,>(list: readonly T[], item: T, most: number): readonly T[] => {
  if (list.includes(item)) return list.filter((each) => each !== item);
  return list.length < most ? [...list, item] : list;
};

/** Rungs made of parts of others, seen and measured before any is taken in. */
export default function AxesSheet({ catalog, exercise, first, onClose, onExercise }: AxesSheetProps) {
  const method = useAppSelector(selectMethod);
  const positions = useAppSelector(selectPositions);
  const props = useAppSelector(selectProps);
  const [rungs, setRungs] = useState<readonly string[]>([first]);
  const [axes, setAxes] = useState<readonly Axis[]>(['arms', 'legs']);
  const [turned, setTurned] = useState<readonly string[]>([]);
  const drafts = useMemo(
    () => draftsFromAxes(exercise, rungs, axes, { method, positions, props }),
    [exercise, rungs, axes, method, positions, props],
  );
  const isTaken = ({ rung: { name }, between }: (typeof drafts)[number]) => between !== turned.includes(name);
  const taken = drafts.filter(isTaken);
  const take = () => {
    const heatOf = (id: string) => {
      const entry = catalog.rung({ exercise: exercise.id, rung: id });
      return entry ? catalog.heat(entry) : 0;
    };
    onExercise(
      withDrafts(exercise, taken, ({ id }) => heatOf(id), freeId),
      `${countText(taken.length, 'rung')} between`,
    );
    onClose();
  };
  return (
    <Sheet
      open
      onOpenChange={onClose}
      at="side"
      title="Rungs between"
      about="Take parts of several rungs, each with each. Drawn, measured, easiest first; nothing is kept before you add it."
    >
      <fieldset>
        <legend className="font-semibold">Which rungs</legend>
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {exercise.rungs.map(({ id, name }) => (
            <label key={id}>
              <input
                type="checkbox"
                checked={rungs.includes(id)}
                disabled={id === first || (!rungs.includes(id) && rungs.length >= MOST_CROSSED)}
                onChange={() => setRungs((now) => toggled(now, id, MOST_CROSSED))}
              />{' '}
              {name}
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset className="mt-3">
        <legend className="font-semibold">Which parts</legend>
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {AXIS_IDS.map((axis) => (
            <label key={axis}>
              <input
                type="checkbox"
                checked={axes.includes(axis)}
                disabled={!axes.includes(axis) && axes.length >= MOST_AXES}
                onChange={() => setAxes((now) => toggled(now, axis, MOST_AXES))}
              />{' '}
              {AXES[axis]}
            </label>
          ))}
        </div>
      </fieldset>
      <p role="status" className="mt-4 text-soft">
        {stateOf(rungs.length, axes.length, drafts.length)}
      </p>
      <ul aria-label="Rungs that come of it" className="mt-2 divide-y divide-line">
        {drafts.map((draft) => {
          const { rung, entry, heat, between, doubts } = draft;
          return (
            <li key={rung.name} className="flex items-center gap-3 py-2">
              <input
                type="checkbox"
                aria-label={`Add ${rung.name}`}
                checked={isTaken(draft)}
                onChange={() => setTurned((now) => toggled(now, rung.name, Number.POSITIVE_INFINITY))}
              />
              <RungFigure entry={entry} label={rung.name} className="h-14 w-28 shrink-0" />
              <HeatMark heat={heat} />
              <div className="min-w-0">
                <p>{rung.name}</p>
                {!between && <p className="text-sm text-soft">Not between the rungs it is made of</p>}
                {doubts[0] && <p className="text-sm text-alarm">{doubts[0]}</p>}
              </div>
            </li>
          );
        })}
      </ul>
      <p className="mt-4">
        <button type="button" className="action" disabled={taken.length === 0} onClick={take}>
          Add {countText(taken.length, 'rung')}
        </button>
      </p>
    </Sheet>
  );
}

function stateOf(rungs: number, axes: number, drafts: number): string {
  if (rungs < 2) return 'Choose one more rung to take parts of.';
  if (axes === 0) return 'Choose a part to take.';
  return drafts === 0
    ? 'These rungs differ in none of these parts: nothing new comes of it.'
    : `${countText(drafts, 'rung')} that the ladder does not have`;
}
