const PLACES = [
  ['findings', 'To the findings'],
  ['add', 'To adding'],
] as const;

/** For who goes by keys: past the blocks. Seen only while one has the focus. */
export function SkipLinks() {
  return (
    <nav aria-label="On this page" className="contents">
      <button type="button" className={SKIP} onClick={() => firstTile()?.focus()}>
        To the blocks
      </button>
      {PLACES.map(([id, words]) => (
        <button key={id} type="button" className={SKIP} onClick={() => document.getElementById(id)?.focus()}>
          {words}
        </button>
      ))}
    </nav>
  );
}

const SKIP = 'action action-main sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-40 focus:flex';

/** The tile worked on, or the first. */
const firstTile = () => document.querySelector<HTMLElement>('[id^=block-][tabindex="0"]');
