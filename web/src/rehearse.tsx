import { studioOf } from '@warm-ladder/core/formats';
import { type SpokenClass, spokenIn } from '@warm-ladder/core/handouts';
import type { Rehearsed } from '@warm-ladder/core/taught';
import { StrictMode, useCallback, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { whenIdle } from './app/idle';
import { server } from './app/server';
import { Rehearsal } from './views/rehearse/Rehearsal';
import './theme.css';

/**
 * A rehearsal opened by its address: what a teacher opens on a phone, with no more code than it shows. The rest of the
 * app comes once it stands there, to keep what is timed.
 */
const id = decodeURIComponent(location.pathname.split('/')[2] ?? '');
const teacher = new URLSearchParams(location.search).get('teacher') ?? undefined;

let started: Promise<typeof import('./app/rehearsals')> | undefined;
function startApp() {
  started ??= import('./app/start').then(async ({ startStudio }) => {
    await startStudio();
    return import('./app/rehearsals');
  });
  return started;
}

async function keep(of: string, rehearsal: Rehearsed): Promise<boolean> {
  try {
    if ((await startApp()).keepRehearsal(of, rehearsal)) return true;
  } catch {
    // Said below, and tried again when asked.
  }
  started = undefined;
  return false;
}

type Opened = SpokenClass | 'opening' | 'away' | 'none';

function Page() {
  const [spoken, setSpoken] = useState<Opened>('opening');
  const open = useCallback(() => {
    setSpoken('opening');
    server.studio(id).then(
      ({ bundle }) => {
        setSpoken(spokenIn(studioOf(bundle, { teacher }), id) ?? 'none');
        whenIdle(() => void startApp().catch(() => undefined), 1_000);
      },
      () => setSpoken('away'),
    );
  }, []);
  useEffect(open, [open]);
  if (spoken === 'opening') return <p className="p-10 text-soft">Opening the studio…</p>;
  if (spoken === 'away' || spoken === 'none') {
    return (
      <main className="mx-auto max-w-xl p-10">
        <h1 className="font-name text-3xl">
          {spoken === 'away' ? 'The studio’s server does not answer' : 'This class does not exist'}
        </h1>
        {spoken === 'away' ? (
          <button type="button" className="action action-main mt-4" onClick={open}>
            Try again
          </button>
        ) : (
          <a className="action mt-4" href="/class">
            All classes
          </a>
        )}
      </main>
    );
  }
  return (
    <Rehearsal
      spoken={spoken}
      Go={({ to, className, children }) => (
        <a href={to} className={className}>
          {children}
        </a>
      )}
      onKeep={keep}
    />
  );
}

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <Page />
  </StrictMode>,
);
