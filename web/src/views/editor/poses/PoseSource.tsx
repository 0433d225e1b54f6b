import type { Pose } from '@warm-ladder/core/body';
import { plainViewOf } from '@warm-ladder/core/figure';
import type { RungEntry } from '@warm-ladder/core/repertoire';
import { useState } from 'react';
import { selectCatalog } from '../../../app/store/selectors';
import { useAppSelector } from '../../../app/store/store';
import { Figure } from '../../../figure/Figure';
import { RungPicker } from '../../../parts/rungs/RungPicker';
import { Sheet } from '../../../parts/Sheet';

interface PoseSourceProps {
  /** Where the search begins. */
  readonly position: string;
  readonly onPick: (pose: Pose, name: string) => void;
  readonly onClose: () => void;
}

/** Any pose of any rung, to begin from: first the rung, then which of its poses. */
export default function PoseSource({ position, onPick, onClose }: PoseSourceProps) {
  const catalog = useAppSelector(selectCatalog);
  const [entry, setEntry] = useState<RungEntry | null>(null);
  return (
    <Sheet at="side" open onOpenChange={onClose} title="A pose to begin from">
      {entry ? <Poses entry={entry} onPick={onPick} onBack={() => setEntry(null)} /> : null}
      <div hidden={entry !== null}>
        <RungPicker catalog={catalog} at={position} onPick={setEntry} />
      </div>
    </Sheet>
  );
}

interface PosesProps {
  readonly entry: RungEntry;
  readonly onPick: (pose: Pose, name: string) => void;
  readonly onBack: () => void;
}

function Poses({ entry: { exercise, rung, like }, onPick, onBack }: PosesProps) {
  const poses = Object.entries(rung.poses);
  const view = plainViewOf(Object.values(rung.poses), like);
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-3">
        <span>
          <span className="font-semibold">{exercise.name}</span>, {rung.name}
        </span>
        <button type="button" className="action text-sm" onClick={onBack}>
          Another rung
        </button>
      </p>
      <ul
        // What was chosen from is gone: the next thing to choose from is where the keyboard goes on.
        ref={(list) => list?.focus()}
        tabIndex={-1}
        aria-label="Its poses"
        className="mt-3 grid grid-cols-2 gap-3 outline-none sm:grid-cols-3"
      >
        {poses.map(([id, pose]) => (
          <li key={id}>
            <button
              type="button"
              className="block w-full rounded-md p-2 text-center hover:bg-shade"
              onClick={() => onPick(pose, id)}
            >
              <Figure pose={pose} like={like} view={view} className="h-24 w-full" />
              {id}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
