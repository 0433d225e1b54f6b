import { CONDITION_IDS, judge, VERDICTS } from '@warm-ladder/core/caution';
import { type Catalog, directionsSeen, type RungEntry } from '@warm-ladder/core/repertoire';
import { SoonMoving } from '../../figure/SoonMoving';
import { CautionList } from '../../parts/classes/CautionList';
import { CautionMark } from '../../parts/classes/CautionMark';
import { DirectionMark } from '../../parts/classes/DirectionMark';
import { FactorBars } from '../../parts/rungs/FactorBars';
import { HeatMark } from '../../parts/rungs/HeatMark';
import { loadLines } from '../../parts/rungs/loadLines';

/** What the drawing says of itself, while the hand still moves: how it goes, how hot it is and why, whom it minds. */
export function RungReading({ catalog, entry }: { catalog: Catalog; entry: RungEntry }) {
  const { heat, factors } = catalog.measures(entry);
  const { seen } = directionsSeen(catalog, entry);
  const { cautions } = judge(catalog, entry, CONDITION_IDS);
  const loads = loadLines(catalog, entry);
  return (
    <aside aria-label="What it measures" className="min-w-0">
      <SoonMoving
        entry={entry}
        secondsPerCount={catalog.method.secondsPerCount}
        className="h-28 w-full"
        label={`${entry.exercise.name}, ${entry.rung.name}, moving`}
      />
      <p className="mt-1 flex items-center gap-2 border-t-4 border-ink pt-1 text-lg">
        <HeatMark heat={heat} /> <span>heat</span>
        <span className="ml-auto flex flex-wrap justify-end gap-x-2 text-[15px]">
          {seen.map((direction) => (
            <DirectionMark key={direction} direction={direction} word />
          ))}
        </span>
      </p>
      <FactorBars factors={factors} />
      <ul aria-label="Load" className="mt-2 text-[15px]">
        {loads.map((line) => (
          <li key={line}>{line}</li>
        ))}
        {loads.length === 0 && <li>No lever to speak of.</li>}
      </ul>
      <details className="mt-2 text-[15px]">
        <summary>
          <span className="text-soft">Cautions: </span>
          {VERDICTS.map((verdict) => {
            const fired = cautions.filter((caution) => caution.verdict === verdict).length;
            return fired === 0 ? null : (
              <span key={verdict} className="mr-2">
                {fired} <CautionMark verdict={verdict} />
              </span>
            );
          })}
          {cautions.length === 0 && 'none'}
        </summary>
        <CautionList cautions={cautions} />
      </details>
    </aside>
  );
}
