import { propsWords } from '@warm-ladder/core/handouts';
import { type ClassPlan, isInterlude, isRungBlock } from '@warm-ladder/core/plan';
import { clock } from '@warm-ladder/core/review';
import { GENERAL_ADVICE, wantsWords } from '@warm-ladder/core/script';
import { silenceOf, wordsOf } from '@warm-ladder/core/voice';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { LostPage } from '../../app/shell/LostPage';
import { useClassEdit } from '../../app/store/edits';
import { selectClasses, selectSeries, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { Sheet } from '../../parts/Sheet';
import { HandOut } from './HandOut';
import { Section } from './Section';
import { useFindings } from './useFindings';
import { type Owning, useLineActions } from './useLineActions';
import { useSpoken } from './useSpoken';
import { VoicePanel } from './VoicePanel';

export function Component() {
  const { id } = useParams();
  const classes = useAppSelector(selectClasses);
  const plan = classes.find((each) => each.id === id);
  if (plan) return <ScriptPage plan={plan} />;
  return id === undefined ? <ScriptList classes={classes} /> : <LostPage />;
}

function ScriptList({ classes }: { classes: readonly ClassPlan[] }) {
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6">
      <h1 className="font-name text-3xl font-semibold">Scripts</h1>
      <p className="mt-1 text-soft">Each class is its own script; what is spoken follows every change of the plan.</p>
      <ul className="mt-4 flex flex-col divide-y divide-line">
        {classes.map(({ id, name, targetMinutes }) => (
          <li key={id}>
            <Link to={`/script/${id}`} className="flex gap-3 py-2.5 text-lg hover:underline">
              <span className="grow font-name font-semibold">{name}</span>
              <span className="text-soft">{targetMinutes} min</span>
            </Link>
          </li>
        ))}
      </ul>
      {classes.length === 0 && <p className="mt-4">There is no class to speak yet. Make one under Class.</p>}
    </main>
  );
}

/** The script of a class, as a teacher speaks it: every line changed where it is spoken, and held against the rules. */
function ScriptPage({ plan }: { plan: ClassPlan }) {
  const [address, setAddress] = useSearchParams();
  const teachers = useAppSelector(selectTeachers);
  const series = useAppSelector(selectSeries).filter(({ episodes }) => episodes.some((each) => each.class === plan.id));
  const spoken = useSpoken(plan);
  const { teacher, audience } = spoken;
  const { script, voice, timed, plan: taught } = spoken;
  const form = taught === plan ? 'whole' : 'short';
  const go = (change: Readonly<Record<string, string>>) => {
    const next = Object.entries({ ...Object.fromEntries(address), ...change }).filter(([, value]) => value !== '');
    setAddress(Object.fromEntries(next), { replace: true });
  };
  const findings = useFindings(voice);
  const faults = useMemo(
    () => new Map((findings ?? []).flatMap(({ lines, message }) => lines.map((id) => [id, message] as const))),
    [findings],
  );
  const [owning, setOwning] = useState<Owning | null>(null);
  const { actionsFor, add, own } = useLineActions(taught, setOwning);
  const edit = useClassEdit(plan.id);
  const unwritten = script.sections.reduce((sum, { lines }) => sum + lines.filter(wantsWords).length, 0);
  const over = script.seconds - plan.targetMinutes * 60;
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-5 print:max-w-none print:p-0">
      <header className="border-b-2 border-ink pb-3">
        <h1 className="font-name text-3xl leading-tight font-semibold">{script.title}</h1>
        <div className="no-print mt-2 flex flex-wrap gap-3">
          <Link to={`/teach/${plan.id}?${address}`} className="action action-main">
            Teach
          </Link>
          <Link to={`/rehearse/${plan.id}?${address}`} className="action">
            Rehearse
          </Link>
          <button type="button" className="action" onClick={() => window.print()}>
            <Printer className="size-4" aria-hidden="true" /> Print
          </button>
          <Link to={`/room/${plan.id}`} className="action">
            Room card
          </Link>
          <Link to={`/taught/${plan.id}`} className="action">
            What really happened
          </Link>
          <Link to={`/class/${plan.id}`} className="action">
            The class
          </Link>
          <Link to="/teachers" className="action">
            Teachers
          </Link>
        </div>
        <p className="mt-1 text-lg">
          Runs{' '}
          <output aria-label="Running time" className={`font-semibold ${over > 0.5 ? 'text-alarm' : ''}`}>
            {clock(script.seconds)}
          </output>{' '}
          of {plan.targetMinutes} minutes{over > 0.5 && `, ${clock(over)} over`} · {audience}
          {` · ${propsWords(spoken)}`}
        </p>
        <p className="no-print text-soft">
          Spoken by{' '}
          <Choice
            label="Teacher"
            value={teacher?.id ?? ''}
            choices={[['', 'anyone'], ...teachers.map(({ id, name }) => [id, name] as const)]}
            onChange={(teacherId) => go({ teacher: teacherId })}
          />
          : {wordsOf(script)} words at {Math.round(script.wordsPerMinute)} a minute;{' '}
          {Math.round(silenceOf(voice) * 100)} % of the work in silence. Press a line to say it otherwise.
        </p>
        {unwritten > 0 && (
          <p className="no-print mt-1 text-soft">
            {unwritten} {unwritten === 1 ? 'line has' : 'lines have'} no words of yours yet; they are drafted from the
            figures and set in italics.
          </p>
        )}
        {plan.short && (
          <p className="no-print">
            In its{' '}
            <Choice
              label="Form"
              value={form}
              choices={[
                ['whole', 'whole length'],
                ['short', 'short form'],
              ]}
              onChange={(each) => go({ form: each === 'short' ? 'short' : '' })}
            />
            .
          </p>
        )}
        <HandOut id={plan.id} teacher={teacher?.id} form={form} />
        {series.map(({ id, forWhom, seeFirst }) => (
          <div key={id} className="mt-2">
            {forWhom && <p>For: {forWhom}</p>}
            {seeFirst && (
              <p>
                <strong>Ask a professional first:</strong> {seeFirst}
              </p>
            )}
          </div>
        ))}
        {findings && (
          <VoicePanel
            findings={findings}
            onMend={(edits, label) => edit(edits, label.toLowerCase())}
            onGo={(block) =>
              document.querySelector(`[data-item="section-${block}"]`)?.scrollIntoView({ block: 'center' })
            }
          />
        )}
        <p className="mt-2 text-sm text-soft">{GENERAL_ADVICE}</p>
      </header>
      <h2 className="sr-only">Line by line</h2>
      {script.sections.map((section) => {
        const { kind, block, pass, startSeconds } = section;
        return (
          <Section
            key={`${kind}-${startSeconds}-${block}-${pass}`}
            section={section}
            of={block === null ? undefined : taught.blocks[block]}
            figure={block === null || pass === 2 ? undefined : (timed.sequence[block]?.entry ?? undefined)}
            actions={actionsFor(section)}
            onAdd={kind === 'block' ? (of, text) => add(section, of, text) : null}
            faults={faults}
            spoken={voice.blocks.find(({ part }) => part.index === block) ?? null}
          />
        );
      })}
      {owning && (
        <OwnSheet
          owning={owning}
          close={() => setOwning(null)}
          onOwn={() => {
            own(owning);
            setOwning(null);
          }}
        />
      )}
    </main>
  );
}

/** Before the words of a class become the rung's: the classes that will speak them. */
function OwnSheet({ owning, close, onOwn }: { owning: Owning; close: () => void; onOwn: () => void }) {
  const classes = useAppSelector(selectClasses);
  const { block, line } = owning;
  if (isInterlude(block)) return null;
  const speaks = classes.filter(({ blocks }) =>
    blocks.some((each) => isRungBlock(each) && each.exercise === block.exercise && each.rung === block.rung),
  );
  return (
    <Sheet open onOpenChange={close} title="Make it the rung’s own?" about={`“${line.text}”`}>
      <p>
        {speaks.length === 1 ? 'One class teaches' : `${speaks.length} classes teach`} this rung, and{' '}
        {speaks.length === 1 ? 'speaks' : 'speak'} its words where {speaks.length === 1 ? 'it says' : 'they say'}{' '}
        nothing of their own:
      </p>
      <ul className="mt-1 list-disc pl-5">
        {speaks.map(({ id, name }) => (
          <li key={id}>{name}</li>
        ))}
      </ul>
      <button type="button" className="action action-main mt-3" onClick={onOwn}>
        Make it the rung’s own
      </button>
    </Sheet>
  );
}
