import { propsWords, type SpokenClass } from '@warm-ladder/core/handouts';
import { clock } from '@warm-ladder/core/review';
import { Line } from './Words';

/** A class's script to read on a phone: every word in its place, and nothing to change. */
export function ReadScript({ spoken }: { readonly spoken: SpokenClass }) {
  const { plan, script, audience, teacher } = spoken;
  const { id } = plan;
  const asked = teacher ? `?teacher=${encodeURIComponent(teacher.id)}` : '';
  return (
    <main className="dim min-h-dvh px-4 py-5">
      <div className="mx-auto max-w-2xl">
        <p>
          <a className="inline-flex min-h-11 items-center underline" href="/tonight">
            Today
          </a>
        </p>
        <h1 className="text-3xl leading-tight font-semibold">{plan.name}</h1>
        <p className="mt-1 text-lg text-soft">
          {[clock(script.seconds), `for ${audience}`, teacher?.name, propsWords(spoken)].filter(Boolean).join(' · ')}
        </p>
        <p className="mt-3 flex flex-wrap gap-2">
          <a
            className="flex min-h-12 items-center rounded-lg bg-cobalt px-5 text-lg font-semibold text-paper"
            href={`/teach/${id}${asked}`}
          >
            Teach
          </a>
          <a
            className="flex min-h-12 items-center rounded-lg border border-line px-5 text-lg"
            href={`/rehearse/${id}${asked}`}
          >
            Rehearse
          </a>
        </p>
        {script.sections.map(({ startSeconds, title, side, lead, lines, part, times }) => (
          <section key={startSeconds} className="mt-6">
            {part && <p className="mb-1 text-soft">{part}</p>}
            <h2 className="flex gap-3 text-2xl leading-tight font-semibold">
              <span className="w-16 shrink-0 text-cobalt tabular-nums">{clock(startSeconds)}</span>
              <span>
                {title}
                {side && <span className="ml-2 text-cobalt">{side}</span>}
              </span>
            </h2>
            <ul className="mt-1 flex flex-col gap-1 text-lg leading-snug">
              {lead && <li className="pl-3 text-cobalt">{lead}</li>}
              {lines.map((line) => (
                <Line key={line.id} line={line} hearing={null} plain={times === null} />
              ))}
            </ul>
          </section>
        ))}
      </div>
    </main>
  );
}
