import { Catalog, type Exercise, type Rung, withRung } from '@warm-ladder/core/repertoire';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { type ComponentProps, Suspense, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { LostPage } from '../../app/shell/LostPage';
import { lazily } from '../../app/shell/lazily';
import { selectCatalog, selectMethod, selectPositions, selectProps } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { SoonLadderDoubts, SoonSendToClass } from '../../parts/soon';
import { type Draft, useDraft } from './draft';
import { ExerciseHead } from './ExerciseHead';
import { PhaseLine } from './PhaseLine';
import { PoseDesk } from './poses/PoseDesk';
import { RungHead } from './RungHead';
import type { RungPlace } from './RungPlace';
import { RungRail } from './RungRail';
import type { RungReading } from './RungReading';
import type { RungGate, RungWords } from './RungWords';

// What stands below or is opened by hand comes after the body on the stage.
const Reading = lazily<ComponentProps<typeof RungReading>>(async () => ({
  default: (await import('./RungReading')).RungReading,
}));
const Place = lazily<ComponentProps<typeof RungPlace>>(async () => ({
  default: (await import('./RungPlace')).RungPlace,
}));
const Words = lazily<ComponentProps<typeof RungWords>>(async () => ({
  default: (await import('./RungWords')).RungWords,
}));
const Gate = lazily<ComponentProps<typeof RungGate>>(async () => ({
  default: (await import('./RungWords')).RungGate,
}));

/** One exercise in the hand: its ladder, the rung on the stage, and what it measures while it is drawn. */
export function Component() {
  const { exercise: id = '', rung } = useParams();
  const kept = useAppSelector(selectCatalog).exercise(id);
  if (!kept) return <LostPage />;
  return <Editor key={kept.id} kept={kept} rungId={rung} />;
}

function Editor({ kept, rungId }: { kept: Exercise; rungId: string | undefined }) {
  const studio = useAppSelector(selectCatalog);
  const draft = useDraft(kept);
  const { exercise, still, edit } = draft;
  const catalog = useDraftCatalog(exercise);
  const stillCatalog = useDraftCatalog(still);
  // The body follows the hand at once; what it measures may come a moment later.
  const later = useDeferredValue(exercise);
  const laterCatalog = useDraftCatalog(later);
  const navigate = useNavigate();
  const [poseId, setPoseId] = useState<string | null>(null);
  const found = exercise.rungs.findIndex(({ id }) => id === rungId);
  const step = Math.max(0, found);
  const rung = exercise.rungs[step];
  const stillRung = still.rungs[step];
  const stillEntry = stillRung && stillCatalog.rung({ exercise: still.id, rung: stillRung.id });
  const entry = rung && catalog.rung({ exercise: exercise.id, rung: rung.id });
  const measured = rung && laterCatalog.rung({ exercise: exercise.id, rung: rung.id });
  const reading = useMemo(
    () =>
      measured && (
        <>
          <Suspense fallback={<div className="h-28" />}>
            <Reading catalog={laterCatalog} entry={measured} />
          </Suspense>
          <div className="mt-3">
            <SoonLadderDoubts catalog={laterCatalog} exercise={later} />
          </div>
        </>
      ),
    [laterCatalog, measured, later],
  );
  const onRung = useRungEdit(still, step, edit);
  const onPose = useRungEdit(exercise, step, edit);
  const onStep = useCallback((next: string) => void navigate(`/edit/${still.id}/${next}`), [navigate, still.id]);
  if (!rung || !entry || !stillRung || !stillEntry) return <LostPage />;
  const shown = poseId !== null && rung.poses[poseId] ? poseId : effortPose(rung);
  return (
    <main className="mx-auto w-full max-w-[1500px] px-4 py-3">
      <ExerciseHead catalog={studio} exercise={still} onExercise={edit} />
      <Problems draft={draft} />
      <div className="mt-3 grid items-start gap-x-6 gap-y-6 md:grid-cols-[10.5rem_minmax(0,1fr)] xl:grid-cols-[10.5rem_minmax(0,1fr)_19rem]">
        <RungRail catalog={stillCatalog} exercise={still} step={step} onExercise={edit} onStep={onStep} />
        <div className="min-w-0">
          <RungHead
            rung={stillRung}
            secondsPerCount={catalog.method.secondsPerCount}
            heat={stillCatalog.heat(stillEntry)}
            onRung={onRung}
          />
          <p className="mt-1">
            <SoonSendToClass entry={stillEntry} />
          </p>
          <Suspense>
            <Place exercise={still} rung={stillRung} onRung={onRung} />
          </Suspense>
          <PoseDesk
            key={rung.id}
            rung={rung}
            like={entry.like}
            shown={shown}
            entry={entry}
            heightM={catalog.method.bodyHeightM}
            onShow={setPoseId}
            onRung={onPose}
          />
          <PhaseLine rung={stillRung} shown={shown} onShow={setPoseId} onRung={onRung} />
        </div>
        <div className="min-w-0 md:col-start-2 xl:col-start-3">{reading}</div>
        <div className="col-span-full grid gap-x-10 gap-y-6 xl:grid-cols-2">
          <Suspense>
            <Words rung={stillRung} onRung={onRung} />
            <Gate rung={stillRung} onRung={onRung} catalog={studio} />
          </Suspense>
        </div>
      </div>
      <p className="mt-6 text-sm text-soft">{GENERAL_ADVICE}</p>
    </main>
  );
}

/** Changes one rung of the exercise. */
function useRungEdit(exercise: Exercise, step: number, edit: Draft['edit']) {
  return useCallback(
    (change: (rung: Rung) => Rung, label: string, field = '', hold = false) =>
      edit(withRung(exercise, step, change), label, field && `${exercise.rungs[step]?.id} ${field}`, hold),
    [exercise, step, edit],
  );
}

/** The pose to begin with: where the effort arrives. */
const effortPose = ({ phases, start }: Rung): string =>
  phases.find(({ effort, pose }) => effort && pose !== start)?.pose ?? phases[0]?.pose ?? start;

/** The exercise alone, ready to compute with as it is in the hand: nothing else of the studio hangs on a drag. */
function useDraftCatalog(exercise: Exercise): Catalog {
  const method = useAppSelector(selectMethod);
  const positions = useAppSelector(selectPositions);
  const props = useAppSelector(selectProps);
  return useMemo(
    () => new Catalog({ method, positions, props, exercises: [exercise] }),
    [method, positions, props, exercise],
  );
}

/** What keeps the exercise from being kept; nothing of it is lost meanwhile. */
function Problems({ draft: { problems, putBack } }: { draft: Draft }) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="mt-2 flex flex-wrap items-start gap-3 border-l-4 border-alarm bg-sheet px-3 py-2">
      <div className="grow">
        <p className="font-semibold">Shown, and not kept yet:</p>
        <ul>
          {problems.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
      <button type="button" className="action text-sm" onClick={putBack}>
        Put back
      </button>
    </div>
  );
}
