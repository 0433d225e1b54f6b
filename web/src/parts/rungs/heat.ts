import { HEAT_WORDS } from '@warm-ladder/core/repertoire';

/** Each with how thick it is drawn where it is a floor: told apart without colour. */
const LOOKS = [
  {
    fill: 'fill-heat-1',
    mark: 'stroke-ink',
    ground: 'bg-heat-1 text-ink',
    colour: 'var(--color-heat-1)',
    weight: 'h-0.5',
  },
  {
    fill: 'fill-heat-2',
    mark: 'stroke-sheet',
    ground: 'bg-heat-2 text-sheet',
    colour: 'var(--color-heat-2)',
    weight: 'h-1',
  },
  {
    fill: 'fill-heat-3',
    mark: 'stroke-sheet',
    ground: 'bg-heat-3 text-sheet',
    colour: 'var(--color-heat-3)',
    weight: 'h-1.5',
  },
  {
    fill: 'fill-heat-4',
    mark: 'stroke-sheet',
    ground: 'bg-heat-4 text-sheet',
    colour: 'var(--color-heat-4)',
    weight: 'h-2',
  },
  {
    fill: 'fill-heat-5',
    mark: 'stroke-sheet',
    ground: 'bg-heat-5 text-sheet',
    colour: 'var(--color-heat-5)',
    weight: 'h-2.5',
  },
] as const;

/** Five steps of heat with their words, colours and weights. */
export const HEAT_STEPS = HEAT_WORDS.map((step, i) => ({ ...step, ...(LOOKS[i] ?? LOOKS[4]) }));

const last = HEAT_STEPS[HEAT_STEPS.length - 1] as (typeof HEAT_STEPS)[number];

/** The step a heat from 0 to 100 falls in. */
export const heatStep = (heat: number) => HEAT_STEPS.find(({ upTo }) => heat < upTo) ?? last;
