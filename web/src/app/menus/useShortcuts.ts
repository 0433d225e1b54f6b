import { useEffect } from 'react';
import { useUndo } from '../history/useUndo';
import { means, type ShortcutId } from './shortcuts';

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

/** Runs when the key of a shortcut is pressed alone and outside of any field, unless such keys are turned off. */
export function useSingleKey(shortcut: ShortcutId, run: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!means(shortcut, event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (inField(event.target) || !singleKeysOn()) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [shortcut, run]);
}

/** Undo, redo and the list of everything from anywhere. In a field they are the class's too, since every keystroke there is already an edit. */
export function useShortcuts(goTo: () => void): void {
  const undo = useUndo();
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const redo = means('redo', event);
      if (!redo && !means('undo', event) && !means('goTo', event)) return;
      event.preventDefault();
      if (means('goTo', event)) return goTo();
      undo(redo || event.shiftKey ? 'forward' : 'back');
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [undo, goTo]);
}

/** Whether a key was meant for a field and not for the view. */
export const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, select, textarea, [role="dialog"]') !== null;
