import { INTERLUDE_WORDS, type Interlude } from '@warm-ladder/core/plan';
import { clock, giveText, type Severity } from '@warm-ladder/core/review';
import { Ear, MessageCircle, Wind } from 'lucide-react';
import { memo, Suspense } from 'react';
import { lazily } from '../../../app/shell/lazily';
import { SeverityMark } from '../../../parts/classes/SeverityMark';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import { TextField } from '../../../parts/fields/TextField';
import { DetailsButton } from '../details/DetailsButton';
import { TileFrame, type TilePlace } from './TileFrame';

const InterludeDetails = lazily(() => import('../details/InterludeDetails'));

interface InterludeTileProps extends TilePlace {
  readonly block: Interlude;
  readonly seconds: number;
  readonly severity: Severity | undefined;
}

const SIGNS = { talk: MessageCircle, check: Ear, recover: Wind } as const;

/** A block without an exercise: something said, a check people make themselves, a small rest. Quieter than a rung. */
export const InterludeTile = memo(function InterludeTile(props: InterludeTileProps) {
  const { index, block, severity, actions } = props;
  const Sign = SIGNS[block.interlude];
  return (
    <TileFrame
      {...props}
      id={block.id}
      name={block.name}
      picture={() => (
        <span className="relative flex h-full flex-col items-center justify-center gap-1 text-sm text-soft">
          <Sign className="size-7 stroke-1" aria-hidden="true" />
          {INTERLUDE_WORDS[block.interlude]}
          <span className="absolute inset-x-0 bottom-0 h-0.5 rounded-sm bg-line" />
        </span>
      )}
      over={
        severity && (
          <span className="absolute top-0 right-0">
            <SeverityMark severity={severity} word={false} />
          </span>
        )
      }
      fields={<Fields {...props} />}
    >
      <Suspense>
        <InterludeDetails index={index} block={block} actions={actions} />
      </Suspense>
    </TileFrame>
  );
});

function Fields({ index, block, seconds, open, selected, actions }: InterludeTileProps) {
  const number = index + 1;
  const tabIndex = selected ? 0 : -1;
  return (
    <>
      <TextField
        label={`Name of block ${number}`}
        tabIndex={tabIndex}
        value={block.name}
        className="-mx-1 mt-1 w-[calc(100%+0.5rem)] min-w-0 text-sm"
        onChange={(name) => actions.setInterlude(block.id, { name }, 'the name', 'name')}
      />
      <span className="mt-auto flex items-center text-sm">
        <NumberField
          label={`Seconds of block ${number}`}
          value={block.seconds}
          limits={LIMITS.Interlude.seconds}
          step={5}
          className="w-10 px-0.5"
          tabIndex={tabIndex}
          onChange={(wanted) => actions.setInterlude(block.id, { seconds: wanted }, 'the seconds', 'seconds')}
        />
        <span className="ml-1 text-soft">s</span>
        {block.give !== undefined && (
          <span className="ml-1 truncate rounded-full bg-shade px-1.5 font-narrow text-xs">{giveText(block.give)}</span>
        )}
      </span>
      <span className="flex items-center justify-end gap-1">
        <DetailsButton {...{ number, open, tabIndex }} onToggle={() => actions.toggle(block.id)} />
        <span className="text-right text-sm text-soft">{clock(seconds)}</span>
      </span>
    </>
  );
}
