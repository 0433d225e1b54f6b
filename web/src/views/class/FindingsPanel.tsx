import type { ToldFinding, WorthyRemedy } from '@warm-ladder/core/review';
import { Wand2 } from 'lucide-react';
import { memo, useState } from 'react';
import { SeverityMark } from '../../parts/SeverityMark';

interface FindingsPanelProps {
  readonly findings: readonly ToldFinding[];
  readonly onPoint: (ids: readonly string[]) => void;
  readonly onGo: (id: string) => void;
  /** Ways to mend it, worked out now: each is tried on the class as it is. */
  readonly onAsk: (finding: ToldFinding) => readonly WorthyRemedy[];
  readonly onMend: (remedy: WorthyRemedy) => void;
}

/** Findings shown before the rest is asked for: the gravest, and more than a sound class ever has. */
const SHOWN = 16;

/** What the review says, gravest first, each with the blocks it points at and, when asked, what would mend it. */
export const FindingsPanel = memo(function FindingsPanel({ findings, ...does }: FindingsPanelProps) {
  const [all, setAll] = useState(false);
  return (
    <section aria-label="Findings" className="flex min-h-0 flex-col">
      <h2 className="font-name text-lg font-semibold">
        {findings.length === 0
          ? 'Nothing to mend'
          : `${findings.length} ${findings.length === 1 ? 'finding' : 'findings'}`}
      </h2>
      {findings.length === 0 && (
        <p className="mt-1 text-moss">It fits the clock, treats both sides alike and earns its steps.</p>
      )}
      <ul className="mt-1 flex flex-col divide-y divide-line">
        {findings.slice(0, all ? undefined : SHOWN).map((finding, i) => (
          <FindingItem key={`${finding.code}-${finding.ids.join()}-${i}`} finding={finding} {...does} />
        ))}
      </ul>
      {!all && findings.length > SHOWN && (
        <button type="button" className="action mt-1 self-start text-sm" onClick={() => setAll(true)}>
          {findings.length - SHOWN} more
        </button>
      )}
    </section>
  );
});

interface FindingItemProps extends Omit<FindingsPanelProps, 'findings'> {
  readonly finding: ToldFinding;
}

/** Drawn again only when it says something else: a review makes every finding anew, most of them the same. */
const FindingItem = memo(
  function FindingItem({ finding, onPoint, onGo, onAsk, onMend }: FindingItemProps) {
    const [remedies, setRemedies] = useState<readonly WorthyRemedy[] | null>(null);
    const { ids, blocks } = finding;
    return (
      <li className="py-2" onPointerEnter={() => onPoint(ids)} onPointerLeave={() => onPoint([])}>
        <p>
          <SeverityMark severity={finding.severity} /> {finding.message}
        </p>
        <p className="mt-1 flex flex-wrap gap-1.5 text-sm">
          {ids.slice(0, 8).map((id, i) => (
            <button
              key={id}
              type="button"
              className="rounded bg-shade px-1.5 hover:bg-line"
              onFocus={() => onPoint(ids)}
              onBlur={() => onPoint([])}
              onClick={() => onGo(id)}
            >
              block {(blocks[i] ?? 0) + 1}
            </button>
          ))}
          {remedies === null ? (
            finding.mends && (
              <button
                type="button"
                className="inline-flex items-center gap-1 rounded px-1.5 underline decoration-dotted underline-offset-4 hover:bg-shade"
                onClick={() => setRemedies(onAsk(finding))}
              >
                <Wand2 className="size-3.5" aria-hidden="true" /> How to mend it
              </button>
            )
          ) : (
            <span className="contents" aria-live="polite">
              {remedies.length === 0 && <span className="text-soft">No single change makes the class better.</span>}
              {remedies.map((remedy) => (
                <button
                  key={remedy.label}
                  type="button"
                  className="inline-flex items-start gap-1 rounded border border-line px-1.5 text-left hover:border-ink"
                  onClick={() => onMend(remedy)}
                >
                  <Wand2 className="mt-0.5 size-3.5 shrink-0" aria-hidden="true" />
                  {remedy.label}
                </button>
              ))}
            </span>
          )}
        </p>
      </li>
    );
  },
  (before, after) =>
    before.finding.message === after.finding.message &&
    before.finding.severity === after.finding.severity &&
    before.finding.ids.join() === after.finding.ids.join() &&
    before.finding.blocks.join() === after.finding.blocks.join(),
);
