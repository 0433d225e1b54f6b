/** Texts remembered at most: a studio's cues and the words of its classes, a few times over. */
const MOST = 20_000;

/** The same work for the same text, done once: what is said is read again at every keystroke, most of it unchanged. */
export function remembering<T>(work: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    const found = known.get(text);
    if (found !== undefined) return found;
    if (known.size >= MOST) known.clear();
    const made = work(text);
    known.set(text, made);
    return made;
  };
}
