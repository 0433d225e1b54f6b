import {
  type Series,
  type SeriesFinding,
  type SeriesFix,
  type SeriesReview,
  seriesFixesFor,
} from '@warm-ladder/core/series';
import { countText } from '@warm-ladder/core/vocabulary';
import { useEffect, useState } from 'react';
import { selectWholeStudio } from '../../app/selectors';
import { store } from '../../app/store';
import { SeverityMark } from '../../parts/SeverityMark';

interface SeriesFindingsProps {
  readonly series: Series;
  readonly review: SeriesReview;
  readonly onMend: (fix: SeriesFix) => void;
}

/** Findings shown before the rest is asked for: the climb stays in sight. */
const SHOWN = 3;

/** What the series review says, the gravest first, each with what would mend it when asked. */
export function SeriesFindings({ series, review, onMend }: SeriesFindingsProps) {
  const { findings } = review;
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<string | null>(null);
  const keyOf = ({ code, message }: SeriesFinding) => `${code} ${message}`;
  return (
    <section aria-label="Findings of the series" className="mt-3">
      <h2 className="font-name text-xl font-semibold">
        {findings.length === 0 ? 'Nothing to mend in the series' : countText(findings.length, 'finding')}
      </h2>
      <ul className="mt-1 flex max-w-4xl flex-col divide-y divide-line">
        {findings.slice(0, all ? undefined : SHOWN).map((finding) => (
          <li key={keyOf(finding)} className="py-1.5">
            <p>
              <SeverityMark severity={finding.severity} /> {finding.message}{' '}
              {asked !== keyOf(finding) && finding.mend().length > 0 && (
                <button
                  type="button"
                  className="text-sm underline decoration-dotted underline-offset-4"
                  onClick={() => setAsked(keyOf(finding))}
                >
                  How to mend it
                </button>
              )}
            </p>
            {asked === keyOf(finding) && <Ways {...{ series, review, finding, onMend }} />}
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

interface WaysProps extends SeriesFindingsProps {
  readonly finding: SeriesFinding;
}

/** Ways to mend it, each tried on a copy, with what it leaves. */
function Ways({ series, review, finding, onMend }: WaysProps) {
  const [fixes, setFixes] = useState<readonly SeriesFix[] | null>(null);
  useEffect(() => {
    // After the press is shown: each way is a review of the whole series.
    const timer = setTimeout(() =>
      setFixes(seriesFixesFor(selectWholeStudio(store.getState()), series, review, finding)),
    );
    return () => clearTimeout(timer);
  }, [series, review, finding]);
  if (fixes === null) return <p className="text-sm text-soft">Trying what would help …</p>;
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
function effectOf({ counts: { before, after } }: SeriesFix): string {
  const changed = (['stop', 'fix', 'look'] as const).filter((severity) => before[severity] !== after[severity]);
  const words = { stop: 'to stop', fix: 'to fix', look: 'to look at' };
  return changed.map((severity) => `${before[severity]} → ${after[severity]} ${words[severity]}`).join(', ');
}
