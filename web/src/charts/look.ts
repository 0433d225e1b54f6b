/** The page's own colours, and how an axis and what is told under the pointer look: one dress for every chart. */
export const INK = {
  one: 'var(--color-ink)',
  other: 'var(--color-cobalt)',
  band: 'var(--color-thing)',
  line: 'var(--color-line)',
  soft: 'var(--color-soft)',
} as const;

export const AXIS = {
  stroke: INK.line,
  tick: { fill: INK.soft, fontSize: 13 },
  tickLine: false,
} as const;

export const TOOLTIP = {
  cursor: { fill: 'var(--color-shade)' },
  contentStyle: { background: 'var(--color-sheet)', border: '1px solid var(--color-line)', borderRadius: 6 },
} as const;

/** @example percentText(0.254) // '25 %' */
export const percentText = (share: number): string => `${Math.round(share * 100)} %`;
