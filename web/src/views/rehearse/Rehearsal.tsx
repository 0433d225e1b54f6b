import type { SpokenClass } from '@warm-ladder/core/handouts';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { BEGINNING, backward, behind, type Course, counted, kept, onward } from '@warm-ladder/core/rehearsal';
import { clock } from '@warm-ladder/core/review';
import {
  cuesToldIn,
  inTurn,
  isHeld,
  type Moment,
  momentIn,
  type ScriptLine,
  type ScriptSection,
  timetableOf,
  wordsAt,
} from '@warm-ladder/core/script';
import type { Rehearsed, Replan } from '@warm-ladder/core/taught';
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { SoonMoving } from '../../figure/SoonMoving';
import { SoonWrongForms } from '../../parts/soon';
import { pace, usePacer } from './usePacer';
import { useReplan } from './useReplan';
import { canSpeak, useSpeaker } from './useSpeaker';

interface WayProps {
  readonly to: string;
  readonly className: string;
  readonly children: ReactNode;
}

interface RehearsalProps {
  readonly spoken: SpokenClass;
  /** A way out of it: within the app, or as a page of its own opens another. */
  readonly Go: (props: WayProps) => ReactNode;
  /** Keeps what was timed with the class. @returns whether it is kept */
  readonly onKeep: (id: string, rehearsal: Rehearsed) => Promise<boolean>;
}

/** A class is taught, and not leafed through, at this share of its planned time and slower. */
const LEAFING = 0.4;

/** Milliseconds between two looks at the clock. */
const TICK = 200;

/** A class spoken through against the clock, full screen, one stretch at a time. */
export function Rehearsal({ spoken: given, Go, onKeep }: RehearsalProps) {
  const [course, setCourse] = useState<Course>(BEGINNING);
  const { seconds, running, start, hold, begunAt } = useClock();
  const [at, setAt] = useState<Parameters<typeof useReplan>[1]>(null);
  const { spoken, offer, take, undo } = useReplan(given, at);
  const { catalog, plan, script, timed, teacher } = spoken;
  const [sound, setSound] = useState(false);
  const [voice, setVoice] = useState(false);
  const begun = begunAt !== '';
  const next = useCallback(() => {
    start();
    // The first step begins the opening, and does not leave it.
    if (begun) setCourse((now) => onward(script, now, seconds.current));
  }, [script, seconds, start, begun]);
  useKeys(next, () => setCourse((now) => backward(now, seconds.current)), hold);
  useAwake(running);
  const section = script.sections[course.at] as ScriptSection;
  const part = section.block === null ? undefined : timed.sequence[section.block];
  const entry = part?.kind === 'block' ? part.entry : undefined;
  const begunHere = course.begun[course.at];
  useEffect(() => {
    const id = begun && begunHere !== undefined ? part?.block.id : undefined;
    const elapsed = Math.round((begunHere ?? 0) + section.leadSeconds);
    // Whoever leafs through a class is in no class.
    const taught = elapsed >= LEAFING * section.startSeconds;
    setAt(id === undefined || !taught ? null : { block: id, pass: section.pass, elapsed });
  }, [begun, begunHere, part?.block.id, section.pass, section.leadSeconds, section.startSeconds]);
  const into = Math.max(0, seconds.current - (course.begun[course.at] ?? 0));
  const moment = section.times && running ? momentIn(section.times, into) : undefined;
  const phase = moment && 'phase' in moment ? moment.phase : undefined;
  usePacer(sound && running && phase !== undefined, phase?.breath, phase?.id ?? '');
  const table = useMemo(() => timetableOf(script).filter((each) => each.section === course.at), [script, course.at]);
  useSpeaker(voice && running, wordsAt(table, section, into) ?? '', script.wordsPerMinute);

  if (course.done) {
    const rehearsal = kept(script, plan, course, { seconds: seconds.current, at: begunAt, teacher: teacher?.id });
    return <Ended {...{ plan, course, script, rehearsal, Go, onKeep }} />;
  }
  const late = behind(section, course.begun[course.at] ?? 0, seconds.current);
  const following = script.sections[course.at + 1];
  const said = section.lines.filter((line) => line.said);
  const { before, actions, during, out } = inTurn(said);
  const hearing = running ? wordsAt(table, section, into) : null;
  const listed = (lines: readonly ScriptLine[]) =>
    lines.length > 0 && (
      <ul className="flex flex-col gap-1 text-xl leading-snug">
        {lines.map(({ id, text }) => (
          <li key={id} className={text === hearing ? 'text-heat-5' : ''}>
            {text}
          </li>
        ))}
      </ul>
    );
  return (
    <main className="fixed inset-0 z-30 flex flex-col bg-ink text-sheet" data-rehearsal={course.at}>
      <header className="flex items-center gap-3 px-4 pt-3">
        <output aria-label="Clock" className="text-3xl font-semibold">
          {clock(seconds.current)}
        </output>
        <span className="grow leading-tight text-heat-5">
          {lateWords(late)}
          {begun && <span className="block text-sheet/80">ends at {clock(script.seconds + late)}</span>}
        </span>
        <label className="text-sm">
          <input type="checkbox" checked={sound} onChange={({ target }) => setSound(pace(target.checked))} /> Sound
        </label>
        {canSpeak() && (
          <label className="text-sm">
            <input type="checkbox" checked={voice} onChange={({ target }) => setVoice(target.checked)} /> Voice
          </label>
        )}
        <Go to={`/script/${plan.id}`} className="rounded px-2 underline">
          Leave
        </Go>
      </header>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: keys do the same from anywhere on the page. */}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: anywhere a hand falls counts a repetition. */}
      <div
        className="flex min-h-0 grow flex-col gap-2 overflow-y-auto px-4 py-2"
        onClick={() => section.kind === 'block' && setCourse(counted)}
      >
        {section.lead !== null && <p className="text-lg text-heat-5">{section.lead}</p>}
        <h1 className="font-name text-3xl leading-tight font-semibold">
          {section.title}
          {section.side && <span className="ml-2 text-heat-4">{section.side}</span>}
        </h1>
        {entry && (
          <div className="flex justify-center rounded-lg bg-paper py-1 text-ink">
            <SoonMoving entry={entry} secondsPerCount={catalog.method.secondsPerCount} className="h-40 w-full" />
          </div>
        )}
        {entry && section.pass === 1 && (
          <SoonWrongForms
            entry={entry}
            said={cuesToldIn(section.lines)}
            className="rounded-lg bg-paper px-3 py-1 text-ink"
          />
        )}
        {moment && section.times && (
          <p role="timer" aria-label="Where it is" className="text-xl text-heat-4">
            {momentWords(moment, section.times)}
          </p>
        )}
        {listed(before)}
        {actions.length > 0 && (
          <ol aria-label="On the breath" className="flex flex-col gap-1 text-2xl leading-snug">
            {actions.map((line) => (
              <li key={line.id} className={phase && phase.id === line.phase?.id ? 'text-heat-5' : 'opacity-70'}>
                <span className="text-base">
                  {line.phase?.breath} {line.phase?.counts}
                </span>{' '}
                {line.text}
              </li>
            ))}
          </ol>
        )}
        {listed([...during, ...out])}
        {course.counted > 0 && (
          <p aria-live="polite" className="text-4xl font-semibold text-heat-5">
            {course.counted}
          </p>
        )}
      </div>
      {(offer || undo) && (
        <section
          aria-label="To end on time"
          className="flex flex-wrap items-center gap-3 border-t border-sheet/30 px-4 py-2"
        >
          {offer ? (
            <>
              <p className="grow basis-60 text-lg">
                {cutsText(offer.edits)}: it ends at {clock(offer.endsAt.replanned)}.
              </p>
              <Key onPress={take}>Take it</Key>
            </>
          ) : (
            <p className="grow text-lg">The class was changed on the way.</p>
          )}
          {undo && <Key onPress={undo}>Undo</Key>}
        </section>
      )}
      <footer className="border-t border-sheet/30 px-4 py-3">
        <p className="mb-2 text-sheet/80">
          {following
            ? `Then ${clock(following.startSeconds + (begun ? late : 0))}: ${following.title}${following.side ? `, ${following.side}` : ''}`
            : 'Then the end'}
        </p>
        <div className="grid grid-cols-[1fr_1fr_2fr] gap-2">
          <Key onPress={() => setCourse((now) => backward(now, seconds.current))}>Back</Key>
          <Key onPress={hold}>{running ? 'Hold' : 'Go on'}</Key>
          <Key onPress={next} main>
            {!begun ? 'Begin' : following ? 'Next' : 'End'}
          </Key>
        </div>
      </footer>
    </main>
  );
}

/** Several cuts in one sentence: what is left out is named once. */
const cutsText = (edits: Replan['edits']): string =>
  edits
    .map(({ kind, label }, i) =>
      kind === 'leave-out' && edits[i - 1]?.kind === kind ? label.replace(/^Leave out /, '') : label,
    )
    .join('; ');

const DOING: Readonly<Record<Moment['doing'], string>> = {
  setup: 'Set-up',
  entry: 'Way in',
  rep: 'Repetition',
  exit: 'Way out',
  rest: 'Rest',
  explained: 'Explain',
};

/** Where the stretch is: which repetition, and what is left of a long hold. */
function momentWords(moment: Moment, { reps, sets, count }: NonNullable<ScriptSection['times']>): string {
  const words = DOING[moment.doing];
  if (!('phase' in moment)) return words;
  const which =
    moment.doing === 'rep' ? `${words} ${moment.rep + 1} of ${Math.round(reps)}${sets > 1 ? ', each set' : ''}` : words;
  return isHeld(moment.phase) ? `${which} · ${Math.ceil(moment.left / count)}` : which;
}

interface KeyProps {
  readonly main?: boolean;
  readonly onPress: () => void;
  readonly children: string;
}

const Key = ({ main = false, onPress, children }: KeyProps) => (
  <button
    type="button"
    className={`min-h-14 rounded-lg px-4 text-xl ${main ? 'bg-heat-4 font-semibold text-ink' : 'border border-sheet/40'}`}
    onClick={onPress}
  >
    {children}
  </button>
);

/** Seconds within which one is on time. */
const ON_TIME = 5;

function lateWords(seconds: number): string {
  if (Math.abs(seconds) < ON_TIME) return 'on time';
  return seconds > 0 ? `${clock(seconds)} behind` : `${clock(-seconds)} ahead`;
}

/** The seconds of the rehearsal, holds left out; it begins with the first step on. */
function useClock() {
  const seconds = useRef(0);
  const [running, setRunning] = useState(false);
  const [begunAt, setBegunAt] = useState('');
  const [, look] = useState(0);
  useEffect(() => {
    if (!running) return;
    let last = performance.now();
    const timer = setInterval(() => {
      const now = performance.now();
      seconds.current += (now - last) / 1000;
      last = now;
      look((turn) => turn + 1);
    }, TICK);
    return () => clearInterval(timer);
  }, [running]);
  const start = useCallback(() => {
    setRunning(true);
    setBegunAt((at) => at || new Date().toISOString());
  }, []);
  const hold = useCallback(() => {
    setBegunAt((at) => at || new Date().toISOString());
    setRunning((now) => !now);
  }, []);
  return { seconds, running, start, hold, begunAt };
}

/** Space moves on, the arrow back goes back, H holds. */
function useKeys(next: () => void, back: () => void, hold: () => void) {
  const now = useRef({ next, back, hold });
  useEffect(() => {
    now.current = { next, back, hold };
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLElement && event.target.closest('button, a, input')) return;
      const does =
        event.key === ' ' || event.key === 'ArrowRight'
          ? 'next'
          : event.key === 'ArrowLeft'
            ? 'back'
            : event.key.toLowerCase() === 'h'
              ? 'hold'
              : null;
      if (!does) return;
      event.preventDefault();
      now.current[does]();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

/** Keeps the screen awake, where the browser can. */
function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    navigator.wakeLock.request('screen').then(
      (got) => {
        lock = got;
        if (over) void got.release();
      },
      () => {},
    );
    return () => {
      over = true;
      void lock?.release();
    };
  }, [on]);
}

interface EndedProps extends Pick<RehearsalProps, 'Go' | 'onKeep'> {
  readonly plan: ClassPlan;
  readonly course: Course;
  readonly script: { readonly sections: readonly ScriptSection[] };
  readonly rehearsal: Rehearsed;
}

/** What was taught when, beside the plan, and whether it is kept. */
function Ended({ plan, course, script, rehearsal, Go, onKeep }: EndedProps) {
  const [state, setState] = useState<'open' | 'saved' | 'failed'>('open');
  const keep = async () => setState((await onKeep(plan.id, rehearsal)) ? 'saved' : 'failed');
  return (
    <main className="fixed inset-0 z-30 overflow-y-auto bg-ink px-4 py-4 text-sheet">
      <h1 className="font-name text-3xl font-semibold">Spoken through in {clock(rehearsal.seconds)}</h1>
      <p className="mt-1">
        Planned {clock(script.sections.reduce((sum, each) => sum + each.leadSeconds + each.seconds, 0))}.
      </p>
      <p className="mt-3 flex flex-wrap gap-3">
        {state === 'saved' ? (
          <span role="status">Kept with the class; its stairs show the times.</span>
        ) : (
          <button type="button" className="rounded-lg bg-heat-4 px-4 py-2 font-semibold text-ink" onClick={keep}>
            Keep these times
          </button>
        )}
        {state === 'failed' && (
          <span role="alert">Not kept: the studio’s server does not answer. Try again when it does.</span>
        )}
        <Go to={`/class/${plan.id}`} className="rounded-lg border border-sheet/40 px-4 py-2">
          To the class
        </Go>
      </p>
      <table className="mt-4 w-full">
        <thead>
          <tr className="text-left">
            <th scope="col">Stretch</th>
            <th scope="col">Planned</th>
            <th scope="col">Taught</th>
          </tr>
        </thead>
        <tbody>
          {script.sections.map((section, i) => (
            <tr key={`${section.kind}-${section.startSeconds}-${section.block}`} className="border-t border-sheet/20">
              <td>{section.title}</td>
              <td>{clock(section.startSeconds)}</td>
              <td>{course.begun[i] === undefined ? '' : clock(course.begun[i])}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
