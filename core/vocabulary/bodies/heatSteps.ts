/** Five steps of heat, by the heat each ends at, and their words: none is told by colour alone. */
export const HEAT_WORDS = [
  { upTo: 20, word: 'easy' },
  { upTo: 35, word: 'light' },
  { upTo: 50, word: 'medium' },
  { upTo: 68, word: 'hard' },
  { upTo: 100, word: 'hardest' },
] as const;

/** How hard a heat is, in a word. @example heatWord(30) // 'light' */
export const heatWord = (heat: number): string => HEAT_WORDS.find(({ upTo }) => heat < upTo)?.word ?? 'hardest';
