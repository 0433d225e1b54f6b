/** Another step in the place of one: a step, and the outline of the one that comes for it. */
export function SwapMark({ className = 'size-4' }: { className?: string }) {
  return (
    <svg
      viewBox="0 0 20 20"
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="1.8"
      aria-hidden="true"
    >
      <path d="M2 12h8v5H2z" fill="currentColor" />
      <path d="M10 3h8v5h-8z" strokeDasharray="2.4 1.8" />
      <path d="M5 9V6.5C5 5.5 5.5 5 6.5 5M3.4 7.4 5 9l1.6-1.6" strokeLinecap="round" strokeLinejoin="round" />
    </svg>
  );
}
