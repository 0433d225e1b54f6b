import { Keyboard } from 'lucide-react';
import { Suspense, useCallback, useState } from 'react';
import { lazily } from '../shell/lazily';
import { useSingleKey } from './useShortcuts';

const ShortcutsDialog = lazily(() => import('./ShortcutsDialog'));

/** The list of what the keyboard does, a click or a key away. */
export function ShortcutsButton() {
  const [open, setOpen] = useState<boolean>();
  useSingleKey(
    'list',
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
      {open !== undefined && (
        <Suspense>
          <ShortcutsDialog open={open} onOpenChange={setOpen} />
        </Suspense>
      )}
    </>
  );
}
