import {
  type Catalog,
  type Cue,
  type CueKind,
  cueGaps,
  freeIdAmong,
  PREPARATION_IDS,
  PREPARATIONS,
  type Rung,
  rungKey,
} from '@warm-ladder/core/repertoire';
import { Plus, X } from 'lucide-react';
import { memo, Suspense, useState } from 'react';
import { lazily } from '../../app/shell/lazily';
import { selectProps } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { ChipSet } from '../../parts/fields/ChipSet';
import { LinesField } from '../../parts/fields/LinesField';
import { TextField } from '../../parts/fields/TextField';
import { RemoveButton } from '../../parts/RemoveButton';
import { TouchFields } from './poses/TouchFields';
import { StageFields } from './StageFields';

const RungSheet = lazily(() => import('../../parts/rungs/RungSheet'));

interface RungPartProps {
  readonly rung: Rung;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

/** The kinds written as plain lines; actions stand on their phases, and a fault has two halves. */
const LINE_KINDS = [
  'setup',
  'check',
  'alignment',
  'image',
  'feel',
  'option',
  'safety',
  'side',
  'count',
  'transition',
  'note',
] as const;
const KIND_WORDS: Readonly<Record<CueKind, string>> = {
  setup: 'Name and set-up',
  check: 'Self-check',
  action: 'Action',
  alignment: 'What stays still',
  image: 'Image',
  feel: 'Where it should be felt',
  fault: 'Fault and fix',
  option: 'As an option',
  safety: 'Safety',
  side: 'Naming the side',
  count: 'Count',
  transition: 'The way out',
  note: 'Notes for the teacher, never said',
};

/** What a teacher says around the movement, kind by kind, a cue a line. */
export const RungWords = memo(function RungWords({ rung, onRung }: RungPartProps) {
  const cues = rung.cues ?? [];
  const faults = cues.filter(({ kind }) => kind === 'fault');
  const put = (kind: CueKind, made: readonly Cue[], field = '') =>
    onRung(
      (each) => ({ ...each, cues: [...(each.cues ?? []).filter((cue) => cue.kind !== kind), ...made] }),
      'what is said',
      field,
    );
  return (
    <section aria-label="What is said" className="flex flex-col gap-2">
      <h2 className="font-name text-xl font-semibold">What is said</h2>
      <Unsaid rung={rung} />
      {LINE_KINDS.map((kind) => (
        <LinesField
          key={kind}
          label={KIND_WORDS[kind]}
          value={cues.filter((cue) => cue.kind === kind).map(({ text }) => text)}
          placeholder="One cue a line"
          onChange={(lines) => put(kind, lineCues(cues, kind, lines), `cue ${kind}`)}
        />
      ))}
      <StageFields rung={rung} onRung={onRung} />
      <TouchFields rung={rung} onRung={onRung} />
      <div className="text-[15px]">
        <h3 className="text-sm text-soft">Fault → fix</h3>
        {faults.map((fault, i) => (
          <p key={i} className="flex items-baseline gap-1">
            <TextField
              label={`Fault ${i + 1}, what is seen`}
              note
              placeholder="What is seen"
              className="w-2/5"
              value={fault.sign ?? ''}
              onChange={(sign) => put('fault', faults.with(i, withSign(fault, sign)), `fault ${i}`)}
            />
            <span aria-hidden="true">→</span>
            <TextField
              label={`Fault ${i + 1}, the fix`}
              note
              placeholder="The fix said aloud"
              className="grow"
              value={fault.text}
              onChange={(text) => put('fault', faults.with(i, { ...fault, text }), `fix ${i}`)}
            />
            <RemoveButton name={`fault ${i + 1}`} onPress={() => put('fault', faults.toSpliced(i, 1))} />
          </p>
        ))}
        <button
          type="button"
          className="action mt-1 text-sm"
          onClick={() =>
            put('fault', [
              ...faults,
              { id: freeIdAmong(cues, 'c'), kind: 'fault', text: 'The fix', sign: 'What is seen' },
            ])
          }
        >
          <Plus className="size-4" aria-hidden="true" /> Fault
        </button>
      </div>
    </section>
  );
});

/** The lines of one kind as cues: one that is still there keeps its id, a changed one takes that of its place. */
function lineCues(cues: readonly Cue[], kind: CueKind, lines: readonly string[]): Cue[] {
  const old = cues.filter((cue) => cue.kind === kind);
  const made: Cue[] = [];
  lines.forEach((text, i) => {
    const same = old.find((cue) => cue.text === text && !made.some(({ id }) => id === cue.id));
    const before = old[i] && !made.some(({ id }) => id === old[i]?.id) ? old[i] : undefined;
    const kept = same ?? before;
    made.push(kept ? { ...kept, text } : { id: freeIdAmong([...cues, ...made], 'c'), kind, text });
  });
  return made;
}

const PART_WORDS = { entry: 'way in', phases: 'phase', exit: 'way out' } as const;

/** What still has no words. */
function Unsaid({ rung }: { rung: Rung }) {
  const { kinds, phases } = cueGaps(rung);
  const lacking = [
    ...kinds.filter((kind) => kind !== 'action').map((kind) => KIND_WORDS[kind]),
    ...phases.map(([part, place]) => `${PART_WORDS[part]} ${place + 1}`),
  ];
  if (lacking.length === 0) return null;
  return <p className="text-soft">Nothing is said yet for: {lacking.join(', ').toLowerCase()}.</p>;
}

function withSign({ sign: _old, ...fault }: Cue, sign: string): Cue {
  return sign ? { ...fault, sign } : fault;
}

const GATE_WORDS = { ready: 'Ready to move on when', stay: 'Stay here when', stop: 'Stop when' } as const;

/** Who may climb, what must come first, and what has to be at hand. */
export const RungGate = memo(function RungGate({
  rung,
  onRung,
  catalog,
}: RungPartProps & { readonly catalog: Catalog }) {
  const props = useAppSelector(selectProps);
  const [adding, setAdding] = useState(false);
  const requires = rung.requires ?? [];
  const gate = (part: keyof typeof GATE_WORDS) => (
    <LinesField
      label={GATE_WORDS[part]}
      value={rung.gate?.[part] ?? []}
      placeholder="One sign a line"
      onChange={(lines) =>
        onRung((each) => ({ ...each, gate: { ...each.gate, [part]: lines } }), 'the gate', `gate ${part}`)
      }
    />
  );
  return (
    <section aria-label="Gate" className="flex flex-col gap-2">
      <h2 className="font-name text-xl font-semibold">Gate</h2>
      {gate('ready')}
      {gate('stay')}
      {gate('stop')}
      <p className="text-sm text-soft">For everybody, always: stop with {catalog.method.stopSigns.join(', ')}.</p>
      <div className="text-[15px]">
        <h3 className="text-sm text-soft">Requires</h3>
        <ul>
          {requires.map((ref) => {
            const entry = catalog.rung(ref);
            return (
              <li key={rungKey(ref)} className="flex items-center gap-1">
                {entry ? `${entry.exercise.name}, ${entry.rung.name}` : rungKey(ref)}
                <button
                  type="button"
                  className="rounded p-0.5 hover:bg-shade"
                  onClick={() =>
                    onRung(
                      (each) => ({ ...each, requires: requires.filter((other) => other !== ref) }),
                      'what it requires',
                    )
                  }
                >
                  <X className="size-4" aria-hidden="true" />
                  <span className="sr-only">No longer require {rungKey(ref)}</span>
                </button>
              </li>
            );
          })}
        </ul>
        <button type="button" className="action mt-1 text-sm" onClick={() => setAdding(true)}>
          <Plus className="size-4" aria-hidden="true" /> Requirement
        </button>
      </div>
      <h3 className="text-sm text-soft">Prepare earlier in the same class</h3>
      <ChipSet
        legend="Preparation"
        all={PREPARATION_IDS.map((id) => ({ id, name: PREPARATIONS[id] }))}
        chosen={rung.preparation ?? []}
        onChange={(preparation) => onRung((each) => ({ ...each, preparation }), 'the preparation')}
      />
      <h3 className="text-sm text-soft">Props</h3>
      <ChipSet
        legend="Props"
        all={props}
        chosen={rung.props ?? []}
        onChange={(chosen) => onRung((each) => ({ ...each, props: chosen }), 'the props')}
      />
      <label className="inline-flex items-center gap-1.5 text-[15px]">
        <input
          type="checkbox"
          checked={rung.guided ?? false}
          onChange={({ target }) =>
            onRung(({ guided: _old, ...each }) => (target.checked ? { ...each, guided: true } : each), 'the guide')
          }
        />
        Something beside the body shows every sway: a wall, the edge of the mat
      </label>
      {adding && (
        <Suspense>
          <RungSheet
            catalog={catalog}
            title={`${rung.name} requires`}
            onPick={({ exercise, rung: other }) => {
              const ref = { exercise: exercise.id, rung: other.id };
              onRung((each) => ({ ...each, requires: [...requires, ref] }), 'what it requires');
              setAdding(false);
            }}
            onClose={() => setAdding(false)}
          />
        </Suspense>
      )}
    </section>
  );
});
