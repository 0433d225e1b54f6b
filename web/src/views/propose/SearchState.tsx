interface SearchStateProps {
  /** Why there is no answer, or not all of it. */
  readonly trouble: string | null;
  readonly share: number | null;
  readonly onStop: () => void;
}

/** How far a search is, with the way to stop it; or why there is no more. */
export function SearchState({ trouble, share, onStop }: SearchStateProps) {
  return (
    <>
      {share !== null && (
        <div className="mt-6 flex items-center gap-4">
          <progress aria-label="How far it is" className="h-2 w-64 accent-cobalt" value={share} max={1} />
          <span className="text-soft">{Math.round(share * 100)} %</span>
          <button type="button" className="action text-sm" onClick={onStop}>
            Stop
          </button>
        </div>
      )}
      {trouble !== null && (
        <p role="alert" className="mt-6">
          {trouble}
        </p>
      )}
    </>
  );
}
