import type { Audience } from '@warm-ladder/core/plan';
import { Plus } from 'lucide-react';
import { NavLink, useNavigate, useParams } from 'react-router';
import { useChange } from '../../app/edits';
import { newId } from '../../app/freeId';
import { LostPage } from '../../app/LostPage';
import { selectAudiences } from '../../app/selectors';
import { useAppSelector } from '../../app/store';
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
