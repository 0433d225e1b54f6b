import { useEffect } from 'react';
import { useUndo } from '../history/useUndo';

/** Every shortcut there is, as the list of shortcuts shows them. */
export const SHORTCUTS: ReadonlyArray<readonly [string, string]> = [
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['Ctrl K', 'Go to a class, a ladder or a view by its name'],
  ['?', 'This list'],
  ['A', 'Add a rung to the class'],
  ['← → ↑ ↓ on a block', 'Go to the next block, or to the line above or below'],
  ['Alt and an arrow on a block', 'Move the block along the line, or to another one'],
  ['Space on a handle', 'Take hold of the block; arrows move it, space lets go'],
  ['X on a block, Shift ← →', 'Choose several blocks; Ctrl and a click do the same'],
  ['+ −', 'Look at the stairs closer, or from farther away'],
  ['Enter on a block', 'Open or close its details'],
  ['I on a block', 'Swap the block for another rung'],
  ['Delete on a block', 'Remove the block'],
  ['↑ ↓ in a number', 'One more, one less'],
  ['← → on a joint', 'Turn it a degree; ten with Shift'],
];

const OFF = 'warm-ladder/single-keys-off';

/** Whether keys that stand alone, without Ctrl or Alt, do something: speech input types them by accident. */
export function singleKeysOn(): boolean {
  try {
    return localStorage.getItem(OFF) === null;
  } catch {
    return true;
  }
}

export function setSingleKeys(on: boolean): void {
  try {
    if (on) localStorage.removeItem(OFF);
    else localStorage.setItem(OFF, 'off');
  } catch {
    // A browser that keeps nothing has them on.
  }
}

/** Runs when a key is pressed alone and outside of any field, unless such keys are turned off. */
export function useSingleKey(key: string, run: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== key || event.ctrlKey || event.metaKey || event.altKey) return;
      if (inField(event.target) || !singleKeysOn()) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [key, run]);
}

/** Undo, redo and the list of everything from anywhere. In a field they are the class's too, since every keystroke there is already an edit. */
export function useShortcuts(goTo: () => void): void {
  const undo = useUndo();
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y' && key !== 'k') return;
      event.preventDefault();
      if (key === 'k') return goTo();
      undo(key === 'y' || event.shiftKey ? 'forward' : 'back');
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [undo, goTo]);
}

/** Whether a key was meant for a field and not for the view. */
export const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, select, textarea, [role="dialog"]') !== null;
