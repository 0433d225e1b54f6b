import { createBrowserRouter, redirect } from 'react-router';
import { fetchedPart } from './build';
import { whenIdle } from './idle';
import { LostPage } from './LostPage';
import { fetchParts } from './lazily';
import { Shell } from './Shell';
import { server } from './server';

/** Each view is its own file of the build, fetched when it is first opened. */
const VIEWS = {
  'repertoire/:exercise?': () => import('../views/repertoire/RepertoireView'),
  cues: () => import('../views/cues/CuesView'),
  compare: () => import('../views/compare/CompareView'),
  'edit/:exercise/:rung?': () => import('../views/editor/EditorView'),
  'audiences/:id?': () => import('../views/audiences/AudiencesView'),
  teachers: () => import('../views/teachers/TeachersView'),
  method: () => import('../views/method/MethodView'),
  'method/positions': () => import('../views/method/PositionsView'),
  propose: () => import('../views/propose/ProposeView'),
  class: () => import('../views/class/ClassList'),
  'class/:id': () => import('../views/class/ClassView'),
  versions: () => import('../views/versions/VersionsView'),
  'room/:id': () => import('../views/script/RoomCardView'),
  'rehearse/:id': () => import('../views/rehearse/RehearseView'),
  'script/:id?': () => import('../views/script/ScriptView'),
  'series/plan': () => import('../views/propose/PlanSeriesView'),
  calendar: () => import('../views/calendar/CalendarView'),
  history: () => import('../views/history/HistoryView'),
  shelf: () => import('../views/shelf/ShelfView'),
  'series/:id?': () => import('../views/series/SeriesView'),
};

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <LostPage />,
    hydrateFallbackElement: <p className="p-10 text-soft">Opening the studio…</p>,
    children: [
      {
        // Inside the shell, so that what can't be shown leaves the way back in sight.
        errorElement: <LostPage />,
        children: [
          { index: true, loader: () => redirect('/class') },
          ...Object.entries(VIEWS).map(([path, view]) => ({
            path,
            lazy: () => fetchedPart<object>(view, server.health),
          })),
          { path: '*', element: <LostPage /> },
        ],
      },
    ],
  },
]);

/** Fetches every view while the hand rests, so that the next one opens though the server has gone away. */
export function fetchViews(): void {
  const fetchAll = async () => {
    for (const view of Object.values(VIEWS)) await view().catch(() => undefined);
    await fetchParts();
  };
  whenIdle(() => void fetchAll(), 3_000);
}
