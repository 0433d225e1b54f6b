import { Component, type ComponentType, type ReactNode } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { whenIdle } from './idle';
import { AwayPage, LostPage } from './LostPage';
import { fetchParts, lazily } from './lazily';
import { Shell } from './Shell';

/** Each view is its own file of the build, fetched when it is first opened. */
const VIEWS = {
  'repertoire/:exercise?': () => import('../../views/repertoire/RepertoireView'),
  cues: () => import('../../views/cues/CuesView'),
  compare: () => import('../../views/compare/CompareView'),
  'edit/:exercise/:rung?': () => import('../../views/editor/EditorView'),
  'audiences/:id?': () => import('../../views/audiences/AudiencesView'),
  teachers: () => import('../../views/teachers/TeachersView'),
  method: () => import('../../views/method/MethodView'),
  'method/positions': () => import('../../views/method/PositionsView'),
  propose: () => import('../../views/propose/ProposeView'),
  class: () => import('../../views/class/ClassList'),
  'class/:id': () => import('../../views/class/ClassView'),
  versions: () => import('../../views/versions/VersionsView'),
  'room/:id': () => import('../../views/script/RoomCardView'),
  'rehearse/:id': () => import('../../views/room/RoomView'),
  'teach/:id': () => import('../../views/room/RoomView'),
  phones: () => import('../../views/phones/PhonesView'),
  logs: () => import('../../views/taught/LogsView'),
  'taught/:id': () => import('../../views/taught/TaughtView'),
  'script/:id?': () => import('../../views/script/ScriptView'),
  'series/plan': () => import('../../views/propose/PlanSeriesView'),
  calendar: () => import('../../views/calendar/CalendarView'),
  history: () => import('../../views/history/HistoryView'),
  shelf: () => import('../../views/shelf/ShelfView'),
  'series/:id?': () => import('../../views/series/SeriesView'),
};

const PAGES = Object.entries(VIEWS).map(([path, view]) => ({ path, View: lazily(paged(view), AwayPage) }));

/** A view as `lazy` takes one. */
function paged(view: () => Promise<{ readonly Component: ComponentType }>) {
  return async () => ({ default: (await view()).Component });
}

/** Every address of the desk. What can't be shown leaves the way back in sight. */
function Pages() {
  const location = useLocation();
  return (
    <Failing at={location}>
      <Routes>
        <Route element={<Shell />}>
          <Route index element={<Navigate to="/class" replace />} />
          {PAGES.map(({ path, View }) => (
            <Route
              key={path}
              path={path}
              element={
                <Failing at={location}>
                  <View />
                </Failing>
              }
            />
          ))}
          <Route path="*" element={<LostPage />} />
        </Route>
      </Routes>
    </Failing>
  );
}

export const Desk = () => (
  <BrowserRouter>
    <Pages />
  </BrowserRouter>
);

interface Place {
  /** Where the page is; another place is tried anew. */
  readonly at: unknown;
  readonly children: ReactNode;
}

/** Shows what failed in place of what is in it, until the page is elsewhere. */
class Failing extends Component<Place, { readonly error: unknown; readonly at: unknown }> {
  override state = { error: undefined, at: this.props.at };
  static getDerivedStateFromError = (error: unknown) => ({ error: error ?? new Error('It failed without a word.') });
  static getDerivedStateFromProps = ({ at }: Place, state: { readonly at: unknown }) =>
    at === state.at ? null : { at, error: undefined };
  override render() {
    const { error } = this.state;
    return error === undefined ? this.props.children : <LostPage error={error} />;
  }
}

/** Fetches every view while the hand rests, so that the next one opens though the server has gone away. */
export function fetchViews(): void {
  whenIdle(() => void fetchParts(), 3_000);
}
