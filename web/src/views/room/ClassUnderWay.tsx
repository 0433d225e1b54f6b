import { propsWords, type SpokenClass, spokenClass } from '@warm-ladder/core/handouts';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { type CourseMode, keyOf, planNow, standing } from '@warm-ladder/core/rehearsal';
import { timetableOf, wordsAt } from '@warm-ladder/core/script';
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import { Beginning } from './Beginning';
import { Ended } from './Ended';
import { Glance, type TextSize, textSize } from './Glance';
import { Key } from './Key';
import { LateOffer } from './live/LateOffer';
import { LeftBehind } from './live/LeftBehind';
import { remember, remembered } from './live/onDevice';
import { sendWaitingLogs } from './live/sendLog';
import { thenWords } from './live/stageWords';
import { useAwake } from './live/useAwake';
import { useCourse } from './live/useCourse';
import { useKeys } from './live/useKeys';
import { usePacer } from './live/usePacer';
import { useReplan } from './live/useReplan';
import { useSpeaker } from './live/useSpeaker';
import { StageHeader } from './StageHeader';
import { Words } from './Words';

export interface WayProps {
  readonly to: string;
  readonly className: string;
  readonly children: ReactNode;
}

interface ClassUnderWayProps {
  readonly spoken: SpokenClass;
  readonly mode: CourseMode;
  /** A way out of it: within the app, or as a page of its own opens another; and where it leads, in words. */
  readonly Go: (props: WayProps) => ReactNode;
  readonly home: { readonly to: string; readonly words: string };
}

/** A class is taught, and not leafed through, at this share of its planned time and slower. */
const LEAFING = 0.4;
/** Seconds without a tap after which a class that was begun is more likely over than under way. */
const FORGOTTEN = 2 * 60 * 60;
/** Milliseconds a phone shakes for a tap; and shakes, rests and shakes as a stretch has lasted as long as planned. */
const [TAPPED, OVER] = [15, [90, 60, 90]];

const shake = (pattern: number | number[]): void => {
  if ('vibrate' in navigator) navigator.vibrate(pattern);
};

/** A class taught or rehearsed with the plan in hand: full screen, one stretch at a time, on one course of time. */
export function ClassUnderWay({ spoken: given, mode, Go, home }: ClassUnderWayProps) {
  const spokenOf = useSpokenOf(given);
  const scriptOf = useCallback((plan: ClassPlan) => spokenOf(plan).script, [spokenOf]);
  const under = useCourse({ plan: given.plan, mode, address: location.search, scriptOf });
  const { course, seconds, kept, tap } = under;
  const spoken = spokenOf(planNow(course));
  const { plan, script, timed } = spoken;
  const [sound, setSound] = useState(false);
  const [voice, setVoice] = useState(false);
  const [runs, setRuns] = useState(false);
  const [words, setWords] = useState(mode === 'rehearse');
  const [size, choose] = useState(() => textSize(remembered('text-size')));
  const setSize = (next: TextSize) => {
    choose(next);
    remember('text-size', next);
  };
  const begun = kept !== null;
  const running = begun && course.heldSince === null && course.ended === null;
  const [due, setDue] = useState<{ readonly late: number; readonly present: number | undefined }>({
    late: 0,
    present: undefined,
  });
  const next = () => {
    shake(TAPPED);
    // The first step begins the opening, and does not leave it.
    if (begun) tap({ kind: 'next' });
    else under.begin(due.late, due.present);
  };
  const back = () => tap({ kind: 'back' });
  const hold = () => tap({ kind: course.heldSince === null ? 'hold' : 'go' });
  const rep = () => {
    if (!begun || section.times === null) return;
    shake(TAPPED);
    tap({ kind: 'rep' });
  };
  useKeys({ next, back, hold, rep });
  useAwake(running);
  useEffect(() => {
    void sendWaitingLogs();
  }, []);

  const now = standing(script, course, seconds);
  const { section, following, into, moment, behind } = now;
  const part = section.block === null ? undefined : timed.sequence[section.block];
  const entry = part?.kind === 'block' ? part.entry : undefined;
  const phase = moment && 'phase' in moment ? moment.phase : undefined;
  usePacer(sound && running && phase !== undefined, phase?.breath, phase?.id ?? '');
  const table = useMemo(() => timetableOf(script).filter((each) => each.section === now.index), [script, now.index]);
  const hearing = running ? wordsAt(table, section, into) : null;
  useSpeaker(voice && running, hearing ?? '', script.wordsPerMinute);
  const over = running && into >= section.seconds;
  useEffect(() => {
    if (!over) return;
    if (runs) tap({ kind: 'next' });
    else shake(OVER);
  }, [over, runs, tap]);

  const step = course.steps.at(-1);
  const elapsed = Math.round(course.late + (step?.begun ?? 0) + section.leadSeconds);
  const block = part?.block.id;
  // Whoever leafs through a class is in no class.
  const taught = begun && elapsed >= LEAFING * section.startSeconds;
  const offer = useReplan(
    spoken,
    block === undefined || !taught ? null : { block, pass: section.pass, elapsed, late: course.late },
  );
  if (kept && course.ended === null && (under.untapped ?? 0) > FORGOTTEN) {
    return (
      <LeftBehind
        kept={kept}
        name={plan.name}
        onGoOn={() => tap({ kind: 'go' })}
        onLog={() => tap({ kind: 'left' })}
        onDrop={under.drop}
      />
    );
  }
  if (course.ended !== null && kept) {
    return <Ended {...{ given, spoken, course, kept, Go, home }} onBack={back} onDrop={under.drop} />;
  }
  return (
    <main
      className={`dim fixed inset-0 z-30 flex flex-col ${mode === 'teach' && !begun ? 'overflow-y-auto' : ''}`}
      data-stretch={keyOf(section, plan)}
    >
      <StageHeader
        {...{ mode, begun, behind, Go }}
        ends={now.ends}
        seconds={course.late + seconds}
        target={plan.targetMinutes * 60}
        leave={home.to}
        choices={{ sound, setSound, voice, setVoice, runs, setRuns, words, setWords, size, setSize }}
      />
      <p className="sr-only" aria-live="polite">
        {begun && [section.lead, section.title, section.side].filter(Boolean).join(', ')}
      </p>
      {mode === 'teach' && !begun && <Beginning props={propsWords(spoken)} onChange={setDue} />}
      {words ? (
        <Words {...{ section, entry, phase, hearing, now }} catalog={spoken.catalog} onRep={rep} />
      ) : (
        <Glance {...{ section, entry, now, size, hearing }} catalog={spoken.catalog} onRep={rep} />
      )}
      <LateOffer
        offer={offer}
        changed={course.changes.at(-1)?.label ?? null}
        onTake={(taken, label) => tap({ kind: 'change', plan: taken.plan, label })}
        onUndo={() => tap({ kind: 'undo' })}
      />
      <footer className="items-center gap-4 border-t border-line px-4 py-3 landscape:flex landscape:py-2">
        <p className="grow text-lg leading-snug text-soft not-landscape:mb-2">
          {thenWords(following, begun ? behind : 0)}
        </p>
        <div className="grid grid-cols-[1fr_1fr_2fr] gap-2 landscape:basis-3/5">
          <Key onPress={back}>Back</Key>
          <Key onPress={hold}>{course.heldSince === null ? 'Hold' : 'Go on'}</Key>
          <Key onPress={next} main>
            {!begun ? 'Begin' : following ? 'Next' : 'End'}
          </Key>
        </div>
      </footer>
    </main>
  );
}

/** The class as it is spoken for each plan it had on the way, each worked out once. */
function useSpokenOf(given: SpokenClass): (plan: ClassPlan) => SpokenClass {
  return useMemo(() => {
    const { catalog, context, group, weekly } = given;
    const known = new Map([[given.plan, given]]);
    return (plan) => {
      const spoken = known.get(plan) ?? spokenClass(catalog, plan, context, { group, weekly });
      known.set(plan, spoken);
      return spoken;
    };
  }, [given]);
}
