/** What this device remembers of whoever holds it. */
type Remembered = 'teacher' | 'text-size';

const keyOf = (what: Remembered): string => `warm-ladder/${what}`;

/** What was chosen on this device at the last visit; empty where nothing was, or where it keeps nothing. */
export function remembered(what: Remembered): string {
  try {
    return localStorage.getItem(keyOf(what)) ?? '';
  } catch {
    return '';
  }
}

export function remember(what: Remembered, value: string): void {
  try {
    localStorage.setItem(keyOf(what), value);
  } catch {
    // Chosen anew at the next visit.
  }
}
