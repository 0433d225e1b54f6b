import { whenIdle } from '../shell/idle';
import { type AppStore, type RootState, store } from './store';
import { loadStudio } from './studio';

/** Milliseconds before the rest is asked for again, where the server did not answer; before it is, in any case. */
const [AGAIN, AT_LAST] = [3_000, 1_000];

/** Once a page shows the class it was opened for, fetches the rest of the studio, for whatever is done next. */
export function startRest(all: AppStore): void {
  let asking = false;
  const ask = async () => {
    await all.dispatch(loadStudio(null));
    asking = false;
    if (all.getState().studio.only !== null) setTimeout(look, AGAIN);
  };
  const look = () => {
    const { status, only } = all.getState().studio;
    if (asking || status !== 'ready' || only === null) return;
    asking = true;
    whenIdle(() => void ask(), AT_LAST);
  };
  all.subscribe(look);
  look();
}

/** The state, once the whole studio is here. */
export function wholeStudio(): Promise<RootState> {
  const whole = () => {
    const state = store.getState();
    return state.studio.only === null ? state : null;
  };
  return new Promise((resolve) => {
    const now = whole();
    if (now) return resolve(now);
    const leave = store.subscribe(() => {
      const then = whole();
      if (!then) return;
      leave();
      resolve(then);
    });
  });
}
