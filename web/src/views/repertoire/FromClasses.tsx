import { type Catalog, type Rung, type RungEntry, withRung } from '@warm-ladder/core/repertoire';
import { type Learnt, type LearntSeconds, learntOf } from '@warm-ladder/core/taught/learnt';
import { countText } from '@warm-ladder/core/vocabulary';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { selectAudiences, selectLogs, selectTeachers } from '../../app/store/selectors';
import { useAppDispatch, useAppSelector } from '../../app/store/store';
import { changed } from '../../app/store/studio';

/** What classes taught about a rung, with what could change; nothing where they taught nothing. */
export function FromClasses({ catalog, entry }: { readonly catalog: Catalog; readonly entry: RungEntry }) {
  const logs = useAppSelector(selectLogs);
  const teachers = useAppSelector(selectTeachers);
  const audiences = useAppSelector(selectAudiences);
  const dispatch = useAppDispatch();
  const learnt = useMemo(
    () => (logs.length === 0 ? null : learntOf(entry.key, logs, { catalog, teachers, audiences })),
    [entry.key, logs, catalog, teachers, audiences],
  );
  if (!learnt || isNothing(learnt)) return null;
  const { exercise, rung, step } = entry;
  const use = (label: string, change: (rung: Rung) => Rung) => {
    const after = withRung(exercise, step, change);
    dispatch(changed({ documents: [{ kind: 'exercises', id: exercise.id, after }], label, field: '' }));
  };
  const rungName = (id: string) => exercise.rungs.find((each) => each.id === id)?.name ?? id;
  const room = (id: string | undefined) => audiences.find((each) => each.id === id)?.name;
  return (
    <section aria-label={`What classes taught about ${rung.name}`} className="mt-3 border-l-4 border-moss pl-3">
      <h4 className="font-semibold">From {countText(learnt.classes, 'class', 'classes')}</h4>
      <ul className="flex flex-col gap-1.5 text-[15px]">
        {learnt.setup && (
          <Seconds
            learnt={learnt.setup}
            what="Its set-up takes"
            onUse={({ offered }) => use('set-up as it really takes', (own) => ({ ...own, setupSeconds: offered }))}
          />
        )}
        {learnt.work && (
          <Seconds
            learnt={learnt.work}
            what="A count takes"
            onUse={({ offered }) =>
              use('a count as it really takes', (own) => ({ ...own, dose: { ...own.dose, secondsPerCount: offered } }))
            }
          />
        )}
        {learnt.options.map(({ option, audience, taken, present }) => (
          <li key={`${option} ${audience}`}>
            {taken} of {present} people{room(audience) ? ` of ${room(audience)}` : ''} took {rungName(option)}: make
            that the main version for them, or ask more before this one.{' '}
            <Link to={`/edit/${exercise.id}/${rung.id}`} className="underline decoration-dotted underline-offset-4">
              Its gate
            </Link>
          </li>
        ))}
        {learnt.faults.map(({ cue, seen, classes }) => {
          const fault = rung.cues?.find((each) => each.id === cue);
          return (
            <li key={cue}>
              {fault?.sign ? `${fault.sign} ` : 'A fault '}
              was seen in {seen} of {countText(classes, 'class', 'classes')}
              {fault ? `. What is said then: “${fault.text}”` : ''} Say it otherwise, or ask more before this one.{' '}
              <Link to={`/edit/${exercise.id}/${rung.id}`} className="underline decoration-dotted underline-offset-4">
                Its words
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const isNothing = ({ setup, work, options, faults }: Learnt): boolean =>
  setup === null && work === null && options.length === 0 && faults.length === 0;

interface SecondsProps {
  readonly learnt: LearntSeconds;
  readonly what: string;
  readonly onUse: (learnt: LearntSeconds) => void;
}

const Seconds = ({ learnt, what, onUse }: SecondsProps) => (
  <li className="flex flex-wrap items-center gap-2">
    <span>
      {what} {learnt.offered} s in class, not {learnt.seconds} s ({countText(learnt.classes, 'class', 'classes')}, each
      at its teacher’s own pace).
    </span>
    <button type="button" className="action text-sm" onClick={() => onUse(learnt)}>
      Use {learnt.offered} s
    </button>
  </li>
);
