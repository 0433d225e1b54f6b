import { rulesOf, type Series, skippedStretches, taughtDays, WEEKDAYS, type Weekday } from '@warm-ladder/core/series';
import { type Parts, withPartsOrNone } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { selectAudiences, selectRooms, selectSeries, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { ChipSet } from '../../parts/fields/ChipSet';
import { Choice } from '../../parts/fields/Choice';
import { ChoicesButton } from '../../parts/fields/ChoicesButton';
import { LinesField } from '../../parts/fields/LinesField';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { Gone } from '../../parts/Gone';
import { dayText } from './dayText';
import { Goals } from './Goals';

type Schedule = NonNullable<Series['schedule']>;
type Put = (change: Parts<Series>, label: string, field?: string) => void;

interface SeriesPlanProps {
  readonly series: Series;
  readonly onPut: Put;
}

const DAY_WORDS: Readonly<Record<Weekday, string>> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};

const PER_CENT = { min: 0, max: 100, whole: true } as const;

/** Names of time zones that this browser knows. */
const ZONES: ReadonlyArray<readonly [string, string]> = [
  ['', 'the clock on the wall'],
  ...Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone] as const),
];

const zonesWith = (own = ''): typeof ZONES => (ZONES.some(([zone]) => zone === own) ? ZONES : [...ZONES, [own, own]]);

/** Who it is for, what it leads to, when and where it is taught: sentences that can be changed. */
export function SeriesPlan({ series, onPut }: SeriesPlanProps) {
  const audiences = useAppSelector(selectAudiences);
  const all = useAppSelector(selectSeries);
  return (
    <section aria-label="What the series is" className="mt-2 max-w-4xl text-[17px] leading-loose">
      <p>
        For{' '}
        <Choice
          label="Audience of the series"
          value={series.audience ?? ''}
          choices={[['', 'anyone'], ...audiences.map(({ id, name }) => [id, name] as const)]}
          onChange={(id) => onPut({ audience: id || undefined }, 'who the series is for', 'audience')}
        />
        {all.length > 1 && (
          <>
            , after{' '}
            <Choice
              label="The series it follows"
              value={series.follows ?? ''}
              choices={[
                ['', 'no other series'],
                ...all.filter(({ id }) => id !== series.id).map(({ id, name }) => [id, name] as const),
              ]}
              onChange={(id) => onPut({ follows: id || undefined }, 'what the series follows')}
            />
          </>
        )}
        . A rung is earned when it was taught <Times series={series} name="taught" onPut={onPut} /> and practised{' '}
        <Times series={series} name="practised" onPut={onPut} />; at most{' '}
        <NumberField
          label="New ladders an episode at most"
          value={rulesOf(series).newLadders}
          limits={LIMITS.SeriesRules.newLadders}
          className="w-9"
          onChange={(newLadders) => onPut({ rules: { ...series.rules, newLadders } }, 'the rules', 'new ladders')}
        />{' '}
        ladders are new in an episode. From the second on, at least{' '}
        <NumberField
          label="Per cent of the work known from before"
          value={Math.round(100 * rulesOf(series).recapShare)}
          limits={PER_CENT}
          className="w-10"
          onChange={(share) => onPut({ rules: { ...series.rules, recapShare: share / 100 } }, 'the rules', 'recap')}
        />{' '}
        % of the work is known; it rises by{' '}
        <NumberField
          label="Per cent that the work may rise"
          value={Math.round(100 * rulesOf(series).heatRise)}
          limits={{ ...PER_CENT, max: 500 }}
          className="w-10"
          onChange={(share) => onPut({ rules: { ...series.rules, heatRise: share / 100 } }, 'the rules', 'rise')}
        />{' '}
        % at most, and one episode in{' '}
        <NumberField
          label="One easier episode in"
          value={rulesOf(series).easierEvery}
          limits={LIMITS.SeriesRules.easierEvery}
          className="w-9"
          onChange={(easierEvery) => onPut({ rules: { ...series.rules, easierEvery } }, 'the rules', 'easier')}
        />{' '}
        is easier.
      </p>
      <p>
        <Goals goals={series.goals ?? []} onChange={(goals) => onPut({ goals }, 'the goals')} />
      </p>
      <When series={series} onPut={onPut} />
      <p>
        Between classes{' '}
        <NumberField
          label="Days a week of practice"
          value={series.weekly?.days ?? 0}
          limits={{ min: 0, max: 7, whole: true }}
          className="w-8"
          onChange={(days) =>
            onPut(
              { weekly: withPartsOrNone(series.weekly, { days: days || undefined }) },
              'the practice',
              'practice days',
            )
          }
        />{' '}
        days a week of{' '}
        <TextField
          label="What is practised between classes"
          note
          value={series.weekly?.note ?? ''}
          placeholder="nothing yet"
          className="w-72"
          onChange={(note) =>
            onPut(
              { weekly: withPartsOrNone(series.weekly, { note: note || undefined }) },
              'the practice',
              'practice note',
            )
          }
        />
      </p>
      <p>
        <ChoicesButton
          title="Done otherwise in this series"
          value={series.choices}
          onChange={(choices) => onPut({ choices }, 'what is done otherwise')}
        />
      </p>
      <Line
        label="Who this is for"
        value={series.forWhom}
        onChange={(forWhom) => onPut({ forWhom }, 'who the series is for', 'for whom')}
      />
      <Line
        label="Ask a professional first"
        value={series.seeFirst}
        onChange={(seeFirst) => onPut({ seeFirst }, 'who should see someone first', 'see first')}
      />
    </section>
  );
}

interface TimesProps extends SeriesPlanProps {
  readonly name: 'taught' | 'practised';
}

const Times = ({ series, name, onPut }: TimesProps) => {
  const now = rulesOf(series)[name];
  return (
    <>
      <NumberField
        label={`Times ${name} before it is earned`}
        value={now}
        limits={LIMITS.SeriesRules[name]}
        className="w-8"
        onChange={(times) => onPut({ rules: { ...series.rules, [name]: times } }, 'the rules', name)}
      />{' '}
      {now === 1 ? 'time' : 'times'}
    </>
  );
};

/** When, where and by whom it is taught. */
function When({ series, onPut }: SeriesPlanProps) {
  const rooms = useAppSelector(selectRooms);
  const teachers = useAppSelector(selectTeachers);
  const { schedule = {} } = series;
  const put = (change: Parts<Schedule>, label: string, field = '') =>
    onPut({ schedule: withPartsOrNone(series.schedule, change) }, label, field);
  return (
    <div>
      <p>
        Taught from{' '}
        <input
          type="date"
          aria-label="The first day"
          className="field"
          value={schedule.start ?? ''}
          onChange={({ target }) => put({ start: target.value || undefined }, 'the first day', 'start')}
        />{' '}
        at{' '}
        <input
          type="time"
          aria-label="The time"
          className="field"
          value={schedule.time ?? ''}
          onChange={({ target }) => put({ time: target.value || undefined }, 'the time', 'time')}
        />{' '}
        by{' '}
        <Choice
          label="Time zone"
          value={schedule.timeZone ?? ''}
          choices={zonesWith(schedule.timeZone)}
          onChange={(timeZone) => put({ timeZone: timeZone || undefined }, 'the time zone')}
        />{' '}
        in{' '}
        <Choice
          label="Room"
          value={schedule.room ?? ''}
          choices={[['', 'no room yet'], ...rooms.map(({ id, name }) => [id, name] as const)]}
          onChange={(room) => put({ room: room || undefined }, 'the room')}
        />{' '}
        by{' '}
        <Choice
          label="Teacher of the series"
          value={schedule.teacher ?? ''}
          choices={[['', 'no teacher yet'], ...teachers.map(({ id, name }) => [id, name] as const)]}
          onChange={(teacher) => put({ teacher: teacher || undefined }, 'the teacher')}
        />{' '}
        to{' '}
        <NumberField
          label="People who come"
          value={schedule.group ?? 8}
          limits={LIMITS.Schedule.group}
          className="w-10"
          onChange={(group) => put({ group }, 'how many come', 'group')}
        />{' '}
        people.
      </p>
      <ChipSet
        legend="Days of the week"
        all={WEEKDAYS.map((id) => ({ id, name: DAY_WORDS[id] }))}
        chosen={schedule.days ?? []}
        onChange={(days) => put({ days: WEEKDAYS.filter((each) => days.includes(each)) }, 'the days')}
      />
      <p>
        Not on{' '}
        {skippedStretches(schedule).map(([first, last]) => (
          <Gone
            key={first}
            words={first === last ? dayText(first) : `${dayText(first)} to ${dayText(last)}`}
            does={first === last ? 'teach on it again' : 'teach on them again'}
            onPress={() =>
              put({ skip: schedule.skip?.filter((each) => each < first || each > last) ?? [] }, 'the days skipped')
            }
          />
        ))}
        <Skipping schedule={schedule} onSkip={(skip) => put({ skip }, 'the days skipped')} />: the rest moves on.
      </p>
    </div>
  );
}

interface SkippingProps {
  readonly schedule: Schedule;
  readonly onSkip: (days: string[]) => void;
}

/** One day more that is not taught, or every day of a stretch: holidays. */
function Skipping({ schedule, onSkip }: SkippingProps) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const days = from === '' ? [] : to === '' || to <= from ? [from] : taughtDays(schedule, from, to);
  return (
    <>
      <input
        type="date"
        aria-label="A day to skip, or the first of several"
        className="field"
        value={from}
        onChange={({ target }) => setFrom(target.value)}
      />{' '}
      to{' '}
      <input
        type="date"
        aria-label="The last day to skip"
        className="field"
        min={from}
        value={to}
        onChange={({ target }) => setTo(target.value)}
      />{' '}
      <button
        type="button"
        className="action text-sm"
        disabled={days.length === 0}
        onClick={() => {
          onSkip([...new Set([...(schedule.skip ?? []), ...days])].sort());
          setFrom('');
          setTo('');
        }}
      >
        Leave {days.length > 1 ? `these ${days.length} days` : 'it'} out
      </button>
    </>
  );
}

interface LineProps {
  readonly label: string;
  readonly value: string | undefined;
  readonly onChange: (line: string | undefined) => void;
}

/** A line that goes out with the whole series. */
function Line({ label, value, onChange }: LineProps) {
  return (
    <div className="grid gap-x-3 leading-normal sm:grid-cols-[9.5rem_1fr]">
      <span className="text-base text-soft">{label}</span>
      <LinesField
        label={label}
        hidden
        value={value ? [value] : []}
        onChange={(lines) => onChange(lines.join(' ') || undefined)}
      />
    </div>
  );
}
