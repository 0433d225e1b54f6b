import type { Teacher } from '@warm-ladder/core/plan';
import { Plus } from 'lucide-react';
import { Link } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange, useSet } from '../../app/store/edits';
import { selectCatalog, selectTeachers } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { TextField } from '../../parts/fields/TextField';
import { Away } from './Away';
import { Cleared } from './Cleared';
import { NamedHead } from './NamedHead';
import { OwnPace } from './OwnPace';
import { Rooms } from './Rooms';

/** Who teaches: how fast each speaks and counts, which shapes what fits a script and how long a class is with them. */
export function Component() {
  const teachers = useAppSelector(selectTeachers);
  const change = useChange();
  const create = () => {
    const made: Teacher = { id: newId('New teacher'), name: 'New teacher' };
    change('teachers', made.id, made, 'making a teacher');
  };
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-5">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="grow font-name text-3xl font-semibold">Teachers and rooms</h1>
        <button type="button" className="action" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New teacher
        </button>
      </div>
      <p className="mt-1 text-soft">
        A script is for a teacher: how fast they speak decides which words fit the breath, how fast they count how long
        a class is with them.
      </p>
      {teachers.length === 0 && <p className="mt-4">No teacher yet.</p>}
      <ul className="mt-3 flex flex-col divide-y divide-line">
        {teachers.map((teacher) => (
          <TeacherRow key={teacher.id} teacher={teacher} />
        ))}
      </ul>
      <Rooms />
      <p className="mt-5">
        <Link to="/script" className="underline decoration-dotted underline-offset-4">
          To the scripts
        </Link>
      </p>
    </main>
  );
}

function TeacherRow({ teacher }: { teacher: Teacher }) {
  const { wordsPerMinute } = useAppSelector(selectCatalog).method;
  const set = useSet('teachers', teacher);
  return (
    <li data-item={teacher.id} className="py-3">
      <NamedHead
        kind="teachers"
        document={teacher}
        label="Name of the teacher"
        onName={(name) => set({ name }, 'the name', 'name')}
      />
      <p className="leading-loose">
        Says{' '}
        <NumberField
          label={`Words a minute of ${teacher.name}`}
          value={teacher.wordsPerMinute ?? wordsPerMinute}
          limits={LIMITS.Teacher.wordsPerMinute}
          className="w-12"
          onChange={(words) => set({ wordsPerMinute: words }, 'the words a minute', 'words')}
        />{' '}
        words a minute, and takes{' '}
        <NumberField
          label={`Tempo of ${teacher.name}`}
          value={teacher.tempo ?? 1}
          limits={LIMITS.Teacher.tempo}
          step={0.05}
          className="w-12"
          onChange={(tempo) => set({ tempo: tempo === 1 ? undefined : tempo }, 'the tempo', 'tempo')}
        />{' '}
        times as long for a count as the method.
      </p>
      <OwnPace teacher={teacher} />
      <Cleared teacher={teacher} onChange={(cleared) => set({ cleared }, 'what they may teach', 'cleared')} />
      <Away teacher={teacher} onChange={(away) => set({ away }, 'when they are away', 'away')} />
      <TextField
        label={`Notes on ${teacher.name}`}
        note
        value={teacher.notes ?? ''}
        className="w-full text-soft"
        onChange={(notes) => set({ notes: notes || undefined }, 'the notes', 'notes')}
      />
    </li>
  );
}
