import { startAutosave } from './autosave';
import { startFeed } from './feed';
import { store } from './store';
import { kept, loadStudio } from './studio';
import { holdTab } from './tabs';

/** Fetches the studio, and from then on keeps, sends and hears what is changed in it. @returns once it is here, or not */
export async function startStudio(): Promise<void> {
  holdTab();
  // Without it nothing is kept in this browser, and that is said before anything is lost.
  void import('./keeping').then(
    ({ startKeeping }) => startKeeping(store),
    () => store.dispatch(kept(false)),
  );
  startAutosave(store);
  startFeed(store);
  await store.dispatch(loadStudio());
}
