import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { type ReactNode, useRef } from 'react';

interface SheetProps {
  readonly open: boolean;
  /** Missing where it must be answered: then nothing closes it. */
  readonly onOpenChange?: (open: boolean) => void;
  readonly title: string;
  readonly about?: ReactNode;
  readonly children: ReactNode;
  /** `middle`: a question to answer; `side`: a place to work beside the view. */
  readonly at?: 'middle' | 'side';
}

/** A sheet of paper laid over the view. */
export function Sheet({ open, onOpenChange, title, about, children, at = 'middle' }: SheetProps) {
  const from = useRef<Element | null>(null);
  const was = useRef(false);
  // Before a field within takes the hand by itself.
  if (open && !was.current) from.current = document.activeElement;
  was.current = open;
  const place =
    at === 'middle'
      ? 'top-1/2 left-1/2 w-[min(38rem,94vw)] max-h-[88dvh] -translate-x-1/2 -translate-y-1/2 rounded-lg'
      : 'top-0 right-0 h-dvh w-[min(46rem,100vw)]';
  return (
    <Dialog.Root open={open} {...(onOpenChange ? { onOpenChange } : {})}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/25" />
        <Dialog.Content
          className={`fixed z-40 flex flex-col bg-sheet shadow-lift ${place}`}
          {...(about ? {} : { 'aria-describedby': undefined })}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveBack(from.current);
          }}
        >
          <div className="flex items-start gap-3 border-b border-line px-5 py-3">
            <div className="grow">
              <Dialog.Title className="font-name text-xl font-semibold">{title}</Dialog.Title>
              {about && <Dialog.Description className="text-soft">{about}</Dialog.Description>}
            </div>
            {onOpenChange && (
              <Dialog.Close className="rounded p-1 hover:bg-shade">
                <X className="size-5" aria-hidden="true" />
                <span className="sr-only">Close</span>
              </Dialog.Close>
            )}
          </div>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be scrolled by keyboard too. */}
          <section aria-label={title} tabIndex={0} className="min-h-0 grow overflow-y-auto px-5 py-4">
            {children}
          </section>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The hand goes back to where it was; where that is gone, to the heading of the page. */
function giveBack(from: Element | null) {
  requestAnimationFrame(() => {
    // Something else may have taken it already: the row a remedy was taken for.
    if (document.activeElement !== document.body && document.activeElement !== null) return;
    if (from instanceof HTMLElement && from.isConnected && from !== document.body) from.focus();
    else {
      const heading = document.querySelector<HTMLElement>('main h1');
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    }
  });
}
