const KEY = 'warm-ladder/unsaved';

interface Unsaved {
  /** The version the change was made from. */
  readonly base: number;
  /** Missing where the document was deleted. */
  readonly value?: unknown;
}

/** What could not be saved before the page went away, by `kind/id`. */
export function rememberedUnsaved(): Record<string, Unsaved> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Unsaved>;
  } catch {
    return {};
  }
}

/** Keeps unsaved documents in this browser until the server has them. */
export function rememberUnsaved(entries: Readonly<Record<string, Unsaved>>): void {
  try {
    if (Object.keys(entries).length === 0) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(entries));
  } catch {
    // A full or forbidden store only loses the safety net; saving to the server goes on.
  }
}

export function forgetUnsaved(key: string): void {
  const { [key]: _gone, ...rest } = rememberedUnsaved();
  rememberUnsaved(rest);
}
