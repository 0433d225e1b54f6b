import { createBrowserRouter, redirect } from 'react-router';
import { LostPage } from './LostPage';
import { Shell } from './Shell';

/** Each view is its own file of the build, fetched when it is first opened. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <LostPage />,
    hydrateFallbackElement: <p className="p-10 text-soft">Opening the studio…</p>,
    children: [
      { index: true, loader: () => redirect('/class') },
      { path: 'repertoire/:exercise?', lazy: () => import('../views/repertoire/RepertoireView') },
      { path: 'compare', lazy: () => import('../views/compare/CompareView') },
      { path: 'edit/:exercise/:rung?', lazy: () => import('../views/editor/EditorView') },
      { path: 'audiences/:id?', lazy: () => import('../views/audiences/AudiencesView') },
      { path: 'method', lazy: () => import('../views/method/MethodView') },
      { path: 'class', lazy: () => import('../views/class/ClassList') },
      { path: 'class/:id', lazy: () => import('../views/class/ClassView') },
      { path: 'script/:id?', lazy: () => import('../views/script/ScriptView') },
      { path: 'series/:id?', lazy: () => import('../views/series/SeriesView') },
      { path: '*', element: <LostPage /> },
    ],
  },
]);
