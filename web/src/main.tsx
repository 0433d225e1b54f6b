import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { startRest } from './app/rest';
import { Desk, fetchViews } from './app/routes';
import { startStudio } from './app/start';
import { store } from './app/store';
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
