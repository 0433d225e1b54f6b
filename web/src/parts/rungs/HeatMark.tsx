import { heatStep } from './heat';

/** Heat as a number on its ember; the word stands in the title and for readers. */
export function HeatMark({ heat }: { heat: number }) {
  const { ground, word } = heatStep(heat);
  return (
    <span
      className={`inline-block min-w-8 rounded px-1.5 text-center text-sm font-semibold ${ground}`}
      title={`Heat ${Math.round(heat)} of 100: ${word}`}
    >
      <span className="sr-only">Heat </span>
      {Math.round(heat)}
    </span>
  );
}
