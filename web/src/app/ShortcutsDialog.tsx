import { Keyboard } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { inField, SHORTCUTS } from './useShortcuts';

export function ShortcutsDialog() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key === '?' && !inField(event.target)) setOpen(true);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
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
      </Sheet>
    </>
  );
}
