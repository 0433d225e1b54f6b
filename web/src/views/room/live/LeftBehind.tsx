import { Key } from '../Key';
import type { KeptCourse } from './keptCourse';

interface LeftBehindProps {
  readonly kept: KeptCourse;
  readonly name: string;
  readonly onGoOn: () => void;
  readonly onLog: () => void;
  readonly onDrop: () => void;
}

const WHEN = new Intl.DateTimeFormat('en', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  hour: '2-digit',
  minute: '2-digit',
  hourCycle: 'h23',
});

/** A class that was begun on this device, never ended, and hours ago: nothing of it is lost, and nothing goes on by itself. */
export const LeftBehind = ({ kept, name, onGoOn, onLog, onDrop }: LeftBehindProps) => (
  <main className="dim fixed inset-0 z-30 flex flex-col justify-center gap-5 overflow-y-auto p-6">
    <h1 className="text-3xl leading-tight font-semibold">{name} was begun here and not ended</h1>
    <p className="text-xl">Begun on {WHEN.format(kept.begunAt)}. What was tapped is still here.</p>
    <div className="flex flex-wrap gap-2">
      <Key onPress={onLog} main>
        Log what was tapped
      </Key>
      <Key onPress={onGoOn}>Go on</Key>
      <Key onPress={onDrop}>Drop it</Key>
    </div>
  </main>
);
