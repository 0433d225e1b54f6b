import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { startAutosave } from './app/autosave';
import { router } from './app/routes';
import { store } from './app/store';
import { loadStudio } from './app/studio';
import './theme.css';

startAutosave(store);
store.dispatch(loadStudio());

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
);
