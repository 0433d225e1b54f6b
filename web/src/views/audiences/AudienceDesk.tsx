import { LIMIT_SETTINGS, type Method } from '@warm-ladder/core/method';
import { type Audience, LEVELS } from '@warm-ladder/core/plan';
import { GENERAL_ADVICE } from '@warm-ladder/core/script';
import { countText } from '@warm-ladder/core/vocabulary';
import { Copy } from 'lucide-react';
import { useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange, useSet } from '../../app/store/edits';
import { selectCatalog, selectClasses } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { BinButton } from '../../parts/BinButton';
import { Choice } from '../../parts/fields/Choice';
import { ConditionPicker } from '../../parts/fields/ConditionPicker';
import { LinesField } from '../../parts/fields/LinesField';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { Figures, type Table } from '../../parts/rungs/Figures';
import { RungSet } from '../../parts/rungs/RungSet';
import { CheckRecord } from './CheckRecord';
import { PropsAtHand } from './PropsAtHand';
import { WhatIsLeft } from './WhatIsLeft';

/** The limits an audience may have of its own, each beginning where the house has it; two stand in its sentence. */
function ownLimits(house: Method['limits']): Table {
  const { homeHeat: _heat, floorTrips: _trips, ...others } = LIMIT_SETTINGS;
  return Object.fromEntries(
    Object.entries(others).map(([key, setting]) => [key, { ...setting, value: house[key as keyof typeof house] }]),
  );
}

const LEVEL_WORDS = { beginner: 'beginners', improver: 'improvers', advanced: 'advanced' } as const;

/** One audience to work on; what its cautions leave of the repertoire stands beside them. */
export function AudienceDesk({ audience }: { audience: Audience }) {
  const catalog = useAppSelector(selectCatalog);
  const taught = useAppSelector(selectClasses).filter((plan) => plan.audience === audience.id).length;
  const change = useChange();
  const navigate = useNavigate();
  const set = useSet('audiences', audience);
  const cautions = audience.cautions ?? [];
  const known = audience.knows ?? [];
  const copy = () => {
    const name = `${audience.name} (copy)`.slice(0, 120);
    // Checks are of persons, and stay with those who were checked.
    const { abdominalChecks: _checks, ...others } = audience;
    const made: Audience = { ...others, id: newId(name), name };
    change('audiences', made.id, made, `copying ${audience.name}`);
    void navigate(`/audiences/${made.id}`);
  };
  return (
    <div className="grid min-w-0 items-start gap-x-10 gap-y-6 xl:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="min-w-0">
        <div className="flex items-start gap-3">
          <TextField
            label="Name of the audience"
            value={audience.name}
            className="-ml-1.5 w-full max-w-xl font-name text-2xl font-semibold"
            onChange={(name) => set({ name }, 'the name', 'name')}
          />
          <button type="button" className="action ml-auto text-sm" onClick={copy}>
            <Copy className="size-4" aria-hidden="true" /> Copy
          </button>
          <BinButton
            word="Delete"
            className="text-sm"
            against={
              taught > 0
                ? `${countText(taught, 'class is', 'classes are')} for them; give it to another first`
                : undefined
            }
            onPress={() => {
              change('audiences', audience.id, undefined, `deleting ${audience.name}`);
              void navigate('/audiences');
            }}
          />
        </div>
        <p className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[15px]">
          <span>
            They are{' '}
            <Choice
              label="Level"
              value={audience.level ?? ''}
              choices={[['', 'of every level'], ...LEVELS.map((level) => [level, LEVEL_WORDS[level]] as const)]}
              onChange={(level) => set({ level: LEVELS.find((each) => each === level) }, 'the level')}
            />
          </span>
          <span>
            <NumberField
              label="How many people"
              value={audience.size ?? 12}
              limits={LIMITS.Audience.size}
              className="w-10"
              onChange={(size) => set({ size }, 'how many they are', 'size')}
            />{' '}
            people{audience.size === undefined && <span className="text-soft"> (not said yet)</span>}
          </span>
          <span>
            A count takes{' '}
            <NumberField
              label="Tempo"
              value={audience.tempo ?? 1}
              limits={LIMITS.Audience.tempo}
              step={0.1}
              className="w-12"
              onChange={(tempo) => set({ tempo: tempo === 1 ? undefined : tempo }, 'the tempo', 'tempo')}
            />{' '}
            times the usual
          </span>
          <span>
            Changing position takes{' '}
            <NumberField
              label="Pace"
              value={audience.pace ?? 1}
              limits={LIMITS.Audience.pace}
              step={0.1}
              className="w-12"
              onChange={(pace) => set({ pace }, 'the pace', 'pace')}
            />{' '}
            times the usual
          </span>
          <span>
            All can take heat{' '}
            <NumberField
              label="Home heat"
              value={audience.homeHeat ?? catalog.method.limits.homeHeat}
              limits={LIMITS.Audience.homeHeat}
              className="w-12"
              onChange={(homeHeat) => set({ homeHeat }, 'the home heat', 'heat')}
            />
          </span>
          <span>
            Up from the floor{' '}
            <NumberField
              label="Floor trips"
              value={audience.floorTrips ?? catalog.method.limits.floorTrips}
              limits={LIMITS.Audience.floorTrips}
              className="w-10"
              onChange={(floorTrips) => set({ floorTrips }, 'the floor trips', 'trips')}
            />{' '}
            times a class
          </span>
        </p>
        <div className="-ml-1.5 mt-1 text-soft">
          <LinesField
            label="Notes"
            hidden
            value={audience.notes ? audience.notes.split('\n') : []}
            placeholder="What a teacher should know of them"
            onChange={(lines) => set({ notes: lines.join('\n') || undefined }, 'the notes', 'notes')}
          />
        </div>
        <h2 className="mt-5 font-name text-xl font-semibold">Cautions</h2>
        <p className="text-soft">What is present in the room. Every rung is held against it, by what its poses do.</p>
        <ConditionPicker chosen={cautions} onChange={(next) => set({ cautions: next }, 'the cautions')} />
        {cautions.includes('abdominal-separation') && (
          <CheckRecord
            checks={audience.abdominalChecks ?? []}
            limits={catalog.method.limits}
            onChange={(abdominalChecks) => set({ abdominalChecks }, 'the checks')}
          />
        )}
        <PropsAtHand audience={audience} set={set} />
        <h2 className="mt-6 font-name text-xl font-semibold">What they know</h2>
        <p className="leading-loose">
          <RungSet
            lead={known.length === 0 ? 'Nothing learnt elsewhere yet. ' : 'From elsewhere they have learnt '}
            does="not learnt after all"
            word={known.length === 0 ? 'They know …' : 'And …'}
            title="What people here have learnt elsewhere"
            keys={known}
            onChange={(knows) => set({ knows: knows.length > 0 ? [...knows] : undefined }, 'what they know')}
          />
        </p>
        <details className="mt-6" open={Object.keys(audience.limits ?? {}).length > 0}>
          <summary className="font-name text-xl font-semibold">Limits of their own</summary>
          <div className="mt-1 max-w-xl">
            <Figures
              title="When the review warns for them"
              about="What is not changed here is the house’s."
              table={ownLimits(catalog.method.limits)}
              values={audience.limits ?? {}}
              onChange={(limits, field) =>
                set({ limits: Object.keys(limits).length > 0 ? limits : undefined }, 'the limits', `limit ${field}`)
              }
            />
          </div>
        </details>
        <p className="mt-6 text-sm text-soft">{GENERAL_ADVICE}</p>
      </div>
      <WhatIsLeft catalog={catalog} audience={audience} />
    </div>
  );
}
