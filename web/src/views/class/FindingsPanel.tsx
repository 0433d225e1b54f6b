import type { Finding, Remedy } from '@warm-ladder/core/review';
import { Wand2 } from 'lucide-react';
import { memo, useState } from 'react';
import { SeverityMark } from '../../parts/SeverityMark';

interface FindingsPanelProps {
  readonly findings: readonly Finding[];
  readonly onPoint: (blocks: readonly number[]) => void;
  readonly onGo: (block: number) => void;
  readonly onMend: (remedy: Remedy) => void;
}

/** Findings shown before the rest is asked for: the gravest, and more than a sound class ever has. */
const SHOWN = 16;

/** What the review says, gravest first, each with the blocks it points at and what would mend it. */
export const FindingsPanel = memo(function FindingsPanel({ findings, onPoint, onGo, onMend }: FindingsPanelProps) {
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
          <FindingItem key={`${finding.code}-${i}`} finding={finding} onPoint={onPoint} onGo={onGo} onMend={onMend} />
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
  readonly finding: Finding;
}

/** Drawn again only when it says something else: a review makes every finding anew, most of them the same. */
const FindingItem = memo(
  function FindingItem({ finding, onPoint, onGo, onMend }: FindingItemProps) {
    return (
      <li className="py-2" onPointerEnter={() => onPoint(finding.blocks)} onPointerLeave={() => onPoint([])}>
        <p>
          <SeverityMark severity={finding.severity} /> {finding.message}
        </p>
        <p className="mt-1 flex flex-wrap gap-1.5 text-sm">
          {finding.blocks.slice(0, 8).map((block) => (
            <button
              key={block}
              type="button"
              className="rounded bg-shade px-1.5 hover:bg-line"
              onFocus={() => onPoint(finding.blocks)}
              onBlur={() => onPoint([])}
              onClick={() => onGo(block)}
            >
              block {block + 1}
            </button>
          ))}
          {finding.remedies.map((remedy) => (
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
        </p>
      </li>
    );
  },
  (before, after) => JSON.stringify(before.finding) === JSON.stringify(after.finding),
);
