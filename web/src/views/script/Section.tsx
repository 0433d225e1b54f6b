import type { RungEntry } from '@warm-ladder/core/repertoire';
import { clock, spell } from '@warm-ladder/core/review';
import { type ScriptLine, type ScriptSection, wantsWords } from '@warm-ladder/core/script';
import { RungFigure } from '../../figure/RungFigure';
import { BreathLine } from './BreathLine';

const KIND_WORDS: Readonly<Partial<Record<ScriptLine['kind'], string>>> = {
  check: 'Check',
  alignment: 'Keep',
  image: 'Image',
  feel: 'Feel',
  fault: 'See',
  option: 'Option',
  safety: 'Safety',
  side: 'Side',
  count: 'Count',
  transition: 'Then',
};

/** One stretch of the script: the way there, then what is said, at its clock time. */
export function Section({ section, figure }: { section: ScriptSection; figure: RungEntry | undefined }) {
  const { kind, part, title, startSeconds, seconds, lead, leadSeconds, lines, side, pass } = section;
  const actions = lines.filter((line) => line.kind === 'action');
  const setup = lines.filter((line) => line.kind === 'setup');
  const rest = lines.filter((line) => line.kind !== 'action' && line.kind !== 'setup');
  if (kind !== 'block') {
    return (
      <section className="grid break-inside-avoid grid-cols-[3.5rem_1fr] gap-x-3 border-b border-line py-3">
        {lead !== null && <Lead words={lead} seconds={leadSeconds} />}
        <Clock seconds={startSeconds} />
        <div>
          <h2 className="font-name text-xl font-semibold">
            {title} <span className="font-work text-base font-normal text-soft">{spell(seconds)}</span>
          </h2>
          {setup.map((line) => (
            <p key={line.text} className="text-lg">
              <Words line={line} />
            </p>
          ))}
          <Lines lines={rest} />
        </div>
      </section>
    );
  }
  return (
    <section className="grid break-inside-avoid grid-cols-[3.5rem_1fr] gap-x-3 border-b border-line py-3">
      {part !== null && <h2 className="col-span-2 mt-3 mb-1 font-name text-2xl text-heat-3">{part}</h2>}
      {lead !== null && <Lead words={lead} seconds={leadSeconds} />}
      <Clock seconds={startSeconds} />
      <div className="min-w-0">
        {figure && <RungFigure entry={figure} className="float-right ml-3 h-16 w-28" />}
        <h3 className="font-name text-xl leading-tight font-semibold">
          {title}
          {side && <Tag>{pass === 2 ? `now ${side}` : side}</Tag>}
          <span className="ml-2 font-work text-base font-normal text-soft">{spell(seconds)}</span>
        </h3>
        {setup.map((line) => (
          <p key={line.text} className="text-lg">
            <Words line={line} />
          </p>
        ))}
        {actions.length > 0 && <BreathLine lines={actions} />}
        <Lines lines={rest} />
      </div>
    </section>
  );
}

/** The way there, with what it costs. */
const Lead = ({ words, seconds }: { words: string; seconds: number }) => (
  <p className="col-start-2 mb-1.5 text-soft">
    <span aria-hidden="true">→ </span>
    {words} <span className="whitespace-nowrap">({Math.round(seconds)} s)</span>
  </p>
);

/** What is said beside set-up and action, a line each. */
function Lines({ lines }: { lines: readonly ScriptLine[] }) {
  return (
    <dl className="grid grid-cols-[4.2rem_1fr] gap-x-2 gap-y-0.5">
      {lines.map((line) => (
        <div key={line.kind + line.text} className="contents">
          <dt className={line.kind === 'safety' ? 'font-semibold text-brick' : 'text-soft'}>{KIND_WORDS[line.kind]}</dt>
          <dd>
            {line.sign && <span className="text-soft">{line.sign} → </span>}
            <Words line={line} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

const Clock = ({ seconds }: { seconds: number }) => (
  <time className="text-right text-lg font-semibold">{clock(seconds)}</time>
);

const Tag = ({ children }: { children: React.ReactNode }) => (
  <span className="ml-2 rounded-full bg-ink px-2.5 align-middle font-work text-sm font-normal text-sheet">
    {children}
  </span>
);

/** Drafted words stand in italics: they want writing. */
const Words = ({ line }: { line: ScriptLine }) => (
  <span className={wantsWords(line) ? 'text-soft italic' : ''}>{line.text}</span>
);
