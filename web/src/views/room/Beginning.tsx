import { useEffect, useState } from 'react';
import { PeopleField } from './PeopleField';

interface BeginningProps {
  /** What to have at hand, in words. */
  readonly props: string;
  readonly onChange: (begun: { readonly late: number; readonly present: number | undefined }) => void;
}

/** Minutes a class may begin late; what is farther off is another class. */
const MOST_LATE = 60;

/** Before a class begins: when it should, and how many are there. */
export function Beginning({ props, onChange }: BeginningProps) {
  const [due, setDue] = useState(() => new URLSearchParams(location.search).get('at') ?? '');
  const [present, setPresent] = useState('');
  const [minute, setMinute] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setMinute(Date.now()), 1_000);
    return () => clearInterval(timer);
  }, []);
  const late = lateBy(due, minute);
  useEffect(() => onChange({ late, present: present === '' ? undefined : Number(present) }), [late, present, onChange]);
  return (
    <form
      className="flex flex-wrap items-center gap-x-6 gap-y-2 px-4 pt-3 text-lg"
      onSubmit={(event) => event.preventDefault()}
    >
      <p className="basis-full text-soft">Have at hand: {props}.</p>
      <label>
        Should begin at{' '}
        <input
          type="time"
          className="rounded border border-line bg-sheet px-2 py-1"
          value={due}
          onChange={({ target }) => setDue(target.value)}
        />
      </label>
      <PeopleField label="People here" value={present} onChange={setPresent} />
      {late >= 60 && <p className="text-cobalt">{Math.floor(late / 60)} min late already: it ends when it should.</p>}
    </form>
  );
}

/** Seconds since a time of today, `HH:MM`; none before it, and none where it is no time. */
function lateBy(due: string, now: number): number {
  const [hours, minutes] = due.split(':').map(Number);
  if (hours === undefined || minutes === undefined || Number.isNaN(hours + minutes)) return 0;
  const begin = new Date(now).setHours(hours, minutes, 0, 0);
  const late = Math.round((now - begin) / 1000);
  return late > 0 && late <= MOST_LATE * 60 ? late : 0;
}
