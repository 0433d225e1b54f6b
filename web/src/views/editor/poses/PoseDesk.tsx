import { type BasePosition, mirrored, type Pose } from '@warm-ladder/core/body';
import { type PlainView, plainViewOf } from '@warm-ladder/core/figure';
import {
  marksOf,
  plainPose,
  poseInUse,
  type Rung,
  type RungEntry,
  removePose,
  renamePose,
  withPose,
} from '@warm-ladder/core/repertoire';
import { FlipHorizontal2, Plus } from 'lucide-react';
import { type ComponentProps, Suspense, useState } from 'react';
import { freeId } from '../../../app/freeId';
import { lazily } from '../../../app/shell/lazily';
import { Figure } from '../../../figure/Figure';
import { BinButton } from '../../../parts/BinButton';
import { TextField } from '../../../parts/fields/TextField';
import type { AngleTable } from './AngleTable';
import type { Handle, Moved } from './drag';
import { PoseStage } from './PoseStage';
import { PoseUse } from './PoseUse';
import type { SupportPicker } from './SupportPicker';

// What floats beside a handle or lies over the view comes with a library of its own: the pose shows before it does.
const PartMenu = lazily(() => import('./PartMenu'));
const PoseSource = lazily(() => import('./PoseSource'));
const MarkFields = lazily(() => import('./MarkFields'));
const Angles = lazily<ComponentProps<typeof AngleTable>>(async () => ({
  default: (await import('./AngleTable')).AngleTable,
}));
const Supports = lazily<ComponentProps<typeof SupportPicker>>(async () => ({
  default: (await import('./SupportPicker')).SupportPicker,
}));

interface PoseDeskProps {
  readonly rung: Rung;
  readonly like: BasePosition;
  readonly shown: string;
  /** The rung with its props, for what carries the body. */
  readonly entry: RungEntry;
  /** Metres of the body that marks are measured on. */
  readonly heightM: number;
  readonly onShow: (pose: string) => void;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string, hold?: boolean) => void;
}

const VIEWS: ReadonlyArray<readonly [PlainView, string]> = [
  ['side', 'from the side'],
  ['top', 'from above'],
  ['front', 'from the front'],
];
const MOVED: ReadonlyArray<readonly [Moved, string]> = [
  ['both', 'both sides'],
  ['left', 'the left'],
  ['right', 'the right'],
];

/** The rung's poses: one on the stage to be drawn, the others beside it. */
export function PoseDesk({ rung, like, shown, entry, heightM, onShow, onRung }: PoseDeskProps) {
  const [chosen, setChosen] = useState<PlainView | null>(null);
  const [moved, setMoved] = useState<Moved>('both');
  const [asked, setAsked] = useState<{ handle: Handle; at: SVGElement } | null>(null);
  const [choosing, setChoosing] = useState(false);
  const pose = rung.poses[shown];
  if (!pose) return null;
  const ids = Object.keys(rung.poses);
  const view = chosen ?? plainViewOf(Object.values(rung.poses), like);
  const marks = marksOf(entry, pose, heightM);
  const set = (next: Pose, field: string) => onRung((each) => withPose(each, shown, next), `the pose ${shown}`, field);
  const add = (added: Pose, name: string) => {
    const id = freeId(
      name,
      ids.map((each) => ({ id: each })),
    );
    onRung((each) => withPose(each, id, structuredClone(added)), 'a pose more');
    onShow(id);
  };
  const rename = (name: string) => {
    const id = freeId(
      name,
      ids.filter((each) => each !== shown).map((each) => ({ id: each })),
    );
    onRung((each) => renamePose(each, shown, id), 'the name of a pose', 'pose name');
    onShow(id);
  };
  return (
    <section aria-label="Poses" className="min-w-0">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]">
        <Choice words="Seen" all={VIEWS} value={view} onChange={setChosen} />
        <Choice words="Move" all={MOVED} value={moved} onChange={setMoved} />
        <button
          type="button"
          className="action text-sm"
          title="Left and right change sides"
          onClick={() => set(mirrored(pose), '')}
        >
          <FlipHorizontal2 className="size-4" aria-hidden="true" /> Mirror
        </button>
        <span
          className="ml-auto text-soft"
          title="Or go to it and press an arrow, or Enter. Square where the body rests."
        >
          Drag a joint; click it for what rests or holds.
        </span>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_6.5rem] gap-3">
        <div className="h-72">
          <PoseStage
            pose={pose}
            from={rung.poses[rung.start]}
            like={like}
            entry={entry}
            view={view}
            moved={moved}
            marks={marks}
            onPose={(next, done) => onRung((each) => withPose(each, shown, next), `the pose ${shown}`, '', !done)}
            onAsk={(handle, at) => setAsked({ handle, at })}
          />
          {asked && (
            <Suspense>
              <PartMenu
                {...asked}
                pose={pose}
                rung={rung}
                props={entry.props}
                moved={moved}
                onPose={(next) => set(next, '')}
                onRung={(change) => onRung(change, 'what carries the body')}
                onClose={() => setAsked(null)}
              />
            </Suspense>
          )}
        </div>
        <ul aria-label="Poses of this rung" className="flex max-h-72 flex-col gap-1 overflow-y-auto">
          {ids.map((id) => (
            <li key={id} ref={id === shown ? intoView : undefined}>
              <button
                type="button"
                aria-pressed={id === shown}
                className={`block w-full rounded-md p-1 text-center text-sm ${id === shown ? 'bg-sheet shadow-lift' : 'hover:bg-sheet/70'}`}
                onClick={() => onShow(id)}
              >
                <Figure pose={rung.poses[id] ?? pose} like={like} view={view} className="h-12 w-full" />
                {id}
                {id === rung.start && <span className="text-soft"> · start</span>}
              </button>
            </li>
          ))}
          <li>
            <button type="button" className="action w-full justify-center text-sm" onClick={() => add(pose, 'pose')}>
              <Plus className="size-4" aria-hidden="true" /> Pose
            </button>
          </li>
          <li>
            <button
              type="button"
              className="action w-full justify-center text-sm"
              title="A pose of any rung, to begin from"
              onClick={() => setChoosing(true)}
            >
              <Plus className="size-4" aria-hidden="true" /> From…
            </button>
          </li>
        </ul>
      </div>
      <PoseUse rung={rung} pose={shown} onRung={onRung} />
      <Suspense>
        <MarkFields
          rung={rung}
          pose={pose}
          marks={marks}
          onPose={(next, field = '') => set(next, field)}
          onRung={onRung}
        />
      </Suspense>
      {choosing && (
        <Suspense>
          <PoseSource
            position={entry.position}
            onPick={(taken, name) => {
              add(taken, name);
              setChoosing(false);
            }}
            onClose={() => setChoosing(false)}
          />
        </Suspense>
      )}
      <details className="mt-1 mb-3">
        <summary className="text-[15px]">
          <span className="font-semibold">Exact angles, what rests, what is held</span>
        </summary>
        <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]">
          <span>
            Pose <TextField label="Name of the pose" value={shown} className="w-28" onChange={rename} />
          </span>
          <button
            type="button"
            className="action text-sm"
            disabled={shown === rung.start}
            onClick={() => onRung((each) => ({ ...each, start: shown }), 'where it starts')}
          >
            Make this the first pose
          </button>
          <button type="button" className="action text-sm" onClick={() => set(plainPose(like), '')}>
            Reset pose
          </button>
          <BinButton
            word="Remove"
            against={poseInUse(rung, shown) ? 'The rung starts in it or moves to it' : undefined}
            onPress={() => {
              onRung((each) => removePose(each, shown), 'removing a pose');
              onShow(rung.start);
            }}
          />
        </div>
        <div className="mt-2 grid gap-x-8 gap-y-3 xl:grid-cols-2">
          <Suspense>
            <Angles pose={pose} onPose={(next, joint) => set(next, `angle ${shown} ${joint}`)} />
            <Supports pose={pose} props={entry.props} onPose={(next, part) => set(next, part && `${shown} ${part}`)} />
          </Suspense>
        </div>
      </details>
    </section>
  );
}

/** A pose just added may lie below the others. */
const intoView = (item: HTMLLIElement | null) => item?.scrollIntoView({ block: 'nearest' });

interface ChoiceProps<T extends string> {
  readonly words: string;
  readonly all: ReadonlyArray<readonly [T, string]>;
  readonly value: T;
  readonly onChange: (value: T) => void;
}

function Choice<T extends string>({ words, all, value, onChange }: ChoiceProps<T>) {
  return (
    <label>
      <span className="text-soft">{words}</span>{' '}
      <select aria-label={words} className="field" value={value} onChange={({ target }) => onChange(target.value as T)}>
        {all.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
