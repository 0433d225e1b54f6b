import { LINE_LABELS } from '@warm-ladder/core/handouts';
import type { Block } from '@warm-ladder/core/plan';
import type { CueKind, RungEntry } from '@warm-ladder/core/repertoire';
import { clock, spell } from '@warm-ladder/core/review';
import { cuesToldIn, inTurn, type ScriptLine, type ScriptSection } from '@warm-ladder/core/script';
import { memo } from 'react';
import { shallowEqual } from 'react-redux';
import { RungFigure } from '../../figure/RungFigure';
import { WrongForms } from '../../parts/rungs/WrongForms';

import { AddLine } from './AddLine';
import { BreathLine } from './BreathLine';
import { type LineActions, SpokenLine } from './SpokenLine';

interface SectionProps {
  readonly section: ScriptSection;
  /** The block it speaks; what can be done with its lines is done to that. */
  readonly of: Block | undefined;
  readonly figure: RungEntry | undefined;
  readonly actions: LineActions | null;
  readonly onAdd: ((kind: CueKind, text: string) => void) | null;
  /** What the language review says of each line, by its id. */
  readonly faults: ReadonlyMap<string, string>;
  /** Seconds spoken while people work, of the seconds they work; `null` where nobody works. */
  readonly spoken: { readonly speech: number; readonly work: number } | null;
}

/**
 * One stretch of the script: the way there, then what is said, at its clock time; what is only known stands apart. A word
 * typed in one block draws that one again: the others have the same lines, seconds and faults as before.
 */
export const Section = memo(Stretch, (before, now) => {
  const { section, faults, spoken } = now;
  return (
    before.of === now.of &&
    before.figure === now.figure &&
    shallowEqual(before.section, section) &&
    before.spoken?.speech === spoken?.speech &&
    before.spoken?.work === spoken?.work &&
    section.lines.every(({ id }) => before.faults.get(id) === faults.get(id))
  );
});

function Stretch({ section, figure, actions, onAdd, faults, spoken }: SectionProps) {
  const { kind, part, title, startSeconds, seconds, lead, leadSeconds, lines, side, pass, block } = section;
  const said = lines.filter((line) => line.said);
  const known = lines.filter((line) => !line.said);
  const spokenAs = (line: ScriptLine) => <SpokenLine line={line} actions={actions} fault={faults.get(line.id)} />;
  const { before, actions: act, during, out } = inTurn(said);
  const setup = before.filter((line) => line.kind === 'setup');
  const listed = (lines: readonly ScriptLine[]) =>
    lines.length > 0 && (
      <dl className="grid grid-cols-[4.2rem_1fr] gap-x-2 gap-y-0.5">
        {lines.map((line, i) => (
          <div key={i} className="contents">
            <dt className={line.kind === 'safety' ? 'font-semibold text-alarm' : 'text-soft'}>
              {LINE_LABELS[line.kind]}
            </dt>
            <dd>
              {line.sign && <span className="text-soft">{line.sign} → </span>}
              {spokenAs(line)}
            </dd>
          </div>
        ))}
      </dl>
    );
  return (
    <section
      data-item={block === null ? undefined : `section-${block}`}
      className="grid scroll-mt-4 break-inside-avoid grid-cols-[3.5rem_1fr] [contain-intrinsic-size:auto_26rem] [content-visibility:auto] print:[content-visibility:visible] gap-x-3 border-b border-line py-3"
    >
      {part !== null && <h2 className="col-span-2 mt-3 mb-1 font-name text-2xl text-cobalt">{part}</h2>}
      {lead !== null && <Lead words={lead} seconds={leadSeconds} />}
      <time className="text-right text-lg font-semibold">{clock(startSeconds)}</time>
      <div className="min-w-0">
        {figure && <RungFigure entry={figure} className="float-right ml-3 h-16 w-28" />}
        <h3 className="font-name text-xl leading-tight font-semibold">
          {title}
          {kind === 'block' && side && <Tag>{pass === 2 ? `now ${side}` : side}</Tag>}
          <span className="ml-2 font-work text-base font-normal text-soft">
            {spell(seconds)}
            {spoken && pass === 1 && spoken.work > 0 && (
              <span className="no-print">
                , spoken {Math.round(spoken.speech)} of {Math.round(spoken.work)} s of work
              </span>
            )}
          </span>
        </h3>
        {/* By their places: a line that is being written becomes the class's own under the hand, with another id. */}
        {setup.map((line, i) => (
          <p key={i} className="text-lg">
            {spokenAs(line)}
          </p>
        ))}
        {listed(before.filter((line) => line.kind !== 'setup'))}
        {act.length > 0 && <BreathLine lines={act} actions={actions} faults={faults} />}
        {listed([...during, ...out])}
        {figure && <WrongForms entry={figure} said={cuesToldIn(lines)} />}
        {known.length > 0 && (
          <div className="mt-1 border-l-4 border-line pl-2 text-[15px]">
            <p className="text-sm font-semibold text-soft">To know, not to say</p>
            {known.map((line) => (
              <p key={line.id} className="text-soft">
                {line.text}
              </p>
            ))}
          </div>
        )}
        {section.leftOut.length > 0 && (
          <div className="no-print mt-1 text-[15px] text-soft">
            {section.leftOut.map((line) => (
              <p key={line.id}>
                Left out: {line.text}{' '}
                <button
                  type="button"
                  className="underline decoration-dotted underline-offset-4 hover:text-ink"
                  onClick={() => actions?.asTheRung(line.id)}
                >
                  Say it again
                  <span className="sr-only"> as the rung does: {line.text}</span>
                </button>
              </p>
            ))}
          </div>
        )}
        {onAdd && <AddLine name={pass === 2 ? `${title}, second side` : title} onAdd={onAdd} />}
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

const Tag = ({ children }: { children: React.ReactNode }) => (
  <span className="ml-2 rounded-full bg-ink px-2.5 align-middle font-work text-sm font-normal text-sheet">
    {children}
  </span>
);
