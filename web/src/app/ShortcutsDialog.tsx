import { Keyboard } from 'lucide-react';
import { useCallback, useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { SHORTCUTS, setSingleKeys, singleKeysOn, useSingleKey } from './useShortcuts';

export function ShortcutsDialog() {
  const [open, setOpen] = useState(false);
  const [single, setSingle] = useState(singleKeysOn);
  useSingleKey(
    '?',
    useCallback(() => setOpen(true), []),
  );
  return (
    <>
      <button
        type="button"
        className="hidden rounded p-1.5 hover:bg-shade sm:block"
        onClick={() => setOpen(true)}
        title="Keyboard shortcuts"
      >
        <Keyboard className="size-5" aria-hidden="true" />
        <span className="sr-only">Keyboard shortcuts</span>
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="By keyboard">
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {SHORTCUTS.map(([keys, does]) => (
            <div key={keys} className="contents">
              <dt className="font-semibold">{keys}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <label className="mt-5 flex items-center gap-2">
          <input
            type="checkbox"
            checked={single}
            onChange={({ target }) => {
              setSingleKeys(target.checked);
              setSingle(target.checked);
            }}
          />
          Keys that stand alone (? and A) do something
        </label>
      </Sheet>
    </>
  );
}
