import type { Severity } from '@warm-ladder/core/review';

const SEVERITY_WORDS: Readonly<Record<Severity, string>> = { stop: 'Stop', fix: 'Fix', look: 'Look' };

const LOOKS: Readonly<Record<Severity, { shape: string; className: string }>> = {
  stop: { shape: 'M4 4h12v12H4z', className: 'fill-alarm' },
  fix: { shape: 'M10 3 18 17H2z', className: 'fill-ink' },
  look: { shape: 'M10 3a7 7 0 1 1 0 14 7 7 0 0 1 0-14z', className: 'fill-soft' },
};

/** The path and colour of a severity, for drawing inside a picture. */
export const severityLook = (severity: Severity) => LOOKS[severity];

/** How grave a finding is: a square, a triangle or a dot, and its word. */
export function SeverityMark({ severity, word = true }: { severity: Severity; word?: boolean }) {
  const { shape, className } = LOOKS[severity];
  return (
    <span className="inline-flex items-center gap-1 font-semibold">
      <svg viewBox="0 0 20 20" className={`size-3.5 ${className}`} aria-hidden="true">
        <path d={shape} />
      </svg>
      <span className={word ? '' : 'sr-only'}>{SEVERITY_WORDS[severity]}</span>
    </span>
  );
}
