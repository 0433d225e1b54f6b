import { type Series, seriesFindingKey, type ToldSeriesFinding } from '@warm-ladder/core/series';
import { countText } from '@warm-ladder/core/vocabulary';
import { useEffect, useState } from 'react';
import { seriesFixes } from '../../desk/useDesk';
import type { SeriesFixHere } from '../../desk/worker';
import { SeverityMark } from '../../parts/classes/SeverityMark';

interface SeriesFindingsProps {
  readonly series: Series;
  readonly findings: readonly ToldSeriesFinding[];
  readonly onMend: (fix: SeriesFixHere) => void;
}

/** Findings shown before the rest is asked for: the climb stays in sight. */
const SHOWN = 3;

/** What the series review says, the gravest first, each with what would mend it when asked. */
export function SeriesFindings({ series, findings, onMend }: SeriesFindingsProps) {
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<string | null>(null);
  return (
    <section aria-label="Findings of the series" className="mt-3">
      <h2 className="font-name text-xl font-semibold">
        {findings.length === 0 ? 'Nothing to mend in the series' : countText(findings.length, 'finding')}
      </h2>
      <ul className="mt-1 flex max-w-4xl flex-col divide-y divide-line">
        {findings.slice(0, all ? undefined : SHOWN).map((finding) => (
          <li key={seriesFindingKey(finding)} className="py-1.5">
            <p>
              <SeverityMark severity={finding.severity} /> {finding.message}{' '}
              {asked !== seriesFindingKey(finding) && finding.mends && (
                <button
                  type="button"
                  className="text-sm underline decoration-dotted underline-offset-4"
                  onClick={() => setAsked(seriesFindingKey(finding))}
                >
                  How to mend it
                </button>
              )}
            </p>
            {asked === seriesFindingKey(finding) && <Ways {...{ series, finding, onMend }} />}
          </li>
        ))}
      </ul>
      {!all && findings.length > SHOWN && (
        <button type="button" className="action mt-1 text-sm" onClick={() => setAll(true)}>
          {findings.length - SHOWN} more
        </button>
      )}
    </section>
  );
}

interface WaysProps extends Pick<SeriesFindingsProps, 'series' | 'onMend'> {
  readonly finding: ToldSeriesFinding;
}

/** Ways to mend it, each tried on a copy, with what it leaves. */
function Ways({ series, finding, onMend }: WaysProps) {
  const [fixes, setFixes] = useState<readonly SeriesFixHere[] | string | null>(null);
  useEffect(() => {
    let over = false;
    seriesFixes(series.id, finding).then(
      (found) => over || setFixes(found),
      (error: Error) => over || setFixes(error.message),
    );
    return () => {
      over = true;
    };
  }, [series, finding]);
  if (fixes === null) return <p className="text-sm text-soft">Trying what would help …</p>;
  if (typeof fixes === 'string') return <p className="text-sm text-alarm">{fixes}</p>;
  if (fixes.length === 0) {
    return (
      <p className="text-sm text-soft">
        Nothing that was tried leaves the series better. Change it in its class or its dates.
      </p>
    );
  }
  return (
    <ul aria-label="Ways to mend it" className="mt-1 flex flex-wrap gap-2">
      {fixes.map((fix) => (
        <li key={fix.label}>
          <button type="button" className="action text-sm" onClick={() => onMend(fix)}>
            {fix.label}
            <span className="text-soft"> {effectOf(fix)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** What is left of it all. @example 3 → 2 to fix */
function effectOf({ counts: { before, after } }: SeriesFixHere): string {
  const changed = (['stop', 'fix', 'look'] as const).filter((severity) => before[severity] !== after[severity]);
  const words = { stop: 'to stop', fix: 'to fix', look: 'to look at' };
  return changed.map((severity) => `${before[severity]} → ${after[severity]} ${words[severity]}`).join(', ');
}
