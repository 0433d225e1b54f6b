import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { startAutosave } from './app/autosave';
import { startFeed } from './app/feed';
import { fetchViews, router } from './app/routes';
import { store } from './app/store';
import { kept, loadStudio } from './app/studio';
import { holdTab } from './app/tabs';
import './theme.css';

holdTab();
// Without it nothing is kept in this browser, and that is said before anything is lost.
void import('./app/keeping').then(
  ({ startKeeping }) => startKeeping(store),
  () => store.dispatch(kept(false)),
);
startAutosave(store);
startFeed(store);
void store.dispatch(loadStudio()).then(fetchViews);

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
);
