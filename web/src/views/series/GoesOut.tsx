import { Link } from 'react-router';
import { selectWaiting } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';

/** The series as files: for its staff, for a calendar, for whoever shows it on demand. */
export function GoesOut({ id }: { readonly id: string }) {
  const waiting = useAppSelector(selectWaiting);
  if (waiting) return <p className="mt-3 text-soft">Files to hand out come once all is saved.</p>;
  const path = (what: string, query = '') => `/api/series/${encodeURIComponent(id)}/${what}${query}`;
  return (
    <p className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
      <a className="underline" href={path('sheets', `?today=${today()}`)} download>
        Term, sheets and room cards (PDF)
      </a>
      <a className="underline" href={path('calendar')} download>
        Calendar (iCalendar)
      </a>
      <a className="underline" href={path('package')} download>
        Package on demand (zip)
      </a>
      <Link className="underline" to={`/shelf?series=${id}`}>
        Play it on the shelf
      </Link>
    </p>
  );
}
