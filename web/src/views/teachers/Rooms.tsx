import type { Room } from '@warm-ladder/core/plan';
import { Plus } from 'lucide-react';
import { newId } from '../../app/freeId';
import { useChange, useSet } from '../../app/store/edits';
import { selectProps, selectRooms } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Choice } from '../../parts/fields/Choice';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { NamedHead } from './NamedHead';

/** Where classes are taught: how many people each room holds, and how many of each prop are there. */
export function Rooms() {
  const rooms = useAppSelector(selectRooms);
  const change = useChange();
  const create = () => {
    const made: Room = { id: newId('New room'), name: 'New room' };
    change('rooms', made.id, made, 'making a room');
  };
  return (
    <section aria-label="Rooms" className="mt-6">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="grow font-name text-2xl font-semibold">Rooms</h2>
        <button type="button" className="action" onClick={create}>
          <Plus className="size-4" aria-hidden="true" /> New room
        </button>
      </div>
      {rooms.length === 0 && <p className="mt-2 text-soft">No room yet.</p>}
      <ul className="mt-1 flex flex-col divide-y divide-line">
        {rooms.map((room) => (
          <RoomRow key={room.id} room={room} />
        ))}
      </ul>
    </section>
  );
}

function RoomRow({ room }: { room: Room }) {
  const props = useAppSelector(selectProps);
  const set = useSet('rooms', room);
  const counts = room.props ?? {};
  return (
    <li data-item={room.id} className="py-2">
      <NamedHead
        kind="rooms"
        document={room}
        label="Name of the room"
        onName={(name) => set({ name }, 'the name', 'name')}
      />
      <p className="flex flex-wrap items-baseline gap-x-3 leading-loose">
        <span>
          Holds{' '}
          <NumberField
            label={`People ${room.name} holds`}
            value={room.size ?? 12}
            limits={LIMITS.Room.size}
            className="w-10"
            onChange={(size) => set({ size }, 'the size', 'size')}
          />{' '}
          people, and has
        </span>
        {Object.entries(counts).map(([id, count]) => {
          const name = props.find((prop) => prop.id === id)?.name ?? id;
          return (
            <span key={id} className="whitespace-nowrap">
              <NumberField
                label={`How many of ${name} in ${room.name}`}
                value={count}
                limits={LIMITS.Room.props}
                className="w-10"
                onChange={(next) => set({ props: { ...counts, [id]: next } }, 'the props', `prop ${id}`)}
              />{' '}
              × {name}
            </span>
          );
        })}
        <Choice
          label={`One more prop in ${room.name}`}
          value=""
          choices={[
            ['', 'one more prop…'],
            ...props.filter(({ id }) => !(id in counts)).map(({ id, name }) => [id, name] as const),
          ]}
          onChange={(id) => id !== '' && set({ props: { ...counts, [id]: 1 } }, 'the props', '')}
        />
      </p>
    </li>
  );
}
