import { DIRECTION_WORDS, DIRECTIONS, type Direction } from '@warm-ladder/core/method';
import { isRungBlock } from '@warm-ladder/core/plan';
import type { Catalog, Exercise } from '@warm-ladder/core/repertoire';
import {
  countText,
  FELT_AT,
  type FeltAt,
  GOOD_FOR,
  type GoodFor,
  SIDEDNESS_WORDS,
  wordsOfUse,
} from '@warm-ladder/core/vocabulary';
import { memo } from 'react';
import { Link, useNavigate } from 'react-router';
import { useChange } from '../../app/store/edits';
import { selectClasses } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { BinButton } from '../../parts/BinButton';
import { ChipSet } from '../../parts/fields/ChipSet';
import { LinesField } from '../../parts/fields/LinesField';
import { PositionOptions } from '../../parts/fields/PositionOptions';
import { TextField } from '../../parts/fields/TextField';

interface ExerciseHeadProps {
  readonly catalog: Catalog;
  readonly exercise: Exercise;
  readonly onExercise: (next: Exercise, label: string, field?: string) => void;
}

const DIRECTION_CHIPS = DIRECTIONS.map((id) => ({ id, name: DIRECTION_WORDS[id] }));
/** The exercise whole: what it is called, where it is done, what the spine does, and how the sides go. */
export const ExerciseHead = memo(function ExerciseHead({ catalog, exercise, onExercise }: ExerciseHeadProps) {
  const change = useChange();
  const navigate = useNavigate();
  const taught = useAppSelector(selectClasses).filter(({ blocks }) =>
    blocks.some((block) => isRungBlock(block) && block.exercise === exercise.id),
  ).length;
  const set = (part: Partial<Exercise>, label: string, field?: string) =>
    onExercise({ ...exercise, ...part }, label, field);
  return (
    <header className="flex flex-col gap-1">
      <h1 className="sr-only">{exercise.name}, in the editor</h1>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <TextField
          label="Name of the exercise"
          value={exercise.name}
          className="-ml-1.5 w-full max-w-md font-name text-2xl font-semibold"
          onChange={(name) => set({ name }, 'the name', 'name')}
        />
        <Link className="action ml-auto text-sm" to={`/repertoire/${exercise.id}`}>
          Its ladder
        </Link>
        <BinButton
          word="Remove"
          against={
            taught > 0 ? `Taught in ${countText(taught, 'class', 'classes')}; take it out there first` : undefined
          }
          onPress={() => {
            change('exercises', exercise.id, undefined, `removing ${exercise.name}`);
            void navigate('/repertoire');
          }}
        />
      </div>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[15px]">
        <label>
          Position{' '}
          <select
            className="field"
            value={exercise.position}
            onChange={({ target }) => set({ position: target.value }, 'the position')}
          >
            <PositionOptions graph={catalog.graph} />
          </select>
        </label>
        <label>
          Sides{' '}
          <select
            className="field"
            value={exercise.sides}
            onChange={({ target }) => set({ sides: target.value as Exercise['sides'] }, 'the sides')}
          >
            {Object.entries(SIDEDNESS_WORDS).map(([sides, words]) => (
              <option key={sides} value={sides}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <ChipSet<Direction>
          legend="Directions"
          all={DIRECTION_CHIPS}
          chosen={exercise.directions}
          onChange={(directions) => set({ directions }, 'the directions')}
        />
      </div>
      <UsesField exercise={exercise} onUses={(uses, label) => set(uses, label)} />
      <div className="-ml-1.5 max-w-3xl text-soft">
        <LinesField
          label="Notes on the exercise"
          hidden
          value={exercise.notes ? exercise.notes.split('\n') : []}
          placeholder="What a teacher should know of it"
          onChange={(lines) => {
            const { notes: _old, ...others } = exercise;
            onExercise(lines.length > 0 ? { ...others, notes: lines.join('\n') } : others, 'the notes', 'notes');
          }}
        />
      </div>
    </header>
  );
});

const FELT_CHIPS = FELT_AT.map((id) => ({ id, name: wordsOfUse(id) }));
const GOOD_CHIPS = GOOD_FOR.map((id) => ({ id, name: wordsOfUse(id) }));

interface UsesFieldProps {
  readonly exercise: Exercise;
  readonly onUses: (uses: Pick<Exercise, 'feltAt' | 'goodFor'>, label: string) => void;
}

/** Where the exercise is felt and what it is good for, folded until it is asked for. */
function UsesField({ exercise: { feltAt = [], goodFor = [] }, onUses }: UsesFieldProps) {
  return (
    <details className="text-[15px]">
      <summary>
        <span className="text-soft">Felt in:</span> {feltAt.map(wordsOfUse).join(', ') || 'not said yet'}{' '}
        <span className="text-soft">· good for:</span> {goodFor.map(wordsOfUse).join(', ') || 'not said yet'}
      </summary>
      <p className="mt-1 text-soft">Felt in</p>
      <ChipSet<FeltAt>
        legend="Where it is felt"
        all={FELT_CHIPS}
        chosen={feltAt}
        onChange={(next) => onUses({ feltAt: next }, 'where it is felt')}
      />
      <p className="mt-1 text-soft">Good for</p>
      <ChipSet<GoodFor>
        legend="What it is good for"
        all={GOOD_CHIPS}
        chosen={goodFor}
        onChange={(next) => onUses({ goodFor: next }, 'what it is good for')}
      />
    </details>
  );
}
