import { Command } from 'cmdk';
import { type ReactNode, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { SoonRungFigure } from '../../figure/SoonRungFigure';
import { ClassStairs } from '../../parts/classes/ClassStairs';
import { downloadFrom } from '../../parts/download';
import { Sheet } from '../../parts/Sheet';
import { useUndo } from '../history/useUndo';
import {
  selectAudiences,
  selectCatalog,
  selectClasses,
  selectOpenClass,
  selectSeries,
  selectWaiting,
} from '../store/selectors';
import { useAppSelector } from '../store/store';
import { useNewClass } from '../useNewClass';
import { ALWAYS, answers, commandsOf, type Command as Doing, STEPS } from './commands';

interface PaletteProps {
  readonly onClose: () => void;
  readonly onImport: () => void;
}

/** Something found by its letters: a thing to do, or one that is gone to, drawn. */
interface Found extends Doing {
  readonly picture?: ReactNode;
}

/** Found things that are listed: more are found by more letters. */
const LISTED = 14;

/** Everything there is to do, by the steps of the work; and by a few letters everything there is to go to, as it looks. */
export default function Palette({ onClose, onImport }: PaletteProps) {
  const [typed, setTyped] = useState('');
  const letters = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const doings = useDoings(onImport);
  const things = useThings();
  const navigate = useNavigate();
  const waiting = useAppSelector(selectWaiting);
  const take = ({ does }: Doing) => {
    onClose();
    if (typeof does === 'function') does();
    else if ('to' in does) void navigate(does.to);
    else downloadFrom(does.file);
  };
  const item = (each: Found) => {
    const late = waiting && typeof each.does === 'object' && 'file' in each.does;
    return (
      <Command.Item
        key={`${each.step} ${each.words} ${keyOf(each)}`}
        value={`${each.step} ${each.words} ${keyOf(each)}`}
        disabled={late}
        onSelect={() => take(each)}
        className="flex cursor-pointer items-center gap-3 rounded px-2 py-1 data-[disabled=true]:text-soft data-[selected=true]:bg-shade"
      >
        {each.picture !== undefined && (
          <span className="w-18 shrink-0">
            <Suspense>{each.picture}</Suspense>
          </span>
        )}
        <span className="min-w-0 grow truncate">{each.words}</span>
        {late && <span className="text-sm text-soft">saving first…</span>}
        {letters.length > 0 && <span className="font-narrow text-sm text-soft">{each.step}</span>}
      </Command.Item>
    );
  };
  return (
    <Sheet open onOpenChange={onClose} title="Go to or do">
      <Command label="Go to or do" shouldFilter={false} loop>
        <Command.Input
          autoFocus
          value={typed}
          onValueChange={setTyped}
          placeholder="New class, print, a ladder, a name …"
          className="field w-full text-lg"
        />
        <Command.List className="mt-2 max-h-[60dvh] overflow-y-auto">
          <Command.Empty className="py-2 text-soft">Nothing of that name.</Command.Empty>
          {letters.length > 0
            ? ranked([...doings, ...things], letters)
                .slice(0, LISTED)
                .map(item)
            : STEPS.map((step) => (
                <Command.Group
                  key={step}
                  className="grid grid-cols-[6rem_1fr] border-b border-line py-1"
                  heading={step}
                >
                  {doings.filter((each) => each.step === step).map(item)}
                </Command.Group>
              ))}
        </Command.List>
      </Command>
    </Sheet>
  );
}

const keyOf = ({ does }: Doing): string => (typeof does === 'function' ? '' : 'to' in does ? does.to : does.file);

/** What the letters find, the best answer first. */
function ranked(all: readonly Found[], letters: readonly string[]): Found[] {
  const found = all.flatMap((each) => {
    const rank = answers(each.words, each.also ?? '', letters);
    return rank === null ? [] : [{ each, rank }];
  });
  return found.sort((a, b) => a.rank - b.rank).map(({ each }) => each);
}

function useDoings(onImport: () => void): Doing[] {
  const undo = useUndo();
  const create = useNewClass();
  const open = useAppSelector(selectOpenClass);
  return [
    ...ALWAYS,
    { step: 'Class', words: 'New class', also: 'empty', does: () => create() },
    { step: 'House', words: 'Import a file…', also: 'read open table', does: onImport },
    { step: 'House', words: 'Undo', does: () => undo('back') },
    { step: 'House', words: 'Redo', does: () => undo('forward') },
    ...(open ? commandsOf(open) : []),
  ];
}

/** Classes, ladders, audiences and series, each as it looks. */
function useThings(): Found[] {
  const classes = useAppSelector(selectClasses);
  const catalog = useAppSelector(selectCatalog);
  const audiences = useAppSelector(selectAudiences);
  const series = useAppSelector(selectSeries);
  return [
    ...classes.map(
      (plan): Found => ({
        step: 'Class',
        words: plan.name,
        does: { to: `/class/${plan.id}` },
        picture: <ClassStairs plan={plan} className="h-8" />,
      }),
    ),
    ...catalog.exercises.map(({ id, name, tags }): Found => {
      const [entry] = catalog.ladder(id);
      return {
        step: 'Repertoire',
        words: name,
        also: (tags ?? []).join(' '),
        does: { to: `/repertoire/${id}` },
        picture: entry && <SoonRungFigure entry={entry} className="h-9 w-18" />,
      };
    }),
    ...audiences.map(({ id, name }): Found => ({ step: 'House', words: name, does: { to: `/audiences/${id}` } })),
    ...series.map(({ id, name }): Found => ({ step: 'Series', words: name, does: { to: `/series/${id}` } })),
  ];
}
