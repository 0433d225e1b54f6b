import { classShownAt } from '@warm-ladder/core/formats';
import { Redo2, Undo2 } from 'lucide-react';
import { Suspense, useCallback, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useParams } from 'react-router';
import { ElsewhereQuestion } from '../history/ElsewhereQuestion';
import { useUndo } from '../history/useUndo';
import { useReadiness } from '../measured';
import { ShortcutsButton } from '../menus/ShortcutsButton';
import { useShortcuts } from '../menus/useShortcuts';
import { selectCatalog, selectClass, selectWhole } from '../store/selectors';
import { useAppDispatch, useAppSelector } from '../store/store';
import { loadStudio, pageShown } from '../store/studio';
import { reloadPage, useNewerBuild } from './build';
import { GoneNotice } from './GoneNotice';
import { lazily } from './lazily';
import { NoticeLine } from './NoticeLine';
import { SaveState } from './SaveState';
import { usePageHead } from './usePageHead';

// Menus come with a library of their own: a view shows before it does.
const ConflictDialog = lazily(() => import('../history/ConflictDialog'));
const Palette = lazily(() => import('../menus/Palette'));
const FileMenu = lazily(() => import('../menus/FileMenu'));
const ImportDialog = lazily(() => import('../import/ImportDialog'));

/** The working order of the director; a script and a class of the same name stand one step apart. */
export function Shell() {
  const { id } = useParams();
  const open = useAppSelector((state) => selectClass(state, id)) ? `/${id}` : '';
  const views = [
    { to: '/method', name: 'Method' },
    { to: '/audiences', name: 'Audiences' },
    { to: '/repertoire', name: 'Repertoire' },
    { to: `/class${open}`, name: 'Class' },
    { to: `/script${open}`, name: 'Script' },
    { to: '/series', name: 'Series' },
  ];
  usePageHead();
  usePageShown();
  const whole = useAppSelector(selectWhole);
  const [going, setGoing] = useState(false);
  const [importing, setImporting] = useState(false);
  useShortcuts(useCallback(() => setGoing(true), []));
  return (
    <div className="flex min-h-dvh flex-col desk:has-[>[data-desk]]:h-dvh">
      <header className="no-print flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-line px-4 py-2 max-sm:px-2">
        <NavLink to="/class" className="flex items-center gap-2 font-name text-xl font-semibold">
          <img src="/mark.svg" alt="" className="size-7" />
          <span className="max-sm:sr-only">Warm Ladder</span>
        </NavLink>
        <nav aria-label="Working order" className="order-3 w-full sm:order-none sm:w-auto">
          <ol className="flex flex-wrap gap-1 max-sm:justify-between max-sm:gap-0">
            {views.map(({ to, name }) => (
              <li key={name}>
                <NavLink
                  to={to}
                  className={({ isActive }) =>
                    `rounded-full px-3 py-1 max-sm:text-sm ${isActive ? 'bg-ink text-sheet max-sm:px-2' : 'hover:bg-shade max-sm:px-1'}`
                  }
                >
                  {name}
                </NavLink>
              </li>
            ))}
          </ol>
        </nav>
        <div className="ml-auto flex items-center gap-2">
          <SaveState />
          <UndoButtons />
          <Suspense fallback={<span className="action">Studio</span>}>
            {whole ? <FileMenu onImport={() => setImporting(true)} /> : <span className="action">Studio</span>}
          </Suspense>
          <button
            type="button"
            className="hidden rounded px-1.5 py-0.5 text-sm text-soft hover:bg-shade lg:block"
            onClick={() => setGoing(true)}
          >
            Go to or do… <kbd className="font-work">Ctrl K</kbd>
          </button>
          <ShortcutsButton />
        </div>
      </header>
      <NewerBuild />
      <StudioGate />
      <NoticeLine />
      <GoneNotice />
      <ElsewhereQuestion />
      {going && (
        <Suspense>
          <Palette onClose={() => setGoing(false)} onImport={() => setImporting(true)} />
        </Suspense>
      )}
      {importing && (
        <Suspense>
          <ImportDialog close={() => setImporting(false)} />
        </Suspense>
      )}
      <Suspense>
        <ConflictDialog />
      </Suspense>
    </div>
  );
}

/** The view, once the studio is here; what is happening until then. */
function StudioGate() {
  const { status, only, away } = useAppSelector(({ studio }) => studio);
  const { pathname } = useLocation();
  const dispatch = useAppDispatch();
  const here = only === null || classShownAt(pathname) === only;
  if (status === 'failed' || (away && !here)) {
    return (
      <main className="mx-auto max-w-xl p-10">
        <h1 className="font-name text-3xl">The studio’s server does not answer</h1>
        <p className="mt-3">Start it again where it runs; nothing is lost meanwhile.</p>
        <button type="button" className="action action-main mt-4" onClick={() => dispatch(loadStudio())}>
          Try again
        </button>
      </main>
    );
  }
  if (status === 'loading' || !here) return <p className="p-10 text-soft">Opening the studio…</p>;
  return (
    <>
      <Readiness />
      <Suspense fallback={<p className="p-10 text-soft">Opening the studio…</p>}>
        <Outlet />
      </Suspense>
    </>
  );
}

/** The server was upgraded under this page. */
function NewerBuild() {
  if (!useNewerBuild()) return null;
  return (
    <p role="status" className="no-print flex flex-wrap items-center gap-3 bg-ink px-4 py-1.5 text-sheet">
      There is a newer version of this page. Your work is kept.
      <button type="button" className="rounded border border-sheet/50 px-3 py-0.5" onClick={reloadPage}>
        Load it
      </button>
    </p>
  );
}

/** Whatever is in sight, the repertoire is made ready meanwhile. */
function Readiness() {
  useReadiness(useAppSelector(selectCatalog));
  return null;
}

/** What is done from here on is done on this page. */
function usePageShown() {
  const { pathname } = useLocation();
  const dispatch = useAppDispatch();
  useEffect(() => {
    dispatch(pageShown(pathname));
  }, [pathname, dispatch]);
}

function UndoButtons() {
  const undo = useUndo();
  const whole = useAppSelector(selectWhole);
  const past = useAppSelector(({ studio }) => (whole ? studio.past.at(-1)?.label : undefined));
  const future = useAppSelector(({ studio }) => (whole ? studio.future.at(-1)?.label : undefined));
  const look = 'rounded p-1.5 hover:bg-shade disabled:opacity-35 disabled:hover:bg-transparent';
  return (
    <>
      <button
        type="button"
        className={look}
        disabled={past === undefined}
        onClick={() => undo('back')}
        title={past ? `Undo: ${past}` : 'Nothing to undo'}
      >
        <Undo2 className="size-5" aria-hidden="true" />
        <span className="sr-only">Undo{past ? `: ${past}` : ''}</span>
      </button>
      <button
        type="button"
        className={look}
        disabled={future === undefined}
        onClick={() => undo('forward')}
        title={future ? `Redo: ${future}` : 'Nothing to redo'}
      >
        <Redo2 className="size-5" aria-hidden="true" />
        <span className="sr-only">Redo{future ? `: ${future}` : ''}</span>
      </button>
    </>
  );
}
