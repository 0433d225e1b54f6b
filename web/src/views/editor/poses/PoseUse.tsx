import { addPhase, poseInUse, type Rung, withPhase } from '@warm-ladder/core/repertoire';

interface PoseUseProps {
  readonly rung: Rung;
  readonly pose: string;
  readonly onRung: (change: (rung: Rung) => Rung, label: string) => void;
}

/** A pose that nothing goes to yet offers where it can be used. */
export function PoseUse({ rung, pose, onRung }: PoseUseProps) {
  if (poseInUse(rung, pose)) return null;
  return (
    <p role="status" className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1 text-[15px]">
      <span>Nothing goes to “{pose}” yet.</span>
      {rung.phases.map(({ id, breath, pose: to }, i) => (
        <button
          key={id}
          type="button"
          className="action text-sm"
          onClick={() => onRung((each) => withPhase(each, id, { pose }), 'where a phase goes')}
        >
          Phase {i + 1} ({breath}) goes here, not to {to}
        </button>
      ))}
      <button
        type="button"
        className="action text-sm"
        onClick={() => onRung((each) => addPhase(each, 'phases', pose), 'a phase more')}
      >
        A new phase goes here
      </button>
    </p>
  );
}
