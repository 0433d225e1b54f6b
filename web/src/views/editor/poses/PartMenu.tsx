import {
  type Hand,
  type Pose,
  type Side,
  supportsOf,
  type WeightPlace,
  withHold,
  withSupports,
  withWeight,
} from '@warm-ladder/core/body';
import { carrierOf, type Prop, type Rung, withCarrier } from '@warm-ladder/core/repertoire';
import { Popover } from 'radix-ui';
import { ChipSet } from '../../../parts/fields/ChipSet';
import { LIMITS } from '../../../parts/fields/limits';
import { NumberField } from '../../../parts/fields/NumberField';
import type { Handle, Moved } from './drag';
import { HoldField } from './HoldField';
import { named, RESTS, sidesOf } from './rests';

/** Where a load hangs there. */
const LOADED: Partial<Readonly<Record<Handle['name'], string>>> = {
  knee: 'knee',
  ankle: 'foot',
  wrist: 'hand',
  hip: 'pelvis',
  head: 'head',
};

interface PartMenuProps {
  readonly pose: Pose;
  readonly rung: Rung;
  readonly props: readonly Prop[];
  readonly handle: Handle;
  readonly moved: Moved;
  /** The drawn handle, beside which it opens. */
  readonly at: SVGElement;
  readonly onPose: (pose: Pose) => void;
  readonly onRung: (change: (rung: Rung) => Rung) => void;
  readonly onClose: () => void;
}

/** What a part of the body rests on, holds and carries, asked where it is. */
export default function PartMenu({ pose, rung, props, handle, moved, at, onPose, onRung, onClose }: PartMenuProps) {
  const sides = sidesOf(handle, moved);
  const bearing = supportsOf(pose);
  const parts = RESTS[handle.name];
  const resting = parts.filter((part) => named(part, sides).every((each) => bearing.has(each)));
  const loaded = LOADED[handle.name];
  const places = loaded === undefined ? [] : (named(loaded, sides) as WeightPlace[]);
  const hands = handle.name === 'wrist' ? (named('hand', sides) as Hand[]) : [];
  return (
    <Popover.Root open onOpenChange={(open) => open || onClose()}>
      <Popover.Anchor virtualRef={{ current: at }} />
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          sideOffset={24}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            at.focus();
          }}
          aria-label={`The ${handle.words}`}
          className="z-30 flex w-64 flex-col gap-2 rounded-lg border border-line bg-sheet p-3 text-[15px] shadow-lift"
        >
          <p className="font-semibold first-letter:uppercase">{handle.words}</p>
          <div>
            <p className="text-sm text-soft">What rests here</p>
            <ChipSet
              legend={`What rests at the ${handle.words}`}
              all={parts.map((id) => ({ id, name: id }))}
              chosen={resting}
              onChange={(chosen) => {
                const all = (which: readonly string[]) => which.flatMap((part) => named(part, sides));
                const gone = parts.filter((part) => !chosen.includes(part));
                onPose(withSupports(withSupports(pose, all(gone), false), all(chosen), true));
              }}
            />
          </div>
          {props.length > 0 &&
            resting.map((part) => (
              <label key={part} className="flex items-baseline gap-1">
                <span className="text-soft">{part} on</span>
                <select
                  aria-label={`What carries the ${part}`}
                  className="field grow"
                  value={carrierOf(rung, named(part, sides)[0] ?? '', props)?.id ?? ''}
                  onChange={({ target }) =>
                    onRung((each) => withCarrier(each, named(part, sides), target.value || null))
                  }
                >
                  <option value="">the floor</option>
                  {props.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            ))}
          {hands.map((hand) => (
            <HoldField
              key={hand}
              words={hands.length > 1 ? `${sideOf(hand)} hand holds` : 'holds'}
              label={`What the ${sideOf(hand)} hand holds`}
              value={pose.holds?.[hand]}
              props={props}
              onChange={(held) => onPose(withHold(pose, hand, held))}
            />
          ))}
          {places[0] !== undefined && (
            <p>
              <span className="text-soft">load</span>{' '}
              <NumberField
                label={`Load at the ${handle.words}, kg`}
                value={pose.weights?.[places[0]] ?? 0}
                limits={LIMITS.Pose.weights}
                step={0.5}
                className="w-12"
                onChange={(kg) => onPose(places.reduce((next, place) => withWeight(next, place, kg), pose))}
              />{' '}
              kg{places.length > 1 && ' each'}
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const sideOf = (hand: Hand): Side => (hand === 'hand.left' ? 'left' : 'right');
