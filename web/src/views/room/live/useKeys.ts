import { useEffect, useRef } from 'react';

/** What a key, or a clicker in the hand, does. */
export interface KeyActions {
  readonly next: () => void;
  readonly back: () => void;
  readonly hold: () => void;
  readonly rep: () => void;
}

const DOES: Readonly<Record<string, keyof KeyActions>> = {
  ' ': 'next',
  ArrowRight: 'next',
  PageDown: 'next',
  ArrowLeft: 'back',
  PageUp: 'back',
  h: 'hold',
  r: 'rep',
  ArrowDown: 'rep',
};

/** Space and the arrow on move on, the arrow back goes back, R or the arrow down counts a repetition, H holds. */
export function useKeys(actions: KeyActions): void {
  const now = useRef(actions);
  useEffect(() => {
    now.current = actions;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const on = event.target instanceof HTMLElement ? event.target : null;
      // What is typed is typed; and a space presses the button it is on.
      if (on?.closest('input:not([type=checkbox]), select, textarea')) return;
      if (event.key === ' ' && on?.closest('button, a, input')) return;
      const does = DOES[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!does || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      now.current[does]();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
