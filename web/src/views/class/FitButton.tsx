import type { PlanEdit, TimedClass } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import { useState } from 'react';
import { useAppDispatch } from '../../app/store';
import { undone } from '../../app/studio';
import type { Desk } from '../../desk/useDesk';
import { Sheet } from '../../parts/Sheet';

interface FitButtonProps {
  readonly timed: TimedClass;
  readonly fit: Desk['fit'];
  readonly onTake: (edits: readonly PlanEdit[]) => void;
}

/** Seconds from its target at which a class is fitted well enough. */
const FITS = 60;

/** Brings the class to its length in one step, and lists what that changed. */
export default function FitButton({ timed, fit, onTake }: FitButtonProps) {
  const dispatch = useAppDispatch();
  const [told, setTold] = useState<readonly string[] | string | null>(null);
  const [trying, setTrying] = useState(false);
  const [was, setWas] = useState(timed.seconds);
  const target = timed.plan.targetMinutes * 60;
  const run = async () => {
    setTrying(true);
    setWas(timed.seconds);
    try {
      const found = await fit();
      if (found) onTake(found.edits);
      setTold(found ? found.told : 'Nothing can move: every block is at the end of its range, or locked.');
    } catch (error) {
      setTold((error as Error).message);
    } finally {
      setTrying(false);
    }
  };
  const close = () => setTold(null);
  const off = Math.abs(target - timed.seconds) > FITS;
  return (
    <>
      {(off || trying) && timed.blocks.length > 0 && (
        <button type="button" className="action text-sm" disabled={trying} onClick={run}>
          Fit it to {clock(target)}
        </button>
      )}
      <Sheet
        open={told !== null}
        onOpenChange={close}
        title={typeof told === 'string' ? 'It stays as it is' : `${clock(was)} → ${clock(timed.seconds)}`}
        about={typeof told === 'string' ? told : 'Repetitions within the range of each; both sides stay alike.'}
      >
        {told !== null && typeof told !== 'string' && (
          <>
            <p className="mb-2 flex gap-2">
              <button type="button" className="action action-main" onClick={close}>
                Keep it
              </button>
              <button
                type="button"
                className="action"
                onClick={() => {
                  dispatch(undone());
                  close();
                }}
              >
                Undo it
              </button>
            </p>
            <ul className="list-disc pl-5">
              {told.map((line, i) => (
                <li key={i}>{line}</li>
              ))}
            </ul>
          </>
        )}
      </Sheet>
    </>
  );
}
