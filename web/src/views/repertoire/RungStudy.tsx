import { CONDITION_IDS, CONDITIONS, judge } from '@warm-ladder/core/caution';
import {
  type Catalog,
  type CueKind,
  type Phase,
  PREPARATIONS,
  phaseCounts,
  type RequirementGraph,
  type RungEntry,
  usesOf,
} from '@warm-ladder/core/repertoire';
import { type FeltAt, type GoodFor, wordsOfUse } from '@warm-ladder/core/vocabulary';
import { Image, Pencil, Replace, Scale } from 'lucide-react';
import { Suspense, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { lazily } from '../../app/shell/lazily';
import { MovingFigure } from '../../figure/MovingFigure';
import { takePicture } from '../../figure/picture';
import { CautionList } from '../../parts/classes/CautionList';
import { FactorBars } from '../../parts/rungs/FactorBars';
import { HeatMark } from '../../parts/rungs/HeatMark';
import { loadLines } from '../../parts/rungs/loadLines';
import { SubstituteList } from '../../parts/rungs/SubstituteList';
import { SwapMark } from '../../parts/rungs/SwapMark';
import { WrongForms } from '../../parts/rungs/WrongForms';
import { SoonSendToClass } from '../../parts/soon';
import { FromClasses } from './FromClasses';

const ReplaceSheet = lazily(() => import('./ReplaceSheet'));

interface RungStudyProps {
  readonly catalog: Catalog;
  readonly entry: RungEntry;
  readonly graph: RequirementGraph;
}

/** Places or purposes in one line; none is no line. */
const listed = (uses: ReadonlyArray<FeltAt | GoodFor>): string[] =>
  uses.length > 0 ? [uses.map(wordsOfUse).join(', ')] : [];

const title = ({ exercise, rung }: RungEntry) => `${exercise.name}, ${rung.name}`;

/** One rung to study: how it moves, what makes it hot, its gate, what stands before and after it, who must take care. */
export function RungStudy({ catalog, entry, graph }: RungStudyProps) {
  const { rung, exercise } = entry;
  const { heat, factors } = catalog.measures(entry);
  const [instead, setInstead] = useState(false);
  const [replacing, setReplacing] = useState(false);
  const navigate = useNavigate();
  const named = (keys: readonly string[]) =>
    keys.flatMap((key) => {
      const [exerciseId = '', rungId = ''] = key.split('/');
      return catalog.rung({ exercise: exerciseId, rung: rungId }) ?? [];
    });
  const before = named(graph.before(entry.key));
  const cues = (kind: CueKind) => (rung.cues ?? []).filter((cue) => cue.kind === kind);
  const said = (kind: CueKind) => cues(kind).map(({ text }) => text);
  const { feltAt, goodFor } = usesOf(entry);
  const told = (phase: Phase) =>
    `${phase.breath} ${phaseCounts(phase)}: ${cues('action').find((cue) => (cue.phase ?? rung.phases[0]?.id) === phase.id)?.text ?? '…'}`;
  const below = exercise.rungs[entry.step - 1] ?? exercise.rungs[entry.step + 1];
  const compared = [entry.key, ...(below ? [`${exercise.id}/${below.id}`] : [])];
  return (
    <li id={rung.id} className="border-b-4 border-ink py-3 first:pt-0">
      <div className="flex flex-wrap items-start gap-3 sm:flex-nowrap">
        <MovingFigure
          entry={entry}
          secondsPerCount={catalog.method.secondsPerCount}
          className="h-28 w-44 shrink-0"
          label={`${title(entry)}, drawn`}
        />
        <div className="grow">
          <h3 className="flex items-start gap-2 text-lg leading-tight font-semibold">
            <span className="grow">{rung.name}</span>
            <HeatMark heat={heat} />
          </h3>
          <FactorBars factors={factors} />
          {rung.heatOverride && <p className="text-sm">Set by the director: {rung.heatOverride.reason}</p>}
        </div>
      </div>
      <p className="mt-2 flex flex-wrap gap-2 text-sm">
        <button
          type="button"
          className="action text-sm"
          aria-expanded={instead}
          onClick={() => setInstead((open) => !open)}
        >
          <SwapMark /> Swap for…
        </button>
        <Link className="action text-sm" to={`/compare?rungs=${compared.join(',')}`}>
          <Scale className="size-4" aria-hidden="true" /> Compare
        </Link>
        <SoonSendToClass entry={entry} />
        <button type="button" className="action text-sm" onClick={() => setReplacing(true)}>
          <Replace className="size-4" aria-hidden="true" /> In every class…
        </button>
        <Link className="action text-sm" to={`/edit/${exercise.id}/${rung.id}`}>
          <Pencil className="size-4" aria-hidden="true" /> Edit
        </Link>
        {(['svg', 'png'] as const).map((kind) => (
          <button key={kind} type="button" className="action text-sm" onClick={() => void takePicture(entry, kind)}>
            <Image className="size-4" aria-hidden="true" /> <span className="sr-only">Picture as </span>
            {kind.toUpperCase()}
          </button>
        ))}
      </p>
      {replacing && (
        <Suspense>
          <ReplaceSheet entry={entry} onClose={() => setReplacing(false)} />
        </Suspense>
      )}
      {instead && (
        <section aria-label={`Swaps for ${title(entry)}`} className="my-2 border-l-4 border-line pl-3">
          <SubstituteList
            catalog={catalog}
            entry={entry}
            verb="Look at"
            onPick={(other) => void navigate(`/repertoire/${other.exercise.id}#${other.rung.id}`)}
          />
        </section>
      )}
      <WrongForms entry={entry} />
      <FromClasses catalog={catalog} entry={entry} />
      <dl className="mt-1 grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-0.5 text-[15px]">
        <Row name="Load" lines={loadLines(catalog, entry)} />
        <Row name="Felt in" lines={listed(feltAt)} />
        <Row name="Good for" lines={listed(goodFor)} />
        <Row name="Set by" lines={(rung.settings ?? []).map(({ name, value }) => `${name}: ${value}`)} />
        <Row name="Set-up" lines={said('setup')} />
        <Row name="Self-check" lines={said('check')} />
        <Row name="Way in" lines={(rung.entry ?? []).map(told)} />
        <Row name="Action" lines={rung.phases.map(told)} />
        <Row name="Way out" lines={(rung.exit ?? []).map(told)} />
        <Row name="Alignment" lines={said('alignment')} />
        <Row name="Image" lines={said('image')} />
        <Row name="What to feel" lines={said('feel')} />
        <Row name="As an option" lines={said('option')} />
        <Row name="Safety" lines={said('safety')} />
        <Row name="Then" lines={said('transition')} />
        <Row name="Ready to move on when" lines={rung.gate?.ready ?? []} />
        <Row name="Stay here when" lines={rung.gate?.stay ?? []} />
        <Row name="Stop when" lines={rung.gate?.stop ?? []} />
        <Row name="First" lines={before.length > 0 ? [before.map(title).join(' → ')] : []} />
        <Row name="Prepare" lines={(rung.preparation ?? []).map((each) => PREPARATIONS[each])} />
        <Row name="Leads to" lines={named(graph.unlocks(entry.key)).map(title)} />
        <Row name="Props" lines={entry.props.map(({ name }) => name)} />
      </dl>
      <Cautions catalog={catalog} entry={entry} />
    </li>
  );
}

/** Every condition the rung asks something of, with what was measured and why; folded, since most rooms need few. */
function Cautions({ catalog, entry }: { catalog: Catalog; entry: RungEntry }) {
  const { cautions } = judge(catalog, entry, CONDITION_IDS);
  if (cautions.length === 0) {
    return <p className="mt-1 text-sm text-moss">No condition of the caution table speaks of this rung.</p>;
  }
  const conditions = [...new Set(cautions.map(({ condition }) => condition))];
  return (
    <details className="mt-1 text-[15px]">
      <summary>
        <span className="text-soft">Cautions:</span> {conditions.map((each) => CONDITIONS[each].name).join(', ')}
      </summary>
      <CautionList cautions={cautions} />
    </details>
  );
}

function Row({ name, lines }: { name: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd>
        {lines.map((line) => (
          <span key={line} className="block">
            {line}
          </span>
        ))}
      </dd>
    </>
  );
}
