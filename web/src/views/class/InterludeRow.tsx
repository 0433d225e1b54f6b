import { INTERLUDE_WORDS, type Interlude } from '@warm-ladder/core/plan';
import { clock, giveText, type Severity } from '@warm-ladder/core/review';
import { ChevronDown } from 'lucide-react';
import { memo, Suspense } from 'react';
import { lazily } from '../../app/lazily';
import { LIMITS } from '../../parts/limits';
import { NumberField } from '../../parts/NumberField';
import { SeverityMark } from '../../parts/SeverityMark';
import { TextField } from '../../parts/TextField';
import { RowClock } from './BlockRow';
import { RowFrame } from './RowFrame';
import type { RowActions } from './useRowActions';

const InterludeDetails = lazily(() => import('./InterludeDetails'));

interface InterludeRowProps {
  readonly index: number;
  readonly block: Interlude;
  readonly seconds: number;
  readonly way: string | null;
  readonly severity: Severity | undefined;
  readonly selected: boolean;
  readonly open: boolean;
  readonly pointed: boolean;
  readonly chosen: boolean;
  readonly actions: RowActions;
}

/** A block without an exercise: something said, a check people make themselves, a small rest. Quieter than a rung. */
export const InterludeRow = memo(function InterludeRow(props: InterludeRowProps) {
  const { index, block, way, selected, open, pointed, chosen, actions } = props;
  return (
    <RowFrame
      {...{ index, way, selected, pointed, chosen, actions }}
      id={block.id}
      name={block.name}
      fields={<Fields {...props} />}
    >
      {open && (
        <Suspense>
          <InterludeDetails index={index} block={block} actions={actions} />
        </Suspense>
      )}
    </RowFrame>
  );
});

function Fields({ index, block, seconds, severity, open, actions }: InterludeRowProps) {
  const number = index + 1;
  return (
    <>
      <RowClock index={index} />
      <span className="text-center text-sm text-soft">{INTERLUDE_WORDS[block.interlude]}</span>
      <TextField
        label={`Name of block ${number}`}
        value={block.name}
        className="-ml-1.5 w-full min-w-0 grow basis-40"
        onChange={(name) => actions.setInterlude(block.id, { name }, 'the name', 'name')}
      />
      <span className="col-span-3 justify-self-end whitespace-nowrap">
        {block.give !== undefined && (
          <span className="mr-3 rounded-full bg-shade px-2 text-xs">{giveText(block.give)}</span>
        )}
        <NumberField
          label={`Seconds of block ${number}`}
          value={block.seconds}
          limits={LIMITS.Interlude.seconds}
          step={5}
          className="w-12"
          onChange={(wanted) => actions.setInterlude(block.id, { seconds: wanted }, 'the seconds', 'seconds')}
        />
        <span className="ml-1 inline-block w-11 text-left text-sm text-soft">s</span>
      </span>
      <span className="text-right text-soft">{clock(seconds)}</span>
      <span className="flex items-center gap-0.5">
        <span className="inline-block w-4">{severity && <SeverityMark severity={severity} word={false} />}</span>
        <span className="inline-block w-6" />
        <button
          type="button"
          aria-expanded={open}
          className="rounded p-1 hover:bg-shade"
          onClick={() => actions.toggle(block.id)}
        >
          <ChevronDown className={`size-4 transition-transform ${open ? 'rotate-180' : ''}`} aria-hidden="true" />
          <span className="sr-only">Details of block {number}</span>
        </button>
      </span>
    </>
  );
}
