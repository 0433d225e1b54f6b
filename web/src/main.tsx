import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { Desk, fetchViews } from './app/shell/routes';
import { startStudio } from './app/shell/start';
import { startRest } from './app/store/rest';
import { store } from './app/store/store';
import './theme.css';

startRest(store);
void startStudio().then(fetchViews);

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <Desk />
    </Provider>
  </StrictMode>,
);
