import { Command } from 'cmdk';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { Sheet } from '../parts/Sheet';
import { selectAudiences, selectCatalog, selectClasses, selectOpenClass, selectSeries } from './selectors';
import { useAppDispatch, useAppSelector } from './store';
import { redone, undone } from './studio';

interface Entry {
  readonly group: string;
  readonly words: string;
  /** Where it leads, or what it does. */
  readonly does: string | (() => void);
}

const VIEWS: ReadonlyArray<readonly [string, string]> = [
  ['All classes', '/class'],
  ['Propose a class', '/propose'],
  ['Repertoire', '/repertoire'],
  ['Cues', '/cues'],
  ['Audiences', '/audiences'],
  ['Teachers and rooms', '/teachers'],
  ['Calendar', '/calendar'],
  ['Plan a series', '/series/plan'],
  ['The shelf', '/shelf'],
  ['Method', '/method'],
  ['Positions and the ways between', '/method/positions'],
  ['What really happened', '/logs'],
  ['On phones in the studio', '/phones'],
  ['What was changed', '/history'],
  ['Scripts', '/script'],
  ['Series', '/series'],
  ['Two versions beside each other', '/versions'],
];

/** Entries of a group that are listed: more are found by more letters. */
const LISTED = 8;

/** Everything there is to go to and the few things to do, by a few letters of its name. */
export default function Palette({ onClose }: { readonly onClose: () => void }) {
  const entries = useEntries();
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  // Where the hand was, before the field for the letters takes it.
  const [from] = useState(() => document.activeElement);
  const letters = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const found = entries.filter(({ words }) => letters.every((each) => words.toLowerCase().includes(each)));
  const groups = [...new Set(found.map(({ group }) => group))];
  const take = ({ does }: Entry) => {
    onClose();
    if (typeof does === 'string') void navigate(does);
    else does();
  };
  return (
    <Sheet
      open
      onOpenChange={() => {
        onClose();
        requestAnimationFrame(() => from instanceof HTMLElement && from.focus());
      }}
      title="Go to"
    >
      <Command label="Go to" shouldFilter={false} loop>
        <Command.Input
          autoFocus
          value={typed}
          onValueChange={setTyped}
          placeholder="A class, a ladder, a view …"
          className="field w-full text-lg"
        />
        <Command.List className="mt-2 max-h-[55dvh] overflow-y-auto">
          <Command.Empty className="py-2 text-soft">Nothing of that name.</Command.Empty>
          {groups.map((group) => (
            <Command.Group key={group} heading={group} className="mt-1 text-sm text-soft">
              {found
                .filter((each) => each.group === group)
                .slice(0, LISTED)
                .map((entry) => (
                  <Command.Item
                    key={`${group} ${entry.words} ${String(entry.does)}`}
                    value={`${group} ${entry.words} ${String(entry.does)}`}
                    onSelect={() => take(entry)}
                    className="cursor-pointer rounded px-2 py-1 text-base text-ink data-[selected=true]:bg-shade"
                  >
                    {entry.words}
                  </Command.Item>
                ))}
            </Command.Group>
          ))}
        </Command.List>
      </Command>
    </Sheet>
  );
}

function useEntries(): readonly Entry[] {
  const classes = useAppSelector(selectClasses);
  const { exercises } = useAppSelector(selectCatalog);
  const audiences = useAppSelector(selectAudiences);
  const series = useAppSelector(selectSeries);
  const open = useAppSelector(selectOpenClass);
  const dispatch = useAppDispatch();
  const { pathname } = useLocation();
  const here = open && pathname.endsWith(open.id) ? open : undefined;
  return [
    ...(here
      ? [
          { group: here.name, words: 'Blocks of this class', does: `/class/${here.id}` },
          { group: here.name, words: 'Levels of this class', does: `/class/${here.id}?view=levels` },
          { group: here.name, words: 'Script of this class', does: `/script/${here.id}` },
          { group: here.name, words: 'Teach this class', does: `/teach/${here.id}` },
          { group: here.name, words: 'Rehearse this class', does: `/rehearse/${here.id}` },
          { group: here.name, words: 'Room card of this class', does: `/room/${here.id}` },
          { group: here.name, words: 'Set this class beside another', does: `/versions?one=${here.id}` },
        ]
      : []),
    ...VIEWS.map(([words, does]) => ({ group: 'Views', words, does })),
    // A page of its own, as it is opened on a phone.
    { group: 'Views', words: 'Classes today', does: () => location.assign('/tonight') },
    { group: 'Do', words: 'Undo', does: () => void dispatch(undone()) },
    { group: 'Do', words: 'Redo', does: () => void dispatch(redone()) },
    ...classes.map(({ id, name }) => ({ group: 'Classes', words: name, does: `/class/${id}` })),
    ...exercises.map(({ id, name }) => ({ group: 'Ladders', words: name, does: `/repertoire/${id}` })),
    ...audiences.map(({ id, name }) => ({ group: 'Audiences', words: name, does: `/audiences/${id}` })),
    ...series.map(({ id, name }) => ({ group: 'Series', words: name, does: `/series/${id}` })),
  ];
}
