import type { Audience, Room } from '@warm-ladder/core/plan';
import { countText } from '@warm-ladder/core/vocabulary';
import { Plus } from 'lucide-react';
import { Link, NavLink, useNavigate, useParams } from 'react-router';
import { newId } from '../../app/freeId';
import { LostPage } from '../../app/shell/LostPage';
import { useChange } from '../../app/store/edits';
import { selectAudiences, selectProps, selectRooms, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { AudienceDesk } from './AudienceDesk';

/** Who the classes are for: each audience with its pace, its cautions, and what they leave of the repertoire. */
export function Component() {
  const { id } = useParams();
  const all = useAppSelector(selectAudiences);
  const change = useChange();
  const navigate = useNavigate();
  const audience = id === undefined ? all[0] : all.find((each) => each.id === id);
  const create = () => {
    // A mat is always there; what else is at hand is said.
    const made: Audience = { id: newId('New audience'), name: 'New audience', equipment: [] };
    change('audiences', made.id, made, 'making an audience');
    void navigate(`/audiences/${made.id}`);
  };
  if (id !== undefined && !audience) return <LostPage />;
  return (
    <main className="mx-auto grid w-full max-w-[1400px] gap-x-8 gap-y-4 px-4 py-4 lg:grid-cols-[15rem_minmax(0,1fr)]">
      <nav aria-label="Audiences">
        <h1 className="font-name text-3xl font-semibold">Audiences</h1>
        <ul className="mt-3 flex flex-wrap gap-1 lg:flex-col">
          {all.map((each) => (
            <li key={each.id}>
              <NavLink
                to={`/audiences/${each.id}`}
                className={`block rounded-md px-3 py-1.5 ${each.id === audience?.id ? 'bg-ink text-sheet' : 'hover:bg-shade'}`}
              >
                {each.name}
              </NavLink>
            </li>
          ))}
        </ul>
        <button type="button" className="action mt-3" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New audience
        </button>
        <WhereAndByWhom />
      </nav>
      {audience ? (
        <AudienceDesk key={audience.id} audience={audience} />
      ) : (
        <p className="max-w-prose text-soft">
          No audience yet. An audience is who a class is for: how fast they change position, how hard a rung they can
          all take, and what must be minded with them.
        </p>
      )}
    </main>
  );
}

/** Where classes are taught, with what, and by whom: what else is decided before a class is planned. */
function WhereAndByWhom() {
  const rooms = useAppSelector(selectRooms);
  const teachers = useAppSelector(selectTeachers);
  const props = useAppSelector(selectProps);
  const inside = ({ size, props: counts = {} }: Room) =>
    [
      ...(size === undefined ? [] : [countText(size, 'person', 'people')]),
      ...props.flatMap(({ id, name }) => (counts[id] ? [`${counts[id]} × ${name.toLowerCase()}`] : [])),
    ].join(', ');
  return (
    <section aria-label="Where, and by whom" className="mt-6 max-lg:hidden">
      <h2 className="font-semibold">Where</h2>
      <ul className="text-sm">
        {rooms.length === 0 && <li className="text-soft">No room yet.</li>}
        {rooms.map((room) => (
          <li key={room.id} className="mt-1">
            {room.name}
            <span className="block text-soft">{inside(room)}</span>
          </li>
        ))}
      </ul>
      <h2 className="mt-3 font-semibold">By whom</h2>
      <p className="text-sm">{teachers.map(({ name }) => name).join(', ') || 'Nobody yet.'}</p>
      <Link to="/teachers" className="mt-1 inline-block text-sm underline decoration-dotted underline-offset-4">
        Teachers and rooms
      </Link>
    </section>
  );
}
