/** Five steps of heat, each with a word, so that none is told by colour alone. */
export const HEAT_STEPS = [
  { upTo: 20, word: 'easy', fill: 'fill-heat-1', ground: 'bg-heat-1 text-sheet', colour: 'var(--color-heat-1)' },
  { upTo: 35, word: 'light', fill: 'fill-heat-2', ground: 'bg-heat-2 text-sheet', colour: 'var(--color-heat-2)' },
  { upTo: 50, word: 'medium', fill: 'fill-heat-3', ground: 'bg-heat-3 text-sheet', colour: 'var(--color-heat-3)' },
  { upTo: 68, word: 'hard', fill: 'fill-heat-4', ground: 'bg-heat-4 text-ink', colour: 'var(--color-heat-4)' },
  { upTo: 100, word: 'hardest', fill: 'fill-heat-5', ground: 'bg-heat-5 text-ink', colour: 'var(--color-heat-5)' },
] as const;

const last = HEAT_STEPS[HEAT_STEPS.length - 1] ?? HEAT_STEPS[0];

/** The step a heat from 0 to 100 falls in. */
export const heatStep = (heat: number) => HEAT_STEPS.find(({ upTo }) => heat < upTo) ?? last;
