import { startAutosave } from '../saving/autosave';
import { holdTab } from '../saving/tabs';
import { startFeed } from '../store/feed';
import { store } from '../store/store';
import { kept, loadStudio } from '../store/studio';

/** Fetches the studio, and from then on keeps, sends and hears what is changed in it. @returns once it is here, or not */
export async function startStudio(): Promise<void> {
  holdTab();
  // Without it nothing is kept in this browser, and that is said before anything is lost.
  void import('../saving/keeping').then(
    ({ startKeeping }) => startKeeping(store),
    () => store.dispatch(kept(false)),
  );
  startAutosave(store);
  startFeed(store);
  await store.dispatch(loadStudio());
}
