/** This page, as long as it is open: what it keeps in the browser is kept under this. */
export const TAB = Array.from(crypto.getRandomValues(new Uint8Array(6)), (byte) => byte.toString(36)).join('');

const NAME = 'warm-ladder/tab/';

/** The page that was in this window before, as this window's own store remembers it; then it remembers this one. */
export function formerTab(): string | null {
  try {
    const former = sessionStorage.getItem(NAME);
    sessionStorage.setItem(NAME, TAB);
    return former;
  } catch {
    return null;
  }
}

/** Holds this tab's name until it closes, however it closes. Only on pages the browser trusts with locks. */
export function holdTab(): void {
  void navigator.locks?.request(NAME + TAB, () => new Promise(() => undefined));
}

/** Tabs of this browser that are open now, this one among them. */
export async function livingTabs(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  const names = held.flatMap(({ name = '' }) => (name.startsWith(NAME) ? [name.slice(NAME.length)] : []));
  return new Set([TAB, ...names]);
}
