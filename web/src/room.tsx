import { studioOf } from '@warm-ladder/core/formats';
import { type SpokenClass, spokenIn } from '@warm-ladder/core/handouts';
import { StrictMode, useCallback, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { server } from './app/store/server';
import { keepOffline } from './offline/register';
import { ClassUnderWay, type WayProps } from './views/room/ClassUnderWay';
import { ReadScript } from './views/room/ReadScript';
import { Tonight } from './views/room/Tonight';
import './theme.css';

/**
 * What is taught today, and a class read, rehearsed or taught, opened by its address: what a teacher opens on a phone, with no more code than it shows.
 * Within the app it is `views/room/RoomView`.
 */
const [, page, named = ''] = location.pathname.split('/');
const id = decodeURIComponent(named);
const address = new URLSearchParams(location.search);
const teacher = address.get('teacher') ?? undefined;
const form = address.get('form') === 'short' ? 'short' : 'whole';

type Opened = SpokenClass | 'opening' | 'away' | 'none';

const Go = ({ to, className, children }: WayProps) => (
  <a href={to} className={className}>
    {children}
  </a>
);

/** Where a teacher comes from, and goes back to. */
const HOME = { to: '/tonight', words: 'Classes today' };

function OfClass() {
  const [spoken, setSpoken] = useState<Opened>('opening');
  const open = useCallback(() => {
    setSpoken('opening');
    server.studio(id, teacher).then(
      ({ bundle }) => setSpoken(spokenIn(studioOf(bundle, { teacher }), id, form) ?? 'none'),
      () => setSpoken('away'),
    );
  }, []);
  useEffect(open, [open]);
  if (spoken === 'opening') return <p className="dim min-h-dvh p-10 text-soft">Opening the class…</p>;
  if (spoken === 'away' || spoken === 'none') {
    return (
      <main className="dim min-h-dvh p-10">
        <h1 className="text-3xl font-semibold">
          {spoken === 'away' ? 'The studio’s server does not answer' : 'This class does not exist'}
        </h1>
        {spoken === 'away' ? (
          <button type="button" className="action action-main mt-4" onClick={open}>
            Try again
          </button>
        ) : (
          <a className="action mt-4" href="/tonight">
            Classes today
          </a>
        )}
      </main>
    );
  }
  if (page === 'read') return <ReadScript spoken={spoken} />;
  return <ClassUnderWay spoken={spoken} mode={page === 'teach' ? 'teach' : 'rehearse'} Go={Go} home={HOME} />;
}

keepOffline();

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(<StrictMode>{page === 'tonight' ? <Tonight /> : <OfClass />}</StrictMode>);
