import {
  type AbdominalCheck,
  agoText,
  type CheckLimits,
  daysBetween,
  type PersonReading,
  readChecks,
} from '@warm-ladder/core/caution';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { today } from '../../app/today';
import { DeleteButton } from '../../parts/DeleteButton';
import { Choice } from '../../parts/fields/Choice';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';

interface CheckRecordProps {
  readonly checks: readonly AbdominalCheck[];
  /** What the house takes into class. */
  readonly limits: CheckLimits;
  readonly onChange: (checks: AbdominalCheck[]) => void;
}

/** A day as people here write it. */
const DAY = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
const dayText = (date: string) => DAY.format(new Date(`${date}T00:00Z`));

/** Neutral letters that tell people apart and name nobody. */
const MARKS = Array.from({ length: 26 }, (_, i) => String.fromCharCode(65 + i));

const WHOSE = [['', 'of one person'], ...MARKS.map((mark) => [mark, `of ${mark}`] as const)] as const;

/** How a person is told: by the letter, or as the one whose checks have none. */
const personWords = (mark: string | undefined): string => (mark === undefined ? 'one person' : mark);

/** The dated record of finger-width checks, person by person: each one's latest counts, and the worst of them decides. */
export function CheckRecord({ checks, limits, onChange }: CheckRecordProps) {
  const day = today();
  const { clear, reason, persons } = readChecks(checks, limits, day);
  const blank = { date: null, fingers: limits.fingerWidth, checkedBy: '' };
  // Today until another day is chosen, also when today has become another day.
  const [made, setMade] = useState<Omit<AbdominalCheck, 'date'> & { date: string | null }>(blank);
  const date = made.date ?? day;
  const ahead = date > day;
  const whole = made.checkedBy.trim() !== '' && date !== '' && !ahead;
  const newestFirst = checks.toSorted((a, b) => (a.date < b.date ? 1 : -1));
  return (
    <section aria-label="Finger-width check" className="mt-5 border-l-4 border-ink pl-4">
      <h3 className="font-name text-lg font-semibold">Finger-width check</h3>
      <p className={clear ? 'text-moss' : 'font-semibold text-alarm'}>
        {clear
          ? `Everybody on record is within the house limit of ${limits.fingerWidth}.`
          : `Ask a professional first. ${reason} See a women’s-health physiotherapist or a midwife before class.`}
      </p>
      {persons.length > 0 && (
        <ul aria-label="Latest check of each person" className="mt-1 flex flex-wrap gap-2 text-[15px]">
          {persons.map((person) => (
            <li
              key={person.mark ?? ''}
              className={`rounded border px-2 ${person.clear ? 'border-moss text-moss' : 'border-alarm font-semibold text-alarm'}`}
            >
              {personWords(person.mark)}: {latestWords(person, day)}
            </li>
          ))}
        </ul>
      )}
      <p className="mt-1 max-w-prose text-[15px] text-soft">
        Each person has a letter, never a name. One person’s check never clears another.
      </p>
      <div className="overflow-x-auto">
        <table className="mt-2 w-full max-w-2xl text-left text-[15px] [&_td]:pr-2 [&_td]:align-top [&_th]:pr-2 sm:[&_td]:pr-3 sm:[&_th]:pr-3">
          <thead className="text-soft">
            <tr>
              <th className="font-normal">Of</th>
              <th className="font-normal">Day</th>
              <th className="font-normal">Fingers</th>
              <th className="font-normal">Doming</th>
              <th className="font-normal">Checked by</th>
              <th className="hidden font-normal sm:table-cell">Note</th>
              <th>
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {newestFirst.map((check, i) => (
              <tr key={`${check.date}-${i}`} className="border-t border-line">
                <td className="sm:whitespace-nowrap">{personWords(check.mark)}</td>
                <td className="sm:whitespace-nowrap">{dayText(check.date)}</td>
                <td>{check.fingers}</td>
                <td>{check.doming ? 'yes' : 'no'}</td>
                <td>{check.checkedBy}</td>
                <td className="hidden text-soft sm:table-cell">{check.note}</td>
                <td className="text-right">
                  <DeleteButton
                    words={`Remove the check of ${personWords(check.mark)}, ${check.date}`}
                    onPress={() => onChange(checks.filter((each) => each !== check))}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <form
        className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          if (!whole) return;
          onChange([...checks, { ...made, date, checkedBy: made.checkedBy.trim() }]);
          setMade(blank);
        }}
      >
        <Choice
          label="Whose check"
          value={made.mark ?? ''}
          choices={WHOSE}
          onChange={(chosen) => {
            const { mark: _old, ...rest } = made;
            setMade(chosen === '' ? rest : { ...rest, mark: chosen });
          }}
        />
        <label>
          Day{' '}
          <input
            type="date"
            className="field"
            value={date}
            max={day}
            onChange={({ target }) => setMade({ ...made, date: target.value })}
          />
        </label>
        <span>
          <NumberField
            label="Fingers"
            value={made.fingers}
            limits={LIMITS.AbdominalCheck.fingers}
            step={0.5}
            className="w-12"
            onChange={(fingers) => setMade({ ...made, fingers })}
          />{' '}
          fingers
        </span>
        <label className="inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={made.doming ?? false}
            onChange={({ target }) => setMade({ ...made, doming: target.checked })}
          />
          doming
        </label>
        <label>
          by{' '}
          <input
            className="field w-48"
            placeholder="who did it"
            value={made.checkedBy}
            onChange={({ target }) => setMade({ ...made, checkedBy: target.value })}
          />
        </label>
        {ahead && (
          <span role="alert" className="text-alarm">
            A check is written down when it is made: expected today or earlier.
          </span>
        )}
        <button type="submit" className="action text-sm" disabled={!whole}>
          <Plus className="size-4" aria-hidden="true" /> Keep the check
        </button>
      </form>
    </section>
  );
}

/** A person's latest check in few words. @example '2 fingers, 3 weeks ago' */
function latestWords({ latest }: PersonReading, day: string): string {
  if (!latest) return 'none yet';
  const width = `${latest.fingers} ${latest.fingers === 1 ? 'finger' : 'fingers'}`;
  return `${width}${latest.doming ? ', domed' : ''}, ${agoText(daysBetween(latest.date, day))}`;
}
