import { HEAT_FACTOR_WORDS, HEAT_FACTORS, type HeatFactor, type HeatFactors } from '@warm-ladder/core/repertoire';

interface FactorBarsProps {
  readonly factors: HeatFactors;
  /** Which to show, in order; the strongest first when left out. */
  readonly shown?: readonly HeatFactor[];
}

/** Less than this much heat is left out unless it is asked for. */
const TELLING = 0.5;
/** Heat that fills a bar: what the strongest factor of the hardest rungs adds. */
const LONGEST = 45;

/** What each factor adds to the heat, all on the scale of the heaviest one. */
export function FactorBars({ factors, shown }: FactorBarsProps) {
  const names =
    shown ?? HEAT_FACTORS.filter((factor) => factors[factor] >= TELLING).sort((a, b) => factors[b] - factors[a]);

  return (
    <ul aria-label="What makes it hard" className="mt-1 text-sm text-soft">
      {names.map((factor) => (
        <li key={factor} className="grid grid-cols-[3.5rem_2rem_1fr] items-center gap-2 leading-tight">
          <span
            className="h-1.5 rounded-full bg-heat-3"
            style={{ width: `${Math.min(1, factors[factor] / LONGEST) * 100}%` }}
            aria-hidden="true"
          />
          <span className="text-right text-ink">{factors[factor].toFixed(1)}</span>
          {HEAT_FACTOR_WORDS[factor]}
        </li>
      ))}
    </ul>
  );
}
