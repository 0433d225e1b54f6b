import { HEAT_WORDS } from '@warm-ladder/core/repertoire';

const LOOKS = [
  { fill: 'fill-heat-1', mark: 'stroke-ink', ground: 'bg-heat-1 text-ink', colour: 'var(--color-heat-1)' },
  { fill: 'fill-heat-2', mark: 'stroke-sheet', ground: 'bg-heat-2 text-sheet', colour: 'var(--color-heat-2)' },
  { fill: 'fill-heat-3', mark: 'stroke-sheet', ground: 'bg-heat-3 text-sheet', colour: 'var(--color-heat-3)' },
  { fill: 'fill-heat-4', mark: 'stroke-sheet', ground: 'bg-heat-4 text-sheet', colour: 'var(--color-heat-4)' },
  { fill: 'fill-heat-5', mark: 'stroke-sheet', ground: 'bg-heat-5 text-sheet', colour: 'var(--color-heat-5)' },
] as const;

/** Five steps of heat with their words and colours. */
export const HEAT_STEPS = HEAT_WORDS.map((step, i) => ({ ...step, ...(LOOKS[i] ?? LOOKS[4]) }));

const last = HEAT_STEPS[HEAT_STEPS.length - 1] as (typeof HEAT_STEPS)[number];

/** The step a heat from 0 to 100 falls in. */
export const heatStep = (heat: number) => HEAT_STEPS.find(({ upTo }) => heat < upTo) ?? last;
