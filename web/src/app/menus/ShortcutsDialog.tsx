import { useState } from 'react';
import { Sheet } from '../../parts/Sheet';
import { SHORTCUTS } from './shortcuts';
import { setSingleKeys, singleKeysOn } from './useShortcuts';

interface ShortcutsDialogProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}

/** What the keyboard does, and whether keys that stand alone do anything. */
export default function ShortcutsDialog({ open, onOpenChange }: ShortcutsDialogProps) {
  const [single, setSingle] = useState(singleKeysOn);
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title="By keyboard">
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
        {Object.values(SHORTCUTS).map(({ written, does }) => (
          <div key={written} className="contents">
            <dt className="font-semibold">{written}</dt>
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
  );
}
