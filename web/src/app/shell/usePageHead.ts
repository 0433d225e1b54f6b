import { useEffect } from 'react';
import { useLocation, useNavigationType } from 'react-router';
import { pageOf } from '../menus/places';

const STUDIO = document.title;

/**
 * Each page is called by its heading, in the title of the window too. What one goes to by a link begins at its top, with
 * its heading under the hand; what one goes back to stays where it was left.
 */
export function usePageHead(): void {
  const page = pageOf(useLocation().pathname);
  const way = useNavigationType();
  // biome-ignore lint/correctness/useExhaustiveDependencies: a page is arrived at once.
  useEffect(() => {
    let watched: MutationObserver | null = null;
    const named = (heading: Element) => {
      document.title = `${heading.textContent} · ${STUDIO}`;
    };
    const arrive = (): boolean => {
      const heading = document.querySelector<HTMLElement>('main h1');
      if (!heading) return false;
      named(heading);
      watched?.disconnect();
      // A class may be given another name while it is looked at.
      watched = new MutationObserver(() => named(heading));
      watched.observe(heading, { characterData: true, childList: true, subtree: true });
      if (way !== 'PUSH') return true;
      window.scrollTo(0, 0);
      const held = document.activeElement;
      // A view that has a field to begin with has taken the hand there already.
      if (held?.closest('main, [role=dialog]')) return true;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
      return true;
    };
    if (!arrive()) {
      watched = new MutationObserver(arrive);
      watched.observe(document.body, { childList: true, subtree: true });
    }
    return () => watched?.disconnect();
  }, [page]);
}
