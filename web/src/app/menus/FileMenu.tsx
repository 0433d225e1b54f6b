import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Suspense, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { lazily } from '../shell/lazily';
import { selectWaiting } from '../store/selectors';
import { EXPORT_PATH } from '../store/server';
import { useAppSelector } from '../store/store';
import { placeAt } from './places';

const EmptyDialog = lazily(() => import('./EmptyDialog'));
const WaysBack = lazily(() => import('./WaysBack'));

interface FileMenuProps {
  readonly onImport: () => void;
}

/** The studio as a file: out, in, and emptied. */
export default function FileMenu({ onImport }: FileMenuProps) {
  const [open, setOpen] = useState<'empty' | 'back' | null>(null);
  const waiting = useAppSelector(selectWaiting);
  const aside = useAppSelector(({ studio }) => studio.aside);
  const here = placeAt(useLocation().pathname);
  const item =
    'block cursor-pointer rounded px-3 py-1.5 outline-none data-highlighted:bg-shade data-disabled:text-soft';
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="action">
          Studio <ChevronDown className="size-4" aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-30 min-w-56 rounded-lg border border-line bg-sheet p-1.5 shadow-lift"
          >
            <DropdownMenu.Item className={item} onSelect={onImport}>
              Import a file…
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild disabled={waiting}>
              <a href={EXPORT_PATH} download="warm-ladder.json">
                {waiting ? 'Export (saving first…)' : 'Export the studio'}
              </a>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild disabled={waiting}>
              <a href="/api/repertoire.csv" download="repertoire.csv">
                {waiting ? 'Repertoire as a table (saving first…)' : 'Repertoire as a table (CSV)'}
                <span className="block text-sm text-soft">without poses, phases and cues</span>
              </a>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild>
              <Link to={here ? `/history?${new URLSearchParams({ ...here })}` : '/history'}>
                {here ? 'What was changed here' : 'What was changed'}
              </Link>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild>
              <Link to="/phones">On phones in the studio</Link>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setOpen('back')}>
              Ways back…
              {aside > 0 && <span className="block text-sm text-alarm">{aside} set aside</span>}
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item className={item} onSelect={() => setOpen('empty')}>
              Empty the studio…
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Suspense>
        {open === 'back' && <WaysBack close={() => setOpen(null)} />}
        {open === 'empty' && <EmptyDialog close={() => setOpen(null)} />}
      </Suspense>
    </>
  );
}
