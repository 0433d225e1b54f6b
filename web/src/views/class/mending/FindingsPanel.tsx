import type { Fix } from '@warm-ladder/core/mend';
import type { ClassPlan, PlanEdit } from '@warm-ladder/core/plan';
import { type CraftWord, type Finding, findingKey, nowAndLater, type Verdict } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { memo, type ReactNode, useEffect, useMemo, useState } from 'react';
import { effectText } from '../../../parts/classes/effectText';
import { SeverityMark } from '../../../parts/classes/SeverityMark';

interface FindingsPanelProps {
  readonly plan: ClassPlan;
  readonly findings: readonly Finding[];
  /** What the class comes to, and how it is made. */
  readonly verdict: Verdict;
  /** How long the class is now. */
  readonly seconds: number;
  /** The circumstances a finding arises in; `null` where it is the class's own. */
  readonly arises: (finding: Finding) => string | null;
  /** What else is said at the head of the panel. */
  readonly children?: ReactNode;
  readonly onPoint: (ids: readonly string[]) => void;
  readonly onGo: (id: string) => void;
  /** Ways to mend it, each tried on the class as it is now. */
  readonly onAsk: (finding: Finding) => Promise<readonly Fix[]>;
  /** Shows where edits lead, before they are taken; `null`: no longer. */
  readonly onPreview: (edits: readonly PlanEdit[] | null) => void;
  readonly onMend: (fix: Fix) => void;
}

/** Findings shown before the rest is asked for: the gravest, and more than a sound class ever has. */
const SHOWN = 16;

/** What the review says, first what cures most, each with the blocks it points at and, when asked, what would mend it. */
export const FindingsPanel = memo(function FindingsPanel(props: FindingsPanelProps) {
  const { plan, findings: found, verdict, seconds, arises, children, onAsk, ...does } = props;
  const [early, setEarly] = useState(false);
  const heard = useMemo(() => nowAndLater(found, { seconds, plan }), [found, seconds, plan]);
  const findings = early ? found : heard.now;
  const [all, setAll] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const [fixes, setFixes] = useState<readonly Fix[] | string | null>(null);
  // Asked again whenever the class has changed: what helped it as it was may not help it now.
  useEffect(() => {
    const finding = findings.find((each) => findingKey(each) === opened);
    if (!finding || plan.blocks.length === 0) return;
    let over = false;
    setFixes(null);
    onAsk(finding).then(
      (found) => over || setFixes(found),
      (error: Error) => over || setFixes(error.message),
    );
    return () => {
      over = true;
    };
  }, [plan, findings, opened, onAsk]);
  return (
    <section aria-label="Findings" className="flex flex-col">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 id="findings" tabIndex={-1} className="font-name text-lg font-semibold">
          {heard.later.length > 0 ? countText(findings.length, 'finding') : verdict.text}
        </h2>
        {children}
      </div>
      {heard.later.length === 0 && <Craft words={verdict.craft} {...does} />}
      <ul className="mt-1 flex flex-col divide-y divide-line">
        {findings.slice(0, all ? undefined : SHOWN).map((finding) => {
          const key = findingKey(finding);
          return (
            <FindingItem
              key={key}
              finding={finding}
              arises={arises(finding)}
              fixes={opened === key ? (fixes ?? TRYING) : null}
              onOpen={() => setOpened(key)}
              {...does}
            />
          );
        })}
      </ul>
      {!early && heard.later.length > 0 && (
        <p className="mt-1 text-soft">
          The class is being begun: {countText(heard.later.length, 'finding')} about its whole shape{' '}
          {heard.later.length === 1 ? 'waits' : 'wait'} until it is half as long as it should be.{' '}
          <button type="button" className="underline decoration-dotted" onClick={() => setEarly(true)}>
            Show {heard.later.length === 1 ? 'it' : 'them'} now
          </button>
        </p>
      )}
      {!all && findings.length > SHOWN && (
        <button type="button" className="action mt-1 self-start text-sm" onClick={() => setAll(true)}>
          {findings.length - SHOWN} more
        </button>
      )}
    </section>
  );
});

/** How the class is made, in plain words: what is kept, and what a director would do otherwise. Each leads to its blocks. */
function Craft({
  words,
  onPoint,
  onGo,
}: { words: readonly CraftWord[] } & Pick<FindingsPanelProps, 'onPoint' | 'onGo'>) {
  if (words.length === 0) return null;
  return (
    <ul aria-label="How it is made" className="mt-1 flex flex-col gap-0.5 text-[15px] leading-snug">
      {words.map(({ name, text, ids, well }) => (
        <li key={name} className={`flex gap-2 ${well ? 'text-soft' : 'font-semibold'}`}>
          <span aria-hidden="true">·</span>
          {ids.length === 0 ? (
            text
          ) : (
            <button
              type="button"
              className="text-left underline decoration-dotted underline-offset-4 hover:bg-shade"
              onPointerEnter={() => onPoint(ids)}
              onPointerLeave={() => onPoint([])}
              onFocus={() => onPoint(ids)}
              onBlur={() => onPoint([])}
              onClick={() => onGo(ids[0] as string)}
            >
              {text}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

const TRYING = 'Trying what would help …';

interface FindingItemProps extends Pick<FindingsPanelProps, 'onPoint' | 'onGo' | 'onPreview' | 'onMend'> {
  readonly finding: Finding;
  readonly arises: string | null;
  /** Ways to mend it, or a sentence in their place; `null` while nobody asked. */
  readonly fixes: readonly Fix[] | string | null;
  readonly onOpen: () => void;
}

/** Drawn again only when it says something else: a review makes every finding anew, most of them the same. */
const FindingItem = memo(
  function FindingItem({ finding, arises, fixes, onPoint, onGo, onOpen, onPreview, onMend }: FindingItemProps) {
    const { ids, blocks } = finding;
    return (
      <li
        className="py-2 text-[15px] leading-snug"
        onPointerEnter={() => onPoint(ids)}
        onPointerLeave={() => onPoint([])}
      >
        <p>
          <SeverityMark severity={finding.severity} /> {finding.message}
          {arises !== null && <span className="text-soft"> ({arises})</span>}
        </p>
        <p className="mt-1 flex flex-wrap gap-1.5 text-sm">
          {ids.slice(0, 8).map((id, i) => (
            <button
              key={id}
              type="button"
              className="rounded bg-shade px-1.5 hover:bg-line"
              onFocus={() => onPoint(ids)}
              onBlur={() => onPoint([])}
              onClick={() => onGo(id)}
            >
              block {(blocks[i] ?? 0) + 1}
            </button>
          ))}
          <button
            type="button"
            aria-expanded={fixes !== null}
            className="rounded px-1.5 underline decoration-dotted underline-offset-4 hover:bg-shade"
            onClick={onOpen}
          >
            How to mend it
          </button>
        </p>
        {fixes !== null && <Fixes fixes={fixes} onPreview={onPreview} onMend={onMend} />}
      </li>
    );
  },
  (before, after) =>
    before.fixes === after.fixes &&
    before.arises === after.arises &&
    before.finding.message === after.finding.message &&
    before.finding.severity === after.finding.severity &&
    before.finding.ids.join() === after.finding.ids.join() &&
    before.finding.blocks.join() === after.finding.blocks.join(),
);

function Fixes({ fixes, onPreview, onMend }: Pick<FindingItemProps, 'fixes' | 'onPreview' | 'onMend'>) {
  // The button that is gone can no longer say that the pointer has left it.
  useEffect(() => () => onPreview(null), [onPreview]);
  if (typeof fixes === 'string' || fixes === null || fixes.length === 0) {
    return (
      <p className="mt-1 text-sm text-soft" aria-live="polite">
        {typeof fixes === 'string' ? fixes : 'No change near it makes the class better.'}
      </p>
    );
  }
  return (
    <ul className="mt-1.5 border-l-2 border-cobalt pl-1" aria-label="Ways to mend it" aria-live="polite">
      {fixes.map((fix) => (
        <li key={fix.label}>
          <button
            type="button"
            className="w-full rounded px-1.5 py-0.5 text-left hover:bg-shade"
            onPointerEnter={() => onPreview(fix.edits)}
            onPointerLeave={() => onPreview(null)}
            onFocus={() => onPreview(fix.edits)}
            onBlur={() => onPreview(null)}
            onClick={() => onMend(fix)}
          >
            {fix.label} <span className="block text-sm text-soft">{effectText(fix.before, fix.after)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
