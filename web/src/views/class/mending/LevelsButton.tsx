import type { PlanEdit } from '@warm-ladder/core/plan';
import { spell } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import type { Desk } from '../../../desk/useDesk';
import type { LevelledClass } from '../../../desk/worker';
import { Sheet } from '../../../parts/Sheet';

interface LevelsButtonProps {
  readonly levels: Desk['levels'];
  readonly onTake: (edits: readonly PlanEdit[]) => void;
}

/** One lower and one higher rung beside every block: what that would be, what it costs, and taken in one step. */
export default function LevelsButton({ levels, onTake }: LevelsButtonProps) {
  const [found, setFound] = useState<LevelledClass | string | null>(null);
  const [trying, setTrying] = useState(false);
  const run = async () => {
    setTrying(true);
    try {
      setFound((await levels()) ?? 'There is no such class any more.');
    } catch (error) {
      setFound((error as Error).message);
    } finally {
      setTrying(false);
    }
  };
  const close = () => setFound(null);
  const some = found !== null && typeof found !== 'string' && found.edits.length > 0 ? found : null;
  return (
    <>
      <button type="button" className="action text-sm" disabled={trying} onClick={run}>
        Levels everywhere
      </button>
      <Sheet
        open={found !== null}
        onOpenChange={close}
        title={some ? `${countText(some.told.length, 'level')} to offer` : 'Levels'}
        about={about(found)}
      >
        {some && (
          <>
            <button
              type="button"
              className="action action-main mb-2"
              onClick={() => {
                onTake(some.edits);
                close();
              }}
            >
              Offer them
            </button>
            <ul className="list-disc pl-5">
              {some.told.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </>
        )}
      </Sheet>
    </>
  );
}

function about(found: LevelledClass | string | null): string {
  if (found === null || typeof found === 'string') return found ?? '';
  if (found.why !== null) return found.why;
  return `They end together with the main version. Saying them takes ${spell(found.seconds)}; Fit it to the target takes that back.`;
}
