import type { ToTime } from '@warm-ladder/core/mend';
import type { PlanEdit, TimedClass } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import { useState } from 'react';
import { useAppDispatch } from '../../../app/store/store';
import { undone } from '../../../app/store/studio';
import type { Desk } from '../../../desk/useDesk';
import { Sheet } from '../../../parts/Sheet';

interface FitButtonProps {
  readonly timed: TimedClass;
  readonly fit: Desk['fit'];
  /** How often it may run late, 0 to 1. */
  readonly lateChance: number;
  readonly onTake: (edits: readonly PlanEdit[]) => void;
}

/** Seconds from its target at which a class is fitted well enough. */
const FITS = 60;

/** Brings the class to its length in one step, marks what may go when it runs late, and lists what that changed. */
export default function FitButton({ timed, fit, lateChance, onTake }: FitButtonProps) {
  const dispatch = useAppDispatch();
  const [found, setFound] = useState<ToTime | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [trying, setTrying] = useState(false);
  const [was, setWas] = useState(timed.seconds);
  const target = timed.plan.targetMinutes * 60;
  const run = async () => {
    setTrying(true);
    setWas(timed.seconds);
    try {
      const made = await fit();
      if (made && made.edits.length > 0) onTake(made.edits);
      setFound(made);
    } catch (error) {
      setFailed((error as Error).message);
    } finally {
      setTrying(false);
    }
  };
  const close = () => {
    setFound(null);
    setFailed(null);
  };
  const off = Math.abs(target - timed.seconds) > FITS;
  const { overChance, overIfGiven } = timed.range;
  const unplanned = overIfGiven === undefined && overChance > lateChance;
  const changed = found !== null && found.edits.length > 0;
  const about = [failed, found?.short, changed && 'Repetitions stay within the range of each; both sides stay alike.'];
  return (
    <>
      {(off || unplanned || trying) && timed.blocks.length > 0 && (
        <button type="button" className="action text-sm" disabled={trying} onClick={run}>
          {off || trying ? `Fit it to ${clock(target)}` : 'Plan for running late'}
        </button>
      )}
      <Sheet
        open={found !== null || failed !== null}
        onOpenChange={close}
        title={changed ? `${clock(was)} → ${clock(timed.seconds)}` : 'It stays as it is'}
        about={about.filter(Boolean).join(' ') || 'Nothing can move, and nothing has to.'}
      >
        {changed && (
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
              {found.told.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </>
        )}
      </Sheet>
    </>
  );
}
