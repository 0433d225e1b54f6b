import { useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange } from '../../app/store/edits';

/** Makes a series without episodes and opens it. */
export function useCreateSeries() {
  const change = useChange();
  const navigate = useNavigate();
  return () => {
    const id = newId('New series');
    change('series', id, { id, name: 'New series', episodes: [] }, 'making a series');
    void navigate(`/series/${id}`);
  };
}
