import type { Phase } from '@warm-ladder/core/repertoire';
import { cuesToldIn, inTurn, type ScriptLine } from '@warm-ladder/core/script';
import { SoonWrongForms } from '../../parts/soon';
import { StageFigure, type StageProps } from './Glance';
import { countWords, doingWords } from './live/stageWords';

/** What kind of words they are, by their colour and by their own name: set-up, safety, options; the rest is the effort. */
const LOOKS: Readonly<Partial<Record<ScriptLine['kind'], { readonly colour: string; readonly name: string }>>> = {
  setup: { colour: 'text-soft', name: 'set-up' },
  check: { colour: 'text-soft', name: 'check' },
  side: { colour: 'text-moss', name: 'side' },
  count: { colour: 'text-moss', name: 'how many' },
  option: { colour: 'text-thing', name: 'option' },
  safety: { colour: 'text-alarm', name: 'safety' },
  transition: { colour: 'text-soft', name: 'way out' },
};

const KNOWN = { colour: 'italic text-soft', name: 'for you' };

interface WordsProps extends StageProps {
  readonly phase: Phase | undefined;
}

/** All that is said of a stretch, in the order it is said, each kind in its own colour. */
export function Words({ catalog, section, entry, now, phase, hearing, onRep }: WordsProps) {
  const said = section.lines.filter((line) => line.said);
  const { before, actions, during, out } = inTurn(said);
  const listed = (lines: readonly ScriptLine[]) =>
    lines.length > 0 && (
      <ul className="flex flex-col gap-1 text-xl leading-snug">
        {lines.map((line) => (
          <Line key={line.id} line={line} hearing={hearing} plain={section.times === null} />
        ))}
      </ul>
    );
  const count = countWords(now, section);
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: keys do the same from anywhere on the page.
    // biome-ignore lint/a11y/noStaticElementInteractions: anywhere a hand falls counts a repetition.
    <div className="flex min-h-0 grow flex-col gap-2 overflow-y-auto px-4 py-2" onClick={onRep}>
      {section.lead !== null && <p className="text-lg text-cobalt">{section.lead}</p>}
      <h1 className="text-3xl leading-tight font-semibold">
        {section.title}
        {section.side && <span className="ml-2 text-cobalt">{section.side}</span>}
      </h1>
      {section.times && (
        <p role="timer" aria-label="Where it is" className="text-2xl font-semibold text-cobalt">
          {[count, doingWords(now, section)].filter(Boolean).join(' · ')}
        </p>
      )}
      {entry && <StageFigure {...{ catalog, entry, now }} className="h-40 w-full shrink-0" />}
      {entry && section.pass === 1 && (
        <SoonWrongForms entry={entry} said={cuesToldIn(section.lines)} className="px-3 py-1" />
      )}
      {listed(before)}
      {actions.length > 0 && (
        <ol aria-label="On the breath" className="flex flex-col gap-1 text-2xl leading-snug">
          {actions.map((line) => (
            <li key={line.id} className={phase && phase.id === line.phase?.id ? 'text-cobalt' : 'text-ink'}>
              <span className="text-base text-soft">
                {line.phase?.breath} {line.phase?.counts}
              </span>{' '}
              {line.text}
            </li>
          ))}
        </ol>
      )}
      {listed([...during, ...out])}
    </div>
  );
}

interface LineProps {
  readonly line: ScriptLine;
  /** What is said just now. */
  readonly hearing: string | null;
  /** Of a stretch in which nobody works: all of it is said, and no kind of it stands apart. */
  readonly plain?: boolean;
}

/** One line of a script, in the colour of its kind; what is to be known and not said stands apart. */
export function Line({ line, hearing, plain = false }: LineProps) {
  const look = !line.said ? KNOWN : plain ? undefined : LOOKS[line.kind];
  const spoken = line.text === hearing ? 'border-l-4 border-cobalt pl-2' : 'pl-3';
  return (
    <li className={spoken}>
      {look && <span className="mr-2 text-sm text-soft">{look.name}</span>}
      <span className={look?.colour}>{line.text}</span>
    </li>
  );
}
