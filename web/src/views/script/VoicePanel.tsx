import type { PlanEdit } from '@warm-ladder/core/plan';
import type { VoiceFinding } from '@warm-ladder/core/voice';
import { useState } from 'react';
import { SeverityMark } from '../../parts/classes/SeverityMark';

interface VoicePanelProps {
  readonly findings: readonly VoiceFinding[];
  readonly onMend: (edits: readonly PlanEdit[], label: string) => void;
  /** Shows the block it is about. */
  readonly onGo: (block: number) => void;
}

/** Findings shown before the rest is asked for. */
const SHOWN = 2;

/** What the language review says of the script, the gravest first, each with what would mend it where an edit can. */
export function VoicePanel({ findings, onMend, onGo }: VoicePanelProps) {
  const [all, setAll] = useState(false);
  if (findings.length === 0)
    return <p className="no-print mt-2 text-moss">Everything is said, and it fits the breath.</p>;
  return (
    <section aria-label="What is said" className="no-print mt-3 border-t border-line pt-2">
      <h2 className="font-name text-lg font-semibold">
        {findings.length === 1 ? '1 thing to look at' : `${findings.length} things to look at`} in what is said
      </h2>
      <ul className="mt-1 flex flex-col divide-y divide-line/60">
        {findings.slice(0, all ? undefined : SHOWN).map((finding, i) => (
          <li key={`${finding.code} ${finding.ids.join()} ${i}`} className="py-1.5">
            <p>
              <SeverityMark severity={finding.severity} /> {finding.message}
            </p>
            <p className="flex flex-wrap gap-1.5 text-sm">
              {finding.blocks.map((block) => (
                <button
                  key={block}
                  type="button"
                  className="rounded bg-shade px-1.5 hover:bg-line"
                  onClick={() => onGo(block)}
                >
                  block {block + 1}
                </button>
              ))}
              {finding.remedies.map(({ label, edits }) => (
                <button
                  key={label}
                  type="button"
                  className="rounded px-1.5 underline decoration-dotted underline-offset-4 hover:bg-shade"
                  onClick={() => onMend(edits, label)}
                >
                  {label}
                </button>
              ))}
            </p>
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
