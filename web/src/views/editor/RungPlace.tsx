import type { SchoolId } from '@warm-ladder/core/method';
import type { Exercise, Rung } from '@warm-ladder/core/repertoire';
import { SIDEDNESS_WORDS } from '@warm-ladder/core/vocabulary';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { ChoicesButton } from '../../parts/fields/ChoicesButton';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { RemoveButton } from '../../parts/RemoveButton';

interface RungPlaceProps {
  readonly exercise: Exercise;
  readonly rung: Rung;
  readonly onRung: (change: (rung: Rung) => Rung, label: string, field?: string) => void;
}

/** What one rung can be drawn and worded by. */
const OF_A_RUNG: readonly SchoolId[] = ['lowBack', 'effortBreath', 'breathStyle', 'legs', 'seat'];

type Spring = NonNullable<Rung['spring']>;
type Setting = NonNullable<Rung['settings']>[number];
/** A spring to begin with. */
const SPRING: Spring = { newtons: 80, at: 'feet', does: 'resist' };

/** Where the rung stands in its ladder, the side it is drawn for, and how an apparatus is set for it. */
export const RungPlace = memo(function RungPlace({ exercise, rung, onRung }: RungPlaceProps) {
  const { spring, settings = [] } = rung;
  // Beside another rung, and never beside one that stands beside a third.
  const others = exercise.rungs.filter(({ id, branchOf }) => id !== rung.id && branchOf === undefined);
  const set = <K extends 'branchOf' | 'drawn' | 'sides' | 'spring' | 'settings' | 'choices'>(
    key: K,
    value: Rung[K],
    label: string,
    field = '',
  ) =>
    onRung(
      ({ [key]: _old, ...each }) => (value === undefined ? each : { ...each, [key]: value }) as Rung,
      label,
      field,
    );
  const put = (next: readonly Setting[], field = '') =>
    set('settings', next.length > 0 ? [...next] : undefined, 'how the apparatus is set', field);
  const pull = (change: Partial<Spring>, field = '') =>
    set('spring', { ...(spring ?? SPRING), ...change }, 'the spring', field);
  return (
    <details className="text-[15px]">
      <summary>Place in the ladder, side, apparatus</summary>
      <div className="mt-1 flex flex-col gap-1">
        <p>
          <ChoicesButton
            title="This rung is drawn and worded so"
            value={rung.choices}
            schools={OF_A_RUNG}
            onChange={(choices) => set('choices', choices, 'what is done otherwise')}
          />
        </p>
        <p className="flex flex-wrap gap-x-5">
          <label>
            <span className="text-soft">stands</span>{' '}
            <select
              aria-label="Place in the ladder"
              className="field"
              value={rung.branchOf ?? ''}
              onChange={({ target }) => set('branchOf', target.value || undefined, 'its place in the ladder')}
            >
              <option value="">in the ladder</option>
              {others.map(({ id, name }) => (
                <option key={id} value={id}>
                  beside {name}
                </option>
              ))}
            </select>
          </label>
          <label>
            <span className="text-soft">drawn for</span>{' '}
            <select
              aria-label="The side it is drawn for"
              className="field"
              value={rung.drawn ?? ''}
              onChange={({ target }) =>
                set('drawn', (target.value || undefined) as Rung['drawn'], 'the side it is drawn for')
              }
            >
              <option value="">the side the poses show</option>
              <option value="left">the left</option>
              <option value="right">the right</option>
            </select>
          </label>
          <label>
            <span className="text-soft">its sides</span>{' '}
            <select
              aria-label="How its own sides go"
              className="field"
              value={rung.sides ?? ''}
              onChange={({ target }) =>
                set('sides', (target.value || undefined) as Rung['sides'], 'how its own sides go')
              }
            >
              <option value="">as the exercise: {SIDEDNESS_WORDS[exercise.sides]}</option>
              {Object.entries(SIDEDNESS_WORDS).map(([sides, words]) => (
                <option key={sides} value={sides}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        </p>
        {spring ? (
          <p className="flex flex-wrap items-baseline gap-x-1">
            <span className="text-soft">spring of</span>
            <NumberField
              label="Pull of the spring, newtons"
              value={spring.newtons}
              limits={LIMITS.Spring.newtons}
              className="w-12"
              onChange={(newtons) => pull({ newtons }, 'spring')}
            />
            N at the
            <TextField
              label="Where the spring pulls"
              value={spring.at}
              className="w-28"
              onChange={(at) => pull({ at }, 'spring at')}
            />
            <select
              aria-label="What the spring does"
              className="field"
              value={spring.does}
              onChange={({ target }) => pull({ does: target.value as Spring['does'] })}
            >
              <option value="resist">resists: harder with more</option>
              <option value="carry">carries: harder with less</option>
            </select>
            <RemoveButton name="the spring" onPress={() => set('spring', undefined, 'the spring')} />
          </p>
        ) : null}
        {settings.map((setting, i) => (
          <p key={i} className="flex items-baseline gap-x-1">
            <TextField
              label={`Setting ${i + 1}, what is set`}
              value={setting.name}
              className="w-40"
              onChange={(name) => put(settings.with(i, { ...setting, name }), `setting ${i}`)}
            />
            <span className="text-soft">at</span>
            <TextField
              label={`Setting ${i + 1}, to what`}
              value={setting.value}
              className="w-28"
              onChange={(value) => put(settings.with(i, { ...setting, value }), `setting to ${i}`)}
            />
            <RemoveButton name={`setting ${i + 1}`} onPress={() => put(settings.toSpliced(i, 1))} />
          </p>
        ))}
        <p className="flex flex-wrap gap-2">
          {!spring && (
            <button type="button" className="action text-sm" onClick={() => pull({})}>
              <Plus className="size-4" aria-hidden="true" /> Spring
            </button>
          )}
          <button
            type="button"
            className="action text-sm"
            onClick={() => put([...settings, { name: 'Foot bar', value: 'middle' }])}
          >
            <Plus className="size-4" aria-hidden="true" /> Setting
          </button>
        </p>
      </div>
    </details>
  );
});
